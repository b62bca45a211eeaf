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
  /** Most pixels to a unit. */
  largest: number;
}

export const views: Record<Model['kind'], View> = {
  blocks: { title: 'Base-ten blocks', Pieces: BlocksView, Line: BlocksLine, head: 40, foot: 104, largest: 4.4 },
  rack: { title: 'Bead rack', Pieces: RackView, Line: RackLine, head: 8, foot: 8, largest: 2.6 },
};
