import { expect, test } from 'vitest';
import { apart, together } from './together';

test('a number keeps its word beside it, and two numbers their sign', () => {
  expect(together('0 and 0. 0 hundredths.')).toBe('0\u00a0and 0. 0\u00a0hundredths.');
  expect(together('Which fact do you know near 6 × 4?')).toBe('Which fact do you know near 6\u00a0×\u00a04?');
  expect(together('Nothing was taken. 300 + 90 + 12 is 402.')).toBe(
    'Nothing was taken. 300\u00a0+\u00a090\u00a0+\u00a012\u00a0is 402.',
  );
  expect(together('1234567 + 7654321')).toBe('1234567\u00a0+\u00a07654321');
  expect(together('Will 40.5 − 1.75 be more?')).toBe('Will 40.5\u00a0−\u00a01.75\u00a0be more?');
});

test('a longer sentence breaks at its signs', () => {
  for (const text of ['4002 − 1567 = 2435', '1900 + 1090 + 1012', '6 × 4 = 3 × 4 + 3 × 4'])
    expect(together(text)).toBe(text);
  expect(apart('4002 − 1567')).toBe('4002 − 1567');
  expect(apart('26 ÷ 6 = 4 remainder 2')).toBe('26 ÷ 6 = 4\u00a0remainder\u00a02');
  expect(together('4 002 ones')).toBe('4 002\u00a0ones');
});
