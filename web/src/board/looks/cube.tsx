// Linking cubes: a face, a peg that shows how they link, and a sign for the
// colour, so that parts are told apart without it.
import type { Piece } from '../../core/core';

const signs = ['', '', 'ring', 'bar', 'dot'];

export function cubeLook(piece: Piece) {
  const [, name, , , w, h, part] = piece;
  if (name === 'tower') {
    return (
      <>
        <path className={`face cube-${part}`} d={`M1 4a3 3 0 0 1 3-3h${w - 8}a3 3 0 0 1 3 3V${h - 1}H1Z`} />
        <path
          className="cube-seam"
          d={Array.from({ length: 9 }, (_, i) => `M1 ${((i + 1) * h) / 10}H${w - 1}`).join('')}
        />
        <path className="cube-five" d={`M-3 ${h / 2}H${w + 3}`} />
      </>
    );
  }
  return (
    <>
      <path className={`face peg cube-${part}`} d={`M${w - 2} ${h * 0.34}h6v${h * 0.32}h-6Z`} />
      <rect className={`face cube-${part}`} x={0.8} y={0.8} width={w - 1.6} height={h - 1.6} rx={4} />
      <Sign name={signs[part] ?? ''} w={w} h={h} />
    </>
  );
}

function Sign({ name, w, h }: { name: string; w: number; h: number }) {
  if (name === 'ring') return <circle className="sign" cx={w / 2} cy={h / 2} r={w * 0.2} />;
  if (name === 'bar') return <path className="sign pale" d={`M${w * 0.28} ${h / 2}H${w * 0.72}`} />;
  if (name === 'dot') return <circle className="sign full" cx={w / 2} cy={h / 2} r={w * 0.11} />;
  return null;
}
