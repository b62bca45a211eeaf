import { describe, expect, test } from 'vitest';
import { withCloseUp } from './closeUp';
import type { Composition, Rect } from './arrangement';

const room = { w: 1232, h: 600 };
const base = {
  way: { below: false, across: false, abreast: false },
  digit: 48,
  laid: { place: 'right', beside: 1, row: false } as const,
  above: false,
};
const wide: Composition = {
  ...base,
  models: [{ rect: { x: 10, y: 160, w: 850, h: 280 }, scale: 1.1 }],
  work: { x: 900, y: 170, w: 300, h: 250 },
};
const over: Composition = {
  ...base,
  models: [{ rect: { x: 60, y: 30, w: 1100, h: 280 }, scale: 1.2 }],
  work: { x: 490, y: 330, w: 250, h: 240 },
};
const asked = {
  room,
  unit: 1,
  enough: 2.2,
  reach: [{ hundreds: { w: 200, h: 160 }, ones: { w: 40, h: 110 } }],
};
const within = (r: Rect) => r.x >= 0 && r.y >= 0 && r.x + r.w <= room.w + 0.5 && r.y + r.h <= room.h + 0.5;
const apart = (a: Rect, b: Rect) =>
  a.x + a.w <= b.x || b.x + b.w <= a.x || a.y + a.h <= b.y || b.y + b.h <= a.y;

describe('the close-up', () => {
  test('stands in what is left, on nothing else, and shows the column larger', () => {
    for (const c of [wide, over]) {
      const made = withCloseUp(c, asked);
      const { rect, columns } = made.closeUp!;
      expect(within(rect) && within(made.models[0]!.rect) && within(made.work!)).toBe(true);
      expect(apart(rect, made.models[0]!.rect) && apart(rect, made.work!)).toBe(true);
      expect(apart(made.work!, made.models[0]!.rect)).toBe(true);
      expect(columns.ones!.scale).toBeGreaterThan(1.4 * c.models[0]!.scale);
      expect(asked.reach[0]!.ones!.h * columns.ones!.scale, 'all of it').toBeLessThan(rect.h);
    }
  });

  test('changes no size: what stood there only moves to make room', () => {
    for (const c of [wide, over]) {
      const made = withCloseUp(c, asked);
      expect(made.models[0]!.scale).toBe(c.models[0]!.scale);
      for (const [was, is] of [
        [c.models[0]!.rect, made.models[0]!.rect],
        [c.work!, made.work!],
      ] as const) {
        expect([is.w, is.h]).toEqual([was.w, was.h]);
      }
    }
  });

  test('leaves out a column that would hardly gain', () => {
    const reach = [{ ...asked.reach[0], hundreds: { w: 200, h: 400 } }];
    expect(Object.keys(withCloseUp(wide, { ...asked, reach }).closeUp!.columns)).toEqual(['ones']);
  });

  test('of a few pieces has room for the name of its column, and makes none of them huge', () => {
    const made = withCloseUp(wide, { ...asked, reach: [{ ones: { w: 10, h: 10 } }] });
    expect(made.closeUp!.columns.ones!.scale).toBeCloseTo(1.5 * asked.enough);
    expect(made.closeUp!.rect.w).toBe(200);
    expect(within(made.closeUp!.rect)).toBe(true);
  });

  test('has two models one above the other where they are larger so', () => {
    const high = { ...wide, models: [0, 300].map((y) => ({ rect: { x: 10, y, w: 690, h: 280 }, scale: 1 })) };
    const beside = { ...high, work: { x: 740, y: 0, w: 170, h: 200 } };
    const tens = { tens: { w: 200, h: 80 } };
    const { rect, columns } = withCloseUp(beside, { ...asked, reach: [tens, tens] }).closeUp!;
    expect(columns.tens).toMatchObject({ of: [0, 1], above: true });
    expect(2 * 80 * columns.tens!.scale).toBeLessThanOrEqual(rect.h);
    expect(columns.tens!.scale).toBeGreaterThan(2);
    const { of, above } = withCloseUp(over, asked).closeUp!.columns.ones!;
    expect({ of, above }).toEqual({ of: [0], above: false });
  });

  test('is not there where pieces are large, or where no room is left', () => {
    const large = { ...wide, models: [{ ...wide.models[0]!, scale: 2.4 }] };
    const full = { ...wide, models: [{ ...wide.models[0]!, rect: { x: 0, y: 0, w: 880, h: 600 } }] };
    for (const c of [large, { ...full, work: { x: 900, y: 0, w: 300, h: 580 } }]) {
      expect(withCloseUp(c, asked)).toEqual(c);
    }
  });

  test('shows the column of two models side by side, and one alone where the other has none', () => {
    const at = (x: number) => ({ rect: { x, y: 120, w: 580, h: 280 }, scale: 1 });
    const two = { ...over, models: [at(10), at(640)], work: { ...over.work!, y: 420, h: 180 } };
    const alone = { tens: { w: 60, h: 90 }, ones: { w: 40, h: 110 } };
    const made = withCloseUp(two, { ...asked, reach: [asked.reach[0]!, alone] });
    expect(Object.keys(made.closeUp!.columns).sort()).toEqual(['hundreds', 'ones', 'tens']);
    expect(within(made.closeUp!.rect)).toBe(true);
    for (const m of made.models) expect(apart(made.closeUp!.rect, m.rect)).toBe(true);
    expect(
      made.models.map((m) => m.rect.y),
      'both move together',
    ).toEqual([0, 0]);
    const of = Object.entries(made.closeUp!.columns).map(([zone, column]) => [zone, column.of]);
    expect(Object.fromEntries(of)).toEqual({ hundreds: [0], tens: [1], ones: [0, 1] });
    expect(2 * 40 * made.closeUp!.columns.ones!.scale).toBeLessThanOrEqual(made.closeUp!.rect.w);
  });
});
