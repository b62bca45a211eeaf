// The same number several ways: all its builds, in order.
import { Button } from 'antd';
import { useState } from 'react';
import { Dialog } from '../shell/later';
import { TypedForm } from '../board/controls';
import { call, type Builds } from '../core/core';
import { act } from '../state/acts';
import { notify, sentence, useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './BuildsDialog.module.css';

const cx = names(css);

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
    <Dialog title="All builds of a number" open onCancel={close} footer={null}>
      <TypedForm
        label="Number to build"
        placeholder="37"
        text={text}
        setText={setText}
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
          <ol className={cx('builds')}>
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
    </Dialog>
  );
}
