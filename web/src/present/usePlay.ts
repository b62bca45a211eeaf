// An example that goes on by itself. A question waits as long as a step, one that the
// teacher marked waits for her.
import { useEffect, useState } from 'react';
import { useLesson } from '../state/lesson';

export function usePlay(forward: () => void) {
  const frame = useLesson((s) => s.frame);
  /** Seconds for a step; 0 is by hand. */
  const [pace, setPace] = useState(0);
  useEffect(() => {
    if (!pace || (frame.prompt.pause && frame.phase === '')) return;
    const timer = setTimeout(forward, pace * 1000);
    return () => clearTimeout(timer);
  }, [pace, frame, forward]);
  return { pace, setPace };
}
