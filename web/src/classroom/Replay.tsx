// How a hand-in came about: the boards on the way to it, one after another.
import { Alert, Button } from 'antd';
import { useEffect, useState } from 'react';
import { Face } from '../board/Face';
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import { classes, type ReplayStep } from '../state/classroom';
import { sentence } from '../state/lesson';
import css from './Replay.module.css';

const cx = names(css);

/** How long each board stands while it plays, in milliseconds. */
const STEP_MS = 700;

interface Props {
  set: string;
  attempt: string;
  name: string;
  close: () => void;
}

export function Replay({ set, attempt, name, close }: Props) {
  const [steps, setSteps] = useState<ReplayStep[]>();
  const [failure, setFailure] = useState('');
  useEffect(() => {
    classes.replay(set, attempt).then(setSteps, (error: unknown) => setFailure(sentence(error)));
  }, [set, attempt]);
  return (
    <Dialog title={`How ${name} came to it`} open width={760} onCancel={close} footer={null}>
      {failure && <Alert type="warning" showIcon title={failure} />}
      {steps?.length === 0 && <p>Of this one only the end was kept: it came in one go.</p>}
      {steps && steps.length > 0 && <Played steps={steps} />}
    </Dialog>
  );
}

function Played({ steps }: { steps: ReplayStep[] }) {
  const last = steps.length - 1;
  const [at, setAt] = useState(0);
  const [plays, setPlays] = useState(true);
  const goes = plays && at < last;
  useEffect(() => {
    if (!goes) return;
    const timer = setTimeout(() => setAt(at + 1), STEP_MS);
    return () => clearTimeout(timer);
  }, [goes, at]);
  const go = (to: number) => {
    setPlays(false);
    setAt(to);
  };
  const play = () => {
    if (at === last) setAt(0);
    setPlays(!goes);
  };
  const step = steps[at]!;
  return (
    <>
      <div className={cx('picture')}>
        <Face models={step.view.models} name="What lay then" whole />
      </div>
      <div className={cx('foot')}>
        <Button onClick={play}>{goes ? 'Stop' : at === last ? 'Play again' : 'Play'}</Button>
        <input
          type="range"
          aria-label="Which board"
          min={1}
          max={last + 1}
          value={at + 1}
          onChange={(e) => go(Number(e.target.value) - 1)}
        />
        <output>
          {step.of && `${step.of}: `}
          {at + 1} of {last + 1}
        </output>
      </div>
    </>
  );
}
