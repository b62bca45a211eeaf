// A small picture of a board: what a lesson, a scene or a choice is known by. Nothing in it is
// touched, and what is covered is not in it.
import type { BoardView } from '../core/core';
import { StillPieces } from './KeptCopies';

/** Between models, and round them all, in model units. */
const GAP = 24;
const RIM = 4;

type Model = BoardView['models'][number];

export function Face({ models, name }: { models: Model[]; name?: string }) {
  if (models.length === 0) return null;
  const parts = models.map((m) => ({ m, box: filled(m) }));
  const h = Math.max(...parts.map((p) => p.box.h));
  const places = parts.map((_, i) => parts.slice(0, i).reduce((x, p) => x + p.box.w + GAP, 0));
  const w = places.at(-1)! + parts.at(-1)!.box.w;
  return (
    <svg
      className="on-paper"
      viewBox={`${-RIM} ${-RIM} ${w + 2 * RIM} ${h + 2 * RIM}`}
      preserveAspectRatio="xMidYMid meet"
      {...(name ? { role: 'img', 'aria-label': name } : { 'aria-hidden': true })}
    >
      {parts.map(({ m, box }, i) => (
        <g key={i} transform={`translate(${places[i]! - box.x} ${(h - box.h) / 2 - box.y})`}>
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
