// Pieces at their places. A piece whose place changes travels there; one that
// was just made comes out of what it was made from.
import { animate } from 'motion/mini';
import { memo, useLayoutEffect, useRef, useState, type ReactNode, type RefObject } from 'react';
import type { Piece, ZoneView } from '../core/core';
import type { Origins } from '../state/lesson';
import { isDim } from './light';

interface Props {
  pieces: Piece[];
  draw: (p: Piece) => ReactNode;
  origins: Origins;
  lit: ReadonlySet<number>;
  /** The zones that the step looks at; what lies elsewhere is dimmed. */
  light?: ZoneView[] | undefined;
}

/** More than so many that are made at once are no longer told apart on their way. */
const FEW = 20;

export function PieceLayer({ pieces, draw, origins, lit, light }: Props) {
  const made = origins.size > FEW ? [] : pieces.filter((p) => origins.has(p[0]));
  return (
    <>
      {pieces.map((p) => (
        <OnePiece
          key={p[0]}
          piece={p}
          draw={draw}
          origin={origins.get(p[0])}
          tone={lit.has(p[0]) ? 'piece lit' : isDim(light, p) ? 'piece dim' : 'piece'}
        />
      ))}
      {made.map((p) => (
        <Above key={p[0]} piece={p} draw={draw} origin={origins.get(p[0])!} />
      ))}
    </>
  );
}

/** Takes a piece from where it came to its place; only its first layout knows where that is. */
function useTravel(
  ref: RefObject<SVGGElement | null>,
  origin: Piece | undefined,
  [, , x, y]: Piece,
  then?: () => void,
) {
  const travel = useRef<ReturnType<typeof animate>>(undefined);
  useLayoutEffect(() => {
    const el = ref.current;
    if (!el || !origin) return;
    travel.current = animate(
      el,
      { transform: [`translate(${origin[2]}px, ${origin[3]}px)`, `translate(${x}px, ${y}px)`] },
      { duration: 0.55, ease: 'easeInOut' },
    );
    void travel.current.finished.then(then);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  // Sent elsewhere on the way, it does not end where it was going first.
  useLayoutEffect(() => () => travel.current?.cancel(), [x, y]);
}

/** A piece that was just made, as it is seen above all others on its way. */
function Above({ piece, draw, origin }: { piece: Piece; draw: Props['draw']; origin: Piece }) {
  const ref = useRef<SVGGElement>(null);
  const [to] = useState(piece);
  const [there, setThere] = useState(false);
  useTravel(ref, origin, to, () => setThere(true));
  if (there || piece[2] !== to[2] || piece[3] !== to[3]) return null;
  return (
    <g ref={ref} className="piece" aria-hidden="true">
      {draw(to)}
    </g>
  );
}

const OnePiece = memo(
  function OnePiece({
    piece,
    draw,
    origin,
    tone,
  }: {
    piece: Piece;
    draw: Props['draw'];
    origin: Piece | undefined;
    tone: string;
  }) {
    const ref = useRef<SVGGElement>(null);
    const [id, , x, y] = piece;
    useTravel(ref, origin, piece);
    return (
      <g ref={ref} data-piece={id} className={tone} style={{ transform: `translate(${x}px, ${y}px)` }}>
        {draw(piece)}
      </g>
    );
  },
  (a, b) => a.piece === b.piece && a.draw === b.draw && a.tone === b.tone,
);
