// The rings round pieces: each in as few lines as go round its own pieces alone.
import { Mark, type Piece, type ZoneView } from '../core/core';
import { boundsOf, centreOf, type Box } from './geometry';
import { isDim } from './light';

/** The ring that a piece stands in, from 1; 0 for none. */
export const ringOf = (p: Piece) => (p[7] & Mark.ringed ? p[7] >> 8 : 0);

/** How far a ring keeps from its pieces, in model units. */
const OFF = 2;

export function Rings({ pieces }: { pieces: Piece[] }) {
  const rings = new Set(pieces.map(ringOf));
  rings.delete(0);
  return [...rings].map((ring) => {
    const look = `of-${((ring - 1) % 3) + 1}`;
    const boxes = boxesRound(pieces, (p) => ringOf(p) === ring).map((b) => wider(b, OFF));
    return <Boxes key={ring} boxes={boxes} ring={`ring ${look}`} link={`ring-link ${look}`} />;
  });
}

interface BoxesProps {
  boxes: Box[];
  /** The class of each, and of the lines that make one of them. */
  ring: string | undefined;
  link?: string | undefined;
  corner?: number;
}

/** Rounded boxes, joined to one ring where that has a look. */
export function Boxes({ boxes, ring, link, corner = 8 }: BoxesProps) {
  return (
    <>
      {boxes.map((b, i) => (
        <rect key={i} className={ring} x={b.x} y={b.y} width={b.w} height={b.h} rx={corner} />
      ))}
      {link && boxes.length > 1 && <path className={link} d={linksOf(boxes)} />}
    </>
  );
}

export const wider = ({ x, y, w, h }: Box, by: number): Box => ({
  x: x - by,
  y: y - by,
  w: w + 2 * by,
  h: h + 2 * by,
});

/** The lines that make one ring of several boxes: from each to the nearest before it. */
export function linksOf(boxes: Box[]): string {
  return boxes
    .slice(1)
    .map((b, i) => {
      const ways = boxes.slice(0, i + 1).map((a) => {
        const [x, y] = [between(a.x, a.w, b.x, b.w), between(a.y, a.h, b.y, b.h)];
        return { d: `M${x.from} ${y.from}L${x.to} ${y.to}`, far: Math.hypot(x.to - x.from, y.to - y.from) };
      });
      return ways.reduce((best, way) => (way.far < best.far ? way : best)).d;
    })
    .join('');
}

/** From where to where two stretches of a line are joined: their nearest ends, or the middle of what both have. */
function between(a: number, aLong: number, b: number, bLong: number) {
  if (a + aLong < b) return { from: a + aLong, to: b };
  if (b + bLong < a) return { from: a, to: b + bLong };
  const middle = (Math.max(a, b) + Math.min(a + aLong, b + bLong)) / 2;
  return { from: middle, to: middle };
}

/** The loops round pieces that became another and are counted there: told apart from what was taken. */
export function Loops({ pieces }: { pieces: Piece[] }) {
  const looks = new Set(pieces.filter((p) => p[7] & Mark.spent).map((p) => p[1]));
  const boxes = [...looks].flatMap((look) =>
    boxesRound(pieces, (p) => p[1] === look && (p[7] & Mark.spent) > 0),
  );
  return <Boxes boxes={boxes.map((b) => wider(b, OFF))} ring="loop" />;
}

/** How far a frame round what is new keeps from it, in model units. */
const OFF_NEW = 3;

interface FreshProps {
  pieces: Piece[];
  light?: ZoneView[] | undefined;
}

/** The frames round pieces that just came: one round those that stand together. */
export function Fresh({ pieces, light }: FreshProps) {
  const fresh = pieces.filter((p) => p[7] & Mark.fresh);
  return [false, true].map((dim) => {
    const boxes = together(fresh.filter((p) => isDim(light, p) === dim));
    return (
      <Boxes
        key={String(dim)}
        boxes={boxes.map((b) => wider(b, OFF_NEW))}
        ring={dim ? 'fresh dim' : 'fresh'}
        corner={0}
      />
    );
  });
}

/** The boxes round pieces whose frames would touch: those of a stack, and of stacks alike beside one another. */
export function together(pieces: Piece[]): Box[] {
  const boxes = pieces.map((p) => boundsOf([p]));
  const stacks = joined(boxes, 'x', 'w', 'y', 'h');
  return joined(stacks, 'y', 'h', 'x', 'w');
}

type Side = 'x' | 'y';
type Long = 'w' | 'h';

/** Boxes that lie alike across, joined along where hardly anything is between them. */
function joined(boxes: Box[], across: Side, wide: Long, along: Side, long: Long): Box[] {
  const out: Box[] = [];
  const order = (a: Box, b: Box) => a[across] - b[across] || a[wide] - b[wide] || a[along] - b[along];
  for (const b of boxes.toSorted(order)) {
    const last = out.at(-1);
    const alike = last && last[across] === b[across] && last[wide] === b[wide];
    if (alike && b[along] <= last[along] + last[long] + 2 * OFF_NEW) {
      out[out.length - 1] = { ...last, [long]: Math.max(last[long], b[along] + b[long] - last[along]) };
    } else out.push(b);
  }
  return out;
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
