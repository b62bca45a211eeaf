// One task: what is asked, what there is to look at, and what the child gives.
import { useEffect, useRef, useState, type RefObject } from 'react';
import { Face } from '../board/Face';
import { names } from '../shell/names';
import type { DeskTask } from '../state/classroom';
import { give, keyOf, useDesk } from '../state/desk';
import { AnswerBoard, SeenBoard } from './AnswerBoard';
import { Bank } from './Bank';
import { Choices } from './Choices';
import { DigitPad } from './DigitPad';
import { Field } from './Field';
import { TaskLines } from './TaskLines';
import { ReasonField } from './ReasonField';
import css from './Task.module.css';
import { Turns, turnsOf } from './Turns';
import { useLed } from './useLed';
import type { Writing } from './writing';

const cx = names(css);

export interface TaskProps {
  set: string;
  n: number;
  task: DeskTask;
  /** The blank that a question was asked of, until something is changed. */
  asked: string | undefined;
}

/** What a digit pad can write. */
const PADDED = ['number', 'digits', 'expanded', 'sentence', 'sum'];
/** Where there may be a point in it. */
const POINTED = ['number', 'expanded'];
/** The signs that it has beside the digits. */
const SIGNS: Record<string, string> = { expanded: '+', sentence: '+−×=', sum: '+−×' };

export function Task({ set, n, task, asked }: TaskProps) {
  const answer = useDesk((s) => s.works[keyOf(set, n)]?.answer) ?? {};
  // Our digits write from the start, also where the first thing to do is on a board.
  const [at, setAt] = useState(
    (task.blanks.find((b) => PADDED.includes(b.gives)) ?? task.blanks[0])?.id ?? '',
  );
  const written = task.blanks.filter((b) => b.gives !== 'board');
  const turns = turnsOf(task);
  const [turn, setTurn] = useState(0);
  const goTo = (to: number) => {
    setTurn(to);
    setAt(turns[to]!.written[0]?.id ?? '');
  };
  useLed(asked, (id) => {
    if (written.some((b) => b.id === id)) setAt(id);
    const of = turns.findIndex((t) => t.board?.id === id || t.written.some((b) => b.id === id));
    if (of >= 0) setTurn(of);
  });
  const fields = useRef<HTMLDivElement>(null);
  const laid = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (asked) (fieldOf(fields, asked) ?? laid.current)?.scrollIntoView({ block: 'nearest' });
  }, [asked]);
  const writing: Writing = {
    at,
    setAt,
    asked,
    text: (blank) => answer[blank] ?? '',
    write: (blank, text) => give(set, n, blank, text),
  };
  const here = task.blanks.find((b) => b.id === at);
  const pad = task.blanks.some((b) => PADDED.includes(b.gives));
  // A board that nothing is laid on is there to be drawn round.
  const seen = task.board !== undefined && written.length === task.blanks.length;
  if (written.length === 0) {
    return (
      <section className={cx('task')} aria-label={task.ask}>
        <h2 className={cx('ask')}>{task.ask}</h2>
        <AnswerBoard set={set} n={n} task={task} asked={asked} />
      </section>
    );
  }
  return (
    <section className={cx(task.board === undefined ? 'task' : 'task both')} aria-label={task.ask}>
      <h2 className={cx('ask')}>{task.ask}</h2>
      <div className={cx(`sheet ${task.kind}`)} ref={fields}>
        {task.kind === 'match' ? (
          <Matched task={task} writing={writing} />
        ) : (
          <>
            {task.views.length > 0 && task.board === undefined && <Looked task={task} />}
            <div className={cx('given')}>
              {turns.length > 0 ? (
                <Turns turns={turns} at={turn} go={goTo} writing={writing} />
              ) : task.lines ? (
                <TaskLines task={task} writing={writing} />
              ) : (
                written.map((b) =>
                  b.gives === 'bank' ? (
                    <Choices key={b.id} texts={task.bank ?? []} blank={b} writing={writing} />
                  ) : b.gives === 'reason' ? (
                    <ReasonField key={b.id} blank={b} writing={writing} />
                  ) : (
                    <label key={b.id} className={cx('form')}>
                      {written.length > 1 && <span>{b.label}</span>}
                      <Field blank={b} writing={writing} name={b.label || task.ask} />
                    </label>
                  ),
                )
              )}
            </div>
          </>
        )}
      </div>
      {task.board !== undefined && (
        <div className={cx('laid')} ref={laid}>
          {seen ? (
            <SeenBoard set={set} n={n} task={task} />
          ) : (
            <AnswerBoard set={set} n={n} task={task} asked={asked} only={turns[turn]?.board?.id} />
          )}
        </div>
      )}
      <footer className={cx('foot')}>
        {task.bank && (task.lines || task.kind === 'match') && (
          <Bank texts={task.bank} task={task} writing={writing} />
        )}
        {pad && !task.bank && (
          <DigitPad
            signs={SIGNS[here?.gives ?? ''] ?? ''}
            point={task.blanks.some((b) => POINTED.includes(b.gives)) && task.pointed === true}
            writing={writing}
            off={!here || !PADDED.includes(here.gives)}
            long={here?.gives === 'digits' ? 2 : 24}
            focus={() => fieldOf(fields, at)?.focus()}
            over={task.board !== undefined}
          />
        )}
      </footer>
    </section>
  );
}

function fieldOf(fields: RefObject<HTMLDivElement | null>, blank: string) {
  return fields.current?.querySelector<HTMLInputElement>(`[data-blank="${CSS.escape(blank)}"]`);
}

/** How long a look is, in milliseconds. */
const LOOK_MS = 2000;

/** The board that is read: for as long as is wanted, or for two seconds at a press. */
function Looked({ task }: { task: DeskTask }) {
  const [looking, setLooking] = useState(!task.glimpse);
  const look = () => {
    setLooking(true);
    setTimeout(() => setLooking(false), LOOK_MS);
  };
  return (
    <div className={cx('looked on-paper')}>
      {task.boards?.[0]?.covered && (
        <p className={cx('covered')}>Under the cover: {task.boards[0].covered}</p>
      )}
      {looking ? (
        <Face models={task.views[0]!.models} name="The board" />
      ) : (
        <button type="button" className={cx('look')} onClick={look}>
          Look for two seconds
        </button>
      )}
    </div>
  );
}

/** Several boards, each with a place for what belongs to it. */
function Matched({ task, writing }: { task: DeskTask; writing: Writing }) {
  return (
    <ul className={cx('matched')}>
      {task.views.map((view, i) => {
        const blank = task.blanks[i]!;
        const text = writing.text(blank.id);
        return (
          <li key={blank.id}>
            <span className={cx('picture on-paper')}>
              <Face models={view.models} name={`Board ${i + 1}`} />
            </span>
            <button
              type="button"
              className={cx(
                `slot ${writing.at === blank.id ? 'here' : ''} ${writing.asked === blank.id ? 'asked' : ''}`,
              )}
              aria-pressed={writing.at === blank.id}
              aria-label={`Board ${i + 1}: ${text || 'empty'}`}
              onClick={() => {
                if (writing.at === blank.id && text) writing.write(blank.id, '');
                writing.setAt(blank.id);
              }}
            >
              {text}
            </button>
          </li>
        );
      })}
    </ul>
  );
}
