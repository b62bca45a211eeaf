import { expect, test } from 'vitest';
import { together } from './together';

test('a number keeps its word beside it, and signs stay where they were', () => {
  expect(together('0 and 0. 0 hundredths.')).toBe('0\u00a0and 0. 0\u00a0hundredths.');
  expect(together('402 − 167 = 235')).toBe('402 − 167 = 235');
  expect(together('4 002 ones')).toBe('4 002\u00a0ones');
});
