// Base-ten blocks, solid or as a sketch.
import type { Piece } from '../../core/core';

/** One drawing: the fill's class, and lines over it. */
interface Tone {
  tone: string;
  draw: (w: number, h: number) => { outline: string; lines: string; round?: number };
}

const grid = (n: number, w: number, h: number, along: 'x' | 'y', from = 0) =>
  Array.from({ length: n - 1 }, (_, i) => {
    const at = ((i + 1) * (along === 'x' ? w : h)) / n;
    return along === 'x' ? `M${at} ${from}V${from + h}` : `M0 ${from + at}H${w}`;
  }).join('');

const box = (w: number, h: number) => `M0.6 0.6H${w - 0.6}V${h - 0.6}H0.6Z`;

const solid: Record<string, Tone> = {
  one: { tone: 'ones', draw: (w, h) => ({ outline: box(w, h), lines: '' }) },
  ten: { tone: 'tens', draw: (w, h) => ({ outline: box(w, h), lines: grid(10, w, h, w > h ? 'x' : 'y') }) },
  hundred: {
    tone: 'hundreds',
    draw: (w, h) => ({ outline: box(w, h), lines: grid(10, w, h, 'x') + grid(10, w, h, 'y') }),
  },
  thousand: {
    tone: 'thousands',
    draw: (w, h) => {
      const d = 32;
      const [fw, fh] = [w - d, h - d];
      return {
        outline: `M0.6 ${d}H${fw}V${h - 0.6}H0.6Z M0.6 ${d}L${d} 0.6H${w - 0.6}V${fh}L${fw} ${h - 0.6} M${fw} ${d}L${w - 0.6} 0.6`,
        lines:
          Array.from({ length: 9 }, (_, i) => {
            const at = ((i + 1) * fw) / 10;
            const back = ((i + 1) * d) / 10;
            return (
              `M${at} ${d}V${h}M0 ${d + at}H${fw}` +
              `M${at} ${d}L${at + d} 0M${back} ${d - back}H${fw + back}` +
              `M${fw} ${d + at}L${w} ${at}M${fw + back} ${d - back}V${h - back}`
            );
          }).join('') + ` M4 ${d + 4}H${fw - 4}V${h - 4}H4Z`,
      };
    },
  },
};

/** Ten of a big cube, or a hundred, drawn small: each cube keeps its second rim. */
const ofCubes = (flat: boolean) => (w: number, h: number) => {
  const [across, down] = flat ? [10, 10] : w > h ? [10, 1] : [1, 10];
  const [cw, ch] = [w / across, h / down];
  const cubes = Array.from({ length: across * down }, (_, i) => {
    const [x, y] = [(i % across) * cw, Math.floor(i / across) * ch];
    return `M${x + 2.5} ${y + 2.5}h${cw - 5}v${ch - 5}h${5 - cw}z`;
  });
  const seams = (across > 1 ? grid(across, w, h, 'x') : '') + (down > 1 ? grid(down, w, h, 'y') : '');
  return { outline: box(w, h), lines: seams + cubes.join('') };
};
solid['ten thousand'] = { tone: 'tens', draw: ofCubes(false) };
solid['hundred thousand'] = { tone: 'hundreds', draw: ofCubes(true) };

const sketch: Record<string, Tone> = {
  one: { tone: 'ones', draw: (w, h) => ({ outline: circle(w, h), lines: '' }) },
  ten: {
    tone: 'tens',
    draw: (w, h) => ({
      outline:
        w > h
          ? `M0 ${h / 2 - 1.5}V${h / 2 + 1.5}H${w}V${h / 2 - 1.5}Z`
          : `M${w / 2 - 1.5} 0H${w / 2 + 1.5}V${h}H${w / 2 - 1.5}Z`,
      lines: '',
    }),
  },
  hundred: { tone: 'hundreds', draw: (w, h) => ({ outline: box(w, h), lines: '' }) },
  thousand: {
    tone: 'thousands',
    draw: (w, h) => {
      const d = 14;
      return {
        outline: `M0.6 ${d}H${w - d}V${h - 0.6}H0.6Z M0.6 ${d}L${d} 0.6H${w - 0.6}V${h - d}L${w - d} ${h - 0.6} M${w - d} ${d}L${w - 0.6} 0.6`,
        lines: `M4 ${d + 4}H${w - d - 4}V${h - 4.6}H4Z`,
      };
    },
  },
};

/** A stick or a square with a second rim, as the big cube has one. */
const rimmed = (tone: string): Tone => ({
  tone,
  draw: (w, h) => ({ outline: box(w, h), lines: `M3.5 3.5H${w - 3.5}V${h - 3.5}H3.5Z` }),
});
sketch['ten thousand'] = rimmed('tens');
sketch['hundred thousand'] = rimmed('hundreds');

function circle(w: number, h: number) {
  const r = w / 2 - 0.5;
  return `M${w / 2 - r} ${h / 2}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
}

/** A block, or nothing when the piece is none. */
export function blockLook(piece: Piece, flags: string[]) {
  const [, name, , , w, h, part] = piece;
  const look = (flags.includes('sketch') ? sketch : solid)[name];
  if (!look) return undefined;
  const { outline, lines } = look.draw(w, h);
  const tone = flags.includes('plain')
    ? 'plain'
    : flags.includes('addend')
      ? `addend-${part}`
      : `${look.tone} ${part > 1 ? 'second' : ''}`;
  return (
    <>
      <path className={`face ${tone}`} d={outline} />
      {lines && <path className="seams" d={lines} />}
    </>
  );
}
