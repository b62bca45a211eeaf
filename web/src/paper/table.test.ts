import { describe, expect, it } from 'vitest';
import { csvOf, tableOf } from './table';

describe('tables for a spreadsheet', () => {
  it('writes what has commas, quotes and breaks in quotes', () => {
    expect(csvOf([['4,5', 'say "ten"', 'two\nlines', '7']])).toBe('"4,5","say ""ten""","two\nlines",7\r\n');
  });
  it('keeps what looks like a formula a text', () => {
    expect(csvOf([['=1+1', '@x', '7 + 3 = 10']])).toBe("'=1+1,'@x,7 + 3 = 10\r\n");
  });
  it('takes the rows with their heads, and nothing else', () => {
    expect(
      tableOf([
        { kind: 'sentence', text: '5 + 1 = 6' },
        { kind: 'row', heads: ['part', 'part'], cells: ['6', '0'] },
        { kind: 'row', cells: ['5', '1'] },
      ]),
    ).toEqual([
      ['part', 'part'],
      ['6', '0'],
      ['5', '1'],
    ]);
  });
});
