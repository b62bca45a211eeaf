// The bead rack: a push of a bead takes every bead between it and that side
// along, and a hand that strokes over several rows pushes them together.
import { Button, Input } from 'antd';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Piece } from '../core/core';
import { act } from '../state/acts';
import { useLesson } from '../state/lesson';
import { Backdrop } from './Backdrop';
import { Loose, Panel, Stepper, WordMenu } from './controls';
import { useLight } from './light';
import { PieceShape } from './looks';
import { PieceLayer } from './PieceLayer';
import { Rings } from './Rings';
import type { OfModel, ViewProps } from './view';
import { names } from '../shell/names';
import css from './rack.module.css';

const cx = names(css);

const BEADS = 10;
/** The width that ten beads take on the reading side, and the way between the sides, in model units. */
const READING = 291;
const WAY = 304;
const noFlags: string[] = [];
const draw = (p: Piece) => <PieceShape piece={p} flags={noFlags} />;

interface Push {
  pointer: number;
  x: number;
  row: number;
  bead: number;
  /** Whether the bead comes from the home side. */
  home: boolean;
  to: number;
  dx: number;
}

export function RackView({ model, index, scale }: ViewProps) {
  const origins = useLesson((s) => s.origins);
  const lit = useLesson((s) => s.lit);
  const light = useLight(model, index);
  const rows = model.zones.filter((z) => !z.side);
  const [push, setPush] = useState<Push>();
  const svg = useRef<SVGSVGElement>(null);
  const rowHeight = rows[0]?.h ?? model.h;

  /**
   * A bead, its row, and whether it comes from the home side: the core numbers beads from the left, those at
   * home below 0.
   */
  const place = (p: Piece) => ({ row: rowOf(p), bead: Math.abs(p[6]), home: p[6] < 0 });
  const rowOf = (p: Piece) => rows.findIndex((z) => p[3] >= z.y && p[3] < z.y + z.h);
  const rowAt = (e: PointerEvent) => {
    const r = svg.current!.getBoundingClientRect();
    return Math.max(0, Math.min(rows.length - 1, Math.floor((e.clientY - r.top) / scale / rowHeight)));
  };
  const down = (e: PointerEvent<SVGSVGElement>) => {
    const hit = (e.target as Element).closest<SVGGElement>('[data-piece]');
    if (!hit || e.button !== 0 || push) return;
    const piece = model.pieces.find((p) => p[0] === Number(hit.dataset.piece));
    if (!piece) return;
    const at = place(piece);
    e.currentTarget.setPointerCapture(e.pointerId);
    setPush({ pointer: e.pointerId, x: e.clientX, ...at, to: at.row, dx: 0 });
  };
  const move = (e: PointerEvent<SVGSVGElement>) => {
    if (!push || push.pointer !== e.pointerId) return;
    const room = WAY * scale;
    const raw = e.clientX - push.x;
    const dx = push.home ? Math.max(-room, Math.min(0, raw)) : Math.min(room, Math.max(0, raw));
    setPush({ ...push, dx: dx / scale, to: rowAt(e) });
  };
  const up = (e: PointerEvent<SVGSVGElement>) => {
    if (!push || push.pointer !== e.pointerId) return;
    setPush(undefined);
    const tapped = Math.abs(push.dx * scale) < 8 && push.to === push.row;
    if (!tapped && Math.abs(push.dx) < WAY / 4) return;
    const to = push.home ? push.bead : push.bead - 1;
    act({ kind: 'slide', model: index, rows: rowsOf(push).map((r) => ({ row: r + 1, to })) });
  };
  const travelling = (p: Piece): Piece => {
    if (!push || push.dx === 0) return p;
    const { row, bead, home } = place(p);
    if (!rowsOf(push).includes(row) || home !== push.home) return p;
    const along = push.home ? bead <= push.bead : bead >= push.bead;
    return along ? [p[0], p[1], p[2] + push.dx, p[3], p[4], p[5], p[6], p[7]] : p;
  };
  return (
    <>
      <svg
        ref={svg}
        width={model.w * scale}
        height={model.h * scale}
        viewBox={`0 0 ${model.w} ${model.h}`}
        className={cx(`pieces rack ${push ? 'pushing' : ''}`)}
        aria-hidden="true"
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={() => setPush(undefined)}
      >
        <rect
          className={cx('reading-side')}
          x={-4}
          y={0}
          width={READING}
          height={rowHeight * rows.length}
          rx={6}
        />
        <Backdrop decor={model.decor} />
        <path
          className={cx('posts')}
          d={`M-6 2V${rowHeight * rows.length - 2}M${model.w + 6} 2V${rowHeight * rows.length - 2}`}
        />
        <PieceLayer
          pieces={model.pieces.map(travelling)}
          draw={draw}
          origins={origins}
          lit={lit}
          light={light}
        />
        {!push && <Rings pieces={model.pieces} />}
      </svg>
      <span className={cx('reading-label')}>We read this side</span>
      {rows.map((z, i) => (
        <div
          key={z.id}
          className={cx('row-slider')}
          role="slider"
          tabIndex={0}
          aria-label={`Row ${i + 1}, beads on the reading side`}
          aria-valuemin={0}
          aria-valuemax={BEADS}
          aria-valuenow={/\d/.test(z.count) ? Number(z.count) : undefined}
          aria-valuetext={/\d/.test(z.count) ? z.count : 'covered'}
          style={{ top: z.y * scale, height: z.h * scale, width: z.w * scale }}
          onKeyDown={(e) => onRowKey(e, index, i, z.count)}
        >
          <span className={cx(light && !light.some((l) => l.y === z.y) ? 'row-count dim' : 'row-count')}>
            {z.count}
          </span>
        </div>
      ))}
    </>
  );
}

function rowsOf(push: Push): number[] {
  const [a, b] = [Math.min(push.row, push.to), Math.max(push.row, push.to)];
  return Array.from({ length: b - a + 1 }, (_, i) => a + i);
}

/** An arrow pushes one bead its way, up is one more, Page keys a whole five, Home and End a whole row. */
function onRowKey(e: KeyboardEvent, index: number, row: number, count: string) {
  if (!/\d/.test(count)) return; // it is covered, or held back
  const now = Number(count);
  const to = {
    ArrowLeft: now + 1,
    ArrowRight: now - 1,
    ArrowUp: now + 1,
    ArrowDown: now - 1,
    PageUp: now + 5,
    PageDown: now - 5,
    Home: 0,
    End: BEADS,
  }[e.key];
  if (to === undefined) return;
  e.preventDefault();
  e.stopPropagation();
  const held = Math.max(0, Math.min(BEADS, to));
  if (held !== now) act({ kind: 'slide', model: index, rows: [{ row: row + 1, to: held }] });
}

export function RackActs({ index }: OfModel) {
  return (
    <>
      <MoreLess index={index} />
      <Loose>
        <Button onClick={() => act({ kind: 'home', model: index })}>Push all home</Button>
      </Loose>
    </>
  );
}

export function RackSetUp({ model, index }: OfModel) {
  const rows = model.zones.filter((z) => !z.side).length;
  const set = (count: number) => act({ kind: 'rows', model: index, count });
  return (
    <>
      <Loose>
        <Stepper
          label="Rows"
          value={rows}
          less={rows > 1 ? () => set(rows - 1) : undefined}
          more={rows < 10 ? () => set(rows + 1) : undefined}
        />
      </Loose>
      <WordMenu
        label="Rows at once"
        words={[1, 2, 5, 10].map((count) => ({
          label: count === 1 ? '1 row' : `${count} rows`,
          on: rows === count,
          run: () => set(count),
        }))}
      />
    </>
  );
}

/** Adding and taking away as in the head: whole rows first, then the ones. */
function MoreLess({ index }: { index: number }) {
  const [text, setText] = useState('');
  const make = (kind: 'more' | 'less') => act({ kind, model: index, amount: text });
  return (
    <Panel label="More or less">
      <span className={cx('panel-row')}>
        <Input
          aria-label="How many more or less"
          placeholder="29"
          value={text}
          onChange={(e) => setText(e.target.value)}
          inputMode="numeric"
          autoComplete="off"
        />
        <Button onClick={() => make('more')}>More</Button>
        <Button onClick={() => make('less')}>Less</Button>
      </span>
    </Panel>
  );
}
