// In place of a page that could not be drawn. What was done is kept where it was; the page goes on
// by itself once, with a core of its own, and after that when it is told to.
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import type { FallbackProps } from 'react-error-boundary';
import { endCore, loadCore } from '../core/core';
import { useLesson } from '../state/lesson';
import { Flower } from './Mark';

/** For how long a page that went on has to stand, in milliseconds, until it may go on by itself again. */
const STANDS_MS = 10_000;
let wentOn = -Infinity;
const wentOnJustNow = () => performance.now() - wentOn < STANDS_MS;

export function Fault({ resetErrorBoundary }: FallbackProps) {
  const kept = useLesson((s) => s.save.kept);
  const [asks, setAsks] = useState(wentOnJustNow);
  useEffect(() => {
    if (wentOnJustNow()) return;
    wentOn = performance.now();
    endCore();
    loadCore().then(resetErrorBoundary, () => setAsks(true));
  }, [resetErrorBoundary]);
  if (!asks) return <main aria-busy="true" />;
  return (
    <main className="sign-in" role="alert">
      <Flower size={64} />
      <h1>This page has stopped</h1>
      <p>
        {kept
          ? 'What was done is kept, and is saved when the page is there again.'
          : 'This browser keeps nothing, so what was not saved yet is lost when the page is loaded again.'}
      </p>
      <Button type="primary" size="large" autoFocus onClick={() => location.reload()}>
        Load the page again
      </Button>
      <Button size="large" href="/">
        All lessons
      </Button>
    </main>
  );
}
