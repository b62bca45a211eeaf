// The written column method on an aligned grid. A digit or a mark lights the
// pieces that it stands for, and the other way round.
import type { Written as WrittenWork } from '../core/core';
import { light, useLesson } from '../lesson/store';

const rowsWith = {
  above: ['mark', 'addend 1', 'addend 2', 'addend 3', 'addend 4', 'sum'],
  below: ['addend 1', 'addend 2', 'addend 3', 'addend 4', 'sum', 'mark'],
};

/** Rows that only longer problems have. */
const further = ['addend 3', 'addend 4'];

export function Written({ work }: { work: WrittenWork }) {
  const lit = useLesson((s) => s.lit);
  const rows = rowsWith[work.marks === 'below' ? 'below' : 'above'].filter(
    (row) => !further.includes(row) || work.cells.some((c) => c.row === row),
  );
  return (
    <table className="written" aria-label="Written method">
      <thead className="sr-only">
        <tr>
          <th scope="col">sign</th>
          {work.places.map((p) => (
            <th key={p} scope="col">
              {p}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row} className={`row-${row.replace(' ', '-')}`}>
            {['', ...work.places].map((place) => {
              const cell = work.cells.findLast((c) => c.row === row && c.place === place);
              const ids = cell?.ids ?? [];
              const on = ids.some((id) => lit.has(id));
              return (
                <td
                  key={place}
                  data-place={place || 'sign'}
                  className={place === 'tenths' ? 'after-point' : undefined}
                >
                  {cell && (
                    <button
                      type="button"
                      data-cell={`${row} ${place}`}
                      className={`digit ${on ? 'lit' : ''} ${cell.new ? 'just-written' : ''}`}
                      disabled={ids.length === 0}
                      onPointerEnter={() => light(ids)}
                      onPointerLeave={() => light([])}
                      onFocus={() => light(ids)}
                      onBlur={() => light([])}
                      onClick={() => light(ids)}
                      aria-label={`${cell.text}, ${row}${place ? `, ${place}` : ''}`}
                    >
                      {cell.text}
                    </button>
                  )}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
