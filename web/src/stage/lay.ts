// In which of its ways what is shown is laid.
import { useLayoutEffect } from 'react';
import { call } from '../core/core';
import { useLesson } from '../state/lesson';
import { finishBeats } from '../state/motion';
import type { Way } from './arrangement';

export const sameWay = (a: Way, b: Way) =>
  a.below === b.below && a.across === b.across && a.abreast === b.abreast;

/** Lays what is shown in another way, where there is one. */
export function useLay(handle: number, way: Way | undefined) {
  const { below, across, abreast } = way ?? {};
  useLayoutEffect(() => {
    if (below === undefined || across === undefined || abreast === undefined) return;
    finishBeats();
    const frame = call('arrange', { handle, below, across, abreast });
    useLesson.setState({
      models: frame.board.models,
      frame: { ...useLesson.getState().frame, extents: frame.extents, way: frame.way },
    });
  }, [below, across, abreast, handle]);
}
