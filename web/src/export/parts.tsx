// The parts of a picture that a model has: all that lies on it and is read out of it. Each part tells
// how large it is.
import type { ReactNode } from 'react';
import { StillPieces } from '../board/KeptCopies';
import { Mark } from '../ink/strokes';
import { cornerOf } from '../ink/spot';
import { widthOf } from '../shell/widthOf';
import type { DrawnModel, LessonState } from '../state/lesson';

/** Pixels to a model unit. */
const UNIT = 2;
export const GAP = 44;
const NAME = 30;
export const LINE = 40;
export const TEXT = 26;

/** What a picture is made of. */
export interface Shown extends Pick<LessonState, 'models' | 'frame' | 'outline'> {
  /** Whether the record and the written work stand beside the board. */
  record: boolean;
  written: boolean;
  date: Date;
}

export interface Part {
  w: number;
  h: number;
  drawing: ReactNode;
}

export type Frame = LessonState['frame'];

/** The models, each in its tile. */
export const tiles = (models: DrawnModel[], frame: Frame): Part[] => models.map((m, i) => tile(m, i, frame));

/** What is read out of a model, as far as it is told. */
export const toldOf = (m: DrawnModel) => m.readouts.filter((r) => (r.shown || r.beside) && r.text);

function tile(m: DrawnModel, index: number, frame: Frame): Part {
  const kept = m.kept.reduce((w, k) => w + (k.w + 30) * UNIT, 0);
  const told = toldOf(m);
  const bonds = told.filter((r) => r.whole && r.parts?.length);
  const lines = told.filter((r) => !bonds.includes(r));
  const top = (m.title ? LINE + 6 : 0) + NAME + 16;
  const high = Math.max(m.h, ...m.kept.map((k) => k.h)) * UNIT;
  const below = top + high + 14;
  const texts = lines.map((r) => `${r.label}: ${r.text}`);
  const w = Math.max(
    kept + (m.w + (countedOf(m).length > 0 ? 40 : 0)) * UNIT,
    ...texts.map((t) => widthOf(t, TEXT)),
    300,
  );
  return {
    w,
    h: below + lines.length * LINE + bonds.length * 140,
    drawing: (
      <>
        {m.title && (
          <text x={w / 2} y={LINE - 8} fontSize="30" textAnchor="middle">
            {m.title}
          </text>
        )}
        {m.kept.map((k, i) => (
          <g
            key={i}
            transform={`translate(${m.kept.slice(0, i).reduce((x, o) => x + (o.w + 30) * UNIT, 0)} ${top}) scale(${UNIT})`}
          >
            <text x={k.w / 2} y={-8} fontSize="15" textAnchor="middle">
              {k.flags.includes('ways') ? 'All ways' : 'Before'}
            </text>
            <StillPieces kept={k} />
          </g>
        ))}
        <g transform={`translate(${kept} ${top}) scale(${UNIT})`}>
          <ModelPicture model={m} />
        </g>
        <g transform={`translate(${kept} ${top})`}>
          {frame.ink
            .filter((s) => s.on.model === index)
            .map((s) => {
              const c = cornerOf(m, s.on);
              const points = s.points.map(
                (p) => [(c.x + p[0]! / 10) * UNIT, (c.y + p[1]! / 10) * UNIT] as const,
              );
              return <Mark key={s.id} {...s} points={points} />;
            })}
          {frame.notes
            .filter((n) => n.on.model === index)
            .map((n) => {
              const c = cornerOf(m, n.on);
              return (
                <NoteSheet key={n.id} text={n.text} x={(c.x + n.x / 10) * UNIT} y={(c.y + n.y / 10) * UNIT} />
              );
            })}
        </g>
        {texts.map((text, n) => (
          <text key={n} y={below + (n + 1) * LINE - 10} fontSize={TEXT}>
            {text}
          </text>
        ))}
        {bonds.map((r, n) => (
          <g key={r.id} transform={`translate(0 ${below + lines.length * LINE + n * 140})`}>
            <Bond whole={r.whole ?? ''} parts={r.parts ?? []} />
          </g>
        ))}
      </>
    ),
  };
}

/** A note on its paper. */
export function NoteSheet({ text, x, y }: { text: string; x: number; y: number }) {
  const lines = text.split('\n');
  const w = Math.max(...lines.map((l) => widthOf(l, TEXT))) + 20;
  return (
    <g transform={`translate(${x} ${y})`}>
      <rect width={w} height={lines.length * 34 + 12} rx={6} fill="#fffdf8" stroke="#22302c" />
      {lines.map((line, i) => (
        <text key={i} x={10} y={30 + i * 34} fontSize={TEXT}>
          {line}
        </text>
      ))}
    </g>
  );
}

/** Zones that are drawn as columns, and others that have a count beside them. */
const columnsOf = (m: DrawnModel) => m.zones.filter((z) => z.one || z.role === 'taken');
const countedOf = (m: DrawnModel) => {
  const columns = columnsOf(m);
  return m.zones.filter((z) => !columns.includes(z) && !z.side && z.number && z.count);
};

function ModelPicture({ model }: { model: DrawnModel }) {
  const hidden = (x: number, y: number) =>
    model.covers.some((c) => x >= c.x && x < c.x + c.w && y >= c.y && y < c.y + c.h);
  const seen = {
    ...model,
    zones: [],
    decor: model.decor.filter((d) => !d.text || !hidden(d.x + d.w / 2, d.y + d.h / 2)),
    pieces: model.pieces.filter((p) => !hidden(p[2] + p[4] / 2, p[3] + p[5] / 2)),
  };
  const columns = columnsOf(model);
  const counted = countedOf(model);
  return (
    <>
      {columns.map((z) => (
        <g key={z.id}>
          <rect x={z.x + 1} y={z.y} width={z.w - 2} height={z.h} fill="#fff" stroke="#d8d0bd" />
          <text x={z.x + z.w / 2} y={z.y - 8} fontSize="15" textAnchor="middle">
            {z.label} <tspan fontWeight="700">{z.count}</tspan>
          </text>
        </g>
      ))}
      <StillPieces kept={seen} />
      {counted.map((z) => (
        <text key={z.id} x={z.x + z.w + 12} y={z.y + z.h / 2 + 5} fontSize="15">
          {z.count}
        </text>
      ))}
      {model.covers.map((c) => (
        <g key={c.index}>
          <rect x={c.x} y={c.y} width={c.w} height={c.h} fill="#d9e5cf" stroke="#22302c" />
          <text x={c.x + c.w / 2} y={c.y + c.h / 2 + 8} fontSize="26" textAnchor="middle">
            ?
          </text>
        </g>
      ))}
    </>
  );
}

export function Bond({ whole, parts }: { whole: string; parts: string[] }) {
  const w = Math.max(2, parts.length) * 90;
  const oval = (x: number, y: number, text: string) => (
    <g key={`${x} ${y}`}>
      <rect
        x={x - 38}
        y={y}
        width={76}
        height={44}
        rx={22}
        fill="#fffdf8"
        stroke="#22302c"
        strokeWidth="2.4"
      />
      <text x={x} y={y + 31} fontSize={TEXT} textAnchor="middle">
        {text}
      </text>
    </g>
  );
  const at = (i: number) => (w * (2 * i + 1)) / (2 * parts.length);
  return (
    <>
      {parts.map((_, i) => (
        <path key={i} d={`M${w / 2} 34L${at(i)} 92`} stroke="#22302c" strokeWidth="2.4" />
      ))}
      {oval(w / 2, 4, whole)}
      {parts.map((text, i) => oval(at(i), 76, text))}
    </>
  );
}
