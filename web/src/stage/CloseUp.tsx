// The column that the step works, a second time and larger, for the last row. Single pieces, which
// stand in stacks in their column, lie in fives here.
import { Rings } from '../board/Rings';
import { StillPieces } from '../board/KeptCopies';
import { centreOf } from '../board/geometry';
import { useLight } from '../board/light';
import { names } from '../shell/names';
import { useLesson, type DrawnModel } from '../state/lesson';
import css from './CloseUp.module.css';
import type { CloseUp as Place } from './closeUp';

const cx = names(css);

export function CloseUp({ at }: { at: Place }) {
  const model = useLesson((s) => s.models[0]);
  return model ? <Column model={model} at={at} /> : null;
}

function Column({ model, at }: { model: DrawnModel; at: Place }) {
  const light = useLight(model, 0);
  // Of two columns that are looked at, pieces come into the smaller.
  const zone = light?.findLast((z) => z.one && at.scales[z.id]);
  if (!zone) return null;
  const inFives = zone.place === 'ones' && model.fives?.length ? model.fives : undefined;
  const pieces =
    inFives ??
    model.pieces.filter((p) => {
      const { x, y } = centreOf(p);
      return x > zone.x && x < zone.x + zone.w && y > zone.y && y < zone.y + zone.h;
    });
  if (pieces.length === 0) return null;
  const scale = at.scales[zone.id]!;
  const inner = { w: at.rect.w / scale, h: (at.rect.h - at.caption) / scale };
  // In the middle of its frame, and where it stood from above; what lies in fives, in the middle.
  const left = Math.min(...pieces.map((p) => p[2]));
  const right = Math.max(...pieces.map((p) => p[2] + p[4]));
  const low = inFives && Math.max(...pieces.map((p) => p[3] + p[5]));
  const top = low === undefined ? zone.y : (low - inner.h) / 2;
  const { x, y, w, h } = at.rect;
  return (
    <figure className={cx('close-up')} style={{ left: x, top: y, width: w, height: h }}>
      <figcaption style={{ height: at.caption }}>{zone.label}</figcaption>
      <svg
        role="img"
        aria-label={`The ${zone.label}, larger`}
        width={w}
        height={h - at.caption}
        viewBox={`${(left + right - inner.w) / 2} ${top} ${inner.w} ${inner.h}`}
      >
        <StillPieces kept={{ ...model, zones: [], decor: [], pieces }} />
        <Rings pieces={pieces} />
      </svg>
    </figure>
  );
}
