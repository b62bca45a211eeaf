// A small picture of a board: what a lesson, a scene or a choice is known by. Nothing in it is
// touched, and what is covered is not in it.
import type { BoardView } from '../core/core';
import { StillPieces } from './KeptCopies';

/** Between models, and round them all, in model units. */
const GAP = 24;
const RIM = 4;

type Model = BoardView['models'][number];

/** How much room a picture takes, in model units. */
interface Size {
  w: number;
  h: number;
}

/** The room in which each of several pictures can stand in one scale: a ten is as long in all. */
export function roomFor(pictures: Pick<BoardView, 'models'>[]): Size {
  const sizes = pictures.filter((p) => p.models.length > 0).map((p) => laid(p.models));
  return { w: Math.max(1, ...sizes.map((s) => s.w)), h: Math.max(1, ...sizes.map((s) => s.h)) };
}

/** The models side by side, each without what has nothing in it. */
function laid(models: Model[], whole = false) {
  const parts = models.map((m) => ({ m, box: whole ? { x: 0, y: 0, w: m.w, h: m.h } : filled(m) }));
  const places = parts.map((_, i) => parts.slice(0, i).reduce((x, p) => x + p.box.w + GAP, 0));
  return {
    parts,
    places,
    w: places.at(-1)! + parts.at(-1)!.box.w,
    h: Math.max(...parts.map((p) => p.box.h)),
  };
}

interface Props {
  models: Model[];
  name?: string;
  /** The room that it shares with others, as roomFor tells it; its own when left out. */
  room?: Size;
  /** Whether the models stand in their whole room, so that of one picture and the next nothing jumps. */
  whole?: boolean;
}

export function Face({ models, name, room, whole = false }: Props) {
  if (models.length === 0) return null;
  const { parts, places, w, h } = laid(models, whole);
  const wide = Math.max(w, room?.w ?? 0);
  const high = Math.max(h, room?.h ?? 0);
  return (
    <svg
      className="on-paper"
      viewBox={`${-RIM} ${-RIM} ${wide + 2 * RIM} ${high + 2 * RIM}`}
      preserveAspectRatio={room ? 'xMinYMin meet' : 'xMidYMid meet'}
      {...(name ? { role: 'img', 'aria-label': name } : { 'aria-hidden': true })}
    >
      {parts.map(({ m, box }, i) => (
        <g key={i} transform={`translate(${places[i]! - box.x} ${(room ? 0 : (h - box.h) / 2) - box.y})`}>
          <StillPieces kept={{ ...m, zones: [] }} />
        </g>
      ))}
    </svg>
  );
}

/** What of a model has anything in it. */
function filled(m: Model) {
  const things = [
    ...m.pieces.map(([, , x, y, w, h]) => ({ x, y, w, h })),
    ...m.decor.filter((d) => d.kind !== 'caption' && d.kind !== 'line'),
  ];
  if (things.length === 0) return { x: 0, y: 0, w: m.w, h: m.h };
  const x = Math.min(...things.map((t) => t.x));
  const y = Math.min(...things.map((t) => t.y));
  return {
    x,
    y,
    w: Math.max(...things.map((t) => t.x + t.w)) - x,
    h: Math.max(...things.map((t) => t.y + t.h)) - y,
  };
}
