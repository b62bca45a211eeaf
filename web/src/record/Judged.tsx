// A number sentence as it is typed beside the model: judged against itself and
// against what the models show, its unknown filled, a false chain given arrows.
import { Button } from 'antd';
import { useMemo } from 'react';
import { call, CoreError, type Verdict } from '../core/core';
import { useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './Judged.module.css';

const cx = names(css);

const isSentence = (text: string) => /[=<>]/.test(text);

/** The verdict on a text, or why it is none. Nothing for a text without a sign. */
export function useVerdict(text: string): Verdict | string | undefined {
  const handle = useLesson((s) => s.handle);
  const notation = useLesson((s) => s.notation);
  return useMemo(() => {
    if (!isSentence(text) || !handle) return undefined;
    try {
      return call('judge', { handle, text });
    } catch (error) {
      return error instanceof CoreError ? error.message : undefined;
    }
    // The models may have changed though the text has not.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [text, handle, notation]);
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

/** The sign of a sentence that is kept: true, not true, or still claimed. */
export function Standing({ text }: { text: string }) {
  const verdict = useVerdict(text);
  if (!verdict || typeof verdict === 'string') return null;
  const words = { true: 'true', false: 'not true', open: 'claimed', claimed: 'claimed' }[verdict.state];
  return <em className={cx(`standing ${verdict.state}`)}>{words}</em>;
}
