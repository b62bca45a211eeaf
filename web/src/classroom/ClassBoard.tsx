// What the class sees: the code with its picture while the door is open, or work that was put
// up, side by side, with neither name nor verdict until the teacher gives it.
import { QRCode } from 'antd';
import { useEffect } from 'react';
import { useParams } from 'react-router';
import { Face, roomFor } from '../board/Face';
import { Flower } from '../shell/Mark';
import { names } from '../shell/names';
import type { Work } from '../state/classroom';
import css from './ClassBoard.module.css';
import { useClassBoard, useClassEvents } from './useClass';

const cx = names(css);

/** Boards that are so many times as wide as high stand under one another: so their pieces are largest. */
const LOW = 1.5;

export function ClassBoard() {
  const { id = '' } = useParams();
  const board = useClassBoard(id);
  useClassEvents(id);
  const name = board.data?.name;
  useEffect(() => {
    document.title = name ? `${name} – the board` : 'Unit Bloom';
  }, [name]);
  if (!board.data) return <main className={cx('board')} aria-busy="true" />;
  const { works, code } = board.data;
  if (works.length > 0) {
    // Side by side in one scale.
    const room = roomFor(works.flatMap((w) => w.views));
    return (
      <main className={cx('board up')}>
        <h1 className={cx('of')}>{works[0]!.of}</h1>
        <div className={cx(room.w > LOW * room.h ? 'works rows' : 'works')}>
          {works.map((w, i) => (
            <OneWork key={i} work={w} room={room} />
          ))}
        </div>
      </main>
    );
  }
  return (
    <main className={cx('board')}>
      <h1>{name}</h1>
      {code ? (
        <>
          <p>
            Go to <strong>{location.host}/desk</strong> and type
          </p>
          <output className={cx('code')}>{code}</output>
          {/* Whoever cannot see it has the letters. */}
          <div aria-hidden="true">
            <QRCode
              value={`${location.origin}/desk?code=${code}`}
              type="svg"
              size={260}
              bordered={false}
              color="#22302c"
              bgColor="#ffffff"
            />
          </div>
        </>
      ) : (
        <Flower size={220} />
      )}
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
