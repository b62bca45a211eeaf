// What is done with lessons from the shelf, without opening them.
import { call, loadCore } from '../core/core';
import { download } from '../shell/download';
import { api, newId } from '../state/api';
import { editClosed } from '../state/closed';
import { lessonsKept } from '../state/device';
import { school } from '../state/school';
import { makeLesson } from '../state/session';

/** What a lesson's document says of itself, which is replaced together. */
interface Said {
  title: string;
  objective?: string;
  words: object;
}

/** Gives a lesson another title. */
export const rename = (id: string, title: string) =>
  editClosed(id, (lesson) => {
    const { objective = '', words } = lesson as Said;
    return [{ kind: 'setLesson', head: { title, objective, words } }];
  });

/** Deletes a lesson, here too. */
export async function remove(id: string) {
  await api.delete(id);
  await lessonsKept.drop(id).catch(() => undefined);
}

/** A copy of a lesson, beside it. */
export async function duplicate(id: string) {
  const { lesson } = await api.get(id);
  const copy = { ...(lesson as Said), title: `${(lesson as Said).title}, a copy` };
  await api.make(newId(), copy);
}

/** Lessons as files: one as it is, several in an archive. */
export function takeAway(ids: string[]) {
  const link = document.createElement('a');
  link.href = ids.length === 1 ? `/api/lessons/${ids[0]}/file` : `/api/archive?ids=${ids.join(',')}`;
  link.download = '';
  link.click();
}

/** Opens a file: a lesson, a list of problems, or an archive of lessons. Gives the lesson's id, or how many came. */
export async function openFile(file: File): Promise<{ id?: string; lessons: number }> {
  if (/\.zip$/i.test(file.name)) return api.unpack(file);
  const text = await file.text();
  if (!/\.(csv|txt)$/i.test(file.name)) {
    const { id } = await api.importFile(newId(), text);
    return { id, lessons: 1 };
  }
  await loadCore();
  const wished = call('wish', { text, words: (await school()).words });
  if (!wished.lesson) throw new Error(wished.faults.map((f) => `Line ${f.line}: ${f.why}`).join(' '));
  const title = file.name.replace(/\.[^.]*$/, '');
  return { id: await makeLesson({ ...wished.lesson, title }), lessons: 1 };
}

/** A lesson with nothing in it yet. */
export async function begin(): Promise<string> {
  const { words } = await school();
  return makeLesson({ format: 2, id: '', title: 'New lesson', words, scenes: [] });
}

/** The unsent work of a closed tab, as a file. */
export const takeUnsent = (id: string, pending: unknown) =>
  download(JSON.stringify(pending, null, 2), `unsent-${id}.json`, 'application/json');
