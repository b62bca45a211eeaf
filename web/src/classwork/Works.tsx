// Work that was put up for the class, side by side in one scale, with neither name nor verdict
// until the teacher gives it.
import { Face, roomFor } from '../board/Face';
import { names } from '../shell/names';
import { together } from '../shell/together';
import { Columns } from './Columns';
import type { Answers, ClassBoard as Board, Work } from '../state/classroom';
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

/** What of the class's board is put up, if anything. */
export const isUp = (board: Pick<Board, 'works' | 'all'> | undefined) =>
  !!board && (board.works.length > 0 || board.all !== null);

/** What is put up: works side by side, or all answers to a task. */
export function Up({ board }: { board: Board }) {
  return board.all ? <AllAnswers all={board.all} /> : <Works works={board.works} />;
}

/** All answers as they come, each with how many gave it; those that came first stand first. */
function AllAnswers({ all: { of, groups } }: { all: Answers }) {
  const room = roomFor(groups.flatMap((g) => g.views));
  return (
    <main className={cx('up')}>
      <Asked of={of} />
      {groups.length === 0 && <p className={cx('waiting')}>What is handed in comes here.</p>}
      <ul className={cx('answers')}>
        {groups.map((g, i) => (
          <li key={i}>
            <output aria-label="Children">{g.n}</output>
            <span>
              {g.lines.map((line, k) => (
                <p key={k}>{together(line)}</p>
              ))}
            </span>
            {g.views.length > 0 && (
              <div className={cx('pictures')}>
                {g.views.map((v, k) => (
                  <Face key={k} models={v.models} room={room} name="What was laid" />
                ))}
              </div>
            )}
            {g.columns && (
              <div className={cx('written')}>
                <Columns lines={g.columns} />
              </div>
            )}
          </li>
        ))}
      </ul>
    </main>
  );
}

/** From so many letters on what was asked leaves more room to what was answered. */
const LONG = 45;

const Asked = ({ of }: { of: string }) => <h1 className={cx(of.length > LONG ? 'long' : undefined)}>{of}</h1>;

function Works({ works }: { works: Work[] }) {
  const room = roomFor(works.flatMap((w) => w.views));
  const pictured = works.some((w) => w.views.length > 0);
  return (
    <main className={cx('up')}>
      <Asked of={works[0]!.of} />
      <div className={cx(pictured && under(works.length, room) ? 'works rows' : 'works')}>
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
      {work.columns && (
        <div className={cx('written')}>
          <Columns lines={work.columns} />
        </div>
      )}
      <figcaption>
        {work.lines.map((line, i) => (
          <p key={i}>{together(line)}</p>
        ))}
        {work.name && <p className={cx('name')}>{work.name}</p>}
      </figcaption>
    </figure>
  );
}
