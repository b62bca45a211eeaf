// What the school has set for all its lessons. The device keeps a copy, so that a lesson
// that is begun without the network begins with it too.
import { api, type School } from './api';
import { device, patient } from './device';

const copy = 'school';

/** How long a new lesson waits for the server to tell, in milliseconds. */
const PATIENCE_MS = 1500;

const keep = async (school: School) => {
  await device.putDocument(copy, '', school).catch(() => undefined);
  return school;
};

/** What is set, or was when the server was last there; nothing where neither is known. */
export async function school(): Promise<School> {
  try {
    return await keep(await patient(api.school(), PATIENCE_MS));
  } catch {
    const kept = await device.document(copy, undefined).catch(() => undefined);
    return (kept as School | undefined) ?? { words: {} };
  }
}

/** Sets it for every new lesson from now on. */
export const setSchool = async (set: School) => keep(await api.setSchool(set));
