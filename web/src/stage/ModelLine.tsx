// A model's own line: typed numbers, and its words. It stands over the model on the bench,
// and in the strip at the foot while presenting.
import { Button, Input, type InputRef } from 'antd';
import { useRef, useState } from 'react';
import { Arrange } from '../board/Arrange';
import { CoverMenu } from '../board/Covers';
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
  alone: boolean;
  /** How much larger than fitted it is drawn, where that can be changed. */
  zoom?: number;
  setZoom?: (zoom: number) => void;
}

export function ModelLine({ model, index, alone, zoom, setZoom }: Props) {
  const view = views[model.kind as Kind];
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
        aria-label={`Type a number for the ${view.title.toLowerCase()}`}
        placeholder={view.hint}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onPressEnter={build}
        autoComplete="off"
        spellCheck={false}
      />
      <Button type="primary" onClick={build}>
        Build
      </Button>
      <view.Line model={model} index={index} />
      <CoverMenu model={model} index={index} />
      <Arrange model={model} index={index} alone={alone} {...(setZoom && { zoom, setZoom })} />
    </div>
  );
}
