import { beforeEach, expect, test } from 'vitest';
import type { Piece, ZoneView } from '../core/core';
import { Mark } from '../core/core';
import { fakeDoor, type Asked } from '../state/door.fake';
import { initial, set, type DrawnModel } from '../state/lesson';
import { cellUnder, onColumn, onMat, onTray, zoneUnder } from './drops';
import type { Drop } from './hand';

let asked: Asked[];
beforeEach(() => {
  set({ ...initial, handle: 1 });
  asked = fakeDoor(() => new Error('not here'));
});
const moves = () => asked.map((a) => a.arg.move);

const zone = (role: string, x: number, more: Partial<ZoneView> = {}): ZoneView => ({
  id: role,
  role,
  label: role,
  count: '0',
  x,
  y: 0,
  w: 100,
  h: 200,
  ...more,
});
const board = {
  w: 400,
  h: 200,
  zones: [
    zone('column', 0, { place: 'hundreds' }),
    zone('column', 100, { place: 'tens' }),
    zone('column', 200, { place: 'ones' }),
    zone('taken', 300),
  ],
  decor: [],
} as unknown as DrawnModel;

const drop = (from: number, at: number, y = 50, marks = 0): Drop => ({
  from: { x: from, y: 50 },
  at: { x: at, y },
  piece: [7, 'one', 0, 0, 10, 10, 0, marks] as Piece,
  ids: [7, 8],
});
const pieces = [{ place: 'ones', ids: [7, 8] }];

test('to the left pieces are bundled, to the right opened all the way there', () => {
  onColumn(board, 0, drop(250, 150));
  onColumn(board, 2, drop(50, 250));
  expect(moves()).toEqual([
    { kind: 'bundle', model: 0, place: 'ones', pieces },
    { kind: 'unbundle', model: 2, place: 'hundreds', to: 'ones', pieces },
  ]);
});

test('a drop in its own column, or in none, means nothing', () => {
  onColumn(board, 0, drop(250, 210));
  onColumn(board, 0, drop(250, 350));
  onColumn(board, 0, drop(-20, 50));
  expect(moves()).toEqual([]);
});

test('on the tray, below the board and beyond it pieces are taken away', () => {
  expect(onTray(board, 0, drop(250, 350))).toBe(true);
  expect(onTray(board, 0, drop(250, 250, 210))).toBe(true);
  expect(onTray(board, 0, drop(250, 410))).toBe(true);
  expect(moves()).toEqual(Array(3).fill({ kind: 'take', model: 0, pieces }));
  expect(onTray(board, 0, drop(250, 150))).toBe(false);
  expect(moves()).toHaveLength(3);
});

test('where the tray lies below, what is dropped in the columns is not taken', () => {
  const zones = [...board.zones.slice(0, 3), zone('taken', 0, { y: 220, w: 300 })];
  const below = { ...board, h: 420, zones };
  expect(onTray(below, 0, drop(150, 250))).toBe(false);
  expect(moves()).toEqual([]);
  expect(onTray(below, 0, drop(150, 50, 300))).toBe(true);
  expect(onTray(below, 0, drop(50, 150, 50, Mark.taken))).toBe(true);
  expect(moves()).toEqual([
    { kind: 'take', model: 0, pieces },
    { kind: 'restore', model: 0, pieces },
  ]);
});

test('from the tray they come back, unless they stay there', () => {
  expect(onTray(board, 0, drop(350, 340, 50, Mark.taken))).toBe(true);
  expect(moves()).toEqual([]);
  expect(onTray(board, 0, drop(350, 150, 50, Mark.taken))).toBe(true);
  expect(moves()).toEqual([{ kind: 'restore', model: 0, pieces }]);
});

test('on a mat they lie where they are put, in whole units', () => {
  onMat(1, { ...drop(10, 31.4), at: { x: 31.4, y: 44.6 } });
  expect(moves()).toEqual([{ kind: 'lay', model: 1, pieces, dx: 21, dy: -5 }]);
});

test('a group and a cell are found under a drop, edges on their first side', () => {
  const groups = {
    zones: [zone('group', 0, { number: 1 }), zone('group', 100, { number: 2 }), zone('beside', 200)],
    decor: [
      { kind: 'cell', zone: 'frame 1', x: 0, y: 0, w: 40, h: 40 },
      { kind: 'cell', zone: 'frame 2', x: 40, y: 0, w: 40, h: 40 },
      { kind: 'shaded', zone: 'frame 2', x: 80, y: 0, w: 40, h: 40 },
    ],
  } as unknown as DrawnModel;
  expect(zoneUnder(groups, drop(0, 99), 'group')).toBe(1);
  expect(zoneUnder(groups, drop(0, 100), 'group')).toBe(2);
  expect(zoneUnder(groups, drop(0, 250), 'group')).toBeUndefined();
  expect(zoneUnder(groups, drop(0, 250), 'beside')).toBeUndefined();
  expect(cellUnder(groups, drop(0, 90, 10))).toBe(2);
  expect(cellUnder(groups, drop(0, 79, 39))).toBe(1);
  expect(cellUnder(groups, drop(0, 130, 10))).toBe(0);
});
