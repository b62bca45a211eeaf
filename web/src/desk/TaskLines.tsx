// What is written already, with gaps: sentences, chains, bonds, tables, and written methods.
import type { ReactNode } from 'react';
import { names } from '../shell/names';
import type { DeskTask } from '../state/classroom';
import { Field } from './Field';
import css from './TaskLines.module.css';
import type { Writing } from './writing';

const cx = names(css);

type Line = NonNullable<DeskTask['lines']>[number];
type Cell = Line['cells'][number];

interface Props {
  task: DeskTask;
  writing: Writing;
}

export function TaskLines({ task, writing }: Props) {
  if (task.kind === 'column') return <Grid task={task} writing={writing} />;
  const lines = task.lines ?? [];
  const cell = (c: Cell, name: string): ReactNode => {
    const blank = c.blank && task.blanks.find((b) => b.id === c.blank);
    return blank ? <Field blank={blank} writing={writing} name={blank.label || name} /> : c.text;
  };
  const out: ReactNode[] = [];
  for (let i = 0; i < lines.length; i++) {
    const line = lines[i]!;
    if (line.kind === 'heads') {
      let end = i + 1;
      while (lines[end]?.kind === 'row') end++;
      out.push(<Table key={i} heads={line} rows={lines.slice(i + 1, end)} cell={cell} />);
      i = end - 1;
    } else if (line.kind === 'row') {
      out.push(<Table key={i} rows={[line]} cell={cell} />);
    } else if (line.kind === 'bond') {
      out.push(<Bond key={i} line={line} cell={cell} />);
    } else if (line.kind === 'said') {
      out.push(
        <p key={i} className={cx('said')}>
          {line.cells[0]?.text}
        </p>,
      );
    } else {
      out.push(
        <p key={i} className={cx(line.kind === 'chain' ? 'chain' : 'sentence')}>
          {line.cells.map((c, k) => (
            <span key={k} className={cx(line.kind === 'chain' && k % 2 === 1 ? 'arrow' : undefined)}>
              {cell(c, `Gap ${k + 1} of line ${i + 1}`)}
            </span>
          ))}
        </p>,
      );
    }
  }
  return <div className={cx(lines[0]?.kind === 'said' ? 'lines told' : 'lines')}>{out}</div>;
}

type Celled = (c: Cell, name: string) => ReactNode;

function Bond({ line, cell }: { line: Line; cell: Celled }) {
  const [whole, ...parts] = line.cells;
  return (
    <div className={cx('bond')} role="group" aria-label="A whole and its parts">
      <span className={cx('whole')}>{whole && cell(whole, 'The whole')}</span>
      <span className={cx('parts')}>
        {parts.map((p, k) => (
          <span key={k}>{cell(p, `Part ${k + 1}`)}</span>
        ))}
      </span>
    </div>
  );
}

function Table({ heads, rows, cell }: { heads?: Line; rows: Line[]; cell: Celled }) {
  return (
    <table className={cx('table')}>
      {heads && (
        <thead>
          <tr>
            {heads.cells.map((c, k) => (
              <th key={k} scope="col">
                {c.text}
              </th>
            ))}
          </tr>
        </thead>
      )}
      <tbody>
        {rows.map((row, i) => (
          <tr key={i}>
            {row.cells.map((c, k) => (
              <td key={k}>{cell(c, `${heads?.cells[k]?.text ?? `Column ${k + 1}`}, row ${i + 1}`)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const ROWS: Record<string, string> = { mark: 'small mark', sum: 'answer', quotient: 'answer' };

/** A written method on squares: digits stand under their like. */
function Grid({ task, writing }: Props) {
  const rest = task.blanks.find((b) => b.id === 'remainder');
  return (
    <div className={cx('grid-room')}>
      <table className={cx('grid')}>
        <tbody>
          {task.lines!.map((line, i) => (
            <tr key={i} className={cx(`line-${line.kind.replace(/ \d$/, '')}`)}>
              {line.cells.map((c, k) => {
                const blank = c.blank && task.blanks.find((b) => b.id === c.blank);
                return (
                  <td key={k} data-point={c.point} className={cx(c.point ? 'point' : undefined)}>
                    {blank ? (
                      <Field
                        blank={blank}
                        writing={writing}
                        small={line.kind === 'mark'}
                        name={`${blank.label}, ${ROWS[line.kind] ?? line.kind}`}
                      />
                    ) : (
                      c.text
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      {rest && (
        <label className={cx('rest')}>
          <span>{rest.label}</span>
          <Field blank={rest} writing={writing} name={rest.label || 'remainder'} />
        </label>
      )}
    </div>
  );
}
