// What the class sees, on a child's own device: the same words and the same board, without what
// is held back.
import { largest, Pictured } from '../paper/Pictured';
import { Written } from '../record/Written';
import { together } from '../shell/together';
import { names } from '../shell/names';
import type { DeskView, StageView } from '../state/classroom';
import css from './Following.module.css';

const cx = names(css);

export function Following({ stage, view }: { stage: StageView; view: DeskView }) {
  const said = [stage.title, stage.say].filter(Boolean).map(together);
  const boards = stage.models.map((m) => ({ models: [m] }));
  return (
    <main className={cx('following')}>
      <p className={cx('who')}>{view.people.map((p) => p.name).join(' and ')}: look with the class.</p>
      <section className={cx('said')} aria-live="polite">
        <p>
          {said.join(' ')} {stage.ask && <b>{together(stage.ask)}</b>}
        </p>
        {stage.answer && <p className={cx('answer')}>{together(stage.answer)}</p>}
      </section>
      <div className={cx('look')}>
        {boards.length > 0 && (
          <div className={cx('boards on-paper')}>
            {boards.map((b, i) => (
              <Pictured
                key={i}
                models={b.models}
                room={largest([b])}
                name="What the class sees"
                counted
                centred
              />
            ))}
          </div>
        )}
        {(stage.written ?? stage.lines.length > 0) && (
          <div className={cx('work')}>
            {stage.written && <Written work={stage.written} still />}
            {stage.lines.length > 0 && (
              <ul className={cx('lines')} aria-label="Written">
                {stage.lines.map((line, i) => (
                  <li key={i}>{line}</li>
                ))}
              </ul>
            )}
          </div>
        )}
      </div>
    </main>
  );
}
