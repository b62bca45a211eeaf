// The composition of what the class sees: where the models and the written work stand, and
// how large they are. Of the ways to arrange them the one with the largest smallest piece
// wins. Pixels only; how large everything becomes is told by the core.
import { KEPT_GAP } from '../board/geometry';
import type { Extent, Size } from '../core/core';
import type { Composition, Laid, Rect, Way } from './arrangement';
import { enlargement, withCloseUp, type CloseUp } from './closeUp';

/** What a model wants round its pieces, in pixels; `rim` is drawn beyond its ends, in model units. */
export interface Round {
  kind: string;
  /** Whether models of this kind stand under one another, so that place is under place. */
  under: boolean;
  head: number;
  side: number;
  foot: number;
  /** What is read out stands below. */
  below: number;
  rim: number;
}

/** So many columns of rows, and how much pieces count beside them. */
export interface Beside {
  columns: number;
  worth: number;
}

/** How large the written work is with digits of a size, in the way in which it is laid; whether a sentence breaks. */
export type WorkSize = (digit: number, laid: Laid) => { w: number; h: number; breaks?: boolean };

interface Asked {
  room: { w: number; h: number };
  extents: Extent[];
  round: Round[];
  work: WorkSize | undefined;
  /** In how many columns of rows a table may stand, and what pieces count for then; in one where it is not told. */
  besides?: Beside[] | undefined;
  /** How the screen stands to one of 1280 × 800. */
  unit: number;
  /** The scale at which pieces are large enough, without a larger picture of them. */
  enough?: number;
  /** The smallest digit and the smallest piece with which all can be read and counted from the last row, in pixels. */
  wanted?: { digit: number; piece: number };
}

/** What says that a copy is one, above it, at 1280 × 800; the style sheet has the same. */
const CAPTION = 30;
/** Between what stands side by side, at 1280 × 800. */
const GAP = 18;
/** Pieces do not grow beyond this, at 1280 × 800, but to fill half of the room. */
const LARGEST = 120;
const HALF = 0.5;
/** The digits of written work, from the largest; smaller than READABLE only where nothing else fits. */
const DIGITS = [96, 88, 80, 72, 64, 58, 52, 48, 44, 38, 32, 26];
const READABLE = 44;
/** What a larger picture of pieces does not take from them. */
const GOOD = 64;
/** How much smaller pieces may be for larger digits. */
const WORTH = 0.95;
/** How much smaller they may be where a larger picture stands beside them, or for a sentence that stays whole. */
const CLOSE = 0.9;

/** How much more pieces and digits together have to be where the digits are smaller than can be read. */
const FAIR = 1.5;

type Sides = 'row' | 'column';

/** `least` is the smallest piece, and `counts` what that is worth beside other ways. */
type Candidate = Composition & {
  least: number;
  counts: number;
  breaks: boolean;
  reach: Record<string, Size>[];
};

/** The composition, with a larger picture of the column that is worked where there is one. */
export type Enlarged = Composition & { closeUp?: CloseUp | undefined };

export function compose(asked: Asked): Enlarged {
  const ways: Candidate[] = [];
  for (const extent of asked.extents) {
    for (const models of modelsOf(asked.round, extent)) {
      if (!asked.work) ways.push(arranged(asked, extent, models, SIDE, GOOD));
      else {
        for (const { columns, worth } of asked.besides ?? [WHOLE]) {
          for (const laid of laidOf(columns)) {
            for (const digit of DIGITS) {
              const way = arranged(asked, extent, models, laid, digit);
              if (way.work && fits(way.work, asked.room, laid))
                ways.push({ ...way, counts: way.least * worth });
            }
          }
        }
        if (ways.length === 0) ways.push(arranged(asked, extent, models, SIDE, DIGITS.at(-1)!));
      }
    }
  }
  const best = bestOf(ways, asked);
  const {
    least: _,
    counts: _counts,
    breaks: _breaks,
    reach: _reach,
    ...way
  } = enlarged(asked, ways, best) ?? best;
  return way;
}

/**
 * Where the pieces are small in the best of the ways, that of those about as good which leaves
 * room for the largest picture of the column that is worked; none where no way leaves any.
 */
function enlarged({ enough, room, unit, round }: Asked, ways: Candidate[], best: Candidate) {
  const alike = round.every((r) => r.kind === round[0]!.kind);
  if (!enough || !alike || best.models.every((m) => m.scale >= enough)) return undefined;
  const larger = ways
    .filter((w) => w.digit >= Math.min(best.digit, GOOD * unit) && w.counts >= best.counts * CLOSE)
    .filter((w) => best.breaks || !w.breaks)
    .flatMap((w) => {
      const closeUp = withCloseUp(w, { room, unit, reach: w.reach, enough });
      return closeUp.closeUp ? [{ ...w, ...closeUp }] : [];
    });
  const seen = (w: Enlarged) => enlargement(w.closeUp!);
  const most = Math.max(...larger.map(seen));
  const good = larger.filter((w) => seen(w) >= most * WORTH);
  return good.length > 0
    ? good.reduce((a, b) => (b.counts * b.digit > a.counts * a.digit ? b : a))
    : undefined;
}

/**
 * Of the ways in which all is as large as is wanted, or else of those with digits that can be read, the one with the
 * largest pieces, and of those about as large, the largest digits; none that breaks a sentence where another with
 * pieces hardly smaller breaks none. Where no digits can be read, where pieces are specks beside those that can, and
 * where they are as large as pieces need to be, both count alike.
 */
function bestOf(ways: Candidate[], { unit, wanted }: Asked): Candidate {
  const readable = READABLE * unit;
  const fine = ways.filter((w) => wanted && !w.breaks && w.digit >= wanted.digit && w.least >= wanted.piece);
  if (fine.length > 0) return largestOf(fine, unit);
  const readily = ways.filter((w) => w.digit >= readable);
  const unbroken = readily.filter((w) => !w.breaks);
  const legal = largest(unbroken) >= CLOSE * largest(readily) ? unbroken : readily;
  if (legal.length === 0) return fair(ways);
  const large = largestOf(legal, unit);
  const small = ways.filter((w) => w.digit < readable && both(w) > FAIR * both(large));
  return small.length > 0 ? fair(small) : large;
}

const largest = (list: Candidate[]) => Math.max(...list.map((w) => w.counts));
const both = (w: Candidate) => w.digit * w.counts;
const fair = (list: Candidate[]) => list.reduce((a, b) => (both(b) > both(a) ? b : a));

function largestOf(legal: Candidate[], unit: number): Candidate {
  const plenty = legal.filter((w) => w.counts >= LARGEST * unit);
  if (plenty.length > 0) return fair(plenty);
  const good = legal.filter((w) => w.counts >= largest(legal) * WORTH);
  return good.reduce((a, b) => (b.digit > a.digit ? b : a));
}

/** How models stand to one another, and their kept copies to them. */
interface Standing {
  sides: Sides;
  above: boolean;
}

/** How several models may stand, and where the copies that are kept of them. */
function modelsOf(round: Round[], extent: Extent): Standing[] {
  const alike = round.every((r) => r.under && r.kind === round[0]!.kind);
  const sides: Sides[] = round.length < 2 ? ['row'] : alike ? ['column'] : ['row', 'column'];
  const kept = extent.models.some((m) => m.kept.w > 0);
  return sides.flatMap((s) => (kept ? [false, true] : [false]).map((above) => ({ sides: s, above })));
}

/** A table in one piece. */
const WHOLE: Beside = { columns: 1, worth: 1 };

const SIDE: Laid = { place: 'right', beside: 1, row: false };

/** The ways to lay written work: its parts stand in a row where they have the whole width. */
const laidOf = (beside: number): Laid[] => [
  { ...SIDE, beside },
  { place: 'below', beside, row: false },
  { place: 'below', beside, row: true },
];

/** How much of the room written work may take, beside models or below them. */
const WRITTEN = 0.64;

/** Work that would leave too little to the models is not legal. */
const fits = (work: Rect, room: { w: number; h: number }, { place }: Laid) =>
  place === 'right'
    ? work.w <= room.w * WRITTEN && work.h <= room.h
    : work.w <= room.w && work.h <= room.h * WRITTEN;

function arranged(
  asked: Asked,
  extent: Extent,
  { sides, above }: Standing,
  laid: Laid,
  digit: number,
): Candidate {
  const { room, unit } = asked;
  const gap = GAP * unit;
  const size = asked.work?.(digit * unit, laid);
  const { place } = laid;
  const left = {
    w: room.w - (size && place === 'right' ? size.w + 2 * gap : 0),
    h: room.h - (size && place === 'below' ? size.h + gap : 0),
  };
  const models = extent.models.map((m, i) => {
    const { head, side, foot, below, rim } = asked.round[i]!;
    return {
      w: (above ? Math.max(m.w, m.kept.w - KEPT_GAP) : m.w + m.kept.w) + 2 * rim,
      h: above && m.kept.w > 0 ? m.h + m.kept.h + KEPT_GAP : Math.max(m.h, m.kept.h),
      least: m.least || 10,
      across: 2 * side,
      down: head + foot + below + (m.kept.w > 0 ? CAPTION * unit : 0),
    };
  });
  const along = sides === 'row';
  const sum = (of: (m: (typeof models)[number]) => number) => models.reduce((t, m) => t + of(m), 0);
  const most = (of: (m: (typeof models)[number]) => number) => Math.max(...models.map(of));
  const between = (models.length - 1) * gap;
  const largest = (m: (typeof models)[number]) =>
    Math.max((LARGEST * unit) / m.least, HALF * Math.min(left.w / m.w, (left.h - m.down) / m.h));
  // Models of one kind have one scale, so that what is compared is alike; of others each
  // has its share of the room.
  const alike = asked.round.every((r) => r.kind === asked.round[0]!.kind);
  const share = 1 / models.length;
  const own = (m: (typeof models)[number]) =>
    Math.min(
      ((along ? (left.w - between) * share : left.w) - m.across) / m.w,
      ((along ? left.h : (left.h - between) * share) - m.down) / m.h,
      largest(m),
    );
  const common = Math.min(
    along
      ? (left.w - sum((m) => m.across) - between) / sum((m) => m.w)
      : (left.w - most((m) => m.across)) / most((m) => m.w),
    along
      ? Math.min(...models.map((m) => (left.h - m.down) / m.h))
      : (left.h - sum((m) => m.down) - between) / sum((m) => m.h),
    ...models.map(largest),
  );
  const scales = models.map((m) => Math.max(0.05, alike ? common : own(m)));
  const wide = (m: (typeof models)[number]) => m.w * scales[models.indexOf(m)]! + m.across;
  const high = (m: (typeof models)[number]) => m.h * scales[models.indexOf(m)]! + m.down;
  const all = {
    w: along ? sum(wide) + between : most(wide),
    h: along ? most(high) : sum(high) + between,
  };
  const whole = {
    w: place === 'right' && size ? all.w + 2 * gap + size.w : all.w,
    h: place === 'below' && size ? all.h + gap + size.h : all.h,
  };
  // What is over is shared: between the models and the work, and at both ends.
  const free = room.w - whole.w;
  const inset = size && place === 'right' ? free / 3 : free / 2;
  let x = size && place === 'right' ? inset : (room.w - all.w) / 2;
  let y = Math.max(0, (room.h - whole.h) / 2);
  const rects = models.map((m) => {
    const rect = {
      x: along ? x : x + (all.w - wide(m)) / 2,
      y: along && !(size && place === 'below') ? Math.max(0, (room.h - all.h) / 2) : y,
      w: wide(m),
      h: high(m),
    };
    if (along) x += rect.w + gap;
    else y += rect.h + gap;
    return { rect, scale: scales[models.indexOf(m)]! };
  });
  let work: Rect | undefined;
  if (size && place === 'right') {
    work = { x: room.w - size.w - inset, y: Math.max(0, (room.h - size.h) / 2), ...size };
  } else if (size) {
    work = { x: (room.w - size.w) / 2, y: (room.h + whole.h) / 2 - size.h, ...size };
  }
  const least = Math.min(...models.map((m, i) => m.least * scales[i]!));
  const { below, across, abreast } = extent;
  const way: Way = { below, across, abreast };
  const reach = extent.models.map((m) => m.reach);
  const breaks = size?.breaks ?? false;
  return { way, models: rects, work, digit: digit * unit, laid, above, least, counts: least, breaks, reach };
}
