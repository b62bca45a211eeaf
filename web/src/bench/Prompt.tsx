// What the teacher says and asks at a step, with the answer held back.
import { Button } from 'antd';
import { useState } from 'react';
import { WordMenu } from '../board/controls';
import { call } from '../core/core';
import { newId } from '../state/api';
import { edit, show } from '../state/acts';
import { lookTold, useLesson } from '../state/lesson';
import { back, next, reveal } from '../state/walk';
import { OpenDialog } from './OpenDialog';
import { names } from '../shell/names';
import css from './Prompt.module.css';

const cx = names(css);

/** The prompt of a worked example above the board, while preparing. */
export function Prompt() {
  const frame = useLesson((s) => s.frame);
  const scene = useLesson((s) => s.outline.scenes.find((x) => x.id === s.frame.scene));
  const readOnly = useLesson((s) => s.readOnly);
  const [editing, setEditing] = useState(false);
  if (!scene || frame.steps === 0) return null;
  const number = frame.phase === '' ? frame.step : frame.step + 1;
  return (
    <section className={cx('prompt')} aria-label="Step">
      <div className={cx('prompt-text')}>
        {number === 0 ? (
          <p className={cx('say')}>{scene.title}</p>
        ) : (
          <>
            {frame.prompt.say && <p className={cx('say')}>{frame.prompt.say}</p>}
            {frame.prompt.ask && (
              <p className={cx('ask')}>
                {frame.prompt.ask}{' '}
                {frame.open ? (
                  <Button size="small" onClick={reveal}>
                    Reveal
                  </Button>
                ) : (
                  <strong className={cx('answer')}>{frame.prompt.answer}</strong>
                )}
              </p>
            )}
            {frame.prompt.look && <p className={cx('look')}>{lookTold(scene.page, frame.prompt.look)}</p>}
          </>
        )}
        {frame.prompt.misfit && <p className={cx('misfit-note')}>{frame.prompt.misfit}</p>}
      </div>
      <div className={cx('prompt-walk')}>
        <span className={cx('prompt-place')}>
          {number} of {frame.steps}
        </span>
        <Button onClick={back}>Back</Button>
        <Button type="primary" onClick={next}>
          Next
        </Button>
        {number > 0 && !readOnly && (
          <StepMenu scene={scene.id} step={number - 1} edit={() => setEditing(true)} />
        )}
        {scene.method && !readOnly && <Button onClick={() => anotherLike(scene.id)}>Another like it</Button>}
      </div>
      <OpenDialog name={editing ? 'step' : undefined} close={() => setEditing(false)} />
    </section>
  );
}

/** What is done with a step: its words, its place, and where it is parted. */
function StepMenu({ scene, step, edit: words }: { scene: string; step: number; edit: () => void }) {
  const reshape = (how: 'split' | 'join' | 'earlier' | 'later') =>
    edit((handle) => call('reshape', { handle, scene, step, how }));
  return (
    <>
      <Button onClick={words}>Edit step</Button>
      <WordMenu
        label="Change order"
        words={[
          { label: 'Split in two', run: () => reshape('split') },
          { label: 'Join to the next', run: () => reshape('join') },
          { label: 'Earlier', run: () => reshape('earlier') },
          { label: 'Later', run: () => reshape('later') },
        ]}
      />
    </>
  );
}

/** So many problems like the present one after it, each a step harder. */
export function addSet(count: number) {
  const { scene } = useLesson.getState().frame;
  const id = newId();
  const seed = crypto.getRandomValues(new Uint32Array(1))[0]!;
  if (edit((handle) => call('addSet', { handle, scene, id, seed, count }))) show(`${id}-1`, 0);
}

/** A parallel problem, after this one; the record stays. */
function anotherLike(scene: string) {
  const id = newId();
  const seed = crypto.getRandomValues(new Uint32Array(1))[0]!;
  if (edit((handle) => call('anotherLike', { handle, scene, id, seed }))) show(id, 0);
}
