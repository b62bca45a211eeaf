import { expect, test, vi } from 'vitest';
import { equalsOf, sides } from './equals';

// Letters are measured by the page, which is not here.
vi.mock('../shell/widthOf', () => ({ widthOf: (text: string, size: number) => text.length * size * 0.55 }));

test('the sign between both sides parts a sentence, whichever it is', () => {
  expect(sides('3.5 = 3.50')).toEqual(['3.5', ' = 3.50']);
  expect(sides('3.05 < 3.07')).toEqual(['3.05', ' < 3.07']);
  expect(sides('7040 > 704')).toEqual(['7040', ' > 704']);
  expect(sides('68 + 47 ≈ 110')).toEqual(['68 + 47', ' ≈ 110']);
  expect(sides('7 × 6 = 5 × 6 + 2 × 6')).toEqual(['7 × 6', ' = 5 × 6 + 2 × 6']);
  expect(sides('four hundred and seven')).toBeUndefined();
});

test('signs stand under one another where two lines have one', () => {
  const { equals, w } = equalsOf(['3.45 + 0.05 = 3.5', '3.5 > 3.45'], 30);
  expect(equals).toBeCloseTo('3.45 + 0.05'.length * 30 * 0.55);
  expect(w).toBeCloseTo(equals + ' > 3.45'.length * 30 * 0.55);
  expect(equalsOf(['3.5 > 3.45', 'more'], 30).equals).toBe(0);
});
