// The table of views, typed by model kind: it does not compile while one is
// missing.
import type { Model } from '../core/core';
import { BlocksActs, BlocksSetUp, BlocksView } from './blocks';
import { CountersActs, CountersSetUp, CountersView } from './counters';
import { CubesActs, CubesSetUp, CubesView } from './cubes';
import { DiscsActs, DiscsSetUp, DiscsView } from './discs';
import { RackActs, RackSetUp, RackView } from './rack';
import type { View } from './view';

export type Kind = Model['kind'];

export const views: Record<Kind, View> = {
  blocks: {
    title: 'Base-ten blocks',
    hint: 'Type 146, 14 tens, or 38, 74 …',
    Pieces: BlocksView,
    Acts: BlocksActs,
    SetUp: BlocksSetUp,
    head: 40,
    foot: 104,
    side: 0,
    end: 0,
    rim: 0,
    clears: true,
    under: false,
    largest: 4.4,
    piece: 27,
    enough: 2.2,
  },
  rack: {
    title: 'Bead rack',
    hint: 'Type 42, 8 + 6, or 38, 74 …',
    Pieces: RackView,
    Acts: RackActs,
    SetUp: RackSetUp,
    head: 28,
    foot: 16,
    side: 70,
    end: 0,
    rim: 18,
    clears: false,
    under: false,
    largest: 2.6,
    piece: 40,
    enough: 0,
  },
  counters: {
    title: 'Counters',
    hint: 'Type 9, 6 + 3, or 4, 7 …',
    Pieces: CountersView,
    Acts: CountersActs,
    SetUp: CountersSetUp,
    head: 20,
    foot: 70,
    side: 0,
    end: 0,
    rim: 0,
    clears: true,
    under: false,
    largest: 2.2,
    piece: 46,
    enough: 0,
  },
  cubes: {
    title: 'Linking cubes',
    hint: 'Type 9, 5 + 4, or 4, 7 …',
    Pieces: CubesView,
    Acts: CubesActs,
    SetUp: CubesSetUp,
    head: 20,
    foot: 20,
    side: 60,
    end: 104,
    rim: 0,
    clears: true,
    under: false,
    largest: 1.8,
    piece: 27,
    enough: 0,
  },
  discs: {
    title: 'Place value discs',
    hint: 'Type 3.05, 14 tens, or 38, 74 …',
    Pieces: DiscsView,
    Acts: DiscsActs,
    SetUp: DiscsSetUp,
    head: 44,
    foot: 104,
    side: 0,
    end: 0,
    rim: 0,
    clears: true,
    under: true,
    largest: 2,
    piece: 46,
    enough: 1.3,
  },
};

/** The kinds in the order in which they are offered. */
export const kinds = Object.keys(views) as Kind[];
