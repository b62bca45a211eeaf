import { expect, test } from 'vitest';
import { Mark, type Piece } from '../core/core';
import { boxesRound, linksOf, ringOf, together } from './Rings';

/** Two rows of beads: row, column and the ring of each. */
const rows = (...rings: number[][]): Piece[] =>
  rings.flatMap((row, y) =>
    row.map((ring, x): Piece => [
      10 * y + x,
      'bead',
      x * 10,
      y * 20,
      10,
      10,
      0,
      ring ? Mark.ringed | (ring << 8) : 0,
    ]),
  );

const boxes = (pieces: Piece[], ring: number) => boxesRound(pieces, (p) => ringOf(p) === ring);

test('pieces that stand together have one ring', () => {
  expect(boxes(rows([1, 1, 1, 0], [1, 1, 1, 0]), 1)).toEqual([{ x: 0, y: 0, w: 30, h: 30 }]);
});

test('no ring goes round a piece of another', () => {
  const pieces = rows([1, 1, 2, 2, 2], [2, 2, 2, 0, 1]);
  for (const ring of [1, 2]) {
    const found = boxes(pieces, ring);
    for (const p of pieces) {
      const round = found.some((b) => p[2] >= b.x && p[2] < b.x + b.w && p[3] >= b.y && p[3] < b.y + b.h);
      expect(round).toBe(ringOf(p) === ring);
    }
  }
  expect(boxes(pieces, 1)).toHaveLength(2);
});

test('a ring parts where others stand between', () => {
  expect(boxes(rows([1, 0, 1]), 1)).toEqual([
    { x: 0, y: 0, w: 10, h: 10 },
    { x: 20, y: 0, w: 10, h: 10 },
  ]);
});

test('the parts of a ring are joined where they are nearest', () => {
  const [first, second, third] = boxes(rows([1, 1, 2, 0, 1], [1, 1, 0, 0, 0]), 1);
  expect(linksOf([first!])).toBe('');
  expect([first, second, third]).toEqual([
    { x: 0, y: 0, w: 20, h: 30 },
    { x: 40, y: 0, w: 10, h: 10 },
    undefined,
  ]);
  expect(linksOf([first!, second!])).toBe('M20 5L40 5');
  // Of two before it, the nearer one.
  expect(linksOf([first!, second!, { x: 60, y: 20, w: 10, h: 10 }])).toBe('M20 5L40 5M50 10L60 20');
});

test('what is new and stands together has one frame', () => {
  const at = (x: number, y: number, w = 10, h = 10): Piece => [0, 'one', x, y, w, h, 0, Mark.fresh];
  const stack = (x: number, n: number) => Array.from({ length: n }, (_, i) => at(x, 11 * i));
  expect(together(stack(0, 5))).toEqual([{ x: 0, y: 0, w: 10, h: 54 }]);
  expect(together([...stack(14, 5), ...stack(0, 5)]), 'stacks alike').toEqual([{ x: 0, y: 0, w: 24, h: 54 }]);
  expect(together([...stack(0, 5), ...stack(14, 3)]), 'a stack and a shorter one').toHaveLength(2);
  expect(together([at(0, 0), at(20, 0)]), 'with room between').toHaveLength(2);
  expect(together([at(0, 0), at(0, 17), at(3, 11)]), 'not in line').toHaveLength(3);
});
