// Pieces at their places. A piece whose place changes travels there; one that
// was just made comes out of what it was made from.
import { animate } from 'motion/mini';
import { memo, useLayoutEffect, useRef, type ReactNode } from 'react';
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

export function PieceLayer({ pieces, draw, origins, lit, light }: Props) {
  return pieces.map((p) => (
    <OnePiece
      key={p[0]}
      piece={p}
      draw={draw}
      origin={origins.get(p[0])}
      tone={lit.has(p[0]) ? 'piece lit' : isDim(light, p) ? 'piece dim' : 'piece'}
    />
  ));
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
    const travel = useRef<ReturnType<typeof animate>>(undefined);
    const [id, , x, y] = piece;
    // Only the first layout of a new piece knows where it came from.
    useLayoutEffect(() => {
      const el = ref.current;
      if (!el || !origin) return;
      travel.current = animate(
        el,
        { transform: [`translate(${origin[2]}px, ${origin[3]}px)`, `translate(${x}px, ${y}px)`] },
        { duration: 0.55, ease: 'easeInOut' },
      );
      // eslint-disable-next-line react-hooks/exhaustive-deps
    }, []);
    // Sent elsewhere on the way, it does not end where it was going first.
    useLayoutEffect(() => () => travel.current?.cancel(), [x, y]);
    return (
      <g ref={ref} data-piece={id} className={tone} style={{ transform: `translate(${x}px, ${y}px)` }}>
        {draw(piece)}
      </g>
    );
  },
  (a, b) => a.piece === b.piece && a.draw === b.draw && a.tone === b.tone,
);
