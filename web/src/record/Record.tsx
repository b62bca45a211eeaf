// The ruled margin: what the model says, the written method, and the lines that
// are kept across scenes.
import { useState } from 'react';
import { views, type Kind } from '../board/views';
import { call } from '../core/core';
import { edit } from '../state/acts';
import { useLesson, type DrawnModel } from '../state/lesson';
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
        <ReadOuts key={i} model={m} first={i === 0} named={models.length > 1} />
      ))}
      <Kept />
    </aside>
  );
}

/** What the model says: what was chosen, and a list to choose from. */
function ReadOuts({ model, first, named }: { model: DrawnModel; first: boolean; named: boolean }) {
  const scene = useLesson((s) => s.outline.scenes.find((x) => x.id === s.frame.scene));
  const [choosing, setChoosing] = useState(false);
  const flip = (id: string, shown: boolean) => {
    if (!scene) return;
    const show = shown ? scene.show.filter((x) => x !== id) : [...scene.show, id];
    edit((handle) => call('setScene', { handle, scene: scene.id, show }));
  };
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
            onClick={() => flip(r.id, r.shown)}
          >
            <span className={cx('readout-label')}>{r.label}</span>
            <span className={cx('readout-text')}>{r.shown ? r.text : 'Show'}</span>
          </button>
        ))}
      {choosing && first && <FollowsTheHand />}
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
  const scene = useLesson((s) => s.outline.scenes.find((x) => x.id === s.frame.scene));
  const kind = useLesson((s) => s.models[0]?.kind);
  if (!scene || scene.steps.length > 0 || !(kind === 'blocks' || kind === 'discs')) return null;
  const shown = scene.show.includes('written');
  const flip = () => {
    const show = shown ? scene.show.filter((x) => x !== 'written') : [...scene.show, 'written'];
    edit((handle) => call('setScene', { handle, scene: scene.id, show }));
  };
  return (
    <button
      type="button"
      className={cx(`readout ${shown ? 'shown' : 'held'}`)}
      aria-pressed={shown}
      onClick={flip}
    >
      <span className={cx('readout-label')}>Written method</span>
      <span className={cx('readout-text')}>{shown ? 'It follows the hand' : 'Show'}</span>
    </button>
  );
}
