// The written column method on an aligned grid. A digit or a mark lights the
// pieces that it stands for, and the other way round.
import type { Cell, Written as WrittenWork } from '../core/core';
import { light, useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './Written.module.css';

const cx = names(css);

/** Whether a written method is a division, whose marks stand in the dividend. */
export const divides = (work: WrittenWork) => work.rows.includes('dividend');

/** The columns of a grid: one for the sign, and one for each place. A number alone has no sign. */
export const gridColumns = ({ rows, places }: WrittenWork) => (rows.length > 1 ? ['', ...places] : places);

interface Props {
  work: WrittenWork;
  /** On paper nothing of it can be pressed. */
  still?: boolean;
}

export function Written({ work, still = false }: Props) {
  const lit = useLesson((s) => s.lit);
  const looked = useLesson((s) => (s.frame.steps > 0 && !s.frame.scratch ? s.frame.focus.cells : undefined));
  const dim = (row: string, place: string) =>
    looked?.length && !looked.some((c) => (c.place ?? '') === place && (c.row === row || c.row !== 'mark'))
      ? 'dim'
      : '';
  const cellAt = (row: string, place: string) =>
    work.cells.findLast((c) => c.row === row && c.place === place);
  return (
    <table className={cx(divides(work) ? 'written division' : 'written')} aria-label="Written method">
      <thead className={cx('sr-only')}>
        <tr>
          {work.rows.length > 1 && <th scope="col">sign</th>}
          {work.places.map((p) => (
            <th key={p} scope="col">
              {p}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {work.rows.map((row) => (
          <tr key={row} className={cx(`row-${row.replace(' ', '-')}`)}>
            {gridColumns(work).map((place) => {
              const cell = cellAt(row, place);
              const carried = row === 'dividend' && place ? cellAt('mark', place) : undefined;
              return (
                <td
                  key={place}
                  data-place={place || 'sign'}
                  data-point={work.point}
                  className={cx(place === 'tenths' && work.pointed.includes(row) ? 'after-point' : undefined)}
                >
                  {carried && <Digit cell={carried} lit={lit} tone={dim('mark', place)} still={still} />}
                  {cell && <Digit cell={cell} lit={lit} tone={dim(row, place)} still={still} />}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface DigitProps {
  cell: Cell;
  lit: ReadonlySet<number>;
  tone: string;
  still: boolean;
}

function Digit({ cell, lit, tone, still }: DigitProps) {
  const { row, place, text, ids } = cell;
  const on = ids.some((id) => lit.has(id));
  if (still) return <span className={cx(`digit ${row === 'mark' ? 'mark' : ''}`)}>{text}</span>;
  return (
    <button
      type="button"
      data-cell={`${row} ${place}`}
      className={cx(
        `digit ${row === 'mark' ? 'mark' : ''} ${on ? 'lit' : ''} ${cell.new ? 'just-written' : ''} ${tone}`,
      )}
      disabled={ids.length === 0}
      onPointerEnter={() => light(ids)}
      onPointerLeave={() => light([])}
      onFocus={() => light(ids)}
      onBlur={() => light([])}
      onClick={() => light(ids)}
      aria-label={`${text}, ${row}${place ? `, ${place}` : ''}`}
    >
      {text}
    </button>
  );
}
