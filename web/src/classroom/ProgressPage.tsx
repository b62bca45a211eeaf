// What a class can and cannot yet, by kind of task: one quiet page, without numbers or ranks.
import { useQuery } from '@tanstack/react-query';
import { Alert } from 'antd';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { names } from '../shell/names';
import { classes } from '../state/classroom';
import { sentence } from '../state/lesson';
import { Frame } from './Frame';
import css from './ProgressPage.module.css';

const cx = names(css);

/** As many as are told apart at a glance: the last ones. */
const MOST = 12;

const day = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'long' });

export function ProgressPage() {
  const { id = '' } = useParams();
  const all = useQuery({ queryKey: ['progress', id], queryFn: () => classes.progress(id) });
  useEffect(() => {
    document.title = 'What the class can – Unit Bloom';
  }, []);
  return (
    <Frame title="What the class can, and cannot yet" back={{ to: `/class/${id}`, word: 'The class' }}>
      {all.error && <Alert type="warning" showIcon title={sentence(all.error)} />}
      {all.data && all.data.kinds.length === 0 && <p>Nothing has been handed in yet.</p>}
      {all.data && all.data.kinds.length > 0 && (
        <>
          <p className={cx('legend')}>
            <i className={cx('right')} /> right <i className={cx('yet')} /> not yet, as it was handed in last;
            the oldest first.
          </p>
          <table className={cx('table')}>
            <thead>
              <tr>
                <th scope="col">Child</th>
                {all.data.kinds.map((k) => (
                  <th key={k.kind} scope="col">
                    {k.title}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {all.data.pupils.map((p) => (
                <tr key={p.id}>
                  <th scope="row">{p.name}</th>
                  {all.data.kinds.map((k) => (
                    <td key={k.kind}>
                      {(p.done?.[k.kind] ?? []).slice(-MOST).map((g, i) => {
                        const said = `${g.title}, ${day.format(new Date(g.at))}: ${g.right ? 'right' : 'not yet'}`;
                        return (
                          <Link key={i} to={`/class/${id}/wall/${g.set}`} title={said} aria-label={said}>
                            <i className={cx(g.right ? 'right' : 'yet')} />
                          </Link>
                        );
                      })}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </Frame>
  );
}
