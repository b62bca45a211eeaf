// A board on paper: pieces as they lie, all pictures of a row of them in one scale.
import type { BoardView } from '../core/core';
import { StillPieces } from '../board/KeptCopies';

const GAP = 30;
const RIM = 4;

type Models = BoardView['models'];

/** Above the columns, for their heads; where no model has columns, nothing. */
const HEAD = 20;
const headed = (models: Models) => models.some((m) => m.zones.some((z) => z.one && !z.side));

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
}

export function Pictured({ models, room, name }: Props) {
  const at = models.map((_, i) => models.slice(0, i).reduce((x, m) => x + m.w + GAP, 0));
  return (
    <svg
      viewBox={`${-RIM} ${-RIM} ${room.w + 2 * RIM} ${room.h + 2 * RIM}`}
      preserveAspectRatio="xMinYMin meet"
      role="img"
      aria-label={name}
    >
      {models.map((m, i) => (
        <g key={i} transform={`translate(${at[i]} ${headed(models) ? HEAD : 0})`}>
          <StillPieces kept={m} />
          {m.zones
            .filter((z) => z.one && !z.side)
            .map((z) => (
              <text
                key={z.id}
                className="paper-head"
                x={z.x + z.w / 2}
                y={z.y - 6}
                textAnchor="middle"
                fontSize={Math.min(13, (1.7 * z.w) / Math.max(1, z.label.length))}
              >
                {z.label}
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
