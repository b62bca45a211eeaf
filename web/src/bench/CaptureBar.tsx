// Capture: the teacher works on the board with her own hands, marks where a step
// ends, and adds words. It becomes a worked example like any other.
import { Button, Input } from 'antd';
import { useState } from 'react';
import { call, type Captured } from '../core/core';
import { newId } from '../state/api';
import { edit, show } from '../state/acts';
import { notify, sentence, useLesson } from '../state/lesson';
import { names } from '../shell/names';
import { AskedWhen, type Asks } from './AskedWhen';
import css from './CaptureBar.module.css';

const cx = names(css);

function run(make: () => Captured) {
  try {
    const capture = make();
    useLesson.setState((s) => ({ frame: { ...s.frame, capture, canUndo: true } }));
    return true;
  } catch (error) {
    notify('refusal', sentence(error));
    return false;
  }
}

/** Makes every further move on the board a move of a new example. */
export function beginCapture() {
  run(() => call('beginCapture', { handle: useLesson.getState().handle }));
}

export function CaptureBar() {
  const { on, steps } = useLesson((s) => s.frame.capture);
  const handle = useLesson((s) => s.handle);
  const [say, setSay] = useState('');
  const [ask, setAsk] = useState('');
  const [asks, setAsks] = useState<Asks>('look');
  const [answer, setAnswer] = useState('');
  if (!on) return null;
  const clear = () => {
    setSay('');
    setAsk('');
    setAnswer('');
  };
  const endStep = () => {
    if (run(() => call('endStep', { handle, say, ask, asks, answer }))) clear();
  };
  const finish = () => {
    const id = newId();
    if (edit((h) => call('endCapture', { handle: h, id, title: 'Captured', say, ask, asks, answer }))) {
      clear();
      show(id, 0);
    }
  };
  return (
    <div className={cx('capture-bar')} role="toolbar" aria-label="Capturing">
      <b>Step {steps + 1}</b>
      <Input aria-label="Say" placeholder="Say" value={say} onChange={(e) => setSay(e.target.value)} />
      <Input aria-label="Ask" placeholder="Ask" value={ask} onChange={(e) => setAsk(e.target.value)} />
      <AskedWhen asks={asks} choose={setAsks} />
      <Input
        aria-label="Answer"
        placeholder="Answer"
        value={answer}
        onChange={(e) => setAnswer(e.target.value)}
      />
      <Button onClick={endStep}>End of step</Button>
      <Button type="primary" onClick={finish}>
        Make the example
      </Button>
      <Button onClick={() => run(() => call('dropCapture', { handle }))}>Stop</Button>
    </div>
  );
}
