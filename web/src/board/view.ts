// What a model shows of itself on the board: its pieces, its own words, and the room
// that they want.
import type { ComponentType } from 'react';
import type { DrawnModel } from '../state/lesson';

export interface ViewProps {
  model: DrawnModel;
  index: number;
  /** Pixels to a model unit. */
  scale: number;
  /** Without the controls for building, as in a worked example. */
  bare: boolean;
}

/** A model with its place on the board. */
export interface OfModel {
  model: DrawnModel;
  index: number;
}

export interface View {
  title: string;
  /** What to type to build. */
  hint: string;
  /** The pieces and what a hand does with them. */
  Pieces: ComponentType<ViewProps>;
  /** What it is used for most, on its line. */
  Acts: ComponentType<OfModel>;
  /** The rest, in groups, in its set-up. */
  SetUp: ComponentType<OfModel>;
  /** Room for controls above and below the pieces, in pixels. */
  head: number;
  foot: number;
  /** Room at the left, and at the right, in pixels. */
  side: number;
  end: number;
  /** What is drawn beyond both ends, in model units. */
  rim: number;
  /** Whether the general words put its pieces away; otherwise its own line does. */
  clears: boolean;
  /** Whether boards of it with the same columns stand under one another in an example. */
  under: boolean;
  /** Most pixels to a unit. */
  largest: number;
  /** The smallest piece that can be counted from the last row, with its outline, in pixels at 1280 × 800. */
  piece: number;
  /** Pixels to a unit, at 1280 × 800, that are enough for the last row; 0 where it has no columns. */
  enough: number;
}
