// A door for tests: it notes what is asked, and answers as the test says.
import type { Frame } from '../core/core';
import { emptyFrame } from './lesson';

export interface Asked {
  op: string;
  arg: Record<string, unknown>;
}

/** Puts the fake in place of the core; what was asked stands in the list that it returns. */
export function fakeDoor(answer: (asked: Asked) => unknown): Asked[] {
  const list: Asked[] = [];
  globalThis.unitbloomCore = (op: string, arg: string) => {
    const asked = { op, arg: JSON.parse(arg) as Record<string, unknown> };
    list.push(asked);
    const given = answer(asked);
    return JSON.stringify(
      given instanceof Error ? { error: { code: 'no', text: given.message } } : { ok: given },
    );
  };
  return list;
}

/** A frame of a scene at a step and a phase of the next, with an empty board. */
export const frameAt = (scene: string, step: number, phase: string): Frame => ({
  ...emptyFrame,
  scene,
  step,
  steps: 9,
  phase,
  open: phase === 'asked' || phase === 'moved',
  board: { models: [], notation: '' },
});
