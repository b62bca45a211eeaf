import { describe, expect, test } from 'vitest';
import type { Extent } from '../core/core';
import type { Rect } from './arrangement';
import { compose, type Round, type WorkSize } from './compose';

const room = { w: 1232, h: 600 };
const round = (kind: string, under = false): Round => ({
  kind,
  under,
  head: 60,
  side: 0,
  foot: 8,
  below: 0,
  rim: 0,
});
const extent = (models: [w: number, h: number, least: number][], way = {}): Extent => ({
  below: false,
  across: false,
  abreast: false,
  ...way,
  models: models.map(([w, h, least]) => ({ w, h, least, kept: { w: 0, h: 0 }, reach: {} })),
  written: { lines: [], bonds: 0, table: [] },
});
const work = (digit: number) => ({ w: 5 * digit, h: 6 * digit });
const asked = { room, unit: 1, work: undefined };
const within = (r: Rect) =>
  r.x >= -0.5 && r.y >= -0.5 && r.x + r.w <= room.w + 0.5 && r.y + r.h <= room.h + 0.5;
const apart = (a: Rect, b: Rect) =>
  a.x + a.w <= b.x + 0.5 || b.x + b.w <= a.x + 0.5 || a.y + a.h <= b.y + 0.5 || b.y + b.h <= a.y + 0.5;

describe('the composition', () => {
  test('gives a model all the room that there is, in its width or its height', () => {
    const wide = compose({ ...asked, extents: [extent([[900, 100, 10]])], round: [round('blocks')] });
    expect(wide.models[0]!.rect.w).toBeCloseTo(room.w);
    const high = compose({ ...asked, extents: [extent([[300, 400, 10]])], round: [round('blocks')] });
    expect(high.models[0]!.rect.h).toBeCloseTo(room.h);
  });

  test('has digits and pieces as large as is wanted, where a way has both, and then the largest pieces', () => {
    const given = {
      ...asked,
      work: (d: number) => ({ w: 8 * d, h: 5 * d }),
      extents: [extent([[400, 200, 34]])],
      round: [round('counters')],
    };
    const large = compose(given);
    const wanted = { digit: 58, piece: 44 };
    const made = compose({ ...given, wanted });
    expect(large.digit).toBeLessThan(wanted.digit);
    expect(made.digit).toBeGreaterThanOrEqual(wanted.digit);
    expect(34 * made.models[0]!.scale).toBeGreaterThan(wanted.piece);
    // Where none has, nothing is wanted.
    expect(compose({ ...given, wanted: { digit: 58, piece: 400 } })).toEqual(large);
  });

  test('gives what pieces do not need to the digits', () => {
    const table = (d: number) => ({ w: 4 * d, h: 5 * d });
    const few = { ...asked, work: table, extents: [extent([[120, 40, 34]])], round: [round('counters')] };
    const made = compose(few);
    expect(34 * made.models[0]!.scale).toBeGreaterThanOrEqual(120);
    expect(made.digit).toBe(96);
  });

  test('leaves room for a larger picture where pieces are small, and makes no digit smaller for it', () => {
    const reach = { ones: { w: 120, h: 40 } };
    const of = (way: object, w: number, h: number): Extent => {
      const e = extent([[w, h, 10]], way);
      return { ...e, models: e.models.map((m) => ({ ...m, reach })) };
    };
    const high = of({}, 300, 260);
    const broad = of({ across: true }, 440, 120);
    const given = { ...asked, work: (d: number) => ({ w: 5 * d, h: 7 * d }), round: [round('blocks')] };
    const without = compose({ ...given, extents: [high, broad] });
    const made = compose({ ...given, extents: [high, broad], enough: 2.6 });
    expect(without.closeUp).toBeUndefined();
    expect(made.closeUp!.columns.ones!.scale).toBeGreaterThan(2.6);
    expect(made.digit).toBeGreaterThanOrEqual(without.digit);
    expect(made.models[0]!.scale).toBeGreaterThan(0.89 * without.models[0]!.scale);
    expect(within(made.closeUp!.rect)).toBe(true);
    expect(apart(made.closeUp!.rect, made.models[0]!.rect)).toBe(true);
    expect(apart(made.closeUp!.rect, made.work!)).toBe(true);
    // Pieces that are large enough need none.
    expect(compose({ ...given, extents: [high, broad], enough: 1 }).closeUp).toBeUndefined();
  });

  test('chooses the way with the largest pieces', () => {
    const beside = extent([[900, 500, 10]]);
    const below = extent([[650, 370, 10]], { below: true });
    for (const extents of [
      [beside, below],
      [below, beside],
    ]) {
      const made = compose({ ...asked, extents, round: [round('blocks')] });
      expect(made.way).toEqual({ below: true, across: false, abreast: false });
    }
  });

  test('finds the work a place beside a high model and below a wide one, on nothing else', () => {
    const high = compose({ ...asked, work, extents: [extent([[300, 300, 10]])], round: [round('blocks')] });
    expect(high.work!.x).toBeGreaterThan(high.models[0]!.rect.x + high.models[0]!.rect.w);
    const wide = compose({ ...asked, work, extents: [extent([[2000, 60, 10]])], round: [round('rack')] });
    expect(wide.work!.y).toBeGreaterThan(wide.models[0]!.rect.y + wide.models[0]!.rect.h);
    for (const made of [high, wide]) {
      expect(made.digit, 'digits can be read').toBeGreaterThanOrEqual(44);
      expect(within(made.work!) && within(made.models[0]!.rect)).toBe(true);
      expect(apart(made.work!, made.models[0]!.rect)).toBe(true);
    }
  });

  test('breaks no sentence where smaller digits, or another place, leave it whole', () => {
    const extents = [extent([[300, 300, 10]])];
    const told: WorkSize = (digit) => ({ w: 5 * digit, h: 2 * digit, breaks: digit > 64 });
    const size = (of: WorkSize) => compose({ ...asked, work: of, extents, round: [round('blocks')] }).digit;
    expect(size((digit, laid) => ({ ...told(digit, laid), breaks: false }))).toBeGreaterThan(64);
    expect(size(told)).toBe(64);
    // But not where pieces would be much smaller for it.
    const wide: WorkSize = (digit, { place }) =>
      place === 'right' ? { w: 4 * digit, h: 4 * digit, breaks: true } : { w: 12 * digit, h: 7 * digit };
    const beside = compose({ ...asked, work: wide, extents, round: [round('blocks')] });
    expect(beside.laid.place).toBe('right');
    // Where digits would become too small to be read, it is broken.
    expect(size((digit, laid) => ({ ...told(digit, laid), breaks: digit > 38 }))).toBeGreaterThan(64);
  });

  test('lays a grid and lines beside one another below a wide model, where that leaves it more room', () => {
    const parts: WorkSize = (digit, { row }) =>
      row ? { w: 14 * digit, h: 3 * digit } : { w: 8 * digit, h: 5.5 * digit };
    const extents = [extent([[1200, 300, 40]])];
    const made = compose({ ...asked, work: parts, extents, round: [round('discs')] });
    expect(made.laid).toMatchObject({ place: 'below', row: true });
    expect(within(made.work!) && apart(made.work!, made.models[0]!.rect)).toBe(true);
    const beside: WorkSize = (digit, laid) => (laid.row ? { w: 99 * digit, h: digit } : parts(digit, laid));
    const narrow = compose({ ...asked, work: beside, extents, round: [round('discs')] });
    expect(narrow.laid.row).toBe(false);
    expect(narrow.models[0]!.scale * 40 + narrow.digit).toBeLessThan(made.models[0]!.scale * 40 + made.digit);
  });

  test('parts a long table in columns of rows, so that it can be read', () => {
    const table: WorkSize = (digit, { beside }) => ({
      w: beside * 6 * digit,
      h: (Math.ceil(21 / beside) + 1) * 1.04 * digit,
    });
    const extents = [extent([[800, 160, 10]])];
    const told = (counts: number[]) => {
      const besides = counts.map((columns) => ({ columns, worth: 1 }));
      return compose({ ...asked, work: table, besides, extents, round: [round('counters')] });
    };
    const parted = told([1, 2, 3]);
    expect(parted.laid.beside).toBeGreaterThan(1);
    expect(parted.digit).toBeGreaterThanOrEqual(44);
    expect(told([1]).digit).toBeLessThan(44);
    expect(within(parted.work!) && apart(parted.work!, parted.models[0]!.rect)).toBe(true);
  });

  test('parts a short table, or makes its digits small, only where pieces gain much', () => {
    const table: WorkSize = (digit, { beside }) => ({
      w: beside * 5 * digit,
      h: (Math.ceil(10 / beside) + 1) * 1.08 * digit,
    });
    const besides = [1, 2].map((columns) => ({ columns, worth: columns > 1 ? 0.7 : 1 }));
    const shown = (w: number, h: number, room = asked.room) =>
      compose({
        ...asked,
        room,
        work: table,
        besides,
        extents: [extent([[w, h, 22]])],
        round: [round('rack')],
      });
    const [square, upright] = [shown(200, 200), shown(480, 340, { w: 680, h: 880 })];
    expect([square.laid.beside, square.digit >= 44]).toEqual([1, true]);
    expect([upright.laid.beside, upright.laid.place, upright.digit >= 44]).toEqual([2, 'below', true]);
    // A wide rack beside a table: in two pieces that can be read it leaves the beads too little.
    const wide = shown(900, 340, { w: 1240, h: 480 });
    expect([wide.laid.beside, wide.laid.place, wide.digit < 44]).toEqual([1, 'right', true]);
  });

  test('gives models of one kind one scale, and each of two kinds its share', () => {
    const two = extent([
      [300, 100, 10],
      [200, 60, 10],
    ]);
    const alike = compose({ ...asked, extents: [two], round: [round('blocks'), round('blocks')] });
    expect(alike.models[0]!.scale).toBe(alike.models[1]!.scale);
    const other = compose({ ...asked, extents: [two], round: [round('blocks'), round('cubes')] });
    expect(other.models[1]!.scale).not.toBe(other.models[0]!.scale);
    for (const made of [alike, other]) {
      const [a, b] = made.models.map((m) => m.rect) as [Rect, Rect];
      expect(within(a) && within(b) && apart(a, b)).toBe(true);
    }
  });

  test('stands charts that are compared under one another', () => {
    const two = extent([
      [400, 100, 30],
      [400, 100, 30],
    ]);
    const made = compose({ ...asked, extents: [two], round: [round('discs', true), round('discs', true)] });
    const [a, b] = made.models.map((m) => m.rect) as [Rect, Rect];
    expect(b.x).toBeCloseTo(a.x);
    expect(b.y).toBeGreaterThanOrEqual(a.y + a.h);
  });

  test('no other legal arrangement has pieces more than a twentieth larger', () => {
    // All sizes of two models and of work, drawn without chance.
    for (let n = 0; n < 400; n++) {
      const at = (k: number, from: number, to: number) => from + (((n + 1) * k * 7919) % (to - from));
      const models: [number, number, number][] = [[at(3, 60, 900), at(5, 40, 500), 10]];
      if (n % 3 === 0) models.push([at(7, 60, 900), at(11, 40, 500), 10]);
      const rounds = models.map(() => round('blocks'));
      const own = (digit: number) => ({ w: digit * at(13, 2, 9), h: digit * at(17, 1, 8) });
      const whole = { ...asked, work: n % 2 ? own : undefined, extents: [extent(models)], round: rounds };
      const made = compose(whole);
      const least = Math.min(...made.models.map((m) => m.scale));
      for (const digit of [44, 48, 52, 58, 64]) {
        if (!whole.work) continue;
        const size = own(digit);
        const beside = Math.min((room.w - size.w - 36) / models[0]![0], (room.h - 68) / models[0]![1], 12);
        const legal = size.w <= room.w * 0.62 && size.h <= room.h;
        if (models.length === 1 && legal) expect(beside).toBeLessThanOrEqual(least / 0.95 + 0.001);
      }
      for (const { rect } of made.models) if (made.digit >= 44) expect(within(rect)).toBe(true);
    }
  });

  test('gives a table that is too wide to be read some of the room of the pieces', () => {
    const words: WorkSize = (digit) => ({ w: 18 * digit, h: 9 * digit });
    const made = compose({
      ...asked,
      work: words,
      extents: [extent([[320, 120, 10]])],
      round: [round('blocks')],
    });
    expect(made.digit).toBeLessThan(44);
    expect(made.digit).toBeGreaterThanOrEqual(32);
    expect(made.models[0]!.scale).toBeGreaterThan(1.5);
  });

  test('stands a kept copy above its model where that makes both larger', () => {
    const row = extent([[340, 34, 30]]);
    row.models[0]!.kept = { w: 370, h: 34 };
    const made = compose({ ...asked, extents: [row], round: [round('counters')] });
    expect(made.above).toBe(true);
    expect(made.models[0]!.rect.w).toBeGreaterThan(0.9 * room.w);
    expect(within(made.models[0]!.rect)).toBe(true);
    const high = extent([[200, 300, 30]]);
    high.models[0]!.kept = { w: 230, h: 300 };
    expect(compose({ ...asked, extents: [high], round: [round('blocks')] }).above).toBe(false);
  });
});
