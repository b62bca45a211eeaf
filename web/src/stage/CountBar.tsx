// Counting aloud: piece after piece is lit, and the number reached is said
// large, from the first or on from a part.
import { Button } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { create } from 'zustand';
import { call, type Reached } from '../core/core';
import { light, notify, onAnotherScene, sentence, useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './CountBar.module.css';

const cx = names(css);

/** The model whose pieces are counted, if one's are. */
export const useCount = create<{ model: number | undefined }>(() => ({ model: undefined }));

const counting = (model: number) => call('counting', { handle: useLesson.getState().handle, model });

/** Begins to count the pieces of a model. */
export function countAloud(model: number) {
  try {
    counting(model);
    useCount.setState({ model });
  } catch (error) {
    notify('refusal', sentence(error));
  }
}

export const stopCounting = () => useCount.setState({ model: undefined });

// What is counted is one board.
onAnotherScene(stopCounting);

/** Between two numbers when the board counts for itself, in milliseconds. */
const PACE = 900;

export function CountBar() {
  const model = useCount((s) => s.model);
  const notation = useLesson((s) => s.notation);
  // A board that has changed is counted afresh, unless nothing to count is left on it.
  const counts = useMemo(() => reached(model, notation), [model, notation]);
  return counts.length > 0 ? <Counting key={notation} counts={counts} /> : null;
}

/** Each piece of a model with the number that is reached with it, as the board lies in notation. */
function reached(model: number | undefined, notation: string): Reached[] {
  if (model === undefined || !notation) return [];
  try {
    return counting(model);
  } catch {
    return [];
  }
}

function Counting({ counts }: { counts: Reached[] }) {
  const [at, setAt] = useState(0);
  const [running, setRunning] = useState(false);
  const last = counts.length;
  useEffect(() => {
    light(counts.slice(0, at).map((c) => c.id));
  }, [counts, at]);
  useEffect(() => () => light([]), []);
  useEffect(() => {
    if (!running || at >= last) return;
    const timer = setTimeout(() => setAt(at + 1), PACE);
    return () => clearTimeout(timer);
  }, [running, at, last]);
  const now = counts[at - 1];
  const firstPart = counts.findIndex((c) => c.part !== counts[0]!.part);
  return (
    <div className={cx('bar-below count-bar')} role="toolbar" aria-label="Counting aloud">
      <output className={cx('count-now')} aria-live="polite">
        <b>{now?.upto ?? '0'}</b> {now?.words ?? 'zero'}
      </output>
      <Button disabled={at === 0} onClick={() => setAt(at - 1)}>
        One back
      </Button>
      <Button type="primary" disabled={at >= last} onClick={() => setAt(at + 1)}>
        Next one
      </Button>
      <Button disabled={at >= last} onClick={() => setRunning(!running)}>
        {running && at < last ? 'Pause' : 'Count by itself'}
      </Button>
      {firstPart > 0 && <Button onClick={() => setAt(firstPart)}>Count on from the first part</Button>}
      <Button onClick={stopCounting}>Done</Button>
    </div>
  );
}
