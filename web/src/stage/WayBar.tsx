// A child's way is taken in while the board is looked at: what was said is typed, or
// drawn round on the board, with the child's name if wanted.
import { Button, Input, type InputRef } from 'antd';
import { useRef, useState } from 'react';
import { call } from '../core/core';
import { attempt, edit } from '../state/acts';
import { applyFrame, useLesson } from '../state/lesson';
import { names } from '../shell/names';
import { closeWays, useDrawing } from './drawing';
import css from './WayBar.module.css';

const cx = names(css);

export function WayBar() {
  const { open } = useDrawing();
  return open ? <Taking /> : null;
}

function Taking() {
  const { model, drawn } = useDrawing();
  const ways = useLesson((s) => s.frame.ways);
  const [text, setText] = useState('');
  const [name, setName] = useState('');
  const said = useRef<InputRef>(null);
  const takeIn = () => {
    // The next child speaks, or this one again.
    said.current?.focus();
    if (!edit((handle) => call('takeIn', { handle, model, text, drawn, name: name.trim() }))) return;
    setText('');
    setName('');
    useDrawing.setState({ drawn: [] });
  };
  return (
    <form
      className={cx('bar-below way-bar')}
      aria-label="A child’s way"
      onSubmit={(e) => {
        e.preventDefault();
        takeIn();
      }}
    >
      <Input
        ref={said}
        className={cx('said')}
        aria-label="What was seen"
        placeholder={
          drawn.length > 0
            ? 'Drawn round: press Take in'
            : 'Say 8 and 2 and 3, double 7 and 1, or draw round parts'
        }
        value={text}
        onChange={(e) => setText(e.target.value)}
        autoComplete="off"
        spellCheck={false}
        autoFocus
      />
      <Input
        className={cx('whose')}
        aria-label="Whose way"
        placeholder="Name, if wanted"
        value={name}
        maxLength={40}
        onChange={(e) => setName(e.target.value)}
        autoComplete="off"
        spellCheck={false}
      />
      <Button type="primary" htmlType="submit">
        Take in
      </Button>
      {drawn.length > 0 && <Button onClick={() => useDrawing.setState({ drawn: [] })}>Draw anew</Button>}
      {ways.length > 0 && (
        <Button
          onClick={() => attempt(() => applyFrame(call('dropWays', { handle: useLesson.getState().handle })))}
        >
          Take all off
        </Button>
      )}
      <Button onClick={closeWays}>Done</Button>
    </form>
  );
}
