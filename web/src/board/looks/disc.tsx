// Place value discs and digit cards. Thousands take the ones' colour with a
// double rim and so on; parts of one mirror tens and hundreds as hollow rings.
import type { Piece } from '../../core/core';

/** Tone, number of rims, hollow. */
const places: Record<string, [tone: string, rims: number, hollow: boolean]> = {
  millions: ['ones', 3, false],
  'hundred thousands': ['hundreds', 2, false],
  'ten thousands': ['tens', 2, false],
  thousands: ['ones', 2, false],
  hundreds: ['hundreds', 1, false],
  tens: ['tens', 1, false],
  ones: ['ones', 1, false],
  tenths: ['tens', 1, true],
  hundredths: ['hundreds', 1, true],
  thousandths: ['ones', 2, true],
};

const sizes = [0, 16, 14, 12, 9.4, 8, 7, 6];

export function discLook(piece: Piece) {
  const [, name, , , w, h, , , text = ''] = piece;
  if (name === 'card') {
    return (
      <>
        <rect className="face paper" x={1} y={1} width={w - 2} height={h - 2} rx={7} />
        <text className="card-digit" x={w / 2} y={h / 2} fontSize={h * 0.68}>
          {text}
        </text>
      </>
    );
  }
  const [kind, ...rest] = name.split(' ');
  const [tone, rims, hollow] = places[rest.join(' ')] ?? ['ones', 1, false];
  const r = kind === 'dot' ? w * 0.36 : w / 2 - 0.8;
  return (
    <>
      <circle className={`face disc ${tone} ${hollow ? 'hollow' : ''}`} cx={w / 2} cy={h / 2} r={r} />
      {hollow && <circle className={`band ${tone}`} cx={w / 2} cy={h / 2} r={r - 2.4} />}
      {Array.from({ length: rims - 1 }, (_, i) => (
        <circle
          key={i}
          className={`rim ${tone} ${hollow ? 'hollow' : ''}`}
          cx={w / 2}
          cy={h / 2}
          r={r - (hollow ? 5 : 2.2) - i * 2.2}
        />
      ))}
      {text && (
        <text
          className={`worth ${hollow || tone === 'ones' ? 'dark' : ''}`}
          x={w / 2}
          y={h / 2}
          fontSize={sizes[text.length] ?? 6}
        >
          {text}
        </text>
      )}
    </>
  );
}
