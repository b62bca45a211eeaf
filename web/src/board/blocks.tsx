// Base-ten blocks, in columns or on an open mat.
import { Button } from 'antd';
import type { Piece } from '../core/core';
import { acting } from '../state/acts';
import { Columns } from './columns';
import { Loose, MoreOrLess, WordMenu } from './controls';
import { onColumn, onMat, onTray } from './drops';
import { PieceBoard } from './PieceBoard';
import type { OfModel, ViewProps } from './view';

const shapes: Record<string, [string, number, number]> = {
  ones: ['one', 10, 10],
  tens: ['ten', 10, 104],
  hundreds: ['hundred', 104, 104],
  thousands: ['thousand', 136, 136],
  'ten thousands': ['ten thousand', 18, 136],
  'hundred thousands': ['hundred thousand', 136, 136],
};

const sample = (place: string): Piece => {
  const [name, w, h] = shapes[place] ?? ['one', 10, 10];
  return [0, name, 0, 0, w, h, 0, 0];
};

export function BlocksView(props: ViewProps) {
  const { model, index, scale } = props;
  return (
    <PieceBoard
      model={model}
      index={index}
      scale={scale}
      name="blocks"
      drop={(d) => {
        if (onTray(model, index, d)) return;
        if (model.flags.includes('mat')) onMat(index, d);
        else onColumn(model, index, d);
      }}
    >
      <Columns {...props} sample={sample} />
    </PieceBoard>
  );
}

export function BlocksActs({ model, index }: OfModel) {
  const drawn = model.flags.includes('sketch');
  return (
    <>
      <MoreOrLess
        index={index}
        places={[
          ['ones', '1'],
          ['tens', '10'],
          ['hundreds', '100'],
          ['thousands', '1000'],
        ]}
      />
      <Loose>
        <Button onClick={() => acting(index)('style', { style: drawn ? 'solid' : 'sketch' })}>
          {drawn ? 'Solid' : 'Sketch'}
        </Button>
      </Loose>
    </>
  );
}

export function BlocksSetUp({ model, index }: OfModel) {
  const has = (flag: string) => model.flags.includes(flag);
  const make = acting(index);
  const columns = model.zones.filter((z) => z.one).length;
  const places = ['ones', 'tens', 'hundreds', 'thousands', 'ten thousands', 'hundred thousands'] as const;
  return (
    <>
      <Loose>
        <Button onClick={() => make('view', { view: has('mat') ? 'columns' : 'mat' })}>
          {has('mat') ? 'Columns' : 'Open mat'}
        </Button>
        <Button onClick={() => make('tidy')}>Tidy</Button>
      </Loose>
      <WordMenu
        label="Show as"
        words={[
          {
            label: 'Coloured by place',
            on: !has('addend') && !has('plain'),
            run: () => make('colour', { by: 'place' }),
          },
          { label: 'Coloured by addend', on: has('addend'), run: () => make('colour', { by: 'addend' }) },
          { label: 'Plain', on: has('plain'), run: () => make('colour', { by: 'plain' }) },
          'line',
          {
            label: 'Names of the places',
            on: has('names'),
            run: () => make('names', { shown: !has('names') }),
          },
          {
            label: 'Traces of what became another',
            on: has('traces'),
            run: () => make('traces', { shown: !has('traces') }),
          },
          ...places.slice(1).map((place, i) => ({
            label: `Columns up to ${place}`,
            on: columns === i + 2,
            off: has('mat'),
            run: () => make('columns', { place }),
          })),
          'line',
          { label: 'All in ones', run: () => make('openAll', { to: 'ones' }) },
          { label: 'All in tens', run: () => make('openAll', { to: 'tens' }) },
          { label: 'Fewest blocks', run: () => make('fewest') },
        ]}
      />
    </>
  );
}
