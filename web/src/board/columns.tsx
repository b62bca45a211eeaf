// Columns by place, for blocks and discs: names and counts above, a stack at
// each foot to build by hand.
import { Button } from 'antd';
import { useState, type CSSProperties } from 'react';
import { Mark, type Piece, type ZoneView } from '../core/core';
import { act } from '../state/acts';
import { select, type DrawnModel } from '../state/lesson';
import { InputNumber, Sheet } from '../shell/later';
import { centreOf } from './geometry';
import { useLight } from './light';
import { PieceShape } from './looks';
import type { ViewProps } from './view';
import { names } from '../shell/names';
import css from './columns.module.css';

const cx = names(css);

interface Props extends ViewProps {
  /** A piece of the zone's place, to show on its stack. */
  sample: (place: string) => Piece;
}

export function Columns({ model, index, scale, bare, sample }: Props) {
  const light = useLight(model, index);
  const dim = (z: ZoneView) => (light && !light.includes(z) ? 'dim' : '');
  const sums = sumSize(model.zones, scale);
  const head = {
    '--head': `${headSize(model.zones, scale)}px`,
    '--sums': `${sums.size}px`,
  } as CSSProperties;
  return model.zones
    .filter((z) => !z.side)
    .map((z) => (
      <div
        key={z.id}
        className={cx(`zone ${zoneClass(z)}`)}
        style={{ left: z.x * scale, top: z.y * scale, width: z.w * scale, height: z.h * scale }}
      >
        {z.role === 'group' && (
          <button
            type="button"
            className={cx('zone-badge')}
            aria-label={`${z.label}: ${z.count}. Select its pieces`}
            onClick={() => selectZone(model, index, z)}
          >
            {z.count}
          </button>
        )}
        {z.role !== 'mat' && z.role !== 'group' && (
          <div
            className={cx(`zone-head ${z.y > 0 ? 'inside' : ''} ${sums.under ? 'sums-under' : ''} ${dim(z)}`)}
            style={{ ...letters(z.label.length), ...head }}
          >
            <button type="button" className={cx('zone-name')} onClick={() => selectZone(model, index, z)}>
              {z.unit && (
                <small className={cx('zone-unit')} style={letters(z.unit.length)}>
                  {z.unit}
                </small>
              )}
              {z.label} {z.count && !isEmptyTray(z) && <Count text={z.count} />}
              {model.flags.includes('names') && z.shape && (
                <small className={cx('zone-shape')} style={letters(z.shape.length + 5)}>
                  {z.shape}
                  {z.place !== 'ones' && <b>× 10</b>}
                </small>
              )}
            </button>
          </div>
        )}
        {z.one && !bare && <Stack zone={z} model={model} index={index} sample={sample(z.id)} />}
      </div>
    ));
}

/** The widest column that has its name over its count, in pixels; the style sheet has the same. */
const NARROW = 172;

/** The size of the names over columns, alike in a row: the one that has least room for its name sets it. */
function headSize(zones: ZoneView[], scale: number): number {
  const columns = zones.filter((z) => z.one && !z.side);
  const fits = columns.map((z) => {
    const w = z.w * scale;
    return (w > NARROW ? w - 54 : w) / (z.label.length * 0.52);
  });
  const narrow = columns.some((z) => z.w * scale <= NARROW);
  return Math.max(11, Math.min(narrow ? 15 : 17, ...fits));
}

/** What lies apart is told apart: 4 + 8, 6 × 4. */
const isSum = (count: string) => /[+×]/.test(count);

/** As small as sums may be beside the names of their columns; smaller ones stand under them. */
const READABLE = 16;

/** The size of the sums over columns, alike in a row, and whether they stand under the names. */
function sumSize(zones: ZoneView[], scale: number) {
  const sums = zones.filter((z) => z.one && isSum(z.count));
  const fit = (taken: (z: ZoneView) => number) =>
    Math.min(22, ...sums.map((z) => (z.w * scale - taken(z)) / (z.count.length * 0.5)));
  const beside = fit((z) => z.label.length * 9);
  const under = beside < READABLE;
  return { size: Math.max(11, under ? fit(() => 12) : beside), under };
}

/** How long what is written over or under a column is, which is as small as the column asks. */
const letters = (n: number) => ({ '--letters': n }) as CSSProperties;

/** How many there are; addends that lie apart are told one by one, as small as their column asks. */
function Count({ text }: { text: string }) {
  if (!isSum(text)) return <span className={cx('zone-count')}>{text}</span>;
  return (
    <span className={cx('zone-count sum')} style={{ '--sum': text.length } as CSSProperties}>
      {text}
    </span>
  );
}

/** The tray stands where something will be taken; before that it has no number. */
const isEmptyTray = (z: ZoneView) => z.role === 'taken' && z.count === '0';

/** What the tray says: what it is, and how many lie there once there are any. */
export const trayText = (z: ZoneView) => (isEmptyTray(z) ? z.label : `${z.label} ${z.count}`);

function zoneClass(z: ZoneView) {
  if (z.one) return 'column';
  return z.role === 'taken' || z.role === 'group' ? z.role : 'mat';
}

/** All pieces of a zone at once. */
export function selectZone(model: DrawnModel, index: number, zone: ZoneView) {
  const hits = model.pieces.filter((p) => {
    const c = centreOf(p);
    const within = c.x > zone.x && c.x < zone.x + zone.w && c.y > zone.y && c.y < zone.y + zone.h;
    return within && p[1] !== 'card' && !(p[7] & (Mark.spent | Mark.copy));
  });
  select(
    index,
    hits.map((p) => p[0]),
  );
}

/** The stack at a column's foot: one more, so many more, one fewer, and the column's verb. */
function Stack({
  zone,
  model,
  index,
  sample,
}: {
  zone: ZoneView;
  model: DrawnModel;
  index: number;
  sample: Piece;
}) {
  const [, name, , , w, h] = sample;
  const out = Mark.taken | Mark.spent | Mark.crossed | Mark.copy;
  const last = model.pieces.findLast((p) => p[1] === name && !(p[7] & out));
  return (
    <div className={cx('stack')}>
      <div className={cx('stack-row')}>
        <Button
          className={cx('small fewer')}
          aria-label={`Put one of the ${zone.label} away`}
          disabled={!last}
          onClick={() =>
            last && act({ kind: 'remove', model: index, pieces: [{ place: 'ones', ids: [last[0]] }] })
          }
        >
          −
        </Button>
        <Button
          className={cx('more')}
          aria-label={`Add ${zone.one}`}
          onClick={() => zone.one && act({ kind: 'place', model: index, amount: zone.one })}
        >
          <svg viewBox={`-1 -1 ${w + 2} ${h + 2}`} aria-hidden="true">
            <PieceShape piece={sample} flags={[]} />
          </svg>
          <span>+1</span>
        </Button>
        <Sheet anew content={(close) => <HowMany zone={zone} index={index} done={close} />}>
          <Button className={cx('small several')} aria-label={`Add several ${zone.label}`}>
            +…
          </Button>
        </Sheet>
      </div>
      {zone.verb && (
        <Button
          className={cx('verb')}
          style={letters(zone.verb.length + zone.label.length)}
          onClick={() => zone.move && act(zone.move)}
        >
          <span>
            {zone.verb} <span className={cx('of')}>{zone.label}</span>
          </span>
        </Button>
      )}
    </div>
  );
}

function HowMany({ zone, index, done }: { zone: ZoneView; index: number; done: () => void }) {
  const [n, setN] = useState<number | null>(10);
  const add = () => {
    if (n && act({ kind: 'place', model: index, amount: `${n} ${zone.id}` })) done();
  };
  return (
    <form
      className={cx('how-many')}
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      <label>
        How many {zone.label}?{' '}
        <InputNumber
          min={1}
          max={3000}
          precision={0}
          value={n}
          onChange={setN}
          onFocus={(e) => e.target.select()}
          autoFocus
        />
      </label>
      <Button type="primary" htmlType="submit">
        Add
      </Button>
    </form>
  );
}
