// Forward and back while presenting. What the teacher did by hand lies on a scratch copy;
// going on offers it once as a step, then puts it away.
import { useCallback, useState } from 'react';
import { change, dropScratch } from '../state/acts';
import { useLesson } from '../state/lesson';
import { back, next } from '../state/walk';

const positionOf = (f: { scene: string; step: number; phase: string }) => `${f.scene} ${f.step} ${f.phase}`;
const position = () => positionOf(useLesson.getState().frame);

export function useSteps() {
  const [offered, setOffered] = useState(false);
  /** The last position of the lesson, once the class has tried to go on from it. */
  const [end, setEnd] = useState<string>();
  const forward = useCallback(() => {
    const { scratch } = useLesson.getState().frame;
    if (scratch && !offered) return setOffered(true);
    if (scratch) dropScratch();
    setOffered(false);
    const before = position();
    next();
    setEnd(before === position() ? before : undefined);
  }, [offered]);
  const backward = useCallback(() => {
    setOffered(false);
    setEnd(undefined);
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
  const ended = useLesson((s) => end !== undefined && positionOf(s.frame) === end);
  return { forward, backward, offered, keep, putAway, ended };
}
