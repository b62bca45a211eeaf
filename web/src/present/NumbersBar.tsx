// Other numbers for the example that is shown: by chance, or the class's own, typed. The
// method stays, and so does the stage.
import { Button, Input } from 'antd';
import { useState } from 'react';
import { call } from '../core/core';
import { names } from '../shell/names';
import { edit } from '../state/acts';
import { useLesson } from '../state/lesson';
import css from './NumbersBar.module.css';

const cx = names(css);

/** Any other numbers for the example that is shown. */
export function anyNumbers() {
  const [seed = 0] = crypto.getRandomValues(new Uint32Array(1));
  const { scene } = useLesson.getState().frame;
  return edit((handle) => call('otherNumbers', { handle, scene, seed }));
}

export function NumbersBar({ close }: { close: () => void }) {
  const problem = useLesson((s) => s.outline.scenes.find((x) => x.id === s.frame.scene)?.problem ?? '');
  const scene = useLesson((s) => s.frame.scene);
  const [text, setText] = useState('');
  return (
    <form
      className={cx('bar-below numbers-bar')}
      aria-label="Other numbers"
      onSubmit={(e) => {
        e.preventDefault();
        if (text.trim() && edit((handle) => call('otherNumbers', { handle, scene, typed: text }))) close();
      }}
    >
      <Input
        aria-label="The numbers that the class wants"
        placeholder={`In place of ${problem}`}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Escape') close();
        }}
        autoComplete="off"
        spellCheck={false}
        autoFocus
      />
      <Button type="primary" htmlType="submit">
        Try it
      </Button>
      <Button onClick={() => anyNumbers() && close()}>Any others</Button>
      <Button onClick={close}>Done</Button>
    </form>
  );
}
