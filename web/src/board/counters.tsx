// Counters: loose, in frames, in groups. A tap turns a counter over.
import { Button } from 'antd';
import { useState } from 'react';
import { Mark, type Piece } from '../core/core';
import { act, acting } from '../state/acts';
import { select, type DrawnModel } from '../state/lesson';
import { InputNumber, Sheet } from '../shell/later';
import { selectZone, trayText } from './columns';
import { GroupCount, Loose, Panel, Stepper, TypedForm, WordMenu } from './controls';
import { cellUnder, named, onMat, onTray, zoneUnder } from './drops';
import { PieceShape } from './looks';
import { PieceBoard } from './PieceBoard';
import type { OfModel, ViewProps } from './view';
import { names } from '../shell/names';
import css from './counters.module.css';

const cx = names(css);

const storyShapes = ['counter', 'bulb', 'seed', 'leaf', 'snail', 'bee', 'pot'] as const;

export function CountersView({ model, index, scale, bare }: ViewProps) {
  const flip = (id: number) => act({ kind: 'flip', model: index, pieces: [{ place: 'ones', ids: [id] }] });
  return (
    <PieceBoard
      model={model}
      index={index}
      scale={scale}
      name="counters"
      tap={(id) => (bare ? false : flip(id))}
      drop={(d) => {
        if (onTray(model, index, d)) return;
        const group = zoneUnder(model, d, 'group');
        const frame = zoneUnder(model, d, 'frame');
        if (group) act({ kind: 'put', model: index, pieces: named(d), group });
        else if (frame)
          act({ kind: 'put', model: index, pieces: named(d), group: 0, frame, cell: cellUnder(model, d) });
        else onMat(index, d);
        select(index, []);
      }}
    >
      {model.zones
        .filter((z) => z.role === 'group' || z.role === 'taken')
        .map((z) => (
          <div
            key={z.id}
            className={cx(`zone ${z.role}`)}
            style={{ left: z.x * scale, top: z.y * scale, width: z.w * scale, height: z.h * scale }}
          >
            <button
              type="button"
              className={cx(z.role === 'group' ? 'zone-badge on-rim' : 'zone-badge')}
              aria-label={`${z.label}: ${z.count}. Select its counters`}
              onClick={() => selectZone(model, index, z)}
            >
              {z.role === 'taken' ? trayText(z) : z.count}
            </button>
          </div>
        ))}
      {!bare && <Supply model={model} index={index} />}
    </PieceBoard>
  );
}

/** One more of each face, or so many, below the mat. */
function Supply({ model, index }: { model: DrawnModel; index: number }) {
  const colouring = Number(model.settings.colouring ?? 0);
  const faces: [string, boolean][] =
    colouring === 0
      ? [
          ['berry', false],
          ['mint', true],
        ]
      : [
          ['pine', false],
          ['sand', true],
        ];
  const { shape = 'counter', other = shape } = model.settings;
  const shapeOf = (mint: boolean) => (mint ? other : shape);
  const last = model.pieces.findLast((p) => !(p[7] & (Mark.taken | Mark.crossed | Mark.copy)));
  return (
    <div className={cx('supply')}>
      <Button
        className={cx('small')}
        aria-label="Put one counter away"
        disabled={!last}
        onClick={() => act({ kind: 'step', model: index, by: 1, down: true })}
      >
        −
      </Button>
      {faces.map(([name, mint]) => (
        <Button
          key={name}
          className={cx('more')}
          aria-label={`Add 1 ${name}`}
          onClick={() => act({ kind: 'place', model: index, count: 1, mint })}
        >
          <Sample shape={shapeOf(mint)} colouring={colouring} mint={mint} />
          +1
        </Button>
      ))}
      <Several index={index} faces={faces} />
    </div>
  );
}

function Sample({ shape, colouring, mint }: { shape: string; colouring: number; mint: boolean }) {
  const piece: Piece = [0, shape, 0, 0, 34, 34, colouring, mint ? Mark.alternate : 0];
  return (
    <svg viewBox="-1 -1 36 36" width={30} height={30} aria-hidden="true">
      <PieceShape piece={piece} flags={[]} />
    </svg>
  );
}

function Several({ index, faces }: { index: number; faces: [string, boolean][] }) {
  const [n, setN] = useState<number | null>(10);
  return (
    <Sheet
      anew
      content={(close) => (
        <div className={cx('how-many')}>
          <label>
            How many? <InputNumber min={1} max={3000} precision={0} value={n} onChange={setN} autoFocus />
          </label>
          {faces.map(([name, mint]) => (
            <Button
              key={name}
              onClick={() => n && act({ kind: 'place', model: index, count: n, mint }) && close()}
            >
              Add {name}
            </Button>
          ))}
        </div>
      )}
    >
      <Button className={cx('small several')} aria-label="Add several counters">
        +…
      </Button>
    </Sheet>
  );
}

export function CountersActs({ index }: OfModel) {
  const make = acting(index);
  return (
    <Loose>
      <Button onClick={() => make('frames', { rows: 2, columns: 5, count: 1 })}>Ten frame</Button>
      <Button onClick={() => make('tidy')}>Tidy</Button>
    </Loose>
  );
}

export function CountersSetUp({ model, index }: OfModel) {
  const has = (flag: string) => model.flags.includes(flag);
  const make = acting(index);
  const s = model.settings;
  const { first, second, whole } = model.counts;
  const split = Number(s.split ?? 0);
  const across = !!s.across;
  const most = Number((across ? s.columns : s.rows) ?? 1) - 1;
  const hasFrames = Number(s.frames) > 0;
  return (
    <>
      <Panel label="Frames">
        <FrameSize model={model} index={index} />
        <span className={cx('panel-row')}>
          <Button onClick={() => make('frames', { rows: 2, columns: 5, count: 1 })}>One ten frame</Button>
          <Button onClick={() => make('frames', { rows: 2, columns: 5, count: 2 })}>Two ten frames</Button>
          <Button onClick={() => make('frames', { rows: 10, columns: 10, count: 1 })}>Hundred square</Button>
          <Button onClick={() => make('frames', { rows: 1, columns: 1, count: 0 })}>No frame</Button>
        </span>
        {hasFrames && (
          <>
            <Stepper
              label="Rows of the first frame"
              value={s.rows ?? ''}
              less={() => make('grow', { frame: 1, less: true })}
              more={() => make('grow', { frame: 1 })}
            />
            <Stepper
              label="Columns of the first frame"
              value={s.columns ?? ''}
              less={() => make('grow', { frame: 1, across: true, less: true })}
              more={() => make('grow', { frame: 1, across: true })}
            />
            <Stepper
              label="Shade after cells"
              value={s.shadeAfter ?? '0'}
              less={
                Number(s.shadeAfter) > 0
                  ? () => make('split', { after: 0, cells: Number(s.shadeAfter) - 1 })
                  : undefined
              }
              more={
                Number(s.shadeAfter) < Number(s.rows) * Number(s.columns) - 1
                  ? () => make('split', { after: 0, cells: Number(s.shadeAfter) + 1 })
                  : undefined
              }
            />
            <Stepper
              label={across ? 'Shade after columns' : 'Shade after rows'}
              value={split}
              less={split > 0 ? () => make('split', { after: split - 1, across }) : undefined}
              more={split < most ? () => make('split', { after: split + 1, across }) : undefined}
            />
            <span className={cx('panel-row')}>
              <Button onClick={() => make('split', { after: 1, across: !across })}>
                {across ? 'Shade rows instead' : 'Shade columns instead'}
              </Button>
              <Button onClick={() => make('split', { after: 0, every: s.every === '5' ? 0 : 5 })}>
                {s.every === '5' ? 'Without shading' : 'Shade every second five'}
              </Button>
              <Button onClick={() => make('turn', { frame: 1 })}>Turn on its side</Button>
              <Button onClick={() => make('copyFrame', { frame: Number(s.frames) })}>Copy the last</Button>
            </span>
            <span className={cx('panel-row')}>
              <Button onClick={() => make('fill', { by: has('pairs') ? 'rows' : 'pairs' })}>
                {has('pairs') ? 'Fill by rows' : 'Fill in pairs'}
              </Button>
              <Button onClick={() => make('numerals', { shown: !has('numerals') })}>
                {has('numerals') ? 'Without numerals' : 'Numerals in the cells'}
              </Button>
              <Button onClick={() => make('skip', { shown: !has('skip') })}>
                {has('skip') ? 'Without counts' : 'Count along the edge'}
              </Button>
            </span>
          </>
        )}
      </Panel>
      <Panel label="Parts">
        {(away) => (
          <>
            <Stepper
              label="First part"
              value={`${first} and ${second}`}
              less={Number(first) > 0 ? () => make('parts', { first: Number(first) - 1 }) : undefined}
              more={
                Number(first) < Number(whole) ? () => make('parts', { first: Number(first) + 1 }) : undefined
              }
            />
            <Button onClick={() => make('swap')}>Swap the parts</Button>
            <Button onClick={away(() => make('allWays'))}>All ways beside it</Button>
            <Button onClick={away(() => make('ways', {}))}>All ways as counters</Button>
            <Button onClick={away(() => make('ways', { both: true }))}>All ways with both colours</Button>
            <Story model={model} index={index} />
          </>
        )}
      </Panel>
      <Panel label="Groups">
        {(away) => (
          <>
            <GroupCount index={index} count={Number(s.groups ?? 0)} />
            <Button onClick={() => make('deal')}>Deal one</Button>
            <Button onClick={() => make('share', { rounds: 1 })}>Deal one round</Button>
            <Button onClick={away(() => make('share'))}>Share all</Button>
            <Button onClick={away(() => make('gather'))}>Gather again</Button>
            <GroupsOf index={index} />
          </>
        )}
      </Panel>
      <WordMenu
        label="Show as"
        words={[
          ...storyShapes.map((shape) => ({
            label: shape === 'counter' ? 'Plain counters' : shape[0]!.toUpperCase() + shape.slice(1),
            on: s.shape === shape,
            run: () => make('look', { shape }),
          })),
          'line',
          { label: 'Berry and mint', on: s.colouring === '0', run: () => make('look', { colouring: 0 }) },
          { label: 'Pine and sand', on: s.colouring === '1', run: () => make('look', { colouring: 1 }) },
          'line',
          { label: 'Lines of five', on: s.lines === '5', run: () => make('lineUp', { by: 5 }) },
          { label: 'Lines of ten', on: s.lines === '10', run: () => make('lineUp', { by: 10 }) },
          {
            label: 'Scatter',
            run: () => make('scatter', { seed: crypto.getRandomValues(new Uint16Array(1))[0] }),
          },
        ]}
      />
      <Unit index={index} value={s.unit ?? ''} />
    </>
  );
}

/** A frame or an array of any size. */
function FrameSize({ model, index }: { model: DrawnModel; index: number }) {
  const [rows, setRows] = useState(Number(model.settings.rows ?? 2));
  const [columns, setColumns] = useState(Number(model.settings.columns ?? 5));
  const [count, setCount] = useState(1);
  const number = (label: string, value: number, change: (n: number) => void, max: number) => (
    <label>
      {label} <InputNumber min={1} max={max} precision={0} value={value} onChange={(n) => change(n ?? 1)} />
    </label>
  );
  return (
    <span className={cx('panel-row')}>
      {number('Rows', rows, setRows, 12)}
      {number('Columns', columns, setColumns, 12)}
      {number('Frames', count, setCount, 60)}
      <Button onClick={() => act({ kind: 'frames', model: index, rows, columns, count })}>Set frames</Button>
      <Button onClick={() => act({ kind: 'array', model: index, rows, columns, count: 1 })}>
        Full array
      </Button>
    </span>
  );
}

function GroupsOf({ index }: { index: number }) {
  const [size, setSize] = useState(3);
  return (
    <span className={cx('panel-row')}>
      <label>
        Groups of{' '}
        <InputNumber min={1} max={3000} precision={0} value={size} onChange={(n) => setSize(n ?? 1)} />
      </label>
      <Button onClick={() => act({ kind: 'groupsOf', model: index, size })}>Make them</Button>
    </span>
  );
}

/** A sentence of the teacher's own, told on the board with what lies there. */
function Story({ model, index }: { model: DrawnModel; index: number }) {
  const [text, setText] = useState(model.settings.story ?? '');
  const tell = () => {
    const others = model.readouts.filter((r) => r.beside && r.id !== 'story').map((r) => r.id);
    const readouts = text.trim() ? [...others, 'story'] : others;
    act({ kind: 'story', model: index, text }, { kind: 'beside', model: index, readouts });
  };
  return (
    <TypedForm
      label="A story, its numbers in curly braces"
      placeholder="{3} snails sit on the leaf, {2} bees fly"
      text={text}
      setText={setText}
      maxLength={200}
      word="Tell"
      submit={tell}
    />
  );
}

/** What the counters count. */
function Unit({ index, value }: { index: number; value: string }) {
  const [text, setText] = useState(value);
  return (
    <Panel label={value ? `Unit: ${value}` : 'Unit'}>
      <TypedForm
        label="Each counter is one of these"
        placeholder="bulbs, tens, thousands"
        text={text}
        setText={setText}
        maxLength={40}
        word="Rename"
        submit={() => act({ kind: 'unit', model: index, name: text })}
      />
    </Panel>
  );
}
