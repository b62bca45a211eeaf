// New worked example: type the problem as it is written, see at once how it
// will go, add it.
import { Alert, Button, Input, Modal, Radio } from 'antd';
import { useMemo, useState } from 'react';
import { call, type Plain } from '../core/core';
import { newId } from '../shell/api';
import { edit, sentence, show, useLesson } from './store';

export function ExampleDialog({ close }: { close: () => void }) {
  const words = useLesson((s) => s.outline.words);
  const [typed, setTyped] = useState('');
  const [marks, setMarks] = useState('above');
  const [style, setStyle] = useState('solid');
  const options = useMemo(() => {
    const chosen: Record<string, string> = { marks, style };
    if (words.regroup) chosen.regroup = words.regroup;
    if (words.ones) chosen.ones = words.ones;
    return chosen;
  }, [marks, style, words]);
  const preview = useMemo<{ plain?: Plain; why?: string }>(() => {
    if (typed.trim() === '') return {};
    try {
      return { plain: call('preview', { typed, options }) };
    } catch (error) {
      return { why: sentence(error) };
    }
  }, [typed, options]);
  const add = () => {
    if (!preview.plain) return;
    const id = newId();
    if (edit((handle) => call('addExample', { handle, id, typed, options }))) {
      show(id, 0, false);
      close();
    }
  };
  return (
    <Modal
      title="New worked example"
      open
      onCancel={close}
      width={640}
      footer={
        <Button type="primary" size="large" disabled={!preview.plain} onClick={add}>
          Add to the lesson
        </Button>
      }
    >
      <label className="field">
        Column addition: type two numbers to add
        <Input
          size="large"
          className="problem"
          placeholder="146 + 87"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          onPressEnter={add}
          autoFocus
          autoComplete="off"
          status={preview.why ? 'error' : ''}
          aria-describedby="problem-says"
        />
      </label>
      <div id="problem-says" aria-live="polite">
        {preview.why && <Alert type="warning" title={preview.why} />}
        {preview.plain && (
          <ol className="preview" tabIndex={0} aria-label="How it will go">
            {preview.plain.steps.map((s, i) => (
              <li key={i}>{s.say}</li>
            ))}
          </ol>
        )}
      </div>
      <fieldset className="choices">
        <legend>Regroup marks</legend>
        <Radio.Group value={marks} onChange={(e) => setMarks(e.target.value as string)}>
          <Radio value="above">Above</Radio>
          <Radio value="below">Below</Radio>
        </Radio.Group>
      </fieldset>
      <fieldset className="choices">
        <legend>Blocks</legend>
        <Radio.Group value={style} onChange={(e) => setStyle(e.target.value as string)}>
          <Radio value="solid">Solid</Radio>
          <Radio value="sketch">Sketch</Radio>
        </Radio.Group>
      </fieldset>
    </Modal>
  );
}
