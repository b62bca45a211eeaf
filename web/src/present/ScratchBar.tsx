// What the teacher did by hand while presenting: kept as a step, or put away.
import { Button } from 'antd';
import { change } from '../state/acts';
import { names } from '../shell/names';
import css from './ScratchBar.module.css';

const cx = names(css);

interface Props {
  /** Whether the teacher wanted to go on. */
  offered: boolean;
  keep: () => void;
  putAway: () => void;
}

export function ScratchBar({ offered, keep, putAway }: Props) {
  return (
    <div className={cx('scratch-bar')} role="status">
      <span>{offered ? 'Keep what you did as a step?' : 'Scratch copy'}</span>
      <Button onClick={() => change('undo')}>Undo</Button>
      <Button onClick={keep}>Keep as a step</Button>
      <Button onClick={putAway}>{offered ? 'Put away and go on' : 'Put away'}</Button>
    </div>
  );
}
