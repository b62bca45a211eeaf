// The rings round pieces: each in as few lines as go round its own pieces alone.
import { Mark, type Piece } from '../core/core';
import { boundsOf, centreOf, type Box } from './geometry';

/** The ring that a piece stands in, from 1; 0 for none. */
export const ringOf = (p: Piece) => (p[7] & Mark.ringed ? p[7] >> 8 : 0);

/** How far a ring keeps from its pieces, in model units. */
const OFF = 2;

export function Rings({ pieces }: { pieces: Piece[] }) {
  const rings = new Set(pieces.map(ringOf));
  rings.delete(0);
  return [...rings].flatMap((ring) =>
    boxesRound(pieces, (p) => ringOf(p) === ring).map((b, i) => (
      <rect
        key={`${ring} ${i}`}
        className={`ring of-${((ring - 1) % 3) + 1}`}
        x={b.x - OFF}
        y={b.y - OFF}
        width={b.w + 2 * OFF}
        height={b.h + 2 * OFF}
        rx={8}
      />
    )),
  );
}

/** The loops round pieces that became another and are counted there: told apart from what was taken. */
export function Loops({ pieces }: { pieces: Piece[] }) {
  const looks = new Set(pieces.filter((p) => p[7] & Mark.spent).map((p) => p[1]));
  const boxes = [...looks].flatMap((look) =>
    boxesRound(pieces, (p) => p[1] === look && (p[7] & Mark.spent) > 0),
  );
  return boxes.map((b, i) => (
    <rect
      key={i}
      className="loop"
      x={b.x - OFF}
      y={b.y - OFF}
      width={b.w + 2 * OFF}
      height={b.h + 2 * OFF}
      rx={8}
    />
  ));
}

/**
 * The boxes round some of the pieces that hold no other: one, or one for each run of a row, joined where runs
 * stand under one another.
 */
export function boxesRound(pieces: Piece[], mine: (p: Piece) => boolean): Box[] {
  const own = pieces.filter(mine);
  const others = pieces.filter((p) => !mine(p)).map(centreOf);
  const pure = (group: Piece[]) => {
    const b = boundsOf(group);
    return !others.some((c) => c.x > b.x && c.x < b.x + b.w && c.y > b.y && c.y < b.y + b.h);
  };
  if (pure(own)) return [boundsOf(own)];
  const groups: Piece[][] = [];
  for (const p of own.toSorted((a, b) => a[3] - b[3] || a[2] - b[2])) {
    const last = groups.at(-1);
    if (last && last[0]![3] === p[3] && pure([...last, p])) last.push(p);
    else groups.push([p]);
  }
  const joined: Piece[][] = [];
  for (const g of groups) {
    const i = joined.findIndex((j) => pure([...j, ...g]));
    if (i < 0) joined.push(g);
    else joined[i] = [...joined[i]!, ...g];
  }
  return joined.map(boundsOf);
}
