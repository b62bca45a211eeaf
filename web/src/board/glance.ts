// A look at what is covered: it is seen for two seconds, or as long as the teacher chose, and
// is covered again. The board, and what it says, stay as they are.
import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { useLesson, type DrawnModel } from '../state/lesson';

/** How long a look can last, in seconds. */
export const lengths = [0.5, 1, 2, 5];

const useStore = create(() => ({ seconds: 2, asked: 0 }));

export const useGlanceSeconds = () => useStore((s) => s.seconds);
export const setGlanceSeconds = (seconds: number) => useStore.setState({ seconds });

/** Shows for a while what is covered anywhere on the board. */
export const glance = () => useStore.setState((s) => ({ asked: s.asked + 1 }));

/** Whether a model is looked at under its covers now. */
export function useGlance(model: DrawnModel) {
  const { seconds, asked } = useStore();
  const covered = model.covers.length > 0;
  const [looking, setLooking] = useState(false);
  const [seen, setSeen] = useState(asked);
  const scene = useLesson((s) => s.frame.scene);
  if (asked !== seen) {
    setSeen(asked);
    setLooking(covered);
  }
  useEffect(() => {
    if (!looking) return;
    const timer = setTimeout(() => setLooking(false), seconds * 1000);
    return () => clearTimeout(timer);
  }, [looking, seconds, asked, scene]);
  return { looking: looking && covered, look: () => setLooking(true) };
}

/** Whether a question about a glance has had its look, and the pieces are covered again. */
export function useGlimpse(): boolean {
  const { seconds, asked } = useStore();
  const on = useLesson((s) => s.presenting && s.frame.open && s.frame.prompt.glimpse === true);
  const moving = useLesson((s) => s.moving);
  const { scene, step } = useLesson((s) => s.frame);
  /** The look that is had now; another begins when it is asked for again. */
  const look = `${scene} ${step} ${asked}`;
  const [past, setPast] = useState('');
  useEffect(() => {
    if (!on || moving) return;
    const timer = setTimeout(() => setPast(look), seconds * 1000);
    return () => clearTimeout(timer);
  }, [on, moving, seconds, look]);
  return on && past === look;
}
