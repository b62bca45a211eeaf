// A child's three pictures: her key, before she can write.
import { Button } from 'antd';
import { useState } from 'react';
import { names } from '../shell/names';
import { KEY_LENGTH, PICTURES, pictureOf, Sign } from '../shell/Sign';
import css from './Door.module.css';

const cx = names(css);

interface Props {
  name: string;
  /** Why the last three did not open. */
  why: string;
  done: (key: string) => void;
  back: () => void;
}

export function PictureKey({ name, why, done, back }: Props) {
  const [taken, setTaken] = useState<number[]>([]);
  const tap = (n: number) => {
    const now = [...taken, n];
    setTaken(now.length < KEY_LENGTH ? now : []);
    if (now.length === KEY_LENGTH) done(now.join(' '));
  };
  return (
    <main className={cx('tiles-page')}>
      <header className={cx('head')}>
        <h1>{name}</h1>
        <p className={cx('ask')} role="status">
          {(taken.length === 0 && why) || 'Tap your three pictures.'}
        </p>
        <span className={cx('taken')} role="img" aria-label={`${taken.length} of ${KEY_LENGTH} tapped`}>
          {Array.from({ length: KEY_LENGTH }, (_, i) => (
            <i key={i} className={cx(i < taken.length ? 'full' : '')} />
          ))}
        </span>
        <span className={cx('grow')} />
        <Button size="large" onClick={back}>
          That is not me
        </Button>
      </header>
      <ul className={cx('tiles pictures')}>
        {Array.from({ length: PICTURES }, (_, n) => (
          <li key={n}>
            <button type="button" className={cx('tile')} onClick={() => tap(n)}>
              <Sign n={pictureOf(n)} size={72} />
            </button>
          </li>
        ))}
      </ul>
    </main>
  );
}
