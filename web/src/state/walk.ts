// Going through a scene: say and ask, then reveal and act. The same walk serves
// preparing and presenting.
import { useState } from 'react';
import { show } from './acts';
import { useLesson } from './lesson';
import { finishBeats } from './motion';

/** One press forward: the question of the next step, then its answer and moves. */
export function next() {
  const { frame, outline } = useLesson.getState();
  const at = outline.scenes.findIndex((s) => s.id === frame.scene);
  const scene = outline.scenes[at];
  if (!scene) return;
  finishBeats();
  if (frame.asked) show(scene.id, frame.step + 1, false);
  else if (frame.step < scene.steps.length) {
    if (scene.steps[frame.step]!.ask) show(scene.id, frame.step, true);
    else show(scene.id, frame.step + 1, false);
  } else {
    const following = outline.scenes[at + 1];
    if (following) show(following.id, 0, false);
  }
}

/** One press back: exactly where the class was before. */
export function back() {
  const { frame, outline } = useLesson.getState();
  const at = outline.scenes.findIndex((s) => s.id === frame.scene);
  const scene = outline.scenes[at];
  if (!scene) return;
  finishBeats();
  if (frame.asked) show(scene.id, frame.step, false);
  else if (frame.step > 0) show(scene.id, frame.step - 1, scene.steps[frame.step - 1]!.ask !== '');
  else {
    const before = outline.scenes[at - 1];
    if (before) show(before.id, before.steps.length, false);
  }
}

/**
 * Whether the answer of the present step is shown: when it was asked for, or the
 * step is made. A step that is left is held back again when the class returns.
 */
export function useReveal() {
  const frame = useLesson((s) => s.frame);
  const [revealedFor, setRevealedFor] = useState<object>();
  return {
    revealed: !frame.asked || revealedFor === frame.prompt,
    reveal: () => setRevealedFor(useLesson.getState().frame.prompt),
  };
}
