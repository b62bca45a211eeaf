// What stands round each page of a class: where one is, and the way back.
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Flower } from '../shell/Mark';
import { names } from '../shell/names';
import { Notices } from '../shell/Notices';
import { useDarkRoom } from '../shell/room';
import css from './Frame.module.css';

const cx = names(css);

interface Props {
  title: string;
  back: { to: string; word: string };
  tools?: ReactNode;
  children: ReactNode;
}

export function Frame({ title, back, tools, children }: Props) {
  useDarkRoom();
  return (
    <div className={cx('frame')}>
      <header className={cx('bar')}>
        <Link to={back.to} className={cx('home')} aria-label={back.word}>
          <Flower size={34} />
        </Link>
        <h1>{title}</h1>
        <span className={cx('grow')} />
        <Link to={back.to} className={cx('back')}>
          {back.word}
        </Link>
        {tools}
      </header>
      <main className={cx('main')}>{children}</main>
      <Notices />
    </div>
  );
}
