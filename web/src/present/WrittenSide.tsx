// The written work, in the room that it needs in the end; what was written last is seen, however much there is.
import { useEffect, useRef } from 'react';
import { useLesson } from '../state/lesson';
import { Lines } from '../record/Lines';
import { Written } from '../record/Written';
import type { Rect } from '../stage/compose';
import { WaysTold } from '../stage/WayLayer';
import { names } from '../shell/names';
import css from './WrittenSide.module.css';

const cx = names(css);

export function WrittenSide({ at, rows, row }: { at: Rect; rows: number; row: boolean }) {
  const { written, lines, ways } = useLesson((s) => s.frame);
  const side = useRef<HTMLElement>(null);
  useEffect(() => {
    const el = side.current;
    // A digit on its way reaches a little beyond; it moves nothing.
    if (el && el.scrollHeight > el.clientHeight + 8) el.scrollTop = el.scrollHeight;
  }, [lines, written, ways]);
  if (!written && lines.length + ways.length === 0) return null;
  return (
    <aside
      ref={side}
      className={cx(`written ${row ? 'row' : ''}`)}
      style={{ left: at.x, top: at.y, width: at.w, height: at.h }}
      aria-label="Written work"
    >
      {written && <Written work={written} />}
      {lines.length > 0 && <Lines lines={lines} rows={rows} row={row} />}
      <WaysTold />
    </aside>
  );
}
