// Pages of paper: blocks follow one another, none is cut at a page's end, and a heading stays
// with what it heads.
import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';

export interface Block {
  key: string;
  node: ReactNode;
  /** Stays with the block after it. */
  heads?: boolean;
  /** Begins a page. */
  begins?: boolean;
}

/** Blocks by page, as they fit a height; one that is higher than a page has a page of its own. */
export function paged(
  blocks: Pick<Block, 'heads' | 'begins'>[],
  heights: number[],
  room: number,
): number[][] {
  const pages: number[][] = [];
  let page: number[] = [];
  let used = 0;
  blocks.forEach((block, i) => {
    // A heading needs room for itself and for what comes after it.
    let needed = heights[i]!;
    for (let k = i; blocks[k]!.heads && k + 1 < blocks.length; k++) needed += heights[k + 1]!;
    if (page.length > 0 && (block.begins || used + needed > room)) {
      pages.push(page);
      page = [];
      used = 0;
    }
    page.push(i);
    used += heights[i]!;
  });
  if (page.length > 0) pages.push(page);
  return pages;
}

/** The blocks on pages of a height, once they were measured where `measure` stands. */
export function usePages(blocks: Block[], room: number) {
  const measure = useRef<HTMLDivElement>(null);
  const [pages, setPages] = useState<number[][]>([]);
  useLayoutEffect(() => {
    let gone = false;
    const lay = () => {
      if (gone || !measure.current) return;
      const heights = [...measure.current.children].map((child) => child.getBoundingClientRect().height);
      setPages(paged(blocks, heights, room));
    };
    lay();
    // The children's letters may come later than the page.
    void document.fonts.ready.then(lay);
    return () => {
      gone = true;
    };
  }, [blocks, room]);
  // Blocks of another choice are laid in the same turn.
  return { measure, pages: pages.map((page) => page.filter((i) => i < blocks.length)) };
}
