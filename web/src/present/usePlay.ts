// An example that goes on by itself. A question waits as long as a step, one that the
// teacher marked waits for her; where the class sees something else, all of it waits.
import { useEffect, useState } from 'react';
import { useLesson } from '../state/lesson';

export function usePlay(forward: () => void, seen: boolean) {
  const frame = useLesson((s) => s.frame);
  /** Seconds for a step; 0 is by hand. */
  const [pace, setPace] = useState(0);
  useEffect(() => {
    if (!pace || !seen || (frame.prompt.pause && frame.phase === '')) return;
    const timer = setTimeout(forward, pace * 1000);
    return () => clearTimeout(timer);
  }, [pace, seen, frame, forward]);
  return { pace, setPace };
}
