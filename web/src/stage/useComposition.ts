// The composition of the stage as it stands now: set once for a scene and a screen, from
// what the core tells of all its steps, so that nothing moves from one to the next.
import { useLayoutEffect, useMemo, useState, type RefObject } from 'react';
import { keptSize, useSize } from '../board/geometry';
import { views, type Kind } from '../board/views';
import { call, type Extent } from '../core/core';
import { useIsPaper, useLesson, type DrawnModel } from '../state/lesson';
import { widthOf } from '../shell/widthOf';
import type { Way } from './arrangement';
import { compose, type Beside, type Enlarged, type Round } from './compose';
import { sameWay, useLay } from './lay';
import { besidesOf, columnsOf, equalsAt, rowsOf, wantedDigit, workSize } from './workSize';

/** The names over columns, in pixels at 1280 × 800: as large as they should be, and as small as they may. */
const NAME = { large: 36, small: 28 };
/** The counts beside them. */
const COUNT = 44;

/** How much more room the stacks at the columns take where they are for a finger, in pixels. */
const FINGER = 18;

export interface Composed extends Enlarged {
  /** How many rows of a table stand under one another. */
  rows: number;
  /** How many bonds there will be. */
  bonds: number;
  /** How far from their beginning the = of all sentences stands, in pixels. */
  equals: number;
  /** How wide the columns of a table are in the end, in pixels. */
  columns: number[];
  rounds: Round[];
  /** The size of the names over columns, and whether their counts stand below them. */
  name: number;
  twoLines: boolean;
  unit: number;
  /** Whether the controls for building stand at the pieces. */
  building: boolean;
}

/** How the screen stands to one of 1280 × 800, wide or upright; a phone in the hand is nearer. */
export const screenUnit = () => {
  const [w, h] = [innerWidth / 1280, innerHeight / 800];
  return Math.max(
    0.55,
    w > h / 2 ? Math.min(w, 1.12 * h) : 0,
    w < h ? Math.min(Math.sqrt(w * h), 1.5 * w) : 0,
  );
};

export function useComposition(
  ref: RefObject<HTMLElement | null>,
  wantsWork: boolean,
  building: boolean,
): Composed | undefined {
  const size = useSize(ref);
  const models = useLesson((s) => s.models);
  const { extents, written, lines, ways, scratch, way = bare.way } = useLesson((s) => s.frame);
  const handle = useLesson((s) => s.handle);
  const fonts = useFonts();
  // A copy that was tried keeps the way in which it was laid.
  const open = scratch ? extents?.slice(0, 1) : extents;
  const free = useGrown(models);
  const paper = useIsPaper();
  const now = useMemo(
    () => (open?.length ? open : free),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [extents, scratch, free],
  );
  // All that composes is in one key: a step that changes none of it changes nothing.
  const key = JSON.stringify([
    now,
    size,
    wantsWork,
    building,
    paper,
    written?.places,
    models.map((m) => [m.kind, m.w, m.h, m.title, around(m), columns(m)]),
    ways.map((w) => w.text),
    extents?.length ? 0 : lines,
  ]);
  const composed = useMemo(() => {
    if (size.w === 0 || models.length === 0) return undefined;
    const unit = screenUnit();
    if (paper) return { ...bare, unit };
    const told = extents?.[0]?.written ?? { lines: lines.map((l) => l.text ?? ''), bonds: 0, table: [] };
    const work = wantsWork ? workSize(written, told, ways, size.w) : undefined;
    const digit = wantedDigit(told.lines) * unit;
    const made = composedOf(
      now,
      models,
      size,
      work,
      { digit, besides: besidesOf(told.table) },
      unit,
      building,
    );
    const { beside } = made.laid;
    return {
      ...made,
      rows: beside > 1 ? rowsOf(told.table, beside) : Infinity,
      bonds: told.bonds,
      equals: equalsAt(told.lines, size.w, made.laid, made.digit),
      columns: columnsOf(told.table, made.digit),
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, fonts]);
  const other = composed && !paper && !sameWay(extents?.[0] ?? way, composed.way);
  useLay(handle, other ? composed.way : undefined);
  return composed;
}

/** Nothing but paper. */
const bare: Composed = {
  way: { below: false, across: false, abreast: false },
  models: [],
  work: undefined,
  digit: 0,
  laid: { place: 'right', beside: 1, row: false },
  rows: Infinity,
  bonds: 0,
  equals: 0,
  columns: [],
  above: false,
  rounds: [],
  name: 0,
  twoLines: false,
  unit: 1,
  building: false,
};

function composedOf(
  extents: Extent[],
  models: DrawnModel[],
  room: { w: number; h: number },
  work: ReturnType<typeof workSize>,
  { digit, besides }: { digit: number; besides: Beside[] },
  unit: number,
  building: boolean,
): Omit<Composed, 'rows' | 'bonds' | 'equals' | 'columns'> {
  const enough = (views[models[0]!.kind as Kind].enough || 0) * unit;
  const piece = Math.max(...models.map((m) => views[m.kind as Kind].piece)) * unit;
  const attempt = (name: number, twoLines: boolean) => {
    const rounds = models.map((m) =>
      roundOf(m, unit, name, twoLines, building, readOutHigh(m, unit, room.w / models.length - 32)),
    );
    const asked = { room, extents, round: rounds, work, besides, unit, enough, wanted: { digit, piece } };
    const best = compose(asked);
    // What stands there now, in that way, may have been widened by what was tried.
    const [first] = extents;
    const composed =
      first && sameWay(first, best.way) ? compose({ ...asked, extents: [atLeast(first, models)] }) : best;
    return { ...composed, rounds, name, twoLines, unit, building };
  };
  // Names stand beside their counts where all have room, else over them.
  const large = attempt(NAME.large * unit, false);
  if (fitting(large, models, false, unit) >= NAME.large * unit) return large;
  const small = attempt(NAME.small * unit, false);
  if (fitting(small, models, false, unit) >= NAME.small * unit) return small;
  const over = attempt(NAME.small * unit, true);
  return { ...over, name: Math.min(NAME.small * unit, fitting(over, models, true, unit)) };
}

/** The largest names that all columns have room for. */
function fitting(c: Enlarged, models: DrawnModel[], twoLines: boolean, unit: number): number {
  let size = Infinity;
  models.forEach((m, i) => {
    for (const z of columns(m)) {
      const count = twoLines ? 0 : 2.1 * COUNT * unit;
      size = Math.min(size, (z.w * c.models[i]!.scale - 8 - count) / (widthOf(z.label, 100) / 100));
    }
  });
  return size;
}

const columns = (m: DrawnModel) =>
  m.zones.filter((z) => z.one && z.role === 'column').map((z) => ({ label: z.label, w: z.w }));

/** What stands round a model beside its pieces: a title, what is read out of it. */
const around = (m: DrawnModel) => [
  m.linked,
  m.readouts.filter((r) => r.beside).map((r) => r.text.length),
  besideNames(m),
];

/** How many lines stand with the names of columns: the units that they stand for, the shapes of blocks. */
const besideNames = (m: DrawnModel) =>
  Number(m.zones.some((z) => z.unit)) + Number(m.flags.includes('names') && m.zones.some((z) => z.shape));

/** What is read out of a model stands below it, in pixels at 1280 × 800; the style sheet has the same. */
const READ_OUT = { text: 52, high: 1.4, between: 28, bond: { w: 270, h: 176 }, pad: 12 };

/** How high that is in a width, with the figures beside one another where they have room. */
function readOutHigh(m: DrawnModel, unit: number, width: number): number {
  const size = READ_OUT.text * unit;
  let [high, line, w] = [0, 0, 0];
  for (const r of m.readouts.filter((one) => one.beside)) {
    const own = r.id === 'bond' ? READ_OUT.bond : { w: widthOf(r.text, size, true), h: READ_OUT.high * size };
    if (line > 0 && w + READ_OUT.between + own.w > width) {
      high += line;
      [line, w] = [0, 0];
    }
    w += READ_OUT.between + own.w;
    line = Math.max(line, own.h * Math.ceil(own.w / width));
  }
  return high + line > 0 ? high + line + READ_OUT.pad : 0;
}

function roundOf(
  m: DrawnModel,
  unit: number,
  name: number,
  twoLines: boolean,
  building: boolean,
  below: number,
): Round {
  const view = views[m.kind as Kind];
  const titled = (m.title ? 44 * unit : 0) + (m.linked ? 36 : 0);
  const count = 1.24 * COUNT * unit;
  const headed =
    (twoLines ? name * 1.16 + count : Math.max(name * 1.5, count * 1.08)) + (8 + 34 * besideNames(m)) * unit;
  const named = columns(m).length > 0 ? headed : view.head * unit;
  return {
    kind: m.kind,
    under: view.under,
    head: named + titled,
    side: Math.max(view.side * unit * 1.15, building ? view.end / 2 : 0),
    foot: building ? view.foot + FINGER : 8,
    below,
    rim: view.rim,
  };
}

/** How much smaller another number is before the board is composed anew for it. */
const SMALLER = 0.75;

/**
 * The extent of a free board: as large as it has been since it was shown, so that it gives way
 * only to what needs more room. It is composed anew, in whichever way has the larger pieces, for
 * another board, and for a number that needs more room or is much smaller.
 */
function useGrown(models: DrawnModel[]): Extent[] {
  const scene = useLesson((s) => s.frame.scene);
  const way = useLesson((s) => s.frame.way) ?? bare.way;
  const handle = useLesson((s) => s.handle);
  const built = useLesson((s) => s.built);
  const board = `${handle} ${scene} ${models.map((m) => m.kind).join()}`;
  const [grown, setGrown] = useState(() => ({ board, extents: arrangements(handle, models, way) }));
  const was = grown.extents[0]!;
  const now = loose(models, way);
  const anew = (m: Part, i: number) => {
    const before = was.models[i];
    return (
      !before || m.w < SMALLER * before.w || m.h < SMALLER * before.h || m.w > before.w || m.h > before.h
    );
  };
  let extents = [now];
  if (grown.board !== board) extents = arrangements(handle, models, way);
  else if (sameWay(was, way)) {
    if (built && now.models.some(anew)) extents = arrangements(handle, models, way);
    else {
      now.models = now.models.map((m, i) => larger(m, was.models[i] ?? m));
      if (JSON.stringify(now) === JSON.stringify(was)) return grown.extents;
    }
  }
  setGrown({ board, extents });
  return extents;
}

/** The free board as it lies, and in the other ways in which it can be laid. */
function arrangements(handle: number, models: DrawnModel[], way: Way): Extent[] {
  const now = loose(models, way);
  if (models.length === 0) return [now];
  const others = call('arrangements', { handle }).ways;
  return [
    now,
    ...others.map((o) => ({
      ...now,
      ...o,
      models: now.models.map((m, i) => ({ ...m, ...o.models[i] })),
    })),
  ];
}

type Part = Extent['models'][number];

const larger = (a: Part, b: Part): Part => ({
  w: Math.max(a.w, b.w),
  h: Math.max(a.h, b.h),
  least: Math.min(a.least, b.least),
  kept: { w: Math.max(a.kept.w, b.kept.w), h: Math.max(a.kept.h, b.kept.h) },
  reach: {},
});

/** An extent that holds what is there now too, which may have been tried on a copy. */
function atLeast(e: Extent, models: DrawnModel[]): Extent {
  return {
    ...e,
    models: models.map((m, i) => {
      const known = e.models[i];
      if (!known) return looseModel(m);
      return { ...known, w: Math.max(known.w, m.w), h: Math.max(known.h, m.h) };
    }),
  };
}

const loose = (models: DrawnModel[], way: Way): Extent => ({
  ...way,
  models: models.map(looseModel),
  written: { lines: [], bonds: 0, table: [] },
});

function looseModel(m: DrawnModel): Part {
  return {
    w: m.w,
    h: m.h,
    least: m.pieces.reduce((least, p) => Math.min(least, p[4], p[5]), 40),
    kept: keptSize(m.kept),
    reach: {},
  };
}

const FACES = ['400 20px Andika', '700 20px Andika'];

/** Changes once when the fonts have come, after which texts are as wide as they are drawn. */
function useFonts(): boolean {
  const [there, setThere] = useState(() => FACES.every((face) => document.fonts.check(face)));
  useLayoutEffect(() => {
    void Promise.allSettled(FACES.map((face) => document.fonts.load(face))).then(() => setThere(true));
  }, []);
  return there;
}
