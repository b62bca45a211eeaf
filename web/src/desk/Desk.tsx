// What lies before a child: one task after another of what was set last, and where she is.
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Flower } from '../shell/Mark';
import { names } from '../shell/names';
import { Sign } from '../shell/Sign';
import { change } from '../state/acts';
import type { DeskSet, DeskView, Verdict } from '../state/classroom';
import { ask, handIn, keyOf, leaveDesk, useDesk, type DeskState } from '../state/desk';
import { useLesson } from '../state/lesson';
import css from './Desk.module.css';
import { Following } from './Following';
import { canSay, say } from './say';
import { Task } from './Task';

const cx = names(css);

export function Desk() {
  const view = useDesk((s) => s.view)!;
  const [of, setOf] = useState('');
  const [at, setAt] = useState('');
  const [kept, setKept] = useState('');
  const begun = useDesk((s) => s.view!.sets.find((one) => one.id === at && hasBegun(s, one)));
  const newest = view.sets[0];
  const chosen = view.sets.find((s) => s.id === of);
  // What is set meanwhile takes nobody from what she has begun, until she goes to it.
  const set = chosen ?? begun ?? newest;
  if (set && set.id !== at) setAt(set.id);
  if (begun && !chosen && begun !== newest) {
    setOf(begun.id);
    setKept(begun.id);
  }
  const choose = (id: string) => {
    setOf(id);
    setKept('');
  };
  const stage = useDesk((s) => s.stage);
  if (view.eyes) return <EyesUp view={view} />;
  if (stage) return <Following stage={stage} view={view} />;
  if (!set) return <Waiting view={view} />;
  const newer = kept === set.id && newest !== set ? newest : undefined;
  return <SetDesk key={set.id} view={view} set={set} choose={choose} newer={newer} />;
}

/** Whether something of a set was begun and not handed in. */
const hasBegun = ({ works, told }: DeskState, set: DeskSet) =>
  set.tasks.some((_, i) => {
    const key = keyOf(set.id, i);
    const given = Object.values(works[key]?.answer ?? {}).some((text) => text.trim() !== '');
    return given && !told[key] && !set.done.some((d) => d.task === i);
  });

/** Where a child is of a set: what she was told of each task. */
function useTold(set: DeskSet): (Verdict & { waits?: boolean; back?: string })[] {
  const told = useDesk((s) => s.told);
  return set.tasks.map((_, i) => {
    const now = told[keyOf(set.id, i)];
    // What waits is another answer than that of which the server has told.
    return now?.waits ? now : { ...set.done.find((d) => d.task === i), ...now };
  });
}

interface SetProps {
  view: DeskView;
  set: DeskSet;
  choose: (id: string) => void;
  /** What was set while she was at this. */
  newer: DeskSet | undefined;
}

function SetDesk({ view, set, choose, newer }: SetProps) {
  const told = useTold(set);
  const handed = useDesk((s) => s.told);
  const done = set.tasks.map(
    (_, i) => set.done.some((d) => d.task === i) || handed[keyOf(set.id, i)] !== undefined,
  );
  const [at, setAt] = useState(() => Math.max(0, done.indexOf(false)));
  const [just, setJust] = useState(false);
  const away = useDesk((s) => s.away);
  const task = set.tasks[at]!;
  const work = useDesk((s) => s.works[keyOf(set.id, at)]);
  const canUndo = useLesson((s) => s.frame.canUndo);
  const given = Object.values(work?.answer ?? {}).some((text) => text.trim() !== '');
  const n = set.tasks.length;
  const go = (to: number) => {
    setAt(to);
    setJust(false);
  };
  const next = () => {
    const open = [...done.keys()].find((i) => i > at && !done[i]) ?? done.indexOf(false);
    go(open >= 0 ? open : (at + 1) % n);
  };
  const result = told[at]!;
  return (
    <main className={cx('desk')}>
      <header className={cx('bar')}>
        <Flower size={54} filled={Math.round((10 * done.filter(Boolean).length) / n)} />
        <h1>{view.people.map((p) => p.name).join(' and ')}</h1>
        <nav className={cx('where')} aria-label="My tasks">
          <Button disabled={at === 0} aria-label="The task before" onClick={() => go(at - 1)}>
            ‹
          </Button>
          <span>
            {at + 1} of {n}
          </span>
          <Button disabled={at === n - 1} aria-label="The next task" onClick={() => go(at + 1)}>
            ›
          </Button>
        </nav>
        {view.sets.length > 1 && (
          <select
            className={cx('sets')}
            aria-label="Which tasks"
            value={set.id}
            onChange={(e) => choose(e.target.value)}
          >
            {view.sets.map((s) => (
              <option key={s.id} value={s.id}>
                {s.title}
              </option>
            ))}
          </select>
        )}
        <span className={cx('grow')} />
        {away && <span className={cx('away')}>No network. Your work is kept.</span>}
        {canSay() && <Button onClick={() => say(task.ask)}>Say it</Button>}
        {task.board !== undefined && (
          <Button disabled={!canUndo} onClick={() => change('undo')}>
            Undo
          </Button>
        )}
        <Button aria-pressed={view.asks} onClick={() => ask(set.id, at, !view.asks)}>
          {view.asks ? 'Hand down' : 'I need help'}
        </Button>
        <Button
          type="primary"
          className={cx('hand-in')}
          disabled={!given}
          onClick={() => {
            setJust(true);
            void handIn(set.id, at);
          }}
        >
          Hand in
        </Button>
        {newer && (
          <p className={cx('newer')} role="status">
            New tasks have come.
            <Button onClick={() => choose(newer.id)}>Go to them</Button>
          </p>
        )}
      </header>
      {work ? (
        <Task
          key={`${set.id} ${at}`}
          set={set.id}
          n={at}
          task={task}
          // Where there is but one thing to look at, nothing is pointed to.
          asked={done[at] && !work.changed && task.blanks.length > 1 ? result.at : undefined}
        />
      ) : (
        <p className={cx('middle')} role="status">
          {away ? 'This task comes when the network is back.' : 'Your task is coming …'}
        </p>
      )}
      <Told
        result={result}
        done={done[at]! && !work?.changed}
        just={just}
        all={done.every(Boolean)}
        last={n === 1}
        next={next}
        stay={() => setJust(false)}
      />
    </main>
  );
}

interface ToldProps {
  result: Verdict & { waits?: boolean; back?: string };
  done: boolean;
  just: boolean;
  all: boolean;
  last: boolean;
  next: () => void;
  stay: () => void;
}

/** What a child is told of what she handed in. */
function Told({ result, done, just, all, last, next, stay }: ToldProps) {
  const away = useDesk((s) => s.away);
  if (!done) return <div className={cx('told none')} role="status" />;
  const words = () => {
    const later = away
      ? 'Kept. It is handed in when the network is back.'
      : 'It is on its way to your teacher.';
    const kept = result.waits ? later : '';
    if (result.right === undefined) return kept || 'Handed in.';
    if (result.right) return `Yes, that is right. ${kept}`.trim();
    return `Not yet. ${result.hint ?? 'Look again.'} ${kept}`.trim();
  };
  const again = result.right === false;
  return (
    <div className={cx(`told ${result.right ? 'right' : again ? 'again' : ''}`)} role="status">
      <p>
        {words()}
        {result.calls && ' Your teacher will come.'}
        {result.back && <span className={cx('back')}> Your teacher says: {result.back}</span>}
        {all && !again && ' You have done them all.'}
      </p>
      {canSay() && <Button onClick={() => say(words())}>Say it</Button>}
      {again && just && <Button onClick={stay}>Try again</Button>}
      {!last && (
        <Button type={again ? 'default' : 'primary'} onClick={next}>
          {all ? 'Look at another' : 'Next'}
        </Button>
      )}
    </div>
  );
}

function Who({ view }: { view: DeskView }) {
  return (
    <h1 className={cx('who')}>
      {view.people.map((p) => (
        <span key={p.id}>
          <span aria-hidden="true">
            <Sign n={p.sign} size={72} />
          </span>
          {p.name}
        </span>
      ))}
    </h1>
  );
}

/** Nothing is set now. */
function Waiting({ view }: { view: DeskView }) {
  return (
    <main className={cx('still')}>
      <Who view={view} />
      <p role="status">You are in {view.class}. Your tasks come soon.</p>
      <Button size="large" onClick={() => void leaveDesk()}>
        {view.people.length > 1 ? 'These are not us' : 'This is not me'}
      </Button>
    </main>
  );
}

/** The teacher wants all eyes. */
function EyesUp({ view }: { view: DeskView }) {
  useEffect(() => {
    (document.activeElement as HTMLElement | null)?.blur();
  }, []);
  return (
    <main className={cx('still')}>
      <Who view={view} />
      <p role="status" className={cx('eyes')}>
        Eyes up!
      </p>
      <p>Your work is kept.</p>
    </main>
  );
}
