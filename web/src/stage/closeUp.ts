// Where pieces are small for the last row, the column that a step works is shown a second
// time, larger, in room that the composition leaves. Its place and its sizes are set once for a scene.
import type { Size } from '../core/core';
import type { Composition, Rect } from './arrangement';

export interface CloseUp {
  rect: Rect;
  /** Each column as it is drawn in it, by its zone; one that would hardly gain is not. */
  columns: Record<string, LargerColumn>;
  /** How much of the frame its name takes, which stands on its upper edge. */
  caption: number;
}

interface LargerColumn {
  scale: number;
  /** The models that have something in it, and whether they stand one above the other; else side by side. */
  of: number[];
  above: boolean;
}

interface Asked {
  room: { w: number; h: number };
  unit: number;
  /** How far the pieces of each column of each model reach, in model units. */
  reach: Record<string, Size>[];
  /** The scale at which pieces are large enough. */
  enough: number;
}

/** At 1280 × 800. */
const GAP = 18;
const CAPTION = 20;
const PAD = 8;
/** The name of a column has room in this width. */
const NAMED = 200;
/** A larger picture is at least so much larger, or it only says the same twice. */
const GAIN = 1.4;
/** And its pieces are at most so much larger than is enough. */
const MOST = 1.5;

/**
 * The composition with room for a close-up, or as it was where that gains too little. What several
 * models have in a column stands there side by side.
 */
export function withCloseUp(c: Composition, asked: Asked): Composition & { closeUp?: CloseUp } {
  const scale = Math.min(...c.models.map((m) => m.scale));
  if (c.models.length === 0 || scale >= asked.enough) return c;
  const best = places(c, asked)
    .map((place) => ({ ...place, closeUp: inside(place.free, scale, asked) }))
    .filter((place) => place.closeUp)
    .sort((a, b) => enlargement(b.closeUp!) - enlargement(a.closeUp!))[0];
  if (!best) return c;
  const up = best.model.y - around(c).y;
  const models = c.models.map((m) => ({ ...m, rect: { ...m.rect, y: m.rect.y + up } }));
  return { ...c, models, work: best.work, closeUp: best.closeUp! };
}

/** The room of all models. */
function around({ models }: Composition): Rect {
  const x = Math.min(...models.map(({ rect }) => rect.x));
  const y = Math.min(...models.map(({ rect }) => rect.y));
  return {
    x,
    y,
    w: Math.max(...models.map(({ rect }) => rect.x + rect.w)) - x,
    h: Math.max(...models.map(({ rect }) => rect.y + rect.h)) - y,
  };
}

/** How large all of its columns are together. */
export const enlargement = ({ columns }: CloseUp) =>
  Object.values(columns).reduce((t, { scale }) => t + scale, 0);

/** Where the models and the work can stand so that room is left in one piece. */
function places(c: Composition, { room, unit }: Asked) {
  const gap = GAP * unit;
  const model = around(c);
  const { work } = c;
  const top = Math.min(model.y, work?.y ?? model.y);
  const up = <R extends Rect | undefined>(r: R) => r && { ...r, y: r.y - top };
  const bottom = Math.max(model.y + model.h, work ? work.y + work.h : 0) - top;
  const all = [
    {
      model: { ...model, y: model.y - top },
      work: up(work),
      free: { x: 0, y: bottom + gap, w: room.w, h: room.h - bottom - gap },
    },
  ];
  if (work && work.x >= model.x + model.w) {
    const x = model.x + model.w + gap;
    const high = { model: { ...model, y: 0 }, work: { ...work, y: 0 } };
    all.push({ ...high, free: { x, y: work.h + gap, w: room.w - x, h: room.h - work.h - gap } });
    all.push({ ...high, free: { x: 0, y: model.h + gap, w: work.x - gap, h: room.h - model.h - gap } });
  } else if (work) {
    const x = model.x + work.w + 2 * gap;
    const y = work.y - top;
    all.push({
      model: { ...model, y: model.y - top },
      work: { ...work, x: model.x, y },
      free: { x, y, w: room.w - x, h: room.h - y },
    });
  }
  return all;
}

/** The same column of those models that have it, side by side and one above the other: so many, each so large. */
function together(reach: Record<string, Size>[]) {
  const zones = new Set(reach.flatMap((r) => Object.keys(r)));
  return [...zones].flatMap((zone) => {
    const of = reach.flatMap((r, i) => (r[zone] ? [i] : []));
    const most = (side: keyof Size) => Math.max(...of.map((i) => reach[i]![zone]![side]));
    const each = { zone, of, w: most('w'), h: most('h') };
    return [
      { ...each, above: false, across: of.length, down: 1 },
      { ...each, above: true, across: 1, down: of.length },
    ];
  });
}

/** As large as each column becomes in a free room, and the frame that holds them all. */
function inside(free: Rect, scale: number, { unit, reach, enough }: Asked): CloseUp | undefined {
  const caption = CAPTION * unit;
  /** What is round so many, and between them. */
  const pad = (n: number) => (n + 1) * PAD * unit;
  const best = new Map<string, ReturnType<typeof together>[number] & { fit: number }>();
  for (const column of together(reach)) {
    const { w, h, across, down } = column;
    const wide = (free.w - pad(across)) / (across * w);
    const high = (free.h - caption - pad(down)) / (down * h);
    const fit = Math.min(wide, high, MOST * enough);
    if (fit >= GAIN * scale && fit > (best.get(column.zone)?.fit ?? 0))
      best.set(column.zone, { ...column, fit });
  }
  const fitting = [...best.values()];
  if (fitting.length === 0) return undefined;
  const w = Math.min(
    free.w,
    Math.max(NAMED * unit, ...fitting.map((f) => f.across * f.w * f.fit + pad(f.across))),
  );
  const h = Math.max(...fitting.map((f) => f.down * f.h * f.fit + pad(f.down))) + caption;
  const rect = { x: free.x + (free.w - w) / 2, y: free.y + (free.h - h) / 2, w, h };
  const columns = fitting.map(({ zone, fit, of, above }) => [zone, { scale: fit, of, above }] as const);
  return { rect, columns: Object.fromEntries(columns), caption };
}
