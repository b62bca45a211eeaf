// How the school has a lesson: not, to look at, or to copy.
import { Button } from 'antd';
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import type { Sharing } from '../state/api';
import css from './ShareDialog.module.css';

const cx = names(css);

const WAYS: { way: Sharing; title: string; says: string }[] = [
  { way: '', title: 'With nobody', says: 'It is yours alone.' },
  { way: 'read', title: 'To look at', says: 'Colleagues find it, open it and present it.' },
  { way: 'copy', title: 'To copy', says: 'They can also make copies of their own, and change those.' },
];

interface Props {
  shared: Sharing;
  close: () => void;
  share: (shared: Sharing) => void;
}

export function ShareDialog({ shared, close, share }: Props) {
  return (
    <Dialog title="Share with the school" open footer={null} onCancel={close}>
      <p>Only you change it, whichever you choose.</p>
      <ul className={cx('ways')}>
        {WAYS.map(({ way, title, says }) => (
          <li key={way}>
            <Button
              block
              className={cx('way')}
              aria-pressed={way === shared}
              onClick={() => {
                share(way);
                close();
              }}
            >
              <strong>{title}</strong>
              <span>{says}</span>
            </Button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
