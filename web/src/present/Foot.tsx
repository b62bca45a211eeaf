// The foot while presenting: how far the class has come, and the teacher's buttons.
import type { ReactNode } from 'react';
import { WordMenu } from '../board/controls';
import { show } from '../state/acts';
import { useLesson } from '../state/lesson';
import { Flower } from '../shell/Mark';
import { names } from '../shell/names';
import css from './Foot.module.css';

const cx = names(css);

export function Foot({ children }: { children: ReactNode }) {
  return (
    <footer className={cx('foot')}>
      <Progress />
      {children}
    </footer>
  );
}

/** Ten petals, and a dot for each step. */
function Progress() {
  const { scene, step: over, steps, phase } = useLesson((s) => s.frame);
  const step = phase === '' ? over : over + 1;
  return (
    <>
      <span className={cx('petals')} role="img" aria-label={`Step ${step} of ${steps}`}>
        <Flower filled={steps === 0 ? 10 : Math.floor((10 * step) / steps)} size={44} />
      </span>
      <ol className={cx('dots')} aria-label="Steps">
        {Array.from({ length: steps + 1 }, (_, n) => (
          <li key={n}>
            <button
              type="button"
              className={cx(n === step ? 'now' : n < step ? 'done' : '')}
              aria-label={n === 0 ? 'Start' : `Step ${n}`}
              aria-current={n === step ? 'step' : undefined}
              onClick={() => show(scene, n)}
            >
              {n === 0 ? '•' : n}
            </button>
          </li>
        ))}
      </ol>
    </>
  );
}

interface PlayProps {
  pace: number;
  setPace: (seconds: number) => void;
  theirs: number;
  setTheirs: (steps: number) => void;
}

/** How the example goes on, and which of its last steps are the class's. */
export function PlayMenu({ pace, setPace, theirs, setTheirs }: PlayProps) {
  return (
    <WordMenu
      label="Play"
      words={[
        ...[4, 7, 12].map((s) => ({
          label: `By itself, every ${s} seconds`,
          on: pace === s,
          run: () => setPace(s),
        })),
        { label: 'By hand', on: pace === 0, run: () => setPace(0) },
        'line',
        { label: 'Your turn: the last step', on: theirs === 1, run: () => setTheirs(1) },
        { label: 'Your turn: the last two', on: theirs === 2, run: () => setTheirs(2) },
        { label: 'Your turn: all steps', on: theirs === 500, run: () => setTheirs(500) },
        { label: 'No turns', on: theirs === 0, run: () => setTheirs(0) },
      ]}
    />
  );
}
