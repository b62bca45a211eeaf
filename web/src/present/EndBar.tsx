// The end of the lesson, once the class has tried to go on from it.
import { Button } from 'antd';
import { show } from '../state/acts';
import { useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './EndBar.module.css';

const cx = names(css);

export function EndBar({ toRecord, quit }: { toRecord: () => void; quit: () => void }) {
  const first = useLesson((s) => s.outline.scenes[0]?.id);
  return (
    <div className={cx('end-bar')} role="status">
      <span>This is the end of the lesson.</span>
      <Button onClick={() => first && show(first, 0)}>Begin again</Button>
      <Button onClick={toRecord}>To the record</Button>
      <Button onClick={quit}>Quit</Button>
    </div>
  );
}
