// A link that says what the class shall see: it opens as a lesson of one's own.
import { useEffect, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { loadCore } from '../core/core';
import { sentence } from '../state/lesson';
import { school } from '../state/school';
import { makeLesson } from '../state/session';
import { understand } from './understand';

/** The lesson that a link's line makes, made once: an effect may run twice. */
const made = new Map<string, Promise<string>>();

async function lessonOf(line: string): Promise<string> {
  await loadCore();
  const wished = understand(line, (await school()).words);
  if (!wished.lesson) throw new Error(wished.faults.map((f) => f.why).join(' '));
  return makeLesson(wished.lesson);
}

export function OpenLine() {
  const [params] = useSearchParams();
  const line = params.get('line') ?? '';
  const go = useNavigate();
  const [why, setWhy] = useState('');
  useEffect(() => {
    let gone = false;
    const making = made.get(line) ?? lessonOf(line);
    made.set(line, making);
    making.then(
      (id) => {
        made.delete(line);
        // Back leads to where the link was, and not to another lesson.
        if (!gone) void go(`/lesson/${id}`, { replace: true, state: { ready: true } });
      },
      (error: unknown) => {
        made.delete(line);
        if (!gone) setWhy(sentence(error));
      },
    );
    return () => {
      gone = true;
    };
  }, [line, go]);
  return (
    <main className="centre">
      <h1 className="sr-only">Unit Bloom</h1>
      {why ? <p role="alert">This link does not say what to show. {why}</p> : <p role="status">Opening …</p>}
      {why && <Link to="/">To the shelf</Link>}
    </main>
  );
}
