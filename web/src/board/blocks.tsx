// Base-ten blocks: tap or ring to select, drag to move, a stack at each
// column's foot to build by hand.
import { Button, InputNumber, Popover } from 'antd';
import { useCallback, useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { Mark, type Piece, type ZoneView } from '../core/core';
import { act, select, toggle, useLesson, type DrawnModel } from '../lesson/store';
import { boundsOf, centreOf, inside, type Point } from './geometry';
import { Block } from './looks';
import { PieceLayer } from './PieceLayer';
import { PointedAt } from './pointed';
import type { ViewProps } from './views';

export function BlocksView({ model, index, scale, bare }: ViewProps) {
  const sketched = model.flags.includes('sketch');
  const draw = useCallback((p: Piece) => <Block piece={p} sketched={sketched} />, [sketched]);
  const selected = useLesson((s) => (s.selectedModel === index ? s.selected : none));
  const origins = useLesson((s) => s.origins);
  const lit = useLesson((s) => s.lit);
  const layer = useRef<SVGSVGElement>(null);
  const hand = useHand(model, index, scale, layer);
  const cursor = useCursor(model, index);
  const still = model.pieces.filter((p) => !selected.has(p[0]));
  const chosen = model.pieces.filter((p) => selected.has(p[0]));
  const box = { width: model.w * scale, height: model.h * scale, viewBox: `0 0 ${model.w} ${model.h}` };
  return (
    <>
      <Columns model={model} index={index} scale={scale} bare={bare} />
      <svg
        {...box}
        className="pieces"
        role="application"
        aria-roledescription="blocks"
        aria-label="Blocks. Arrow keys go from block to block, Space selects, Control A selects all."
        tabIndex={0}
        onKeyDown={cursor.onKeyDown}
        onFocus={cursor.onFocus}
        onBlur={cursor.onBlur}
        {...hand.handlers}
      >
        <PieceLayer pieces={still} draw={draw} origins={origins} lit={lit} />
        <Rings pieces={model.pieces} />
        {hand.ring && <path className="lasso" d={`M${hand.ring.map((p) => `${p.x} ${p.y}`).join('L')}`} />}
        {cursor.at && <rect className="cursor" {...frameOf(cursor.at)} />}
      </svg>
      {chosen.length > 0 && (
        <svg {...box} className="pieces chosen" ref={layer} aria-hidden="true" {...hand.handlers}>
          <PieceLayer pieces={chosen} draw={draw} origins={origins} lit={lit} />
          {chosen.map((p) => (
            <rect key={p[0]} className="halo" {...frameOf(p)} />
          ))}
        </svg>
      )}
      <PointedAt />
    </>
  );
}

const none: ReadonlySet<number> = new Set();

const frameOf = ([, , x, y, w, h]: Piece) => ({ x: x - 2, y: y - 2, width: w + 4, height: h + 4, rx: 3 });

/** A ring round the ringed pieces: one when they stand together, else one each. */
function Rings({ pieces }: { pieces: Piece[] }) {
  const ringed = pieces.filter((p) => p[7] & Mark.ringed);
  if (ringed.length === 0) return null;
  const b = boundsOf(ringed);
  const strangers = pieces.some((p) => {
    const c = centreOf(p);
    return !(p[7] & Mark.ringed) && c.x > b.x && c.x < b.x + b.w && c.y > b.y && c.y < b.y + b.h;
  });
  const rects = strangers ? ringed.map((p) => boundsOf([p])) : [b];
  return rects.map((r, i) => (
    <rect key={i} className="ring" x={r.x - 5} y={r.y - 5} width={r.w + 10} height={r.h + 10} rx={8} />
  ));
}

interface Drag {
  pointer: number;
  from: Point;
  at: Point;
  piece: number;
  moved: boolean;
}

/** Tap, ring and drag. Pieces move as one layer, so that a thousand are as light as one. */
function useHand(model: DrawnModel, index: number, scale: number, layer: RefObject<SVGSVGElement | null>) {
  const drag = useRef<Drag | undefined>(undefined);
  const [ring, setRing] = useState<Point[]>();

  const point = (e: PointerEvent<SVGSVGElement>): Point => {
    const r = e.currentTarget.closest('.drawing')!.getBoundingClientRect();
    return { x: (e.clientX - r.left) / scale, y: (e.clientY - r.top) / scale };
  };
  const down = (e: PointerEvent<SVGSVGElement>) => {
    if (e.button !== 0 || drag.current) return;
    const hit = (e.target as Element).closest<SVGGElement>('[data-piece]');
    const at = point(e);
    drag.current = {
      pointer: e.pointerId,
      from: at,
      at,
      piece: Number(hit?.dataset.piece ?? 0),
      moved: false,
    };
    e.currentTarget.setPointerCapture(e.pointerId);
  };
  const move = (e: PointerEvent<SVGSVGElement>) => {
    const d = drag.current;
    if (!d || d.pointer !== e.pointerId) return;
    d.at = point(e);
    const far = Math.hypot(d.at.x - d.from.x, d.at.y - d.from.y) * scale > 6;
    if (!d.moved && !far) return;
    if (!d.moved && d.piece && !useLesson.getState().selected.has(d.piece)) select(index, [d.piece]);
    d.moved = true;
    if (d.piece) shift(layer.current, (d.at.x - d.from.x) * scale, (d.at.y - d.from.y) * scale);
    else setRing((r) => [...(r ?? [d.from]), d.at]);
  };
  const up = (e: PointerEvent<SVGSVGElement>) => {
    const d = drag.current;
    if (!d || d.pointer !== e.pointerId) return;
    drag.current = undefined;
    shift(layer.current, 0, 0);
    if (!d.moved) {
      if (d.piece) toggle(index, d.piece);
      else select(index, []);
      return;
    }
    if (d.piece) drop(model, index, d);
    else if (ring) {
      select(
        index,
        model.pieces.filter((p) => inside(ring, centreOf(p))).map((p) => p[0]),
      );
    }
    setRing(undefined);
  };
  const cancel = () => {
    drag.current = undefined;
    shift(layer.current, 0, 0);
    setRing(undefined);
  };
  return {
    ring,
    handlers: { onPointerDown: down, onPointerMove: move, onPointerUp: up, onPointerCancel: cancel },
  };
}

function shift(layer: SVGSVGElement | null, dx: number, dy: number) {
  if (layer) layer.style.transform = dx || dy ? `translate(${dx}px, ${dy}px)` : '';
}

/**
 * What a drop means. On the mat pieces lie where they are put. From column to
 * column they bundle or unbundle, off the board or on the tray they are taken away.
 */
function drop(model: DrawnModel, index: number, d: Drag) {
  const ids = [...useLesson.getState().selected];
  const pieces = [{ place: 'ones', ids }];
  const dragged = model.pieces.find((p) => p[0] === d.piece);
  if (!dragged) return;
  if (d.at.y > model.h + 4 || d.at.x > model.w + 4) {
    if (act({ kind: 'take', model: index, pieces })) select(index, []);
    return;
  }
  const taken = model.zones.find((z) => z.id === 'taken');
  if (model.flags.includes('mat') && !(taken && d.at.x > taken.x) && !(dragged[7] & Mark.taken)) {
    act({
      kind: 'lay',
      model: index,
      pieces,
      dx: Math.round(d.at.x - d.from.x),
      dy: Math.round(d.at.y - d.from.y),
    });
    return;
  }
  const columns = model.zones.filter((z) => z.one);
  const to = columns.findIndex((z) => d.at.x >= z.x && d.at.x < z.x + z.w);
  const from = columns.findIndex((z) => d.from.x >= z.x && d.from.x < z.x + z.w);
  if (taken && d.at.x > taken.x && !(dragged[7] & Mark.taken)) {
    if (act({ kind: 'take', model: index, pieces })) select(index, []);
  } else if (dragged[7] & Mark.taken) {
    if (!taken || d.at.x < taken.x) act({ kind: 'restore', model: index, pieces });
  } else if (to >= 0 && from >= 0 && to !== from) {
    const place = columns[from]!.id;
    const goal = columns[to]!.id;
    const made = act(
      to < from
        ? { kind: 'bundle', model: index, place, pieces }
        : { kind: 'unbundle', model: index, place, pieces, to: goal },
    );
    if (made) select(index, []);
  }
}

/** Going from piece to piece by keys. */
function useCursor(model: DrawnModel, index: number) {
  const [id, setId] = useState(0);
  const [focused, setFocused] = useState(false);
  const at = focused ? model.pieces.find((p) => p[0] === id) : undefined;
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === 'a' && (e.ctrlKey || e.metaKey)) {
      select(
        index,
        model.pieces.map((p) => p[0]),
      );
    } else if (e.key === 'Escape') {
      select(index, []);
    } else if (e.key === ' ' && at) {
      toggle(index, at[0]);
    } else if (e.key.startsWith('Arrow')) {
      setId((nearest(model.pieces, at, e.key) ?? at ?? model.pieces[0])?.[0] ?? 0);
    } else {
      return;
    }
    e.preventDefault();
    e.stopPropagation();
  };
  return {
    at,
    onKeyDown,
    onFocus: (e: { target: EventTarget & Element }) => {
      setFocused(e.target.matches(':focus-visible'));
      if (!model.pieces.some((p) => p[0] === id)) setId(model.pieces[0]?.[0] ?? 0);
    },
    onBlur: () => setFocused(false),
  };
}

/** The piece nearest in a direction. */
function nearest(pieces: Piece[], from: Piece | undefined, key: string): Piece | undefined {
  if (!from) return pieces[0];
  const c = centreOf(from);
  let best: Piece | undefined;
  let least = Infinity;
  for (const p of pieces) {
    const q = centreOf(p);
    const along =
      { ArrowRight: q.x - c.x, ArrowLeft: c.x - q.x, ArrowDown: q.y - c.y, ArrowUp: c.y - q.y }[key] ?? 0;
    const aside = key === 'ArrowRight' || key === 'ArrowLeft' ? Math.abs(q.y - c.y) : Math.abs(q.x - c.x);
    if (p[0] === from[0] || along <= 0.5) continue;
    const cost = along + aside * 3;
    if (cost < least) [best, least] = [p, cost];
  }
  return best;
}

/** The columns' names and counts above, their stacks below. */
function Columns({ model, index, scale, bare }: ViewProps) {
  return model.zones.map((z) => (
    <div
      key={z.id}
      className={`zone ${z.id === 'taken' ? 'taken' : z.one ? 'column' : 'mat'}`}
      style={{ left: z.x * scale, top: z.y * scale, width: z.w * scale, height: z.h * scale }}
    >
      {z.id !== 'mat' && (
        <div className="zone-head">
          <button type="button" className="zone-name" onClick={() => selectZone(model, index, z)}>
            {z.label} <span className="zone-count">{z.count}</span>
          </button>
        </div>
      )}
      {z.one && !bare && <Stack zone={z} model={model} index={index} />}
    </div>
  ));
}

/** All pieces of a zone at once. */
function selectZone(model: DrawnModel, index: number, zone: ZoneView) {
  const hits = model.pieces.filter((p) => {
    const c = centreOf(p);
    return (
      c.x > zone.x && c.x < zone.x + zone.w && c.y > zone.y && c.y < zone.y + zone.h && !(p[7] & Mark.spent)
    );
  });
  select(
    index,
    hits.map((p) => p[0]),
  );
}

const stackPiece: Record<string, [string, number, number]> = {
  ones: ['one', 10, 10],
  tens: ['ten', 10, 104],
  hundreds: ['hundred', 104, 104],
  thousands: ['thousand', 136, 136],
};

/** The stack at a column's foot: one more, so many more, one fewer, and the column's verb. */
function Stack({ zone, model, index }: { zone: ZoneView; model: DrawnModel; index: number }) {
  const [open, setOpen] = useState(false);
  const [name, w, h] = stackPiece[zone.id] ?? ['one', 10, 10];
  const last = model.pieces.findLast(
    (p) => p[1] === name && !(p[7] & (Mark.taken | Mark.spent | Mark.crossed)),
  );
  return (
    <div className="stack">
      <div className="stack-row">
        <Button
          className="small"
          aria-label={`Put one of the ${zone.label} away`}
          disabled={!last}
          onClick={() =>
            last && act({ kind: 'remove', model: index, pieces: [{ place: zone.id, ids: [last[0]] }] })
          }
        >
          −
        </Button>
        <Button
          className="more"
          aria-label={`Add ${zone.one}`}
          onClick={() => act({ kind: 'place', model: index, amount: zone.one })}
        >
          <svg viewBox={`-1 -1 ${w + 2} ${h + 2}`} aria-hidden="true">
            <Block piece={[0, name, 0, 0, w, h, 0, 0]} sketched={false} />
          </svg>
          <span>+1</span>
        </Button>
        <Popover
          open={open}
          onOpenChange={setOpen}
          trigger="click"
          content={<HowMany zone={zone} index={index} done={() => setOpen(false)} />}
          destroyOnHidden
        >
          <Button className="small" aria-label={`Add several ${zone.label}`}>
            +…
          </Button>
        </Popover>
      </div>
      {zone.verb && (
        <Button className="verb" onClick={() => zone.move && act({ ...zone.move, kind: zone.move.kind })}>
          {zone.verb}
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
      className="how-many"
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

export function BlocksLine({ model, index }: { model: DrawnModel; index: number }) {
  const mat = model.flags.includes('mat');
  const sketched = model.flags.includes('sketch');
  return (
    <>
      <Button onClick={() => act({ kind: 'view', model: index, view: mat ? 'columns' : 'mat' })}>
        {mat ? 'Columns' : 'Open mat'}
      </Button>
      <Button onClick={() => act({ kind: 'style', model: index, style: sketched ? 'solid' : 'sketch' })}>
        {sketched ? 'Solid' : 'Sketch'}
      </Button>
      <Button onClick={() => act({ kind: 'tidy', model: index })}>Tidy</Button>
      <Button onClick={() => act({ kind: 'clear', model: index })}>Clear pieces</Button>
    </>
  );
}
