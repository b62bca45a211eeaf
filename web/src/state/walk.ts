// Going through a lesson: the core says where a press leads. The same walk serves
// preparing and presenting.
import { call } from '../core/core';
import { attempt, edit } from './acts';
import { get } from './lesson';
import { finishBeats, playFrame } from './motion';

/** One press forward: the next phase of a step, the next step, the next scene. */
export function next() {
  attempt(() => {
    finishBeats();
    playFrame(call('forward', { handle: get().handle }));
  });
}

/** One press back: exactly where the class was before. */
export function back() {
  attempt(() => {
    finishBeats();
    playFrame(call('backward', { handle: get().handle }));
  });
}

/**
 * The answer of an open question: one press forward, or two when the pieces move first. On a
 * free board, the next thing that the teacher has held back.
 */
export function reveal() {
  if (get().frame.secrets > 0) edit((handle) => call('reveal', { handle }));
  for (let press = 0; get().frame.open && press < 2; press++) next();
}
