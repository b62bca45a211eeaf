// Work that was put up for the class, side by side in one scale, with neither name nor verdict
// until the teacher gives it.
import { Face, roomFor } from '../board/Face';
import { names } from '../shell/names';
import type { Work } from '../state/classroom';
import css from './Works.module.css';

const cx = names(css);

/** What of the screen pictures have, side by side and under one another. */
const SHARE = { w: 0.94, h: 0.6, row: 0.56, rows: 0.78 };

/** Whether pieces are larger when the works stand under one another. */
function under(n: number, room: { w: number; h: number }): boolean {
  const { innerWidth: w, innerHeight: h } = globalThis;
  const beside = Math.min((SHARE.w * w) / n / room.w, (SHARE.h * h) / room.h);
  return Math.min((SHARE.row * w) / room.w, (SHARE.rows * h) / n / room.h) > beside;
}

export function Works({ works }: { works: Work[] }) {
  const room = roomFor(works.flatMap((w) => w.views));
  return (
    <main className={cx('up')}>
      <h1>{works[0]!.of}</h1>
      <div className={cx(under(works.length, room) ? 'works rows' : 'works')}>
        {works.map((w, i) => (
          <OneWork key={i} work={w} room={room} />
        ))}
      </div>
    </main>
  );
}

function OneWork({ work, room }: { work: Work; room: { w: number; h: number } }) {
  return (
    <figure className={cx('work')}>
      {work.views.length > 0 && (
        <div className={cx('pictures')}>
          {work.views.map((v, i) => (
            <Face key={i} models={v.models} room={room} name="What was laid" />
          ))}
        </div>
      )}
      <figcaption>
        {work.lines.map((line, i) => (
          <p key={i}>{line}</p>
        ))}
        {work.name && <p className={cx('name')}>{work.name}</p>}
      </figcaption>
    </figure>
  );
}
