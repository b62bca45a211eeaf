// Pixels only: fitting a model into its tile, and finding pieces under a finger.
import { useLayoutEffect, useState, type RefObject } from 'react';
import type { Piece } from '../core/core';

export interface Point {
  x: number;
  y: number;
}

/** The size of an element's inside, kept up to date. */
export function useSize(ref: RefObject<HTMLElement | null>) {
  const [size, setSize] = useState({ w: 0, h: 0 });
  useLayoutEffect(() => {
    const el = ref.current;
    if (!el) return;
    const measure = () => setSize({ w: el.clientWidth, h: el.clientHeight });
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(el);
    return () => watch.disconnect();
  }, [ref]);
  return size;
}

/** Whether a point lies inside a drawn ring, by counting crossings. */
export function inside(ring: Point[], p: Point) {
  let odd = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const a = ring[i]!;
    const b = ring[j]!;
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) odd = !odd;
  }
  return odd;
}

export const centreOf = ([, , x, y, w, h]: Piece): Point => ({ x: x + w / 2, y: y + h / 2 });

export interface Box extends Point {
  w: number;
  h: number;
}

/** Between a model and each copy kept beside it, in model units. */
export const KEPT_GAP = 30;

/** The room that kept copies take beside a model, in model units. */
export const keptSize = (kept: { w: number; h: number }[]) => ({
  w: kept.reduce((w, k) => w + k.w + KEPT_GAP, 0),
  h: kept.reduce((h, k) => Math.max(h, k.h), 0),
});

/** The rectangle round some pieces. */
export function boundsOf(pieces: Piece[]): Box {
  const x = Math.min(...pieces.map((p) => p[2]));
  const y = Math.min(...pieces.map((p) => p[3]));
  return {
    x,
    y,
    w: Math.max(...pieces.map((p) => p[2] + p[4])) - x,
    h: Math.max(...pieces.map((p) => p[3] + p[5])) - y,
  };
}
