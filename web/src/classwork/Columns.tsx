// A written method as a child worked it, marks and all: digits stand under their like.
import { names } from '../shell/names';
import type { FaceLine } from '../core/core';
import css from './Columns.module.css';

const cx = names(css);

export function Columns({ lines }: { lines: FaceLine[] }) {
  return (
    <table className={cx('columns')} aria-label="In columns">
      <tbody>
        {lines.map((line, i) => (
          <tr key={i} className={cx(`of-${line.kind.replace(/ \d$/, '')}`)}>
            {line.cells.map((c, k) => (
              <td key={k} data-point={c.point} className={cx(c.point ? 'point' : undefined)}>
                {c.text}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
