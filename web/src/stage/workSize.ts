// How large the written work is: the grid, the lines and the table, with digits of a size.
import type { Frame, WrittenExtent } from '../core/core';
import { hasNumber } from '../record/Lines';
import { equalsOf } from '../record/equals';
import { divides, gridColumns } from '../record/Written';
import { apart } from '../shell/together';
import { widthOf } from '../shell/widthOf';
import type { Laid } from './arrangement';
import type { Beside, WorkSize } from './compose';

/** The parts of the written work beside the size of its digits; the style sheet has the same. */
const CELL = { w: 1.24, h: 1.3, mark: 0.92, division: 1.5 };
const LINE = { text: 0.76, high: 1.3 };
const TABLE = { number: 0.73, word: 0.55, high: 1.04, pad: 0.2, between: 0.6 };
const BOND = { w: 3.8, h: 2.6 };
const WAY = { text: 0.62, high: 1.3, branches: 1.6, pad: 0.2 };
/** Between parts under one another, and beside one another. */
const GAP = 0.35;
const BETWEEN = 0.9;

type Block = { w: number; h: number };

const below = (parts: Block[], gap: number): Block => ({
  w: Math.max(0, ...parts.map((p) => p.w)),
  h: parts.reduce((h, p) => h + p.h, 0) + Math.max(0, parts.length - 1) * gap,
});

const alongside = (parts: Block[], gap: number): Block => ({
  w: parts.reduce((w, p) => w + p.w, 0) + Math.max(0, parts.length - 1) * gap,
  h: Math.max(0, ...parts.map((p) => p.h)),
});

/** The numerals of all that is written, at 1280 × 800, as the last row can read them. */
const NUMERAL = 44;

/** The digit with which all that is written is as large as that; a table's numerals may be smaller. */
export const wantedDigit = (lines: string[]) => (lines.length > 0 ? NUMERAL / LINE.text : NUMERAL);

/** Whether a way is written with a branch to each part: more than eight have no room. */
export const hasBranches = (way: Frame['ways'][number]) => way.parts.length > 1 && way.parts.length < 9;

/**
 * The columns of a table: the widest text of each, beside digits of a size. Letters are as wide as they
 * are drawn at their size: not everywhere in proportion.
 */
export function columnsOf(table: string[][], digit: number): number[] {
  const widths: number[] = [];
  for (const row of table) {
    row.forEach((text, i) => {
      const size = hasNumber(text) ? TABLE.number : TABLE.word;
      widths[i] = Math.max(widths[i] ?? 0, widthOf(text, size * digit) + 2 * TABLE.pad * digit);
    });
  }
  return widths;
}

/** More rows than stand large under one another. */
const LONG = 11;

/** How wide lines may become before they are broken. */
const widestOf = (room: number, place: Laid['place'], row: boolean, size: number) =>
  Math.max(room * (place === 'right' ? 0.4 : row ? 0.6 : 0.9), 8 * size);

/** Where the = of all sentences stands, in pixels; nowhere where they would be broken for it. */
export function equalsAt(lines: string[], room: number, { place, row }: Laid, digit: number): number {
  const size = digit * LINE.text;
  const { equals, w } = equalsOf(lines, size);
  return w <= widestOf(room, place, row, size) ? equals : 0;
}

/** A text in lines of a width: how many, broken between its words, and how wide the widest is. */
function broken(text: string, size: number, width: number): { rows: number; w: number } {
  let [rows, line, w] = [1, '', 0];
  for (const word of apart(text).split(' ')) {
    const longer = line ? `${line} ${word}` : word;
    if (line && widthOf(longer, size, true) > width) {
      rows++;
      line = word;
    } else line = longer;
    w = Math.max(w, widthOf(line, size, true));
  }
  return { rows, w };
}

const headsOf = (table: string[][]) => (table[0] && !table[0].some(hasNumber) ? 1 : 0);

/** How many rows of a table stand under one another, in so many columns of them. */
export const rowsOf = (table: string[][], beside: number) =>
  Math.ceil((table.length - headsOf(table)) / beside);

/** Fewer stand in one piece: what is seen down a column of them is lost in two, unless pieces gain much by it. */
const SHORT = 6;
const PARTED = 0.7;

/** In how many columns of rows a table may stand: a long one gladly in up to three, another hardly in two. */
export function besidesOf(table: string[][]): Beside[] {
  const rows = table.length - headsOf(table);
  const all = [1, 2, 3].map((columns) => ({ columns, worth: 1 }));
  if (rows > LONG) return all;
  return rows > SHORT ? [all[0]!, { columns: 2, worth: PARTED }] : all.slice(0, 1);
}

/** The size of all that is written in the end, in a room so wide; nothing when nothing is. */
export function workSize(
  written: Frame['written'],
  { lines, bonds, table }: WrittenExtent,
  ways: Frame['ways'],
  room: number,
): WorkSize | undefined {
  if (!written && lines.length + bonds + table.length + ways.length === 0) return undefined;
  const said = ways.map((w) => [w.name, w.text].map((text) => widthOf(text, 100, true) / 100));
  const sizes = new Map<number, { columns: number[]; texts: number[]; aligned: number }>();
  const measured = (digit: number) => {
    const known = sizes.get(digit) ?? {
      columns: columnsOf(table, digit),
      texts: lines.map((text) => widthOf(text, digit * LINE.text, true)),
      aligned: equalsOf(lines, digit * LINE.text).w,
    };
    sizes.set(digit, known);
    return known;
  };
  return (digit, { place, beside, row }) => {
    const { columns, texts, aligned } = measured(digit);
    const grid: Block = { w: 0, h: 0 };
    if (written) {
      const marks = written.rows.filter((r) => r === 'mark').length;
      grid.w = gridColumns(written).length * digit * (divides(written) ? CELL.division : CELL.w);
      grid.h = digit * ((written.rows.length - marks) * CELL.h + marks * CELL.mark);
    }
    const gap = GAP * digit;
    const told: Block[] = [];
    let breaks = false;
    const bond = { w: digit * BOND.w, h: digit * BOND.h };
    const drawn = (row ? alongside : below)(
      Array.from({ length: bonds }, () => bond),
      gap,
    );
    if (texts.length > 0) {
      const size = digit * LINE.text;
      const widest = widestOf(room, place, row, size);
      const printed = texts.map((w, i) => (w > widest ? broken(lines[i]!, size, widest) : { rows: 1, w }));
      const rows = printed.reduce((n, d) => n + d.rows, 0);
      breaks = rows > texts.length;
      told.push({
        w: 2 + (aligned <= widest ? aligned : Math.max(...printed.map((d) => d.w))),
        h: rows * Math.ceil(size * LINE.high),
      });
    }
    if (table.length > 0) {
      const wide = columns.reduce((sum, c) => sum + c + 2, 2);
      const rows = headsOf(table) + rowsOf(table, beside);
      told.push({
        w: beside * wide + (beside - 1) * TABLE.between * digit,
        h: rows * (Math.ceil(digit * TABLE.high) + 2),
      });
    }
    const size = digit * WAY.text;
    const seen = (row ? alongside : below)(
      ways.map((way, i) => {
        const [name, text] = said[i]!;
        const branches = hasBranches(way) ? way.parts.length * 64 * (WAY.branches / 84) * digit : 0;
        return {
          w: Math.max(name! * size, text! * size, branches) + 40,
          h:
            (name ? 2 : 1) * Math.ceil(size * WAY.high) +
            (branches && digit * WAY.branches) +
            digit * WAY.pad +
            24,
        };
      }),
      row ? BETWEEN * digit : 0,
    );
    const parts = [grid, drawn, below(told, gap), seen].filter((part) => part.h > 0);
    const { w, h } = row ? alongside(parts, BETWEEN * digit) : below(parts, gap);
    // And the lines of the grid, what letters hang below their own, and a digit that comes, which is larger.
    return { w: Math.ceil(w) + 4, h: Math.ceil(h + 0.2 * digit) + 6, breaks };
  };
}
