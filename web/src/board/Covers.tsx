// Covers over a model: whole columns and rows, or any rectangle, which can be
// moved and resized. A tap shows what is under one; a quick look shows all of
// it for a moment.
import { Button } from 'antd';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { CoverView } from '../core/core';
import { act, acting } from '../state/acts';
import { type DrawnModel } from '../state/lesson';
import { WordMenu, type Word } from './controls';
import { lengths, setGlanceSeconds, useGlanceSeconds } from './glance';
import { Menu } from '../shell/later';
import { names } from '../shell/names';
import css from './Covers.module.css';

const cx = names(css);

interface Props {
  model: DrawnModel;
  index: number;
  scale: number;
}

type Box = Pick<CoverView, 'x' | 'y' | 'w' | 'h'>;

export function Covers({ model, index, scale }: Props) {
  return model.covers.map((c) =>
    c.free ? (
      <FreeCover key={c.index} cover={c} model={model} index={index} scale={scale} />
    ) : (
      <button
        key={c.index}
        type="button"
        className={cx('cover')}
        style={styleOf(c, scale)}
        onClick={() => act({ kind: 'uncover', model: index, zone: c.zone })}
      >
        <span>?</span>
        <small>Tap to show</small>
      </button>
    ),
  );
}

const styleOf = (b: Box, scale: number) => ({
  left: b.x * scale,
  top: b.y * scale,
  width: b.w * scale,
  height: b.h * scale,
});

/** Where a rectangle is anchored: the zone that its middle lies on, and its place there. */
function anchored(model: DrawnModel, b: Box) {
  const [cx, cy] = [b.x + b.w / 2, b.y + b.h / 2];
  const zone = model.zones.find((z) => !z.side && cx >= z.x && cx < z.x + z.w && cy >= z.y && cy < z.y + z.h);
  const at = {
    x: Math.round(b.x - (zone?.x ?? 0)),
    y: Math.round(b.y - (zone?.y ?? 0)),
    w: Math.max(8, Math.round(b.w)),
    h: Math.max(8, Math.round(b.h)),
  };
  return { zone: zone?.id ?? 'all', at };
}

function FreeCover({ cover, model, index, scale }: Props & { cover: CoverView }) {
  const [box, setBox] = useState<Box>();
  const grip = useRef<{ x: number; y: number; size: boolean; moved: boolean } | undefined>(undefined);
  const now = box ?? cover;
  const keep = (b: Box) =>
    act({ kind: 'moveCover', model: index, index: cover.index, ...anchored(model, b) });

  const onPointerDown = (e: PointerEvent<HTMLDivElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    const size = (e.target as Element).classList.contains('cover-corner');
    grip.current = { x: e.clientX, y: e.clientY, size, moved: false };
  };
  const onPointerMove = (e: PointerEvent<HTMLDivElement>) => {
    const g = grip.current;
    if (!g) return;
    const [dx, dy] = [(e.clientX - g.x) / scale, (e.clientY - g.y) / scale];
    if (!g.moved && Math.hypot(dx, dy) * scale < 6) return;
    g.moved = true;
    setBox(
      g.size
        ? { ...cover, w: Math.max(20, cover.w + dx), h: Math.max(20, cover.h + dy) }
        : { ...cover, x: cover.x + dx, y: cover.y + dy },
    );
  };
  const onPointerUp = () => {
    const g = grip.current;
    grip.current = undefined;
    if (g && !g.moved) act({ kind: 'uncover', model: index, index: cover.index });
    else if (box) keep(box);
    setBox(undefined);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const step = 10;
    const [dx, dy] =
      { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[e.key] ??
      [];
    if (e.key === 'Enter' || e.key === ' ') act({ kind: 'uncover', model: index, index: cover.index });
    else if (dx === undefined || dy === undefined) return;
    else if (e.shiftKey) keep({ ...cover, w: Math.max(20, cover.w + dx), h: Math.max(20, cover.h + dy) });
    else keep({ ...cover, x: cover.x + dx, y: cover.y + dy });
    e.preventDefault();
    e.stopPropagation();
  };
  return (
    <div
      className={cx('cover free')}
      role="button"
      tabIndex={0}
      aria-label="Cover. Enter shows what is under it, arrows move it, Shift and arrows change its size."
      style={styleOf(now, scale)}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onKeyDown={onKeyDown}
    >
      <span>?</span>
      <small>Tap to show, drag to move</small>
      <i className={cx('cover-corner')} />
    </div>
  );
}

export function CoverMenu({ model, index }: { model: DrawnModel; index: number }) {
  const make = acting(index);
  const middle = { x: model.w * 0.3, y: model.h * 0.25, w: model.w * 0.4, h: model.h * 0.5 };
  const bare = model.zones.filter((z) => !model.covers.some((c) => !c.free && c.zone === z.id));
  const words: Word[] = [
    { label: 'Cover all', run: () => make('cover', { zone: 'all' }) },
    { label: 'A cover to move about', run: () => make('cover', anchored(model, middle)) },
    ...bare.map((z) => ({ label: `Cover ${z.id}`, run: () => make('cover', { zone: z.id }) })),
  ];
  if (model.covers.length > 0) {
    words.unshift({ label: 'Show all again', run: () => make('uncover', { zone: '' }) });
  }
  return <WordMenu label="Cover" words={words} />;
}

/** A look at what is covered, and how long it lasts. The read-outs stay silent. */
export function QuickLook({ looking, look }: { looking: boolean; look: () => void }) {
  const seconds = useGlanceSeconds();
  return (
    <span className={cx('quick-look')}>
      <Button disabled={looking} onClick={look}>
        Quick look
      </Button>
      <Menu items={lengths.map((s) => ({ key: s, label: `${s} s`, onClick: () => setGlanceSeconds(s) }))}>
        <Button aria-label={`A quick look lasts ${seconds} seconds`}>{seconds} s</Button>
      </Menu>
    </span>
  );
}
