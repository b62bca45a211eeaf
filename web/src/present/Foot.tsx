// The foot while presenting: how far the class has come, the three presses of a lesson, and
// one place for the rest. It leaves the stage to the class when the pointer rests.
import { Button } from 'antd';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { show } from '../state/acts';
import { useLesson } from '../state/lesson';
import { reveal } from '../state/walk';
import { Flower } from '../shell/Mark';
import { names } from '../shell/names';
import css from './Foot.module.css';

const cx = names(css);

interface Props {
  forward: () => void;
  backward: () => void;
  /** Whether the teacher has a window of her own, and the class's has nothing to press. */
  clean: boolean;
  /** What is said in place of the steps, at the end. */
  end: ReactNode;
  /** The place for the rest. */
  children: ReactNode;
}

export function Foot({ forward, backward, clean, end, children }: Props) {
  const resting = useRest(clean);
  const spoken = useLesson((s) => s.spoken);
  const waits = useLesson((s) => s.frame.open || s.frame.secrets > 0);
  return (
    <footer className={cx(resting ? 'foot resting' : 'foot')}>
      <Petals />
      {end || <Dots />}
      {!end && <output className={cx('spoken')}>{spoken}</output>}
      <Button onClick={backward}>Back</Button>
      <Button onClick={reveal} disabled={!waits}>
        Reveal
      </Button>
      <Button type="primary" onClick={forward} data-focus="">
        Next
      </Button>
      {children}
    </footer>
  );
}

/** How long nobody moves a pointer or presses a key before the foot gives way, in milliseconds. */
const REST_MS = 5000;
const CLEAN_MS = 1200;

function useRest(clean: boolean): boolean {
  const [resting, setResting] = useState(false);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const wake = () => {
      clearTimeout(timer);
      setResting(false);
      timer = setTimeout(() => setResting(true), clean ? CLEAN_MS : REST_MS);
    };
    wake();
    addEventListener('pointermove', wake);
    addEventListener('pointerdown', wake);
    return () => {
      clearTimeout(timer);
      removeEventListener('pointermove', wake);
      removeEventListener('pointerdown', wake);
    };
  }, [clean]);
  return resting;
}

/** The step that the class is at. */
const useStep = () => useLesson(({ frame: f }) => (f.phase === '' ? f.step : f.step + 1));

/** Ten petals for the steps that are done. */
function Petals() {
  const step = useStep();
  const steps = useLesson((s) => s.frame.steps);
  return (
    <span className={cx('petals')} role="img" aria-label={`Step ${step} of ${steps}`}>
      <Flower filled={steps === 0 ? 10 : Math.floor((10 * step) / steps)} size={44} />
    </span>
  );
}

/** A dot for each step; where there are more than the foot holds, the one of now is in its middle. */
function Dots() {
  const step = useStep();
  const now = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    void now.current?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [step]);
  const scene = useLesson((s) => s.frame.scene);
  const steps = useLesson((s) => s.frame.steps);
  return (
    <ol className={cx('dots')} aria-label="Steps">
      {Array.from({ length: steps + 1 }, (_, n) => (
        <li key={n}>
          <button
            ref={n === step ? now : undefined}
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
  );
}
