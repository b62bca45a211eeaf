// Where what the class sees stands, in pixels, and in which way it is laid.
import type { Extent } from '../core/core';

export interface Rect {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface Laid {
  place: 'right' | 'below';
  /** In how many columns of rows a long table stands. */
  beside: number;
  /** Whether the grid, the lines and the ways stand beside one another, not under. */
  row: boolean;
}

/** In which of the core's ways models are laid. */
export type Way = Pick<Extent, 'below' | 'across' | 'abreast'>;

export interface Composition {
  /** Which of the extents it is. */
  way: Way;
  models: { rect: Rect; scale: number }[];
  work: Rect | undefined;
  /** The size of the digits of the written work. */
  digit: number;
  /** How the written work is laid. */
  laid: Laid;
  /** Whether copies that are kept stand above their model, not beside it. */
  above: boolean;
}
