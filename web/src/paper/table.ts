// Tables for a spreadsheet: as CSV, in the form of RFC 4180.
import { call, type WrittenLine } from '../core/core';
import { useLesson } from '../state/lesson';

/** A cell as CSV. What a spreadsheet would work out as a formula is a text. */
function cell(text: string): string {
  const plain = /^[=@]/.test(text) ? `'${text}` : text;
  return /[",\r\n;]/.test(plain) ? `"${plain.replace(/"/g, '""')}"` : plain;
}

export const csvOf = (rows: string[][]) => rows.map((row) => `${row.map(cell).join(',')}\r\n`).join('');

/** The rows of an example's table, under what its columns say. */
export const tableOf = (lines: WrittenLine[]): string[][] =>
  lines
    .filter((l) => l.kind === 'row')
    .flatMap((l) => [...(l.heads ? [l.heads] : []), ...(l.cells ? [l.cells] : [])]);

/** The table of the scene that is shown, as it is in the end; and the record, a line each. */
export function tableNow(): string {
  const { handle, frame, outline } = useLesson.getState();
  const { panels } = call('panels', { handle, scene: frame.scene });
  const rows = tableOf(panels.at(-1)?.lines ?? []);
  return csvOf(rows.length > 0 ? rows : outline.record.map((l) => [l.text]));
}
