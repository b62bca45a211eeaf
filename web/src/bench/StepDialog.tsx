// Editing a step: its words, or taking it out.
import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { Dialog } from '../shell/later';
import { call } from '../core/core';
import { edit } from '../state/acts';
import { useLesson } from '../state/lesson';
import { AskedWhen, type Asks } from './AskedWhen';

const fields = [
  ['say', 'Say'],
  ['ask', 'Ask'],
  ['answer', 'Answer'],
  ['look', 'Look at'],
] as const;

/** The step whose words are shown above the board. */
export function StepDialog({ close }: { close: () => void }) {
  const [{ scene, step, line }] = useState(() => {
    const { frame, outline } = useLesson.getState();
    const step = frame.phase === '' ? frame.step - 1 : frame.step;
    // The answer of an open question is held back from the board, not from the teacher.
    const line = outline.scenes.find((s) => s.id === frame.scene)!.steps[step]!;
    return { scene: frame.scene, step, line };
  });
  const [words, setWords] = useState({ say: line.say, ask: line.ask, answer: line.answer, look: line.look });
  const [asks, setAsks] = useState((line.asks || 'decide') as Asks);
  const [pause, setPause] = useState(!!line.pause);
  const save = () => {
    if (edit((handle) => call('editStep', { handle, scene, step, ...words, asks, pause }))) close();
  };
  const remove = () => {
    if (edit((handle) => call('editStep', { handle, scene, step, remove: true }))) close();
  };
  return (
    <Dialog
      title={`Step ${step + 1}`}
      open
      onCancel={close}
      footer={[
        <Button key="remove" danger onClick={remove}>
          Delete step
        </Button>,
        <Button key="cancel" onClick={close}>
          Cancel
        </Button>,
        <Button key="save" type="primary" onClick={save}>
          Save
        </Button>,
      ]}
    >
      {fields.map(([name, label]) => (
        <label key={name} className="field">
          {label}
          <Input.TextArea
            autoSize
            maxLength={2000}
            value={words[name]}
            onChange={(e) => setWords({ ...words, [name]: e.target.value })}
          />
        </label>
      ))}
      <label className="field">
        When it is asked
        <AskedWhen asks={asks} choose={setAsks} />
      </label>
      <Checkbox checked={pause} onChange={(e) => setPause(e.target.checked)}>
        Played by itself, it waits here
      </Checkbox>
    </Dialog>
  );
}
