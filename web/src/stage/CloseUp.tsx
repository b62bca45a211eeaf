// The column that the step works, a second time and larger, for the last row. Single pieces, which
// stand in stacks in their column, lie in fives here.
import { StillPieces } from '../board/KeptCopies';
import { centreOf } from '../board/geometry';
import { useLightOf } from '../board/light';
import { Mark } from '../core/core';
import { names } from '../shell/names';
import { useLesson, type DrawnModel } from '../state/lesson';
import css from './CloseUp.module.css';
import type { CloseUp as Place } from './closeUp';

const cx = names(css);

export function CloseUp({ at }: { at: Place }) {
  const models = useLesson((s) => s.models);
  const lightOf = useLightOf();
  // Of columns that are looked at, that into which pieces came, or else the smallest that holds any.
  const worked = models.flatMap((model, i) => {
    const lit = lightOf(model, i)?.filter((z) => z.one && at.columns[z.id]) ?? [];
    const last = (has: (c: InColumn) => boolean) => lit.findLast((z) => has(columnOf(model, z.id)));
    return last(isFresh) ?? last(isHeld) ?? [];
  });
  const [zone] = worked.sort((a, b) => b.x - a.x);
  if (!zone) return null;
  const { scale, of, above } = at.columns[zone.id]!;
  const columns = of.flatMap((i) => (models[i] ? [columnOf(models[i], zone.id)] : []));
  if (columns.every((c) => c.pieces.length === 0)) return null;
  const { x, y, w, h } = at.rect;
  const parts = columns.length;
  const width = above ? w : w / parts;
  const height = (h - at.caption) / (above ? parts : 1);
  return (
    <figure className={cx('close-up')} style={{ left: x, top: y, width: w, height: h }}>
      <figcaption>{zone.label}</figcaption>
      <div className={cx(above ? 'columns above' : 'columns')} style={{ marginTop: at.caption }}>
        {columns.map((column, i) => (
          <Column
            key={i}
            column={column}
            label={`The ${zone.label}, larger`}
            inner={{ w: width / scale, h: height / scale }}
            width={width}
            height={height}
          />
        ))}
      </div>
    </figure>
  );
}

/** What lies in a column of a model. */
interface InColumn {
  model: DrawnModel;
  pieces: DrawnModel['pieces'];
  /** Where the column begins, from above; nowhere for pieces that lie in fives. */
  top: number | undefined;
}

const isFresh = ({ pieces }: InColumn) => pieces.some((p) => p[7] & Mark.fresh);
const isHeld = ({ pieces }: InColumn) => pieces.some((p) => !(p[7] & (Mark.taken | Mark.spent | Mark.copy)));

function columnOf(model: DrawnModel, id: string): InColumn {
  const zone = model.zones.find((z) => z.id === id);
  if (!zone) return { model, pieces: [], top: 0 };
  if (zone.place === 'ones' && model.fives?.length) return { model, pieces: model.fives, top: undefined };
  const pieces = model.pieces.filter((p) => {
    const { x, y } = centreOf(p);
    return x > zone.x && x < zone.x + zone.w && y > zone.y && y < zone.y + zone.h;
  });
  return { model, pieces, top: zone.y };
}

interface ColumnProps {
  column: InColumn;
  label: string;
  /** The room in model units. */
  inner: { w: number; h: number };
  width: number;
  height: number;
}

function Column({ column: { model, pieces, top }, label, inner, width, height }: ColumnProps) {
  // In the middle of its frame, and where it stood from above; what lies in fives, in the middle.
  const left = Math.min(...pieces.map((p) => p[2]));
  const right = Math.max(...pieces.map((p) => p[2] + p[4]));
  const low = Math.max(...pieces.map((p) => p[3] + p[5]));
  const from =
    pieces.length > 0 ? { x: (left + right - inner.w) / 2, y: top ?? (low - inner.h) / 2 } : { x: 0, y: 0 };
  return (
    <svg
      role="img"
      aria-label={label}
      width={width}
      height={height}
      viewBox={`${from.x} ${from.y} ${inner.w} ${inner.h}`}
    >
      <StillPieces kept={{ ...model, zones: [], decor: [], pieces }} />
    </svg>
  );
}
