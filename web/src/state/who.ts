// Whose work this browser keeps: the teacher who is signed in, or nobody where no one signs in.
const KEY = 'unitbloom-teacher';

let mine = read();

function read(): string {
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return '';
  }
}

/** The id of the teacher; empty where nobody signs in. It is known without the network too. */
export const who = () => mine;

/** Tells who it is; whether that is another than before. */
export function setWho(id: string): boolean {
  const another = mine !== '' && id !== mine;
  mine = id;
  try {
    if (id) localStorage.setItem(KEY, id);
    else localStorage.removeItem(KEY);
  } catch {
    // Without storage nothing is kept that could be another's.
  }
  return another;
}

/** Whether something kept here is this teacher's: all is where nobody signs in. */
export const isMine = (kept: { teacher?: string | undefined }) =>
  mine === '' || kept.teacher === undefined || kept.teacher === mine;
