// A number sentence as it is typed beside the model: judged against itself and
// against what the models show, its unknown filled, a false chain given arrows.
import { Button } from 'antd';
import { useMemo } from 'react';
import { call, CoreError, type Verdict } from '../core/core';
import { useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './Judged.module.css';

const cx = names(css);

const isSentence = (text: string) => /[=<>≈]/.test(text);

/** The verdict on a text as it stands; none where there is nothing to judge. */
export function verdictOf(text: string): Verdict | undefined {
  const verdict = judged(useLesson.getState().handle, text);
  return typeof verdict === 'string' ? undefined : verdict;
}

function judged(handle: number, text: string): Verdict | string | undefined {
  if (!isSentence(text) || !handle) return undefined;
  try {
    return call('judge', { handle, text });
  } catch (error) {
    return error instanceof CoreError ? error.message : undefined;
  }
}

/** The verdict on a text, or why it is none. Nothing for a text without a sign. */
export function useVerdict(text: string): Verdict | string | undefined {
  const handle = useLesson((s) => s.handle);
  const notation = useLesson((s) => s.notation);
  // The models may have changed though the text has not.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  return useMemo(() => judged(handle, text), [text, handle, notation]);
}

/** What is said of the sentence that is being typed. */
export function Judged({ text, put }: { text: string; put: (text: string) => void }) {
  const verdict = useVerdict(text);
  if (verdict === undefined) return null;
  if (typeof verdict === 'string') return <p className={cx('judged')}>{verdict}</p>;
  return (
    <div className={cx(`judged ${verdict.state}`)} role="status">
      {verdict.state === 'open' ? (
        <Button onClick={() => put(verdict.solved ?? text)}>Fill in the unknown</Button>
      ) : (
        <p>{verdict.said}</p>
      )}
      {verdict.arrow && <Button onClick={() => put(verdict.arrow ?? text)}>Write it with arrows</Button>}
      {verdict.model && verdict.state === 'true' && <p>{verdict.model}</p>}
    </div>
  );
}

interface StandingProps {
  text: string;
  /** Writes the sentence with its unknown filled. */
  fill: (solved: string) => void;
}

/** How a sentence that is kept stands: true, not true, or with an unknown that can be filled. */
export function Standing({ text, fill }: StandingProps) {
  const verdict = useVerdict(text);
  if (!verdict || typeof verdict === 'string') return null;
  const { state, solved } = verdict;
  if (state === 'open' && solved) {
    return (
      <Button className={cx('fill')} onClick={() => fill(solved)}>
        Fill in
      </Button>
    );
  }
  const words = { true: 'true', false: 'not true', open: 'claimed', claimed: 'claimed' }[state];
  return <em className={cx(`standing ${state}`)}>{words}</em>;
}
