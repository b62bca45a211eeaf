// The tasks of a choice, each as a child will see it, small.
import { Alert } from 'antd';
import { Face } from '../board/Face';
import type { FaceLine, SheetView } from '../core/core';
import { names } from '../shell/names';
import css from './SeenTasks.module.css';

const cx = names(css);

interface Props {
  tasks: SheetView['tasks'];
  fault: string;
}

export function SeenTasks({ tasks, fault }: Props) {
  return (
    <section className={cx('seen')} aria-label="As a child will see it">
      <h3>{tasks.length === 1 ? 'One task' : `${tasks.length} tasks`}</h3>
      {fault && <Alert type="warning" title={fault} />}
      {!fault && tasks.length === 0 && <p>Choose boards and what is to be done.</p>}
      <ol>
        {tasks.map((t, i) => (
          <li key={i}>
            <p>{t.ask}</p>
            {t.views.length > 0 && (
              <span className={cx('pictures on-paper')}>
                {t.views.slice(0, 4).map((v, k) => (
                  <Face key={k} models={v.models} />
                ))}
              </span>
            )}
            {t.lines && t.kind !== 'column' && <Lines lines={t.lines} />}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** What stands there with its gaps: a table as one, and the rest in a row. */
function Lines({ lines }: { lines: FaceLine[] }) {
  const rows = lines.filter((l) => l.kind === 'heads' || l.kind === 'row');
  const cells = (l: FaceLine) => l.cells.map((c) => (c.blank ? '□' : c.text));
  const others = lines.filter((l) => l.kind !== 'said' && !rows.includes(l));
  return (
    <>
      {rows.length > 0 && (
        <table className={cx('lines')}>
          <tbody>
            {rows.map((l, i) => (
              <tr key={i}>
                {cells(l).map((text, k) =>
                  l.kind === 'heads' ? <th key={k}>{text}</th> : <td key={k}>{text}</td>,
                )}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {others.length > 0 && (
        <p className={cx('lines')}>{others.map((l) => cells(l).join(' ')).join(' · ')}</p>
      )}
    </>
  );
}
