// The same number several ways: all its builds, in order.
import { Button, Modal } from 'antd';
import { useState } from 'react';
import { TypedForm } from '../board/controls';
import { call, type Builds } from '../core/core';
import { act, notify, sentence, useLesson } from './store';

export function BuildsDialog({ close }: { close: () => void }) {
  const handle = useLesson((s) => s.handle);
  const [text, setText] = useState('');
  const [builds, setBuilds] = useState<Builds>();
  const list = () => {
    try {
      setBuilds(call('builds', { handle, text }));
    } catch (error) {
      notify('refusal', sentence(error));
    }
  };
  return (
    <Modal title="All builds of a number" open onCancel={close} footer={null}>
      <TypedForm
        label="Number to build"
        placeholder="37"
        text={text}
        setText={setText}
        autoFocus
        primary
        word="List them"
        submit={list}
      />
      {builds && (
        <>
          <p>
            {builds.count === builds.forms.length
              ? `${builds.count} builds`
              : `${builds.count} builds; here are the first ${builds.forms.length}`}
          </p>
          <ol className="builds">
            {builds.forms.map((form) => (
              <li key={form}>
                <Button
                  type="text"
                  onClick={() => {
                    if (act({ kind: 'build', amount: form })) close();
                  }}
                >
                  {form}
                </Button>
              </li>
            ))}
          </ol>
        </>
      )}
    </Modal>
  );
}
