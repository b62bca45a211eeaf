// The place value chart: discs or dots in columns, rows for addends, tracks to
// share on, digit cards below.
import { Button } from 'antd';
import { useState } from 'react';
import type { Piece, Place } from '../core/core';
import { act, acting } from '../state/acts';
import { type DrawnModel } from '../state/lesson';
import { Checkbox, Select } from '../shell/later';
import { Columns } from './columns';
import { GroupCount, Loose, MoreOrLess, Panel, Stepper, TypedForm, WordMenu } from './controls';
import { named, onColumn, onTray, zoneUnder } from './drops';
import { PieceBoard } from './PieceBoard';
import type { OfModel, ViewProps } from './view';

const places: Place[] = [
  'millions',
  'hundred thousands',
  'ten thousands',
  'thousands',
  'hundreds',
  'tens',
  'ones',
  'tenths',
  'hundredths',
  'thousandths',
];

/** A text as a place, or another one where it is none. */
const placeOf = (text: string | undefined, other: Place) => places.find((p) => p === text) ?? other;

export function DiscsView(props: ViewProps) {
  const { model, index, scale } = props;
  const kind = model.flags.includes('dots') ? 'dot' : 'disc';
  const sample = (place: string): Piece => {
    const size = model.zones.find((z) => z.id === place)?.size;
    return [0, `${kind} ${place}`, 0, 0, 30, 30, 0, 0, kind === 'disc' ? size : undefined];
  };
  return (
    <PieceBoard
      model={model}
      index={index}
      scale={scale}
      name="discs"
      drop={(d) => {
        if (onTray(model, index, d)) return;
        const group = zoneUnder(model, d, 'group');
        const wasIn = zoneUnder(model, { ...d, at: d.from }, 'group');
        if (group || wasIn) act({ kind: 'put', model: index, pieces: named(d), group: group ?? 0 });
        else onColumn(model, index, d);
      }}
    >
      <Columns {...props} sample={sample} />
    </PieceBoard>
  );
}

/** The columns that are shown, from the largest to the smallest. */
function spanOf({ settings: s }: DrawnModel) {
  const [top, bottom] = [placeOf(s.top, 'hundreds'), placeOf(s.bottom, 'ones')];
  return { top, bottom, shown: places.slice(places.indexOf(top), places.indexOf(bottom) + 1) };
}

export function DiscsActs({ model, index }: OfModel) {
  const { shown } = spanOf(model);
  const steps = (['hundreds', 'tens', 'ones', 'tenths', 'hundredths', 'thousands'] as const)
    .filter((p) => shown.includes(p))
    .map((p): [Place, string] => [p, model.zones.find((z) => z.place === p)?.size ?? '']);
  return (
    <>
      <Shift model={model} index={index} />
      <MoreOrLess index={index} places={steps} />
    </>
  );
}

export function DiscsSetUp({ model, index }: OfModel) {
  const has = (flag: string) => model.flags.includes(flag);
  const make = acting(index);
  const s = model.settings;
  const { top, bottom, shown } = spanOf(model);
  return (
    <>
      <Panel label="Chart">
        <label className="panel-row">
          Largest column{' '}
          <Select
            aria-label="Largest column"
            value={top}
            options={places.slice(0, 7).map((value) => ({ value, label: value }))}
            onChange={(p) => make('columns', { top: placeOf(p, top), bottom })}
          />
        </label>
        <label className="panel-row">
          Smallest column{' '}
          <Select
            aria-label="Smallest column"
            value={bottom}
            options={places.slice(6).map((value) => ({ value, label: value }))}
            onChange={(p) => make('columns', { top, bottom: placeOf(p, bottom) })}
          />
        </label>
        <Stepper
          label="Rows"
          value={s.rows ?? '1'}
          less={Number(s.rows) > 1 ? () => make('rows', { count: Number(s.rows) - 1 }) : undefined}
          more={Number(s.rows) < 4 ? () => make('rows', { count: Number(s.rows) + 1 }) : undefined}
        />
        {has('traces') ? (
          <Button onClick={() => make('together', { shown: !has('together') })}>
            {has('together') ? 'Addends in rows' : 'Addends together'}
          </Button>
        ) : (
          <Button onClick={() => make('join')}>Join the rows</Button>
        )}
        <DigitCards index={index} value={s.digits ?? ''} />
      </Panel>
      <Panel label="Share">
        {(away) => (
          <>
            <GroupCount index={index} count={Number(s.groups ?? 0)} />
            {shown.map((place) => {
              const label = model.zones.find((z) => z.place === place)?.label ?? place;
              return (
                <span className="panel-row" key={place}>
                  <Button onClick={away(() => make('share', { place }))}>Share the {label}</Button>
                  <Button onClick={() => make('deal', { place })} aria-label={`Deal one of the ${label}`}>
                    Deal one
                  </Button>
                </span>
              );
            })}
            <Button onClick={away(() => make('gather'))}>Gather again</Button>
          </>
        )}
      </Panel>
      <WordMenu
        label="Show as"
        words={[
          { label: 'Labelled discs', on: !has('dots'), run: () => make('style', { style: 'discs' }) },
          { label: 'Plain dots', on: has('dots'), run: () => make('style', { style: 'dots' }) },
          'line',
          {
            label: 'Traces of what became another',
            on: has('traces'),
            run: () => make('traces', { shown: !has('traces') }),
          },
          { label: 'Digit cards', on: has('cards'), run: () => make('cards', { shown: !has('cards') }) },
          'line',
          { label: 'All in ones', run: () => make('openAll', { to: 'ones' }) },
          { label: 'Fewest discs', run: () => make('fewest') },
        ]}
      />
      <Loose>
        <Button onClick={() => make('tidy')}>Tidy</Button>
      </Loose>
    </>
  );
}

/** The whole number times or divided by a power of ten. */
function Shift({ model, index }: { model: DrawnModel; index: number }) {
  const [steps, setSteps] = useState(true);
  const [keep, setKeep] = useState(true);
  // After several shifts the first start still stands.
  const shift = (by: number) =>
    act({ kind: 'shift', model: index, by, steps, keep: keep && !model.settings.start, zeros: true });
  return (
    <Panel label="Shift digits">
      {(away) => (
        <>
          {[
            ['× 10', 1],
            ['× 100', 2],
            ['× 1000', 3],
            ['÷ 10', -1],
            ['÷ 100', -2],
            ['÷ 1000', -3],
          ].map(([label, by]) => (
            <Button key={label} onClick={away(() => shift(by as number))}>
              {label}
            </Button>
          ))}
          <Checkbox checked={steps} onChange={(e) => setSteps(e.target.checked)}>
            Column by column
          </Checkbox>
          <Checkbox checked={keep} onChange={(e) => setKeep(e.target.checked)}>
            Keep the start above
          </Checkbox>
          {model.settings.start && (
            <Button onClick={() => act({ kind: 'dropStart', model: index })}>Put the start row away</Button>
          )}
          {model.settings.needless && (
            <Button onClick={() => act({ kind: 'needless', model: index })}>
              Put away zeros that need not be written
            </Button>
          )}
        </>
      )}
    </Panel>
  );
}

function DigitCards({ index, value }: { index: number; value: string }) {
  const [text, setText] = useState(value);
  return (
    <TypedForm
      label="Digit cards alone"
      placeholder="Digit cards alone"
      text={text}
      setText={setText}
      word="Lay"
      submit={() => act({ kind: 'digits', model: index, number: text })}
    />
  );
}
