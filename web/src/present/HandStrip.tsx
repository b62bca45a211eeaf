// By hand: on a free board all that a model has on the bench, in a strip at the foot that
// comes when it is wanted.
import { Button } from 'antd';
import { views, type Kind } from '../board/views';
import { change } from '../state/acts';
import { useLesson } from '../state/lesson';
import { ModelLine } from '../stage/ModelLine';
import { names } from '../shell/names';
import css from './HandStrip.module.css';

const cx = names(css);

function Undo() {
  const { canUndo, canRedo } = useLesson((s) => s.frame);
  return (
    <span className={cx('undo')}>
      <Button disabled={!canUndo} onClick={() => change('undo')}>
        Undo
      </Button>
      <Button disabled={!canRedo} onClick={() => change('redo')}>
        Redo
      </Button>
    </span>
  );
}

export function HandStrip() {
  const models = useLesson((s) => s.models);
  return (
    <section className={cx('hand-strip')} aria-label="By hand">
      {models.map((m, i) => (
        <div key={`${i}-${m.kind}`} className={cx('hand-line')}>
          {models.length > 1 && <h2>{m.title || views[m.kind as Kind].title}</h2>}
          <ModelLine model={m} index={i} whole alone={models.length === 1}>
            {i === 0 && <Undo />}
          </ModelLine>
        </div>
      ))}
    </section>
  );
}
