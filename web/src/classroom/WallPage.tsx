// The wall: what the class handed in, by what was answered, and who needs the teacher. It stands
// in the teacher's window only; nothing re-sorts under her finger.
import { Alert, Button, Checkbox } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { Face, roomFor } from '../board/Face';
import { Columns } from '../classwork/Columns';
import { names } from '../shell/names';
import { classes, nothingUp, timeOf, type Group, type Wall, type WallTask } from '../state/classroom';
import { notify, sentence } from '../state/lesson';
import { openBoard, TextDialog } from './ClassPage';
import { Frame } from './Frame';
import { Replay } from './Replay';
import { useClass, useClassBoard, useClassEvents, usePutUp, useWall } from '../classwork/useClass';
import css from './WallPage.module.css';

const cx = names(css);

export function WallPage() {
  const { id = '', set = '' } = useParams();
  const wall = useWall(set);
  useClassEvents(id);
  const title = wall.data?.set.title;
  useEffect(() => {
    document.title = title ? `${title} – the wall` : 'Unit Bloom';
  }, [title]);
  if (wall.error)
    return (
      <Frame title="The wall" back={{ to: `/class/${id}`, word: 'The class' }}>
        <Alert type="warning" showIcon title={sentence(wall.error)} />
      </Frame>
    );
  if (!wall.data) return <main aria-busy="true" />;
  return <Whole id={id} wall={wall.data} />;
}

const tell = (deed: Promise<unknown>) =>
  void deed.catch((error: unknown) => notify('refusal', sentence(error)));

/** How many works stand side by side on the board at most. */
const MOST_UP = 3;

function Whole({ id, wall }: { id: string; wall: Wall }) {
  const [at, setAt] = useState(0);
  const up = useClassBoard(id).data?.up ?? nothingUp;
  const putUp = usePutUp(id);
  const view = useClass(id).data;
  const eyes = view?.eyes ?? false;
  const over = timeOf(wall.set) === 'over';
  const task = wall.tasks[Math.min(at, wall.tasks.length - 1)]!;
  const turn = (attempt: string) => {
    // What stands side by side is of one task.
    const beside = up.attempts.filter((a) => a !== attempt && task.who[a]);
    const attempts = up.attempts.includes(attempt) ? beside : [...beside, attempt].slice(-MOST_UP);
    putUp({ attempts, named: up.named });
  };
  return (
    <Frame
      title={wall.class}
      back={{ to: `/class/${id}`, word: 'The class' }}
      tools={
        view &&
        !view.by && (
          <>
            <Button onClick={() => openBoard(id)}>The class’s board</Button>
            <Button aria-pressed={eyes} onClick={() => tell(classes.change(id, { eyes: !eyes }))}>
              {eyes ? 'Go on' : 'Eyes up'}
            </Button>
            <Button onClick={() => tell(classes.endSet(wall.set.id, !over))}>
              {over ? 'Go on with these tasks' : 'End these tasks'}
            </Button>
          </>
        )
      }
    >
      <div className={cx('wall')}>
        <section className={cx('answers')} aria-label="What was handed in">
          {wall.tasks.length > 1 && (
            <nav className={cx('tasks')} aria-label="Tasks">
              {wall.tasks.map((t, i) => (
                <Button key={i} aria-pressed={i === at} onClick={() => setAt(i)}>
                  {i + 1}
                  <small>
                    {t.handed} of {wall.children}
                  </small>
                </Button>
              ))}
            </nav>
          )}
          <h2 className={cx('ask')}>{wall.set.own ? `${task.ask} (each her own numbers)` : task.ask}</h2>
          <p className={cx('count')} role="status">
            {task.handed} of {wall.children} handed in
          </p>
          {view && !view.by && !wall.set.own && !(up.set === wall.set.id && up.task === at) && (
            <Button type="text" onClick={() => putUp({ set: wall.set.id, task: at })}>
              Put all answers up
            </Button>
          )}
          {up.set && (
            <div className={cx('up-bar')} role="group" aria-label="On the board">
              <span>On the class’s board: all answers, as they come</span>
              <Button onClick={() => putUp({})}>Take down</Button>
            </div>
          )}
          {up.attempts.length > 0 && (
            <div className={cx('up-bar')} role="group" aria-label="On the board">
              <span>
                On the class’s board:{' '}
                {up.attempts.length === 1 ? 'one work' : `${up.attempts.length} works side by side`}
              </span>
              <Checkbox checked={up.named} onChange={(e) => putUp({ ...up, named: e.target.checked })}>
                with names
              </Checkbox>
              <Button onClick={() => putUp({})}>Take down</Button>
            </div>
          )}
          <Groups
            key={at}
            reads={!!view?.by}
            set={wall.set.id}
            n={at}
            task={task}
            up={up.attempts}
            turn={turn}
          />
          {task.mistakes.map((m) => (
            <p key={m.id} className={cx('habit')}>
              As if {m.as}: {m.n} of the {m.of} whose problem could show it.
            </p>
          ))}
        </section>
        <aside className={cx('people')} aria-label="Who needs you">
          {wall.asks.length > 0 && (
            <div>
              <h3>Asks</h3>
              <ul>
                {wall.asks.map((p) => (
                  <li key={p.id}>
                    {p.name}
                    {!view?.by && (
                      <Button type="text" onClick={() => tell(classes.answered(wall.set.id, p.id))}>
                        I was there
                      </Button>
                    )}
                  </li>
                ))}
              </ul>
            </div>
          )}
          <People title="Not yet begun" who={wall.notBegun} />
          <People title="Quiet for a while" who={wall.quiet} />
          <People title="Without a device" who={wall.away} />
          <Link className={cx('paper')} to={`/class/${id}/wall/${wall.set.id}/paper`}>
            {wall.away.length > 0 ? 'Print it for them' : 'On paper'}
          </Link>
        </aside>
      </div>
    </Frame>
  );
}

function People({ title, who }: { title: string; who: string[] }) {
  if (who.length === 0) return null;
  return (
    <div>
      <h3>{title}</h3>
      <p>{who.join(', ')}</p>
    </div>
  );
}

interface GroupsProps {
  /** Whether the class is only looked at. */
  reads: boolean;
  set: string;
  n: number;
  task: WallTask;
  up: string[];
  turn: (attempt: string) => void;
}

/** Groups stand in the order in which they were first seen, whatever comes after. */
function Groups({ reads, set, n, task, up, turn }: GroupsProps) {
  const [order, setOrder] = useState<string[]>([]);
  const fresh = task.groups.map((g) => g.key).filter((key) => !order.includes(key));
  if (fresh.length > 0) setOrder([...order, ...fresh]);
  const groups = task.groups.toSorted((a, b) => order.indexOf(a.key) - order.indexOf(b.key));
  if (groups.length === 0)
    return <p className={cx('none')}>Nothing yet. What is handed in comes here by itself.</p>;
  // All boards in one scale: a ten is as long wherever it lies.
  const room = roomFor(groups.flatMap((g) => g.views));
  return (
    <ul className={cx('groups')}>
      {groups.map((g) => (
        <OneGroup
          key={g.key}
          reads={reads}
          set={set}
          n={n}
          group={g}
          room={room}
          task={task}
          up={up}
          turn={turn}
        />
      ))}
    </ul>
  );
}

const NEXT: Record<Group['next'], string> = {
  'go on': 'Go on',
  ask: 'Ask them',
  another: 'Another like it',
  'sit with': 'Sit with them',
  read: 'Read it',
};

interface GroupProps {
  reads: boolean;
  set: string;
  n: number;
  group: Group;
  room: { w: number; h: number };
  task: WallTask;
  up: string[];
  turn: (attempt: string) => void;
}

/** A hand-in of the list, and whose it is. */
interface Chosen {
  attempt: string;
  name: string;
}

function OneGroup({ reads, set, n, group, room, task, up, turn }: GroupProps) {
  const [open, setOpen] = useState(false);
  // Whose it is stays known where she hands in again meanwhile.
  const [back, setBack] = useState<Chosen>();
  const [replayed, setReplayed] = useState<Chosen>();
  const [given, setGiven] = useState(false);
  const { who } = task;
  const [first] = group.who;
  const give = () => {
    setGiven(true);
    const pupils = group.who.flatMap((a) => who[a]?.pupils ?? []);
    void classes
      .another(set, n, pupils)
      .then(() =>
        notify('info', 'They have another like it, each her own. Its wall is on the page of the class.'),
      )
      .catch((error: unknown) => {
        setGiven(false);
        notify('refusal', sentence(error));
      });
  };
  const shown = group.who.find((a) => up.includes(a));
  return (
    <li className={cx('group')}>
      <div className={cx('head')}>
        <span className={cx('picture on-paper')}>
          {group.views.map((v, i) => (
            <Face key={i} models={v.models} room={room} name="What was laid" />
          ))}
          {group.columns && <Columns lines={group.columns} />}
        </span>
        <Button type="text" aria-expanded={open} onClick={() => setOpen(!open)}>
          who
        </Button>
        <output className={cx('n')} aria-label="Children">
          {group.children}
        </output>
      </div>
      <div className={cx('said')}>
        {group.shows && <strong>{group.shows}</strong>}
        {group.lines.map((line, i) => (
          <p key={i}>{line}</p>
        ))}
      </div>
      {group.as.length > 0 && <p className={cx('as')}>As if {group.as.join(', or as if ')}.</p>}
      <p className={cx('next')}>
        <b>{NEXT[group.next]}</b>
        {group.ask && <span>{group.ask}</span>}
      </p>
      <div className={cx('tools')}>
        {!reads && (
          <Button aria-pressed={!!shown} onClick={() => turn(shown ?? first!)}>
            {shown ? 'Take down' : 'Put up'}
          </Button>
        )}
        {!group.right && !reads && (
          <Button disabled={given} onClick={give}>
            {given ? 'Given' : 'Give another'}
          </Button>
        )}
      </div>
      {open && (
        <ul className={cx('names')}>
          {group.who.map((a) => {
            const h = who[a];
            if (!h) return null;
            return (
              <li key={a}>
                <span>
                  {h.name}
                  <small>
                    {[
                      h.late && 'late',
                      h.away && `${Math.ceil(h.away / 60)} min without the network`,
                      h.back && 'given back',
                    ]
                      .filter(Boolean)
                      .join(', ')}
                  </small>
                </span>
                {task.lays && (
                  <Button type="text" onClick={() => setReplayed({ attempt: a, name: h.name })}>
                    Replay
                  </Button>
                )}
                {!reads && (
                  <>
                    <Button type="text" onClick={() => turn(a)}>
                      {up.includes(a) ? 'Take down' : 'Put up'}
                    </Button>
                    <Button type="text" onClick={() => setBack({ attempt: a, name: h.name })}>
                      Give back
                    </Button>
                  </>
                )}
              </li>
            );
          })}
        </ul>
      )}
      {replayed && <Replay set={set} {...replayed} close={() => setReplayed(undefined)} />}
      {back && (
        <TextDialog
          title={`Give back to ${back.name}`}
          label="A word for her"
          was={group.ask ?? ''}
          ok="Give back"
          close={() => setBack(undefined)}
          save={(word) => tell(classes.giveBack(set, back.attempt, word))}
        />
      )}
    </li>
  );
}
