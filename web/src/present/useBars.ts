// The bars of tools over the foot: the pen's, a child's way, counting aloud.
import { useEffect } from 'react';
import { takePen, usePen } from '../ink/pen';
import { stopCounting, useCount } from '../stage/CountBar';
import { closeWays, useDrawing } from '../stage/drawing';

const putPenDown = () => takePen(undefined);

/** What closes the bar of a tool that is in use; with the class's screen all are closed. */
export function useBars(): (() => void) | undefined {
  const drawing = usePen((s) => s.tool !== undefined);
  const way = useDrawing((s) => s.open);
  const counting = useCount((s) => s.model !== undefined);
  useEffect(
    () => () => {
      putPenDown();
      closeWays();
      stopCounting();
    },
    [],
  );
  if (drawing) return putPenDown;
  if (way) return closeWays;
  return counting ? stopCounting : undefined;
}
