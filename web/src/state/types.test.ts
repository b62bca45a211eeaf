// What does not fit the core does not compile: tsc reads this file, and each line
// marked so must be an error.
import { expect, test } from 'vitest';
import type { act, acting } from './acts';
import type { call, PageMove } from '../core/core';

type Act = typeof act;
type Call = typeof call;

/** Never run: only its types are of interest. */
export function wrong(make: Act, ask: Call, on: typeof acting) {
  make({ kind: 'bundle', place: 'ones' });
  // @ts-expect-error no move is called so
  make({ kind: 'bundel', place: 'ones' });
  // @ts-expect-error no place is called so
  make({ kind: 'bundle', place: 'dozens' });
  // @ts-expect-error the field has another name
  make({ kind: 'bundle', plaice: 'ones' });
  // @ts-expect-error a place is missing
  make({ kind: 'bundle' });
  // @ts-expect-error a number is wanted
  make({ kind: 'rows', count: 'two' });
  on(0)('groups', { count: 3 });
  // @ts-expect-error the parameters are those of another move
  on(0)('groups', { by: 3 });
  ask('show', { handle: 1, scene: 'a', step: 0 });
  // @ts-expect-error there is no such operation
  ask('fly', { handle: 1 });
  // @ts-expect-error the handle is missing
  ask('show', { scene: 'a', step: 0 });
  // @ts-expect-error the answer has no such field
  return ask('judge', { handle: 1, text: '1 = 1' }).verdict as unknown;
}

test('a move is a kind with its parameters', () => {
  const move: PageMove = { kind: 'place', amount: '1 ten' };
  expect(JSON.parse(JSON.stringify(move))).toEqual({ kind: 'place', amount: '1 ten' });
});
