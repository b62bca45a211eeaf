// The shared edge of two models: pulled, or moved by arrow keys, it gives one
// more of the board.
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { act } from '../state/acts';
import { names } from '../shell/names';
import css from './Edge.module.css';

const cx = names(css);

interface Props {
  /** The model at the left of the edge. */
  index: number;
  shares: number[];
  /** Shows shares while the edge is pulled; undefined when it is let go. */
  pull: (shares: number[] | undefined) => void;
}

const clamp = (share: number) => Math.round(Math.max(30, Math.min(300, share)));

export function Edge({ index, shares, pull }: Props) {
  const pulled = useRef<number | undefined>(undefined);
  const keep = (share: number) => act({ kind: 'width', model: index, share: clamp(share) });

  /** The share that brings the edge to a place across the board, from 0 to 1. */
  const shareAt = (x: number) => {
    const left = shares.slice(0, index).reduce((sum, s) => sum + s, 0);
    const others = shares.reduce((sum, s) => sum + s, 0) - shares[index]!;
    return clamp((x * others - left) / Math.max(0.02, 1 - x));
  };
  const onPointerDown = (e: PointerEvent<HTMLDivElement>) => e.currentTarget.setPointerCapture(e.pointerId);
  const onPointerMove = (e: PointerEvent<HTMLDivElement>) => {
    if (!e.currentTarget.hasPointerCapture(e.pointerId)) return;
    const stage = e.currentTarget.closest('.stage')!.getBoundingClientRect();
    pulled.current = shareAt((e.clientX - stage.left) / stage.width);
    pull(shares.map((s, i) => (i === index ? pulled.current! : s)));
  };
  const onPointerUp = () => {
    if (pulled.current !== undefined) keep(pulled.current);
    pulled.current = undefined;
    pull(undefined);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const by = { ArrowLeft: -10, ArrowRight: 10 }[e.key];
    if (!by) return;
    e.preventDefault();
    e.stopPropagation();
    keep(shares[index]! + by);
  };
  return (
    <div
      className={cx('edge')}
      role="separator"
      aria-orientation="vertical"
      aria-label={`Edge after model ${index + 1}`}
      aria-valuenow={shares[index]}
      aria-valuemin={30}
      aria-valuemax={300}
      tabIndex={0}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onKeyDown={onKeyDown}
    />
  );
}
