// What a scene shows beside its board: what is read out of a model, and the written method that
// follows a free board.
import { call } from '../core/core';
import { toggled } from '../shell/toggled';
import { edit } from '../state/acts';
import { useLesson } from '../state/lesson';

/** The written method, among what a scene shows. */
export const WRITTEN = 'written';

/** What the scene shows, and what shows one of it, or no longer does. */
export function useShow() {
  const scene = useLesson((s) => s.frame.scene);
  const show = useLesson((s) => s.outline.scenes.find((x) => x.id === scene)?.show) ?? [];
  const toggle = (id: string) =>
    edit((handle) => call('setScene', { handle, scene, show: toggled(show, id) }));
  return { show, toggle };
}
