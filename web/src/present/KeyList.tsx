// The keys while presenting, as a list to look at.
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import type { Deeds } from './More';
import css from './KeyList.module.css';

const cx = names(css);

/** The presses of a lesson; a clicker has them too. */
const presses = [
  ['→, Space, Page Down', 'Next'],
  ['←, Page Up', 'Back'],
  ['R', 'Reveal the answer, or what is held back'],
  ['0 to 9', 'A number for a free board'],
] as const;

interface Props {
  open: boolean;
  close: () => void;
  groups: Deeds[];
}

export function KeyList({ open, close, groups }: Props) {
  const others = groups.flatMap((g) => g.deeds).flatMap((d) => (d.key ? [[d.key, d.word] as const] : []));
  return (
    <Dialog title="Keys while presenting" open={open} onCancel={close} footer={null}>
      <dl className={cx('keys')}>
        {[...presses, ...others].map(([key, what]) => (
          <div key={key}>
            <dt>{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
