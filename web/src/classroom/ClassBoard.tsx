// What the class sees: the code with its picture while the door is open, or work that was put
// up, side by side, with neither name nor verdict until the teacher gives it.
import { QRCode } from 'antd';
import { useEffect } from 'react';
import { useParams } from 'react-router';
import { Flower } from '../shell/Mark';
import { names } from '../shell/names';
import css from './ClassBoard.module.css';
import { useClassBoard, useClassEvents } from '../classwork/useClass';
import { isUp, Up } from '../classwork/Works';

const cx = names(css);

export function ClassBoard() {
  const { id = '' } = useParams();
  const board = useClassBoard(id);
  useClassEvents(id);
  const name = board.data?.name;
  useEffect(() => {
    document.title = name ? `${name} – the board` : 'Unit Bloom';
  }, [name]);
  if (!board.data) return <main className={cx('board')} aria-busy="true" />;
  const { code } = board.data;
  if (isUp(board.data)) return <Up board={board.data} />;
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
