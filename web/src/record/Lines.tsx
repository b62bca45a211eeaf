// What an example has written beside its grid: sentences and texts, bonds drawn,
// and rows that follow one another as a table.
import type { ReactNode } from 'react';
import { Bond } from '../board/Beside';
import type { WrittenLine } from '../core/core';
import { names } from '../shell/names';
import { apart } from '../shell/together';
import { sides } from './equals';
import css from './Lines.module.css';

const cx = names(css);

/** Lines with the rows of a table gathered. */
export function gathered(lines: WrittenLine[]): WrittenLine[][] {
  const groups: WrittenLine[][] = [];
  for (const line of lines) {
    const last = groups[groups.length - 1];
    if (line.kind === 'row' && last?.[0]?.kind === 'row') last.push(line);
    else groups.push([line]);
  }
  return groups;
}

/** Whether a cell has a number in it, which is larger than words are. */
export const hasNumber = (cell: string) => /\d/.test(cell);

/** Whether it is a number alone, or with its sign: such stand under one another, place under place. */
export const isNumber = (cell: string) => hasNumber(cell) && /^[+−×÷]?[\d\s.,]+$/.test(cell);

export const isBond = (line: WrittenLine) => line.kind === 'bond';

interface Props {
  lines: WrittenLine[];
  /** How many rows of a table stand under one another; the others beside them. */
  rows?: number;
  /** How far from their beginning the = of sentences stands, in pixels; each has its own when not told. */
  equals?: number;
  /** How wide the columns of a table will be, in pixels; as wide as what stands there when not told. */
  columns?: number[];
}

export function Lines({ lines, rows = Infinity, equals = 0, columns }: Props) {
  return (
    <div className={cx('lines')} role="group" aria-label="Written in this example">
      {gathered(lines).map((group, i) => {
        const first = group[0]!;
        if (first.kind === 'row') {
          if (rows === Infinity) return <Table key={i} heads={first.heads} rows={group} columns={columns} />;
          const parts = Array.from({ length: Math.ceil(group.length / rows) }, (_, k) =>
            group.slice(k * rows, (k + 1) * rows),
          );
          return (
            <div key={i} className={cx('tables')}>
              {parts.map((part, k) => (
                <Table key={k} heads={first.heads} rows={part} columns={columns} />
              ))}
            </div>
          );
        }
        if (first.kind === 'bond') {
          return <Bond key={i} whole={first.whole ?? ''} parts={first.parts ?? []} />;
        }
        return <Sentence key={i} text={first.text ?? ''} equals={equals} />;
      })}
    </div>
  );
}

/** What stands before the = of a sentence, which ends where it does in those above and below. */
export function Left({ width, children }: { width: number | string; children: ReactNode }) {
  return (
    <span className={cx('left')} style={{ minWidth: width }}>
      {children}
    </span>
  );
}

function Sentence({ text, equals }: { text: string; equals: number }) {
  const [left, rest] = (equals > 0 && sides(text)) || ['', text];
  return (
    <p>
      {left && <Left width={equals}>{left}</Left>}
      {apart(rest)}
    </p>
  );
}

interface TableProps extends Pick<Props, 'columns'> {
  heads: string[] | undefined;
  rows: WrittenLine[];
}

function Table({ heads, rows, columns = [] }: TableProps) {
  const first = rows[0]?.cells ?? [];
  return (
    <table>
      <colgroup>
        {columns.slice(0, first.length).map((width, k) => (
          <col key={k} style={{ width }} />
        ))}
      </colgroup>
      {heads && (
        <thead>
          <tr>
            {heads.map((head, k) => (
              <th key={k} scope="col" className={cx(isNumber(first[k] ?? '') ? 'aligned' : '')}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
      )}
      <tbody>
        {rows.map((row, n) => (
          <tr key={n}>
            {(row.cells ?? []).map((cell, k) => (
              <td
                key={k}
                data-end={row.ends?.[k]}
                className={cx(`${hasNumber(cell) ? 'number' : ''} ${isNumber(cell) ? 'aligned' : ''}`)}
              >
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
