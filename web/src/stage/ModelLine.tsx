// A model's own line: typed numbers, and its words. It stands over the model on the bench,
// and in the strip at the foot while presenting.
import { Button, Input, type InputRef } from 'antd';
import { useRef, useState, type ReactNode } from 'react';
import { Arrange } from '../board/Arrange';
import { CoverMenu } from '../board/Covers';
import { openSetUp, PlacingOf, useSetUp } from '../board/setUp';
import { views, type Kind } from '../board/views';
import { call } from '../core/core';
import { names } from '../shell/names';
import { act, edit } from '../state/acts';
import { newId } from '../state/api';
import { useLesson, type DrawnModel } from '../state/lesson';
import css from './ModelLine.module.css';

const cx = names(css);

interface Props {
  model: DrawnModel;
  index: number;
  /** In a strip without a set-up beside the board: all of it drops down from the line. */
  whole?: boolean;
  alone?: boolean;
  /** What else stands at its end. */
  children?: ReactNode;
}

export function ModelLine({ model, index, whole, alone = true, children }: Props) {
  const view = views[model.kind as Kind];
  const open = useSetUp((s) => s.open?.index === index && s.open.group === undefined);
  const [text, setText] = useState('');
  const input = useRef<InputRef>(null);
  const build = () => {
    if (text.trim() === '') return;
    const { amounts } = call('amounts', { handle: useLesson.getState().handle, text });
    const built =
      amounts.length > 1
        ? edit((handle) => call('buildEach', { handle, model: index, amounts, id: newId() }))
        : act({ kind: 'build', model: index, amount: text });
    if (built) {
      setText('');
      // On a touch screen the keyboard goes away and the board is seen again.
      input.current?.blur();
    }
  };
  return (
    <div className={cx('model-line')}>
      <Input
        ref={input}
        className={cx('typed')}
        data-typed=""
        aria-label={`Type a number for the ${view.title.toLowerCase()}`}
        placeholder={view.hint}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onPressEnter={build}
        autoComplete="off"
        spellCheck={false}
      />
      <Button onClick={build}>Build</Button>
      <PlacingOf value={whole ? { as: 'lists' } : { as: 'buttons', index }}>
        <view.Acts model={model} index={index} />
        <CoverMenu model={model} index={index} />
        {whole && (
          <>
            <view.SetUp model={model} index={index} />
            <Arrange model={model} index={index} alone={alone} />
          </>
        )}
      </PlacingOf>
      {!whole && (
        <Button type="text" aria-expanded={open} onClick={() => openSetUp(index)}>
          Set up
        </Button>
      )}
      {children}
    </div>
  );
}
