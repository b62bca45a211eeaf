// Editing a step: its words, or taking it out.
import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { Dialog } from '../shell/later';
import { call } from '../core/core';
import { edit } from '../state/acts';
import { useLesson } from '../state/lesson';

const fields = [
  ['say', 'Say'],
  ['ask', 'Ask'],
  ['answer', 'Answer'],
  ['look', 'Look at'],
] as const;

/** The step whose words are shown above the board. */
export function StepDialog({ close }: { close: () => void }) {
  const [{ scene, step, line }] = useState(() => {
    const { frame } = useLesson.getState();
    return { scene: frame.scene, step: frame.asked ? frame.step : frame.step - 1, line: frame.prompt };
  });
  const [words, setWords] = useState({ say: line.say, ask: line.ask, answer: line.answer, look: line.look });
  const [pause, setPause] = useState(!!line.pause);
  const save = () => {
    if (edit((handle) => call('editStep', { handle, scene, step, ...words, pause }))) close();
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
      <Checkbox checked={pause} onChange={(e) => setPause(e.target.checked)}>
        Played by itself, it waits here
      </Checkbox>
    </Dialog>
  );
}
