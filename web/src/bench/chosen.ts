// Scenes that are chosen on the stem, to do something with all of them.
import { create } from 'zustand';
import { call } from '../core/core';
import { edit, show } from '../state/acts';
import { newId } from '../state/api';
import { editClosed } from '../state/closed';
import { notify, useLesson } from '../state/lesson';
import { toggled } from '../shell/toggled';

/** None while nobody is choosing. */
export const useChosen = create<{ ids: string[] | undefined }>(() => ({ ids: undefined }));

export const choosing = (ids: string[] | undefined) => useChosen.setState({ ids });

export const toggleChosen = (id: string) => choosing(toggled(useChosen.getState().ids ?? [], id));

const scenesOf = (handle: number, ids: string[]) =>
  call('document', { handle }).scenes.filter((s) => ids.includes(s.id));

/** Copies of scenes, each beside its own. */
export function duplicateScenes(ids: string[]) {
  const made: string[] = [];
  const copied = edit((handle) => {
    const { scenes } = call('document', { handle });
    const edits = scenes.flatMap((put, i) => {
      if (!ids.includes(put.id)) return [];
      const id = newId();
      made.push(id);
      return { kind: 'putScene' as const, put: { ...put, id }, at: i + made.length };
    });
    return call('edits', { handle, edits });
  });
  if (copied && made[0]) show(made[0], 0);
  return copied;
}

export const deleteScenes = (ids: string[]) =>
  edit((handle) =>
    call('edits', { handle, edits: ids.map((scene) => ({ kind: 'removeScene' as const, scene })) }),
  );

/** Puts scenes at the end of another lesson; where they are not to stay here, they go. */
export async function sendScenes(ids: string[], to: { id: string; title: string }, stay: boolean) {
  const { handle } = useLesson.getState();
  const sent = scenesOf(handle, ids);
  await editClosed(to.id, () =>
    sent.map((put) => ({ kind: 'putScene' as const, put: { ...put, id: newId() } })),
  );
  if (!stay) deleteScenes(ids);
  const what = sent.length === 1 ? '1 scene' : `${sent.length} scenes`;
  notify('info', `${what} ${stay ? 'copied' : 'moved'} to “${to.title}”.`);
}
