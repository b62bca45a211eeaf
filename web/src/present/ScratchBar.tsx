// What the teacher did by hand while presenting: kept as a step, or put away.
import { Button } from 'antd';
import { change } from '../state/acts';
import { names } from '../shell/names';
import { useLesson } from '../state/lesson';
import { keepBoard } from './showing';
import css from './ScratchBar.module.css';

const cx = names(css);

interface Props {
  /** Whether the teacher wanted to go on. */
  offered: boolean;
  keep: () => void;
  putAway: () => void;
}

export function ScratchBar({ offered, keep, putAway }: Props) {
  const showing = useLesson((s) => s.showing);
  return (
    <div className={cx('scratch-bar')} role="status">
      <span>{offered ? 'Keep what you did as a step?' : 'Scratch copy'}</span>
      <Button onClick={() => change('undo')}>Undo</Button>
      <Button onClick={keep}>Keep as a step</Button>
      {showing && (
        <Button
          onClick={() => {
            keep();
            keepBoard();
          }}
        >
          Keep in the lesson
        </Button>
      )}
      <Button onClick={putAway}>{offered ? 'Put away and go on' : 'Put away'}</Button>
    </div>
  );
}
