// The written work, in the room that it needs in the end; what was written last is seen, however much there is.
import { useEffect, useRef, type CSSProperties } from 'react';
import { useLesson } from '../state/lesson';
import { isBond, Lines } from '../record/Lines';
import { Written } from '../record/Written';
import type { Rect } from '../stage/arrangement';
import { WaysTold } from '../stage/WayLayer';
import { names } from '../shell/names';
import css from './WrittenSide.module.css';

const cx = names(css);

interface Props {
  at: Rect;
  /** How many rows of a table stand under one another. */
  rows: number;
  /** Whether its parts stand beside one another; then bonds have the room for as many as there will be. */
  row: boolean;
  bonds: number;
  /** How far from their beginning the = of all sentences stands, in pixels. */
  equals: number;
  /** How wide the columns of its table will be, in pixels. */
  columns: number[];
}

export function WrittenSide({ at, rows, row, bonds, equals, columns }: Props) {
  const { written, lines, ways } = useLesson((s) => s.frame);
  const side = useRef<HTMLElement>(null);
  useEffect(() => {
    const el = side.current;
    // A digit on its way reaches a little beyond; it moves nothing.
    if (el && el.scrollHeight > el.clientHeight + 8) el.scrollTop = el.scrollHeight;
  }, [lines, written, ways]);
  const drawn = row && bonds > 0 ? lines.filter(isBond) : undefined;
  const told = drawn ? lines.filter((line) => !isBond(line)) : lines;
  if (!written && lines.length + ways.length === 0) return null;
  return (
    <aside
      ref={side}
      className={cx(`written ${row ? 'row' : ''}`)}
      style={{ left: at.x, top: at.y, width: at.w, height: at.h }}
      aria-label="Written work"
    >
      {written && <Written work={written} />}
      {drawn && (
        <div className={cx('bonds')} style={{ '--bonds': bonds } as CSSProperties}>
          <Lines lines={drawn} />
        </div>
      )}
      {told.length > 0 && <Lines lines={told} rows={rows} equals={equals} columns={columns} />}
      <WaysTold />
    </aside>
  );
}
