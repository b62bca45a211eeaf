import { expect, test } from 'vitest';
import type { Piece } from '../core/core';
import { merge } from './acts';

const piece = (id: number, x = 0, look = 'one'): Piece => [id, look, x, 0, 10, 10, 0, 0];

test('a change list brings the picture up to date and leaves the rest alone', () => {
  const before = [piece(1), piece(2, 10), piece(3, 20), piece(4, 30)];
  const after = merge(before, [piece(2, 10, 'ten'), piece(9, 50)], [57, 5, 1, 3], [4]);
  expect(after).toEqual([
    piece(1),
    piece(2, 10, 'ten'),
    [3, 'one', 77, 5, 10, 10, 0, 0, undefined],
    piece(9, 50),
  ]);
  expect(after[0]).toBe(before[0]);
});

test('nothing changed is nothing new', () => {
  const before = [piece(1), piece(2)];
  const after = merge(before, [], [], []);
  expect(after.every((p, i) => p === before[i])).toBe(true);
});
