// The board that an answer is laid on: the pieces, gestures and keys are those that the class
// saw. Its counts are off, as to count is what is asked for.
import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { names } from '../shell/names';
import { SkipLink } from '../shell/SkipLink';
import { Composition } from '../stage/Composition';
import type { DeskTask } from '../state/classroom';
import { give, keyOf, useDesk } from '../state/desk';
import { closeWays, openWays, useDrawing } from '../stage/drawing';
import { useLesson } from '../state/lesson';
import { closeLesson, openDocument, openLoose } from '../state/session';
import css from './AnswerBoard.module.css';
import { useLed } from './useLed';

const cx = names(css);

interface Props {
  set: string;
  n: number;
  task: DeskTask;
  /** The blank that a question was asked of. */
  asked: string | undefined;
  /** The one of its boards that is there now, where something else says so. */
  only?: string | undefined;
}

export function AnswerBoard({ set, n, task, asked, only }: Props) {
  const blanks = task.blanks.filter((b) => b.gives === 'board' && (only === undefined || b.id === only));
  const [at, setAt] = useState(0);
  useLed(asked, (id) => {
    const to = blanks.findIndex((b) => b.id === id);
    if (to >= 0) setAt(to);
  });
  const blank = blanks[at]!;
  // A step goes on from what the step before left.
  const before = useDesk((s) => {
    const boards = s.works[keyOf(set, n)]?.boards;
    return task.kind === 'steps' && at > 0 ? boards?.[blanks[at - 1]!.id] : undefined;
  });
  return (
    <div className={cx(blank.id === asked ? 'room asked' : 'room')}>
      {blanks.length > 1 && (
        <div className={cx('ways')} role="group" aria-label={task.kind === 'steps' ? 'Steps' : 'Ways'}>
          {blanks.map((b, i) => (
            <Button key={b.id} aria-pressed={i === at} onClick={() => setAt(i)}>
              {b.label || `Way ${i + 1}`}
            </Button>
          ))}
        </div>
      )}
      <Laid key={blank.id} set={set} n={n} blank={blank.id} start={before ?? task.board} />
    </div>
  );
}

/** A board of which a child says how she sees it: she can draw round the parts. */
export function SeenBoard({ set, n, task }: { set: string; n: number; task: DeskTask }) {
  const status = useLesson((s) => s.status);
  const drawn = useDrawing((s) => s.drawn.length > 0);
  const id = `desk ${set} ${n} seen`;
  const mine = useLesson((s) => s.id === id);
  useEffect(() => {
    void openLoose(id, task.board).then(openWays);
    return () => {
      closeWays();
      closeLesson();
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);
  return (
    <div className={cx('room')}>
      {mine && status === 'open' && <Composition building={false} />}
      <div className={cx('ways')}>
        <Button disabled={!drawn} onClick={openWays}>
          Draw anew
        </Button>
      </div>
    </div>
  );
}

interface LaidProps {
  set: string;
  n: number;
  blank: string;
  start: unknown;
}

/** One board, as it was left. */
function Laid({ set, n, blank, start }: LaidProps) {
  const status = useLesson((s) => s.status);
  const failure = useLesson((s) => s.failure);
  const notation = useLesson((s) => s.notation);
  const id = `desk ${set} ${n} ${blank}`;
  const mine = useLesson((s) => s.id === id);
  // What lies there at first is no answer.
  const empty = useRef<string>(undefined);
  useEffect(() => {
    const left = useDesk.getState().works[keyOf(set, n)]?.boards[blank];
    void openLoose(id, left ?? start).then(() => {
      empty.current = left === undefined ? useLesson.getState().notation : '';
    });
    return closeLesson;
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);
  useEffect(() => {
    if (!mine || status !== 'open' || empty.current === undefined) return;
    give(set, n, blank, notation === empty.current ? '' : notation, openDocument());
  }, [mine, status, notation, set, n, blank]);
  if (status === 'failed') return <p role="alert">{failure}</p>;
  return (
    <>
      <SkipLink />
      {mine && status === 'open' && <Composition building />}
    </>
  );
}
