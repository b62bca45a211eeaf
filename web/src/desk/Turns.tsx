// Turns of dice or cards, one at a time: what was thrown, and the number that a child makes of it.
import { Button } from 'antd';
import { names } from '../shell/names';
import type { DeskTask } from '../state/classroom';
import { Field } from './Field';
import css from './Turns.module.css';
import type { Writing } from './writing';

const cx = names(css);

type Blank = DeskTask['blanks'][number];

export interface Turn {
  /** What was thrown, where it stands there already. */
  thrown: string;
  written: Blank[];
  board: Blank | undefined;
}

/** The turns of a task, a row of its table each; none of other tasks. */
export function turnsOf(task: DeskTask): Turn[] {
  if (task.kind !== 'turns') return [];
  return (task.lines ?? [])
    .filter((line) => line.kind === 'row')
    .map(({ cells }) => {
      const blanks = task.blanks.filter((b) => cells.some((c) => c.blank === b.id));
      return {
        thrown: cells[1]?.text ?? '',
        written: blanks.filter((b) => b.gives !== 'board'),
        board: blanks.find((b) => b.gives === 'board'),
      };
    });
}

interface Props {
  turns: Turn[];
  at: number;
  go: (turn: number) => void;
  writing: Writing;
}

export function Turns({ turns, at, go, writing }: Props) {
  const turn = turns[at]!;
  const form = (b: Blank) => (
    <label key={b.id} className={cx('form')}>
      <span>{b.label}</span>
      <Field blank={b} writing={writing} name={`${b.label}, turn ${at + 1}`} />
    </label>
  );
  const first = turn.written.filter((b) => b.gives === 'number' || b.gives === 'digits');
  return (
    <div className={cx('turns')}>
      <div className={cx('which')} role="group" aria-label="Turns">
        {turns.map((t, i) => {
          const number = t.written.find((b) => b.gives === 'number');
          const made = number && writing.text(number.id);
          return (
            <Button key={i} aria-pressed={i === at} onClick={() => go(i)}>
              {`Turn ${i + 1} `}
              {made && <b>{made}</b>}
            </Button>
          );
        })}
      </div>
      <div className={cx('made')}>
        {turn.thrown && (
          <p className={cx('thrown')} role="img" aria-label={`Thrown: ${turn.thrown}`}>
            {turn.thrown.split(', ').map((digit, i) => (
              <span key={i}>{digit}</span>
            ))}
          </p>
        )}
        {first.map(form)}
      </div>
      {turn.written.filter((b) => !first.includes(b)).map(form)}
    </div>
  );
}
