// The record while presenting: in a column of its own, large enough for the last row.
import { Kept } from '../record/Kept';
import { names } from '../shell/names';
import css from './RecordSide.module.css';

const cx = names(css);

export function RecordSide() {
  return (
    <aside className={cx('record-side')} aria-label="Record">
      <Kept />
    </aside>
  );
}
