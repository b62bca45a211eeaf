// What a hand does with pieces: tap, drag, draw a ring round some or pull a
// rectangle over them. Pieces move as one layer, so that a thousand are as
// light as one.
import { useRef, useState, type PointerEvent, type RefObject } from 'react';
import type { Piece } from '../core/core';
import { select, toggle, useLesson, type DrawnModel } from '../state/lesson';
import { centreOf, inside, type Point } from './geometry';

/** A drag of the selection that has ended: where from, where to, and by which piece. */
export interface Drop {
  from: Point;
  at: Point;
  piece: Piece;
  ids: number[];
}

/** A finger covers the piece, so that the piece shows above it; in pixels. */
const LIFT = 56;

interface Drag {
  pointer: number;
  from: Point;
  at: Point;
  piece: number;
  moved: boolean;
  /** Whether the piece was chosen by this drag alone: then it is no longer, once it lies. */
  own: boolean;
  lift: number;
}

export interface HandOptions {
  model: DrawnModel;
  index: number;
  scale: number;
  layer: RefObject<SVGSVGElement | null>;
  drop: (d: Drop) => void;
  /** Takes a tap on a piece; false leaves it to the selection. */
  tap?: ((piece: number) => boolean) | undefined;
}

export function useHand({ model, index, scale, layer, drop, tap }: HandOptions) {
  const drag = useRef<Drag | undefined>(undefined);
  const [ring, setRing] = useState<Point[]>();

  const point = (e: PointerEvent<SVGSVGElement>): Point => {
    const r = e.currentTarget.closest('.drawing')!.getBoundingClientRect();
    return { x: (e.clientX - r.left) / scale, y: (e.clientY - r.top) / scale };
  };
  const onPointerDown = (e: PointerEvent<SVGSVGElement>) => {
    if (e.button !== 0 || drag.current) return;
    const hit = (e.target as Element).closest<SVGGElement>('[data-piece]');
    const at = point(e);
    const piece = Number(hit?.dataset.piece ?? 0);
    drag.current = {
      pointer: e.pointerId,
      from: at,
      at,
      piece,
      moved: false,
      own: false,
      lift: piece && e.pointerType === 'touch' ? LIFT : 0,
    };
    e.currentTarget.setPointerCapture(e.pointerId);
  };
  const onPointerMove = (e: PointerEvent<SVGSVGElement>) => {
    const d = drag.current;
    if (!d || d.pointer !== e.pointerId) return;
    d.at = point(e);
    const far = Math.hypot(d.at.x - d.from.x, d.at.y - d.from.y) * scale > 6;
    if (!d.moved && !far) return;
    if (!d.moved && d.piece && !chosen(index).has(d.piece)) {
      d.own = true;
      select(index, [d.piece]);
    }
    d.moved = true;
    if (d.piece) shift(layer.current, (d.at.x - d.from.x) * scale, (d.at.y - d.from.y) * scale - d.lift);
    else setRing((r) => [...(r ?? [d.from]), d.at]);
  };
  const onPointerUp = (e: PointerEvent<SVGSVGElement>) => {
    const d = drag.current;
    if (!d || d.pointer !== e.pointerId) return;
    drag.current = undefined;
    shift(layer.current, 0, 0);
    if (!d.moved) tapped(d.piece, e.shiftKey || e.ctrlKey || e.metaKey);
    else if (d.piece) {
      const piece = model.pieces.find((p) => p[0] === d.piece);
      if (piece)
        drop({ from: d.from, at: { x: d.at.x, y: d.at.y - d.lift / scale }, piece, ids: [...chosen(index)] });
      if (d.own) select(index, []);
    } else if (ring) {
      const within = hasCorners(ring) ? boxOf(ring) : ring;
      select(
        index,
        model.pieces.filter((p) => inside(within, centreOf(p))).map((p) => p[0]),
      );
    }
    setRing(undefined);
  };
  const tapped = (piece: number, choosing: boolean) => {
    if (!piece) select(index, []);
    else if (choosing || chosen(index).size > 0 || !tap?.(piece)) toggle(index, piece);
  };
  const onPointerCancel = () => {
    drag.current = undefined;
    shift(layer.current, 0, 0);
    setRing(undefined);
  };
  return {
    ring,
    box: ring && hasCorners(ring) ? boxOf(ring) : undefined,
    handlers: { onPointerDown, onPointerMove, onPointerUp, onPointerCancel },
  };
}

function chosen(index: number): ReadonlySet<number> {
  const { selected, selectedModel } = useLesson.getState();
  return selectedModel === index ? selected : new Set();
}

function shift(layer: SVGSVGElement | null, dx: number, dy: number) {
  if (layer) layer.style.transform = dx || dy ? `translate(${dx}px, ${dy}px)` : '';
}

/**
 * A line that never comes back is a rectangle from corner to corner; one that
 * goes round is a ring.
 */
function hasCorners(line: Point[]): boolean {
  const [first, last] = [line[0]!, line[line.length - 1]!];
  const apart = Math.hypot(last.x - first.x, last.y - first.y);
  const furthest = Math.max(...line.map((p) => Math.hypot(p.x - first.x, p.y - first.y)));
  let length = 0;
  for (let i = 1; i < line.length; i++)
    length += Math.hypot(line[i]!.x - line[i - 1]!.x, line[i]!.y - line[i - 1]!.y);
  return apart > furthest * 0.8 && length < apart * 1.5;
}

function boxOf(line: Point[]): Point[] {
  const [a, b] = [line[0]!, line[line.length - 1]!];
  return [a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }];
}
