// A board on paper: pieces as they lie, all pictures of a row of them in one scale.
import type { BoardView, ZoneView } from '../core/core';
import { StillPieces } from '../board/KeptCopies';

const GAP = 30;
const RIM = 4;

type Models = BoardView['models'];

/** Above the columns and the tray of what was taken, for their heads; where no model has any, nothing. */
const HEAD = 20;
const isHeaded = (z: ZoneView) => (z.one && !z.side) || z.role === 'taken';
const headed = (models: Models) => models.some((m) => m.zones.some(isHeaded));

/** How much room models take side by side, in model units. */
export function sizeOf(models: Models) {
  return {
    w: models.reduce((w, m) => w + m.w + GAP, -GAP),
    h: Math.max(0, ...models.map((m) => m.h)) + (headed(models) ? HEAD : 0),
  };
}

/** A room as wide as others have, and no higher than a board needs. */
export const lowered = (room: { w: number; h: number }, board: BoardView) => ({
  w: room.w,
  h: sizeOf(board.models).h,
});

/** The room that the largest of several boards takes. */
export function largest(boards: Pick<BoardView, 'models'>[]) {
  const sizes = boards.map((b) => sizeOf(b.models));
  return { w: Math.max(1, ...sizes.map((s) => s.w)), h: Math.max(1, ...sizes.map((s) => s.h)) };
}

interface Props {
  models: Models;
  room: { w: number; h: number };
  name: string;
  /** Whether heads tell how many there are, as on the stage: on paper that is for the child to say. */
  counted?: boolean;
  /** Whether it stands in the middle of its room, not at its left. */
  centred?: boolean;
}

export function Pictured({ models, room, name, counted = false, centred = false }: Props) {
  const at = models.map((_, i) => models.slice(0, i).reduce((x, m) => x + m.w + GAP, 0));
  return (
    <svg
      viewBox={`${-RIM} ${-RIM} ${room.w + 2 * RIM} ${room.h + 2 * RIM}`}
      preserveAspectRatio={`${centred ? 'xMid' : 'xMin'}YMin meet`}
      role="img"
      aria-label={name}
    >
      {models.map((m, i) => (
        <g key={i} transform={`translate(${at[i]} ${headed(models) ? HEAD : 0})`}>
          <StillPieces kept={m} />
          {m.zones.filter(isHeaded).map((z) => (
            <text
              key={z.id}
              className="paper-head"
              x={z.y > 0 ? z.x + z.w - 6 : z.x + z.w / 2}
              y={z.y > 0 ? z.y + 14 : -6}
              textAnchor={z.y > 0 ? 'end' : 'middle'}
              fontSize={Math.min(13, (1.7 * z.w) / Math.max(1, z.label.length + (counted ? 3 : 0)))}
            >
              {z.label}
              {counted && z.count && (
                <tspan fontWeight={700} dx="6">
                  {z.count}
                </tspan>
              )}
            </text>
          ))}
          {m.covers.map((c) => (
            <rect key={c.index} x={c.x} y={c.y} width={c.w} height={c.h} rx={6} className="paper-cover" />
          ))}
        </g>
      ))}
    </svg>
  );
}
