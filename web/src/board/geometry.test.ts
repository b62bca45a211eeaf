import { expect, test } from 'vitest';
import type { Piece } from '../core/core';
import { boundsOf, centreOf, inside } from './geometry';

const square = [
  { x: 0, y: 0 },
  { x: 10, y: 0 },
  { x: 10, y: 10 },
  { x: 0, y: 10 },
];

test('a ring holds what it goes round and nothing else', () => {
  expect(inside(square, { x: 5, y: 5 })).toBe(true);
  for (const p of [
    { x: -1, y: 5 },
    { x: 11, y: 5 },
    { x: 5, y: -0.1 },
    { x: 5, y: 10.1 },
  ])
    expect(inside(square, p)).toBe(false);
  // A ring with a bay: what lies in the bay is outside.
  const bay = [...square.slice(0, 2), { x: 5, y: 5 }, ...square.slice(2)];
  expect(inside(bay, { x: 8, y: 5 })).toBe(false);
  expect(inside([], { x: 0, y: 0 })).toBe(false);
});

test('bounds and centres', () => {
  const a: Piece = [1, 'one', 10, 20, 10, 10, 0, 0];
  const b: Piece = [2, 'ten', 40, 0, 10, 104, 0, 0];
  expect(centreOf(a)).toEqual({ x: 15, y: 25 });
  expect(boundsOf([a, b])).toEqual({ x: 10, y: 0, w: 40, h: 104 });
});
