// In which of its ways what is shown is laid.
import { call } from '../core/core';
import { useLesson } from '../state/lesson';
import { finishBeats } from '../state/motion';
import type { Way } from './arrangement';

export const sameWay = (a: Way, b: Way) =>
  a.below === b.below && a.across === b.across && a.abreast === b.abreast;

/** Lays what is shown in another way. */
export function lay(handle: number, { below, across, abreast }: Way) {
  finishBeats();
  const frame = call('arrange', { handle, below, across, abreast });
  useLesson.setState({
    models: frame.board.models,
    frame: { ...useLesson.getState().frame, extents: frame.extents, way: frame.way },
  });
}
