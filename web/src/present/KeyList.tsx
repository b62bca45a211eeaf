// The keys while presenting, as a list to look at.
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import css from './KeyList.module.css';

const cx = names(css);

const keys = [
  ['→, Space, Page Down', 'Next'],
  ['←, Page Up', 'Back'],
  ['R', 'Reveal the answer'],
  ['B', 'Blank the board, and back'],
  ['F', 'Full screen'],
  ['W', 'Written work, shown or not'],
  ['L', 'All in full light, or what the step looks at'],
  ['Home', 'To the start of the scene'],
  ['Esc', 'Quit, where it stands'],
  ['?', 'This list'],
] as const;

export function KeyList({ open, close }: { open: boolean; close: () => void }) {
  return (
    <Dialog title="Keys while presenting" open={open} onCancel={close} footer={null}>
      <dl className={cx('keys')}>
        {keys.map(([key, what]) => (
          <div key={key}>
            <dt>{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
