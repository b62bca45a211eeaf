// What was put up, on the stage: what it says can go into the record of the lesson.
import { Button } from 'antd';
import { Up } from '../classwork/Works';
import { names } from '../shell/names';
import { setRecord } from '../state/acts';
import type { ClassBoard } from '../state/classroom';
import { useLesson } from '../state/lesson';
import css from './UpOnStage.module.css';

const cx = names(css);

/** What is put up, a line each; with the name where that is shown. */
function linesOf({ works, all }: ClassBoard): string[] {
  const said = all
    ? all.groups.map((g) => g.lines.join(', '))
    : works.map((w) => (w.name ? `${w.name}: ` : '') + w.lines.join(', '));
  return [...new Set(said.filter((line) => line !== ''))];
}

interface Props {
  board: ClassBoard;
  takeDown: () => void;
}

export function UpOnStage({ board, takeDown }: Props) {
  const { record } = useLesson((s) => s.outline);
  const scene = useLesson((s) => s.frame.scene);
  const said = linesOf(board);
  const fresh = said.filter((line) => !record.some((kept) => kept.text === line));
  const keep = () => setRecord([...record, ...fresh.map((text) => ({ text, scene }))]);
  return (
    <div className={cx('up-on-stage')}>
      <Up board={board} />
      <div className={cx('acts')}>
        <Button disabled={fresh.length === 0} onClick={keep}>
          {said.length > 0 && fresh.length === 0 ? 'In our record' : 'Add to our record'}
        </Button>
        <Button onClick={takeDown}>Take down</Button>
      </div>
    </div>
  );
}
