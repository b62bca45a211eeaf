// What stands beside the board in a picture: the written work and the record.
import type { WrittenLine } from '../core/core';
import { gathered, isNumber } from '../record/Lines';
import { gridColumns } from '../record/Written';
import { widthOf } from '../shell/widthOf';
import { Bond, GAP, LINE, TEXT, type Frame, type Part, type Shown } from './parts';

/** The written work and the record, where they are wanted and there are any. */
export function partsBeside({ frame, outline, record, written }: Shown): Part[] {
  const parts: Part[] = [];
  if (written && (frame.written || frame.lines.length > 0)) parts.push(workPart(frame));
  if (record && outline.record.length > 0) {
    const head = textPart(`Our ${outline.words.maths ?? 'maths'}`, 20, 26);
    parts.push(stacked([head, ...outline.record.map((line) => textPart(line.text))], 160));
  }
  return parts;
}

export function Column({ part }: { part: Part }) {
  return (
    <>
      <path d={`M${-GAP / 2} 0v${part.h}`} stroke="#a8325e" strokeWidth="2" />
      {part.drawing}
    </>
  );
}

/** Parts one below the other. */
function stacked(parts: Part[], least = 0): Part {
  const topOf = (i: number) => parts.slice(0, i).reduce((y, p) => y + p.h, 0);
  return {
    w: Math.max(least, ...parts.map((p) => p.w)),
    h: topOf(parts.length),
    drawing: parts.map((p, i) => (
      <g key={i} transform={`translate(0 ${topOf(i)})`}>
        {p.drawing}
      </g>
    )),
  };
}

const textPart = (text: string, size = TEXT, y = LINE - 12): Part => ({
  w: widthOf(text, TEXT),
  h: LINE,
  drawing: (
    <text y={y} fontSize={size}>
      {text}
    </text>
  ),
});

/** What is written under the grid: tables, bonds and sentences. */
const linesPart = (groups: WrittenLine[][]): Part =>
  stacked(
    groups.map((lines) => {
      const first = lines[0]!;
      if (first.kind === 'row') return tablePart(lines);
      if (first.kind === 'bond') return bondPart(first.whole ?? '', first.parts ?? []);
      return textPart(first.text ?? '');
    }),
  );

const bondPart = (whole: string, parts: string[]): Part => ({
  w: Math.max(2, parts.length) * 90,
  h: 140,
  drawing: <Bond whole={whole} parts={parts} />,
});

/** Beside the text of a cell. */
const PAD = 12;

/** The rows of a table, its numbers place under place. */
function tablePart(lines: WrittenLine[]): Part {
  const heads = lines[0]!.heads;
  const first = lines[0]!.cells ?? [];
  const rows = [...(heads ? [{ cells: heads, ends: undefined }] : []), ...lines];
  const wide = first.map((_, k) =>
    Math.max(...rows.map((r) => widthOf((r.cells?.[k] ?? '') + (r.ends?.[k] ?? ''), TEXT) + 2 * PAD)),
  );
  const leftOf = (k: number) => wide.slice(0, k).reduce((x, w) => x + w, 0);
  const w = leftOf(wide.length);
  const h = rows.length * LINE;
  return {
    w,
    h: h + 12,
    drawing: (
      <>
        {rows.map((row, i) =>
          (row.cells ?? []).map((cell, k) => {
            const right = isNumber(row === rows[0] && heads ? (first[k] ?? '') : cell);
            const end = widthOf(row.ends?.[k] ?? '', TEXT);
            return (
              <text
                key={`${i} ${k}`}
                x={right ? leftOf(k + 1) - PAD - end : leftOf(k) + PAD}
                y={LINE * (i + 1) - 12}
                fontSize={TEXT}
                textAnchor={right ? 'end' : 'start'}
              >
                {cell}
              </text>
            );
          }),
        )}
        {rows.map((_, i) => (
          <path key={i} d={`M0 ${LINE * (i + 1)}h${w}`} stroke="#e3dcc9" />
        ))}
        {wide.slice(1).map((_, k) => (
          <path key={k} d={`M${leftOf(k + 1)} ${heads ? LINE : 0}V${h}`} stroke="#e3dcc9" />
        ))}
      </>
    ),
  };
}

const CELL = 52;

function workPart(frame: Frame): Part {
  const grid = frame.written;
  const rows = grid?.rows ?? [];
  const places = grid ? gridColumns(grid) : [];
  const high = (row: string) => (row === 'mark' ? CELL * 0.7 : CELL);
  const topOf = (i: number) => rows.slice(0, i).reduce((y, row) => y + high(row), 0);
  const gridHigh = topOf(rows.length);
  const lines = linesPart(gathered(frame.lines));
  return {
    w: Math.max(places.length * CELL, lines.w),
    h: gridHigh + 20 + lines.h,
    drawing: (
      <>
        {rows.map((row, i) =>
          places.map((place, k) => {
            const cell = grid!.cells.findLast((c) => c.row === row && c.place === place);
            const mark =
              row === 'dividend' && grid!.cells.findLast((c) => c.row === 'mark' && c.place === place);
            const [x, y] = [k * CELL, topOf(i)];
            return (
              <g key={place}>
                {place && <rect x={x} y={y} width={CELL} height={high(row)} fill="none" stroke="#e3dcc9" />}
                {cell && (
                  <text
                    x={x + CELL / 2}
                    y={y + high(row) * 0.74}
                    fontSize={row === 'mark' ? 24 : 36}
                    textAnchor="middle"
                  >
                    {cell.text}
                  </text>
                )}
                {mark && (
                  <text x={x + 10} y={y + 22} fontSize="20" textAnchor="middle">
                    {mark.text}
                  </text>
                )}
                {cell && place === 'tenths' && grid!.pointed.includes(row) && (
                  <text x={x} y={y + high(row) * 0.74} fontSize="36" textAnchor="middle">
                    {grid!.point}
                  </text>
                )}
              </g>
            );
          }),
        )}
        {rows.map(
          (row, i) =>
            (row === 'sum' || row === 'dividend') &&
            rows.length > 1 && (
              <path key={row} d={`M0 ${topOf(i)}h${places.length * CELL}`} stroke="#22302c" strokeWidth="3" />
            ),
        )}
        <g transform={`translate(0 ${gridHigh + 20})`}>{lines.drawing}</g>
      </>
    ),
  };
}
