import { describe, expect, it } from 'vitest';
import { paged } from './usePages';

const plain = {};

describe('pages of paper', () => {
  it('takes as many blocks as fit', () => {
    expect(paged([plain, plain, plain], [40, 40, 40], 100)).toEqual([[0, 1], [2]]);
  });
  it('keeps a heading with what it heads', () => {
    expect(paged([plain, { heads: true }, plain], [60, 20, 40], 100)).toEqual([[0], [1, 2]]);
    expect(paged([plain, { heads: true }, { heads: true }, plain], [50, 10, 10, 40], 100)).toEqual([
      [0],
      [1, 2, 3],
    ]);
  });
  it('begins a page where one is to begin', () => {
    expect(paged([plain, { begins: true }, plain], [10, 10, 10], 100)).toEqual([[0], [1, 2]]);
  });
  it('gives what is higher than a page a page of its own', () => {
    expect(paged([plain, plain, plain], [10, 300, 10], 100)).toEqual([[0], [1], [2]]);
  });
  it('ends with a heading that heads nothing', () => {
    expect(paged([{ heads: true }], [10], 100)).toEqual([[0]]);
  });
});
