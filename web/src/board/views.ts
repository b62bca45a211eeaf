// The table of views, typed by model kind: it does not compile while one is
// missing.
import type { ComponentType } from 'react';
import type { Model } from '../core/core';
import type { DrawnModel } from '../lesson/store';
import { BlocksLine, BlocksView } from './blocks';
import { RackLine, RackView } from './rack';

export interface ViewProps {
  model: DrawnModel;
  index: number;
  /** Pixels to a model unit. */
  scale: number;
  /** Without the controls for building, as in a worked example. */
  bare: boolean;
}

interface View {
  title: string;
  /** The pieces and what a hand does with them. */
  Pieces: ComponentType<ViewProps>;
  /** The model's own words, on its line. */
  Line: ComponentType<{ model: DrawnModel; index: number }>;
  /** Room for controls above and below the pieces, in pixels. */
  head: number;
  foot: number;
  /** Room at the left, in pixels. */
  side: number;
  /** Most pixels to a unit. */
  largest: number;
}

export const views: Record<Model['kind'], View> = {
  blocks: {
    title: 'Base-ten blocks',
    Pieces: BlocksView,
    Line: BlocksLine,
    head: 40,
    foot: 104,
    side: 0,
    largest: 4.4,
  },
  rack: { title: 'Bead rack', Pieces: RackView, Line: RackLine, head: 28, foot: 16, side: 70, largest: 2.6 },
};
