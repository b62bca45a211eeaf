// The ruled margin: what the model says, the written method, and the lines that
// are kept across scenes.
import { useState } from 'react';
import { views, type Kind } from '../board/views';
import { useLesson, type DrawnModel } from '../state/lesson';
import { useShow, WRITTEN } from '../board/show';
import { Kept } from './Kept';
import { Lines } from './Lines';
import { Written } from './Written';
import { names } from '../shell/names';
import css from './Record.module.css';

const cx = names(css);

export function Record() {
  const models = useLesson((s) => s.models);
  const written = useLesson((s) => s.frame.written);
  const lines = useLesson((s) => s.frame.lines);
  return (
    <aside className={cx('record')} aria-label="Record">
      {written && <Written work={written} />}
      {lines.length > 0 && <Lines lines={lines} />}
      {models.map((m, i) => (
        <ReadOuts key={i} model={m} named={models.length > 1} />
      ))}
      <Kept />
    </aside>
  );
}

/** What the model says: what was chosen, and a list to choose from. */
function ReadOuts({ model, named }: { model: DrawnModel; named: boolean }) {
  const { toggle } = useShow();
  const [choosing, setChoosing] = useState(false);
  return (
    <section className={cx('readouts')} aria-label={named ? `Read-outs of the ${model.kind}` : 'Read-outs'}>
      {named && <h3>{views[model.kind as Kind].title}</h3>}
      {model.readouts
        .filter((r) => r.shown || choosing)
        .map((r) => (
          <button
            key={r.id}
            type="button"
            className={cx(`readout ${r.id} ${r.shown ? 'shown' : 'held'}`)}
            aria-pressed={r.shown}
            onClick={() => toggle(r.id)}
          >
            <span className={cx('readout-label')}>{r.label}</span>
            <span className={cx('readout-text')}>{r.shown ? r.text : 'Show'}</span>
          </button>
        ))}
      {choosing && model.writes && <FollowsTheHand />}
      <button
        type="button"
        className={cx('choose')}
        aria-expanded={choosing}
        onClick={() => setChoosing(!choosing)}
      >
        {choosing ? 'That is all' : 'Choose what is read out'}
      </button>
    </section>
  );
}

/** On a free board of blocks or discs the written method can follow what the hand does. */
function FollowsTheHand() {
  const { show, toggle } = useShow();
  const shown = show.includes(WRITTEN);
  return (
    <button
      type="button"
      className={cx(`readout ${shown ? 'shown' : 'held'}`)}
      aria-pressed={shown}
      onClick={() => toggle(WRITTEN)}
    >
      <span className={cx('readout-label')}>Written method</span>
      <span className={cx('readout-text')}>{shown ? 'It follows the hand' : 'Show'}</span>
    </button>
  );
}
