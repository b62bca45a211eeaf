// A door for tests: it notes what is asked, and answers as the test says.
import type { Frame } from '../core/core';
import { emptyFrame, set } from './lesson';

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

/** A frame of a scene at a step, with an empty board. */
export const frameAt = (scene: string, step: number, asked: boolean, steps: number): Frame => ({
  ...emptyFrame,
  scene,
  step,
  steps,
  asked,
  board: { models: [], notation: '' },
});

/** A lesson whose scenes have steps that ask or only say. */
export function openFake(scenes: Record<string, ('asks' | 'says')[]>) {
  set({
    handle: 1,
    outline: {
      id: 'x',
      title: 'T',
      objective: '',
      words: {},
      record: [],
      scenes: Object.entries(scenes).map(([id, steps]) => ({
        id,
        title: id,
        show: [],
        marks: '',
        steps: steps.map((kind) => ({
          say: 'We look.',
          ask: kind === 'asks' ? 'How many?' : '',
          answer: '',
          look: '',
          moves: 0,
        })),
      })),
    },
  });
}
