// Forward and back while presenting. What the teacher did by hand lies on a scratch copy;
// going on offers it once as a step, then puts it away.
import { useCallback, useState } from 'react';
import { change, dropScratch } from '../state/acts';
import { useLesson } from '../state/lesson';
import { back, next } from '../state/walk';

export function useSteps() {
  const [offered, setOffered] = useState(false);
  const forward = useCallback(() => {
    const { scratch } = useLesson.getState().frame;
    if (scratch && !offered) return setOffered(true);
    if (scratch) dropScratch();
    setOffered(false);
    next();
  }, [offered]);
  const backward = useCallback(() => {
    setOffered(false);
    if (useLesson.getState().frame.scratch) dropScratch();
    else back();
  }, []);
  const keep = useCallback(() => {
    setOffered(false);
    change('keepScratch');
  }, []);
  /** Puts the copy away, and goes on when that was what the teacher wanted. */
  const putAway = useCallback(() => {
    dropScratch();
    if (offered) next();
    setOffered(false);
  }, [offered]);
  return { forward, backward, offered, keep, putAway };
}
