// How each piece is drawn, in model units. A colour says the place, and so do
// size, shape and rim; parts and faces are told by a sign as well as a colour.
import { Mark, type Piece } from '../core/core';
import { blockLook } from './looks/block';
import { counterLook } from './looks/counter';
import { cubeLook } from './looks/cube';
import { discLook } from './looks/disc';

/** A bead on its wire. */
function Bead({ piece }: { piece: Piece }) {
  const [, , , , w, h, , marks] = piece;
  return (
    <>
      <ellipse
        className={`face ${marks & Mark.alternate ? 'sand' : 'pine'}`}
        cx={w / 2}
        cy={h / 2}
        rx={w / 2 - 0.8}
        ry={h / 2 - 0.4}
      />
      <ellipse className="shine" cx={w * 0.36} cy={h * 0.3} rx={w * 0.15} ry={h * 0.1} />
    </>
  );
}

/** Any piece, with the marks on it. */
export function PieceShape({ piece, flags }: { piece: Piece; flags: string[] }) {
  const [, name, , , w, h, , marks] = piece;
  const told = marks & Mark.copy ? 'copied' : marks & Mark.spent ? 'spent' : undefined;
  return (
    <g className={told}>
      {bare(piece, name, flags)}
      {(marks & Mark.crossed) > 0 && <path className="strike" d={`M0 ${h}L${w} 0M0 0L${w} ${h}`} />}
    </g>
  );
}

function bare(piece: Piece, name: string, flags: string[]) {
  if (name === 'bead') return <Bead piece={piece} />;
  if (name.startsWith('disc ') || name.startsWith('dot ') || name === 'card') return discLook(piece);
  if (name === 'cube' || name === 'tower') return cubeLook(piece);
  return blockLook(piece, flags) ?? counterLook(piece);
}
