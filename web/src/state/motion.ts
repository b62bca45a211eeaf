// Motion in time: boards on the way are shown one after another, and what leads to
// them is skipped when the next act comes.
import type { Became, BoardView, Frame, Piece } from '../core/core';
import { applyFrame, get, set, showBoard, type DrawnModel, type Origins } from './lesson';

/** How long one move of a step is seen before the next, in milliseconds. */
const BEAT = 520;
/** The shortest that can be read along with, in milliseconds. */
const READ = 400;

const stillness = globalThis.matchMedia?.('(prefers-reduced-motion: reduce)');
let timers: ReturnType<typeof setTimeout>[] = [];
/** What is shown when all that moves has moved. */
let pending: (() => void) | undefined;

/** Shows the boards between the moves of a step one after another. */
export function playFrame(frame: Frame) {
  const { board: _b, beats: _x, became: _y, ...rest } = frame;
  // What is written comes last, when the pieces have moved.
  const written = (frame.beats ?? []).length > 0 ? get().frame.written : frame.written;
  set({ frame: written ? { ...rest, written } : rest, selected: new Set(), lit: new Set(), spoken: '' });
  playBeats(frame.beats ?? [], frame.became ?? [], (origins) => applyFrame(frame, { origins }), frame.words);
}

/** Shows boards on the way, then what they lead to; what each does is said with it. */
export function playBeats(
  beats: BoardView[],
  became: Became[],
  last: (origins: Origins) => void,
  words: string[] = [],
) {
  const steps = stillness?.matches ? [] : beats;
  const beat = beatLength(steps.length);
  // What goes by too fast to be read is not said.
  const speak = (i: number) => words[i] !== undefined && beat >= READ && set({ spoken: words[i] });
  const end = () => {
    pending = undefined;
    if (get().moving) set({ moving: false });
    last(originsOf(became, get().models));
    speak(words.length - 1);
  };
  steps.forEach((view, i) => {
    const run = () => {
      showBoard(view, originsOf(became, get().models));
      speak(i);
    };
    if (i === 0) run();
    else timers.push(setTimeout(run, i * beat));
  });
  if (steps.length === 0) return end();
  pending = end;
  set({ moving: true });
  timers.push(setTimeout(end, steps.length * beat));
}

/** Many stages go by faster than few, so that nobody waits. */
function beatLength(stages: number) {
  return Math.max(220, Math.min(BEAT, 4000 / stages));
}

export function stopBeats() {
  timers.forEach(clearTimeout);
  timers = [];
}

/** Skips what is still moving. */
export function finishBeats() {
  stopBeats();
  pending?.();
}

/** The rectangle that a new piece grows out of: all that it was made from, or the one it was. */
function originsOf(became: Became[], models: DrawnModel[]): Origins {
  const origins = new Map<number, Piece>();
  if (became.length === 0 || stillness?.matches) return origins;
  const at = new Map(models.flatMap((m) => m.pieces).map((p) => [p[0], p]));
  for (const { from, to } of became) {
    const rects = from.map((id) => at.get(id)).filter((p) => p !== undefined);
    const first = rects[0];
    if (!first) continue;
    const x = Math.min(...rects.map((r) => r[2]));
    const y = Math.min(...rects.map((r) => r[3]));
    for (const id of to) origins.set(id, [id, first[1], x, y, first[4], first[5], first[6], first[7]]);
  }
  return origins;
}
