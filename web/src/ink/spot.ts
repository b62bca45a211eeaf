// Where ink and notes lie: on a zone of a model, or on the board itself. Both
// stay there when the window changes, models change places or a column appears.
import type { Anchor } from '../core/core';
import { useLesson, type DrawnModel } from '../state/lesson';
import type { Point } from '../board/geometry';

/** Tenths of a model unit on a model, ten-thousandths of the board on the board. */
const FINE = 10;
const BOARD = 10_000;

interface Frame {
  on: Anchor;
  rect: DOMRect;
  /** Pixels to one unit, across and down, and the corner's offset in pixels. */
  sx: number;
  sy: number;
  dx: number;
  dy: number;
}

/** The spot that a point of the screen lies on. */
export function spotAt(stage: Element, x: number, y: number): Frame {
  const models = useLesson.getState().models;
  for (const [model, el] of [...stage.querySelectorAll('.drawing')].entries()) {
    const rect = el.getBoundingClientRect();
    if (x < rect.left - 20 || x > rect.right + 20 || y < rect.top - 20 || y > rect.bottom + 20) continue;
    const m = models[model];
    if (!m) continue;
    const scale = rect.width / m.w;
    const zone = m.zones.find(
      (z) =>
        !z.side &&
        (x - rect.left) / scale >= z.x &&
        (x - rect.left) / scale < z.x + z.w &&
        (y - rect.top) / scale >= z.y &&
        (y - rect.top) / scale < z.y + z.h,
    );
    const on: Anchor = zone ? { model, zone: zone.id } : { model };
    return {
      on,
      rect,
      sx: scale / FINE,
      sy: scale / FINE,
      dx: (zone?.x ?? 0) * scale,
      dy: (zone?.y ?? 0) * scale,
    };
  }
  const rect = stage.getBoundingClientRect();
  return { on: {}, rect, sx: rect.width / BOARD, sy: rect.height / BOARD, dx: 0, dy: 0 };
}

/** Points of the screen in the units of a spot. */
export function toUnits(f: Frame, points: Point[]): [number, number][] {
  return points.map((p) => [
    Math.round((p.x - f.rect.left - f.dx) / f.sx),
    Math.round((p.y - f.rect.top - f.dy) / f.sy),
  ]);
}

/** Where a thing anchored to a model lies, in model units. */
export function cornerOf(model: DrawnModel, on: Anchor): Point {
  const zone = model.zones.find((z) => z.id === on.zone);
  return { x: zone?.x ?? 0, y: zone?.y ?? 0 };
}

/** A point of a stroke on the screen. */
export function onScreen(stage: Element, on: Anchor, [x, y]: readonly [number, number]): Point {
  if (on.model === undefined) {
    const r = stage.getBoundingClientRect();
    return { x: r.left + (x * r.width) / BOARD, y: r.top + (y * r.height) / BOARD };
  }
  const el = stage.querySelectorAll('.drawing')[on.model];
  const model = useLesson.getState().models[on.model];
  if (!el || !model) return { x: -1e6, y: -1e6 };
  const r = el.getBoundingClientRect();
  const scale = r.width / model.w;
  const c = cornerOf(model, on);
  return { x: r.left + (c.x + x / FINE) * scale, y: r.top + (c.y + y / FINE) * scale };
}
