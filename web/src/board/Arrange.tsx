// What is done with a model as a whole: title, copies, links, its place and
// size on the board, the read-outs beside it.
import { Input } from 'antd';
import { useState } from 'react';
import { act, acting } from '../state/acts';
import { useLesson, type DrawnModel } from '../state/lesson';
import { Dialog } from '../shell/later';
import { useShow, WRITTEN } from './show';
import { toggled } from '../shell/toggled';
import { WordMenu, type Word } from './controls';
import { setZoom, useZoom } from './setUp';
import { views, type Kind } from './views';
import { LARGEST, SMALLEST } from './pinch';

interface Props {
  model: DrawnModel;
  index: number;
  alone: boolean;
  /** Whether it can be drawn larger than fitted. */
  zooms?: boolean;
}

/** The same number as a sketch: linked blocks, drawn. */
const sketchBeside = (index: number, at: number) =>
  act(
    { kind: 'addModel', of: 'blocks' },
    { kind: 'link', model: at, with: index },
    { kind: 'style', model: at, style: 'sketch' },
  );

const larger = (index: number, zoom: number): Word[] => [
  { label: 'Larger', off: zoom >= LARGEST, run: () => setZoom(index, Math.min(LARGEST, zoom * 1.5)) },
  { label: 'Smaller', off: zoom <= SMALLEST, run: () => setZoom(index, Math.max(SMALLEST, zoom / 1.5)) },
  { label: 'Fit to the board', off: zoom === 1, run: () => setZoom(index, 1) },
];

export function Arrange({ model, index, alone, zooms }: Props) {
  const zoom = useZoom(index);
  const { show, toggle } = useShow();
  const models = useLesson((s) => s.models);
  const [title, setTitle] = useState<string>();
  const make = acting(index);
  const share = model.width || 100;
  const beside = model.readouts.filter((r) => r.beside && !model.held.includes(r.id)).map((r) => r.id);
  const { countsShown, held } = model;
  // What has something to tell of what lies there.
  const told = model.readouts.filter((r) => r.text !== '–' || r.beside || held.includes(r.id));
  const hold = (counts: typeof countsShown, readouts = held) =>
    make('holdBack', { ...(counts && { counts }), readouts });
  const links: Word[] = model.linked
    ? [{ label: 'Unlink', run: () => make('unlink') }]
    : models.flatMap((m, i) =>
        i === index
          ? []
          : [
              {
                label: `Link with the ${views[m.kind as Kind].title.toLowerCase()}`,
                run: () => make('link', { with: i }),
              },
            ],
      );
  const places: (Word | 'line')[] = alone
    ? []
    : [
        'line',
        ...links,
        { label: 'Move left', off: index === 0, run: () => make('reorder', { to: index - 1 }) },
        {
          label: 'Move right',
          off: index === models.length - 1,
          run: () => make('reorder', { to: index + 1 }),
        },
        { label: 'Wider', off: share >= 300, run: () => make('width', { share: Math.min(300, share + 25) }) },
        {
          label: 'Narrower',
          off: share <= 30,
          run: () => make('width', { share: Math.max(30, share - 25) }),
        },
        { label: 'Put away', run: () => make('removeModel') },
      ];
  return (
    <>
      <WordMenu
        label="Arrange"
        words={[
          ...(views[model.kind as Kind].clears ? [{ label: 'Clear pieces', run: () => make('clear') }] : []),
          { label: 'Keep a copy beside it', run: () => make('keep') },
          { label: model.title ? 'Change the title' : 'Write a title', run: () => setTitle(model.title) },
          {
            label: 'A sketch of it beside',
            off: models.length === 4,
            run: () => sketchBeside(index, models.length),
          },
          ...(zooms ? larger(index, zoom) : []),
          ...places,
          'line',
          { label: 'Counts shown', on: !countsShown, run: () => hold(undefined) },
          { label: 'Counts when I reveal them', on: countsShown === 'reveal', run: () => hold('reveal') },
          { label: 'No counts', on: countsShown === 'never', run: () => hold('never') },
          'line',
          ...told.map((r) => ({
            label: `${r.label} when I reveal it`,
            on: held.includes(r.id),
            run: () => hold(countsShown, toggled(held, r.id)),
          })),
          'line',
          ...told.map((r) => ({
            label: `${r.label} on the board`,
            on: beside.includes(r.id),
            run: () =>
              make('beside', {
                readouts: toggled(beside, r.id),
              }),
          })),
          ...(model.writes
            ? [
                {
                  label: 'The written method follows the hand',
                  on: show.includes(WRITTEN),
                  run: () => toggle(WRITTEN),
                },
              ]
            : []),
        ]}
      />
      <Dialog
        title="Title above the model"
        open={title !== undefined}
        okText="Write it"
        onCancel={() => setTitle(undefined)}
        onOk={() => make('title', { title: title ?? '' }) && setTitle(undefined)}
      >
        <Input
          aria-label="Title above the model"
          value={title}
          maxLength={200}
          onChange={(e) => setTitle(e.target.value)}
        />
      </Dialog>
    </>
  );
}
