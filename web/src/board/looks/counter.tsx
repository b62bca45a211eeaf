// Counters: plain two-sided ones, and story shapes of our own for bulb-planting
// day. The second face has a sign beside its colour.
import { Mark, type Piece } from '../../core/core';

/** An outline on a square of 34, lines over it, and where the second face's sign sits. */
interface Shape {
  outline: string;
  lines?: string;
  sign: [x: number, y: number, r: number];
}

const shapes: Record<string, Shape> = {
  counter: { outline: 'M17 1a16 16 0 1 0 0 32a16 16 0 1 0 0-32Z', sign: [17, 17, 9.5] },
  bulb: {
    outline: 'M17 2c1.5 4 10 9.5 10 18c0 8-4.5 12-10 12s-10-4-10-12c0-8.5 8.5-14 10-18Z',
    lines: 'M17 8c-2.5 6-4 10-4 15M17 8c2.5 6 4 10 4 15M11 32l-2 1.5M17 32v2M23 32l2 1.5',
    sign: [17, 22, 4.6],
  },
  seed: {
    outline: 'M26 4c6 6 5 17-2 23s-17 5-20 1s1-13 8-19s12-7 14-5Z',
    lines: 'M24 8c-6 5-11 11-15 17',
    sign: [16, 19, 4.6],
  },
  leaf: {
    outline: 'M31 3c1 13-3 24-13 26c-5 1-9-1-11-3c-3-9 6-22 24-23Z',
    lines: 'M31 3C21 12 13 20 3 32M18 15l-1-7M13 20l-1-6M18 15l8 1M13 20l8 2',
    sign: [19, 17, 4.6],
  },
  snail: {
    outline: 'M3 31c8 0 22 1 28-1c2-1 1-5-1-6c1-9-4-16-12-16s-13 6-13 13c0 4 2 6 3 7c-3 0-5 1-5 3Z',
    lines: 'M18 26c-4 0-7-3-7-6s3-6 7-6s5 3 5 5s-2 4-4 4M30 24l2-7M27 24l0-7',
    sign: [18, 20, 3.6],
  },
  bee: {
    outline:
      'M17 9c4 0 6-3 9-4c4-1 6 4 3 7l-3 2c3 2 4 5 4 8c0 6-6 10-13 10s-13-4-13-10c0-3 1-6 4-8l-3-2c-3-3-1-8 3-7c3 1 5 4 9 4Z',
    lines: 'M8 18c5 2.5 13 2.5 18 0M5 23c7 3 17 3 24 0M9 28c5 2 11 2 16 0',
    sign: [17, 14, 3.2],
  },
  pot: {
    outline: 'M3 5h28v7h-3l-3 20h-16l-3-20h-3Z',
    lines: 'M6 12h22',
    sign: [17, 21, 4.8],
  },
};

const tones = [
  ['berry', 'mint'],
  ['pine', 'sand'],
];

export function counterLook(piece: Piece) {
  const [, name, , , , , colouring, marks] = piece;
  const shape = shapes[name];
  if (!shape) return null;
  const second = (marks & Mark.alternate) > 0;
  const [x, y, r] = shape.sign;
  return (
    <>
      <path className={`face ${tones[colouring]?.[second ? 1 : 0]}`} d={shape.outline} />
      {shape.lines && <path className={`vein ${second ? 'dark' : ''}`} d={shape.lines} />}
      {second && <circle className="sign" cx={x} cy={y} r={r} />}
    </>
  );
}
