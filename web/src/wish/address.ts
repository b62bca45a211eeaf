// A link that holds a problem, or a board in its text form: it opens on any server of ours, as
// a board of one's own.
import type { Outline } from '../core/core';

type Scene = Outline['scenes'][number];

/** The address of a scene: its problem on its model, or what lies on its board. */
export function linkOf(scene: Pick<Scene, 'problem'>, notation: string | undefined): string {
  return `${location.origin}/open?line=${encodeURIComponent(scene.problem ?? notation ?? '')}`;
}
