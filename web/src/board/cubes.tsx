// Linking cubes: trains that snap and join, and towers of ten.
import { Button } from 'antd';
import { act, acting } from '../state/acts';
import { type DrawnModel } from '../state/lesson';
import { selectZone, trayText } from './columns';
import { Loose, Panel, WordMenu } from './controls';
import { onTray, zoneUnder } from './drops';
import { PieceBoard } from './PieceBoard';
import type { OfModel, ViewProps } from './view';
import { names } from '../shell/names';
import css from './cubes.module.css';

const cx = names(css);

const seed = () => crypto.getRandomValues(new Uint16Array(1))[0]!;

export function CubesView({ model, index, scale, bare }: ViewProps) {
  return (
    <PieceBoard
      model={model}
      index={index}
      scale={scale}
      name="cubes"
      drop={(d) => {
        if (onTray(model, index, d)) return;
        const from = zoneUnder(model, { ...d, at: d.from }, 'train');
        const to = zoneUnder(model, d, 'train');
        if (from && to && from !== to) act({ kind: 'join', model: index, train: to, with: from });
      }}
    >
      {model.zones.map((z) => (
        <div
          key={z.id}
          className={cx(`zone ${z.role}`)}
          style={{ left: z.x * scale, top: z.y * scale, width: z.w * scale, height: z.h * scale }}
        >
          <button
            type="button"
            className={cx('zone-badge')}
            aria-label={`${z.label}: ${z.count}. Select its cubes`}
            onClick={() => selectZone(model, index, z)}
          >
            {z.role === 'taken' || z.role === 'copies' ? trayText(z) : z.count}
          </button>
          {!bare && z.number && <Train model={model} index={index} n={z.number} />}
        </div>
      ))}
    </PieceBoard>
  );
}

/** The words of one train, at its end. */
function Train({ model, index, n }: { model: DrawnModel; index: number; n: number }) {
  const make = acting(index);
  const trains = Number(model.counts.trains);
  return (
    <span className={cx('train-words')}>
      <WordMenu
        label={`Train ${n}`}
        words={[
          { label: 'Snap at random', run: () => make('snap', { train: n, seed: seed() }) },
          {
            label: 'Join to the train above',
            off: n === 1,
            run: () => make('join', { train: n - 1, with: n }),
          },
          {
            label: 'Join the train below',
            off: n === trains,
            run: () => make('join', { train: n, with: n + 1 }),
          },
          'line',
          { label: 'One cube more', run: () => make('add', { train: n, count: 1 }) },
          { label: 'One berry cube more', run: () => make('add', { train: n, count: 1, part: 1 }) },
          { label: 'Make a tower of ten', run: () => make('tower', { train: n }) },
        ]}
      />
    </span>
  );
}

export function CubesActs({ index }: OfModel) {
  const make = acting(index);
  return (
    <>
      <Panel label="New train">
        {[1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map((count) => (
          <Button key={count} onClick={() => make('place', { count })}>
            {count}
          </Button>
        ))}
      </Panel>
      <Loose>
        <Button onClick={() => make('tidy')}>Tidy</Button>
      </Loose>
    </>
  );
}

export function CubesSetUp({ index }: OfModel) {
  const make = acting(index);
  return (
    <>
      <WordMenu
        label="Trains"
        words={[
          { label: 'A colour for each train', run: () => make('colourTrains') },
          { label: 'Longest train first', run: () => make('largerFirst') },
          { label: 'Open a tower', run: () => make('open') },
        ]}
      />
    </>
  );
}
