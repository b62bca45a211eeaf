// The slow way beside the fast way: how many acts it takes to lay a number.
import { Button } from 'antd';
import { useState } from 'react';
import { Dialog } from '../shell/later';
import { TypedForm } from '../board/controls';
import { call, type Acts } from '../core/core';
import { newId } from '../state/api';
import { edit, show } from '../state/acts';
import { notify, sentence, useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './ActsDialog.module.css';

const cx = names(css);

export function ActsDialog({ close }: { close: () => void }) {
  const handle = useLesson((s) => s.handle);
  const [text, setText] = useState('');
  const [acts, setActs] = useState<Acts[]>([]);
  const count = () => {
    try {
      setActs(call('acts', { handle, text }));
    } catch (error) {
      notify('refusal', sentence(error));
    }
  };
  /** Both ways as worked examples, one after the other. */
  const both = () => {
    const ids = [newId(), newId()];
    const made = ['one by one', 'by groups'].every((pace, i) =>
      edit((handle) =>
        call('addExample', { handle, id: ids[i]!, typed: text, method: 'build', options: { pace } }),
      ),
    );
    if (!made) return;
    show(ids[0]!, 0);
    close();
  };
  return (
    <Dialog title="Slow way and fast way" open onCancel={close} footer={null}>
      <TypedForm
        label="Number to lay"
        placeholder="37"
        text={text}
        setText={setText}
        primary
        word="Count the acts"
        submit={count}
      />
      {acts.length > 0 && (
        <>
          <dl className={cx('acts')}>
            {acts.map((a) => (
              <div key={a.way}>
                <dt>{a.way}</dt>
                <dd>{a.count}</dd>
              </div>
            ))}
          </dl>
          <Button onClick={both}>Show both ways</Button>
        </>
      )}
    </Dialog>
  );
}
