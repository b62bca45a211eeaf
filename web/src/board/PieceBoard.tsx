// The pieces of a model on its board: drawn, selected, moved by hand and keys.
import { useCallback, useRef, type ReactNode } from 'react';
import type { Piece } from '../core/core';
import { useLesson, type DrawnModel } from '../state/lesson';
import { Backdrop, Numerals } from './Backdrop';
import { clips } from './clips';
import { useCursor } from './cursor';
import type { Point } from './geometry';
import { useHand, type Drop } from './hand';
import { useLight } from './light';
import { PieceShape } from './looks';
import { PieceLayer } from './PieceLayer';
import { PointedAt } from './pointed';
import { Fresh, Loops, Rings } from './Rings';
import { names } from '../shell/names';
import css from './PieceBoard.module.css';

const cx = names(css);

interface Props {
  model: DrawnModel;
  index: number;
  scale: number;
  /** What one piece is called: "blocks". */
  name: string;
  drop: (d: Drop) => void;
  /** Takes a tap, or Enter, on a piece; false leaves it to the selection. */
  tap?: (piece: number) => boolean;
  children?: ReactNode;
}

const none: ReadonlySet<number> = new Set();

/**
 * With more pieces than this, those that only close up do so at once: hundreds on their way at one time would
 * stutter.
 */
const CROWD = 250;

export function PieceBoard({ model, index, scale, name, drop, tap, children }: Props) {
  const flags = model.flags.join(' ');
  const draw = useCallback((p: Piece) => <PieceShape piece={p} flags={flags.split(' ')} />, [flags]);
  const selected = useLesson((s) => (s.selectedModel === index ? s.selected : none));
  // While presenting, what has nothing to do goes to the next step, not to a piece.
  const presenting = useLesson((s) => s.presenting);
  const origins = useLesson((s) => s.origins);
  const lit = useLesson((s) => s.lit);
  const light = useLight(model, index);
  const layer = useRef<SVGSVGElement>(null);
  const hand = useHand({ model, index, scale, layer, drop, tap });
  const cursor = useCursor(model, index, tap);
  const still = model.pieces.filter((p) => !selected.has(p[0]));
  const chosen = model.pieces.filter((p) => selected.has(p[0]));
  const box = { width: model.w * scale, height: model.h * scale, viewBox: `0 0 ${model.w} ${model.h}` };
  return (
    <>
      {children}
      <svg
        {...box}
        className={cx(model.pieces.length > CROWD ? 'pieces crowd' : 'pieces')}
        role="application"
        aria-roledescription={name}
        aria-label={`${name[0]!.toUpperCase()}${name.slice(1)}. Arrow keys go from piece to piece, Space selects, Control A selects all.`}
        tabIndex={0}
        data-focus={presenting ? undefined : ''}
        onKeyDown={cursor.onKeyDown}
        onFocus={cursor.onFocus}
        onBlur={cursor.onBlur}
        {...hand.handlers}
        {...clips(index)}
      >
        <Backdrop decor={model.decor} />
        <PieceLayer pieces={still} draw={draw} origins={origins} lit={lit} light={light} />
        {model.flags.includes('numerals') && <Numerals decor={model.decor} />}
        <Rings pieces={model.pieces} />
        <Loops pieces={model.pieces} />
        <Fresh pieces={still} light={light} />
        {hand.ring && <path className={cx('lasso')} d={pathOf(hand.box ?? hand.ring, !!hand.box)} />}
        {cursor.at && <rect className={cx('cursor')} {...frameOf(cursor.at)} />}
      </svg>
      {chosen.length > 0 && (
        <svg {...box} className={cx('pieces chosen')} ref={layer} aria-hidden="true" {...hand.handlers}>
          <PieceLayer pieces={chosen} draw={draw} origins={origins} lit={lit} />
          {chosen.map((p) => (
            <rect key={p[0]} className={cx('halo')} {...frameOf(p)} />
          ))}
        </svg>
      )}
      <PointedAt />
    </>
  );
}

const pathOf = (line: Point[], closed: boolean) =>
  `M${line.map((p) => `${p.x} ${p.y}`).join('L')}${closed ? 'Z' : ''}`;

const frameOf = ([, , x, y, w, h]: Piece) => ({ x: x - 2, y: y - 2, width: w + 4, height: h + 4, rx: 3 });
