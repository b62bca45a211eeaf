// One model on the board: its line of words, its pieces fitted to the room, and
// the covers over them.
import { Button, Dropdown, Input, type InputRef } from 'antd';
import { useRef, useState } from 'react';
import type { Model } from '../core/core';
import { act, useLesson, type DrawnModel } from '../lesson/store';
import { useSize } from './geometry';
import { SelectionStrip } from './SelectionStrip';
import { views } from './views';

interface TileProps {
  model: DrawnModel;
  index: number;
  alone: boolean;
  bare: boolean;
  presenting: boolean;
}

export function Tile({ model, index, alone, bare, presenting }: TileProps) {
  const view = views[model.kind as Model['kind']];
  const room = useRef<HTMLDivElement>(null);
  const size = useSize(room);
  const foot = bare ? 12 : view.foot;
  // Headings grow with the board while presenting.
  const head = presenting ? Math.max(view.head, innerWidth * 0.058) : view.head;
  const scale = Math.max(
    0.3,
    Math.min(
      (size.w - 32 - view.side) / model.w,
      (size.h - head - foot) / model.h,
      presenting ? 9 : view.largest,
    ),
  );
  const numeral = model.readouts.find((r) => r.id === 'numeral');
  const covered = model.covered.length > 0;
  const name = `${view.title}${numeral?.shown && !covered ? `, ${numeral.text}` : ''}`;
  return (
    <section className="tile" aria-label={name}>
      {!bare && <TileLine model={model} index={index} alone={alone} />}
      {model.title && <h2 className="tile-title">{model.title}</h2>}
      <div className="room" ref={room}>
        {size.w > 0 && (
          <div
            className="drawing"
            style={{
              width: model.w * scale,
              height: model.h * scale,
              margin: `${head}px 0 ${foot}px ${view.side}px`,
            }}
          >
            <view.Pieces model={model} index={index} scale={scale} bare={bare} />
            <Covers model={model} index={index} scale={scale} />
          </div>
        )}
        <SelectionStrip model={model} index={index} />
      </div>
    </section>
  );
}

/** The model's own line: typed numbers, and its words. */
function TileLine({ model, index, alone }: { model: DrawnModel; index: number; alone: boolean }) {
  const view = views[model.kind as Model['kind']];
  const [text, setText] = useState('');
  const input = useRef<InputRef>(null);
  const build = () => {
    if (text.trim() === '') return;
    if (act({ kind: 'build', model: index, amount: text })) {
      setText('');
      // On a touch screen the keyboard goes away and the board is seen again.
      input.current?.blur();
    }
  };
  return (
    <div className="tile-line">
      <Input
        ref={input}
        className="typed"
        aria-label={`Type a number for the ${view.title.toLowerCase()}`}
        placeholder="Type 146, or 14 tens 6 ones"
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
      {!alone && <Button onClick={() => act({ kind: 'removeModel', model: index })}>Put away</Button>}
    </div>
  );
}

function CoverMenu({ model, index }: { model: DrawnModel; index: number }) {
  const items = model.zones
    .filter((z) => !model.covered.includes(z.id))
    .map((z) => ({
      key: z.id,
      label: `Cover ${z.id}`,
      onClick: () => act({ kind: 'cover', model: index, zone: z.id }),
    }));
  if (model.covered.length > 0) {
    items.unshift({
      key: '',
      label: 'Show all again',
      onClick: () => act({ kind: 'uncover', model: index, zone: '' }),
    });
  }
  return (
    <Dropdown menu={{ items, style: { maxHeight: 360, overflowY: 'auto' } }} trigger={['click']}>
      <Button>Cover</Button>
    </Dropdown>
  );
}

function Covers({ model, index, scale }: { model: DrawnModel; index: number; scale: number }) {
  return model.zones
    .filter((z) => model.covered.includes(z.id))
    .map((z) => (
      <button
        key={z.id}
        type="button"
        className="cover"
        style={{ left: z.x * scale, top: z.y * scale, width: z.w * scale, height: z.h * scale }}
        onClick={() => act({ kind: 'uncover', model: index, zone: z.id })}
      >
        <span>?</span>
        <small>Tap to show</small>
      </button>
    ));
}

/**
 * All models of the board side by side. The controls for building are left out
 * while presenting and in worked examples, where the board is larger for it.
 */
export function Stage({ presenting = false }: { presenting?: boolean }) {
  const models = useLesson((s) => s.models);
  const example = useLesson((s) => s.frame.steps > 0);
  const bare = presenting || example;
  return (
    <div className={`stage models-${models.length}`} id="board">
      {models.map((m, i) => (
        <Tile
          key={`${i}-${m.kind}`}
          model={m}
          index={i}
          alone={models.length === 1}
          bare={bare}
          presenting={presenting}
        />
      ))}
    </div>
  );
}
