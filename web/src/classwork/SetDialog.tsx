// The numbers of this lesson as tasks for a class: what, how many, whose numbers, which help; and
// each as a child will see it, before it is set.
import { Alert, Button, Checkbox, Input, Radio } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { Face } from '../board/Face';
import { call, type FaceLine, type SheetView } from '../core/core';
import { Dialog, InputNumber, Select } from '../shell/later';
import { names } from '../shell/names';
import { classes, type DeskSet, type Help, type SetWish } from '../state/classroom';
import { kindsToChoose } from '../state/kinds';
import { sentence, useLesson } from '../state/lesson';
import { openDocument } from '../state/session';
import { turnsText, TurnsChoice } from '../wish/TurnsChoice';
import css from './SetDialog.module.css';
import { TrySet } from './TrySet';
import { useOwnClasses, useToday } from './useClass';
import { always, timesOf, WhenAndWho } from './WhenAndWho';

const cx = names(css);

/** What can be made of boards and examples; what of nothing but a choice here. */
const KINDS = ['count', 'build', 'read', 'match', 'fill', 'column', 'steps', 'ways', 'choose'];
/** What is set only where it is chosen. */
const UNASKED = ['steps', 'ways'];
const ALONE = ['own', 'quick', 'turns', 'explain'];
const OWN = [
  { value: 'sum', label: 'A sum' },
  { value: 'sum, regroup', label: 'A sum that regroups' },
  { value: 'sum, both ways round', label: 'A sum, both ways round' },
  { value: 'sum, two colours', label: 'A sum in two colours' },
  { value: 'difference', label: 'A difference' },
  { value: 'difference, regroup', label: 'A difference that regroups' },
  { value: 'product', label: 'A product' },
];
const FACTS = ['within 10', 'within 20', 'doubles', 'bonds of 10', 'tables of 2, 5 and 10', 'tables'];
const PIECES = [
  { value: 'any', label: 'with any pieces' },
  { value: 'fewest', label: 'with as few pieces as can be' },
  { value: 'tens and ones', label: 'with tens and ones only' },
];
const LOOKS = [
  { value: 'long', label: 'seen as long as wanted' },
  { value: 'glimpse', label: 'seen for two seconds' },
];
const THROWN = [
  { value: 'already', label: 'thrown by the device' },
  { value: 'by the child', label: 'thrown by the child, with real ones' },
];
const LAST = [
  { value: '1', label: 'the last step' },
  { value: '2', label: 'the last two steps' },
  { value: 'all', label: 'all steps' },
];
const HELPS: { value: Help; label: string }[] = [
  { value: 'hint', label: 'Right or not yet, then a question as a hint' },
  { value: 'right', label: 'Right or not yet' },
  { value: 'none', label: 'Nothing: I look at it' },
];

interface Props {
  close: () => void;
  /** Where one goes when it is set; to the wall when left out. */
  then?: (of: string, set: string) => void;
}

export function SetDialog({ close, then }: Props) {
  const lastClass = useToday((s) => s.of);
  const known = useOwnClasses();
  const handle = useLesson((s) => s.handle);
  const outline = useLesson((s) => s.outline);
  const here = useLesson((s) => s.frame.scene);
  const boards = outline.scenes.filter((s) => !s.page || s.page === 'word');
  const [chosen, setChosen] = useState('');
  const [scenes, setScenes] = useState(() => (boards.some((s) => s.id === here) ? [here] : []));
  const [kinds, setKinds] = useState<string[]>();
  const [alone, setAlone] = useState<string[]>([]);
  const [facts, setFacts] = useState(FACTS[1]!);
  const [ofOwn, setOfOwn] = useState(OWN[0]!.value);
  const [most, setMost] = useState(20);
  const [turns, setTurns] = useState({ n: 4, count: 2, kind: 'six' });
  const [thrown, setThrown] = useState('already');
  const [question, setQuestion] = useState('');
  const [shown, setShown] = useState(false);
  const [pieces, setPieces] = useState('any');
  const [several, setSeveral] = useState<number>();
  const [look, setLook] = useState('long');
  const [last, setLast] = useState('1');
  const [more, setMore] = useState(2);
  const [seed, setSeed] = useState(1);
  const [own, setOwn] = useState(false);
  const [help, setHelp] = useState<Help>('hint');
  const [title, setTitle] = useState(outline.title);
  const [when, setWhen] = useState(always);
  const [tried, setTried] = useState<DeskSet>();
  const [why, setWhy] = useState('');
  const go = useNavigate();
  // All that can be made of what was chosen: only the kinds that are in it are offered.
  const every = useSheet({ handle, scenes, kinds: KINDS, pieces, more, seed });
  const possible = KINDS.filter((k) => every.tasks.some((t) => t.kind === k));
  const there = possible.filter((k) => kinds?.includes(k) ?? !UNASKED.includes(k));
  // To see in another way is the point of seeing; to show a number once is enough.
  const ways = several ?? (there.includes('build') ? 1 : 2);
  const asked = [...there, ...alone.filter((k) => k !== 'explain' || question.trim() !== '')];
  const conditions = `${ofOwn}, at most ${most}, on counters`;
  const wanted = {
    kinds: asked,
    facts,
    conditions,
    question: question.trim(),
    shown,
    turns: turnsText(turns),
    thrown,
    pieces,
    ways,
    glimpse: look === 'glimpse',
    last,
    more,
    seed,
  };
  const { tasks, fault } = useSheet({ handle, scenes, ...wanted });
  const list = known.data ?? [];
  const to = list.find((c) => c.id === (chosen || lastClass)) ?? list[0];
  const wish = (): SetWish => {
    const lesson = openDocument() as { scenes: { id: string }[] };
    return {
      title: title.trim(),
      lesson: { ...lesson, scenes: lesson.scenes.filter((s) => scenes.includes(s.id)) },
      forms: [],
      ...wanted,
      own,
      help,
      ...timesOf(when),
    };
  };
  const tryIt = async () => {
    if (!to) return;
    try {
      setTried(await classes.trySet(to.id, wish()));
    } catch (error) {
      setWhy(sentence(error));
    }
  };
  const set = async () => {
    if (!to) return;
    try {
      const made = await classes.makeSet(to.id, wish());
      useToday.setState({ of: to.id });
      if (then) then(to.id, made.id);
      else void go(`/class/${to.id}/wall/${made.id}`);
    } catch (error) {
      setWhy(sentence(error));
    }
  };
  if (known.data && list.length === 0) {
    return (
      <Dialog title="Set for a class" open footer={null} onCancel={close}>
        <p>There is no class yet.</p>
        <Link to="/classes">Make a class from a list of names</Link>
      </Dialog>
    );
  }
  return (
    <Dialog
      title="Set for a class"
      open
      width={tried ? 1100 : 900}
      style={{ top: 24 }}
      onCancel={close}
      okText={to ? `Set for ${to.name}` : 'Set'}
      okButtonProps={{ disabled: !to || tasks.length === 0 || when.only?.length === 0 }}
      onOk={() => void set()}
      footer={(own) => (
        <div className={cx('foot')}>
          {tried ? (
            <Button onClick={() => setTried(undefined)}>Back to the choices</Button>
          ) : (
            <Button disabled={!to || tasks.length === 0} onClick={() => void tryIt()}>
              Try it as a child
            </Button>
          )}
          <span>{own}</span>
        </div>
      )}
    >
      {tried && to && <TrySet set={tried} of={to.name} />}
      <div className={cx('set')} hidden={tried !== undefined}>
        <div className={cx('choices')}>
          <Field name="What it is called">
            <Input value={title} maxLength={200} onChange={(e) => setTitle(e.target.value)} />
          </Field>
          {list.length > 1 && (
            <Field name="Class">
              <Select
                aria-label="Class"
                value={to?.id ?? ''}
                options={list.map((c) => ({ value: c.id, label: c.name }))}
                onChange={(id) => {
                  setChosen(id);
                  setWhen({ ...when, only: undefined });
                }}
              />
            </Field>
          )}
          <fieldset>
            <legend>From</legend>
            <Checkbox.Group
              className={cx('list')}
              value={scenes}
              options={boards.map((s, i) => ({ value: s.id, label: `${i + 1}. ${s.title || 'A board'}` }))}
              onChange={setScenes}
            />
          </fieldset>
          <fieldset>
            <legend>To do</legend>
            <Checkbox.Group
              className={cx('list')}
              value={there}
              options={kindsToChoose(possible)}
              onChange={setKinds}
            />
            {there.includes('build') && (
              <Select aria-label="Which pieces" value={pieces} options={PIECES} onChange={setPieces} />
            )}
            {(there.includes('build') || there.includes('ways')) && (
              <label className={cx('more')}>
                In so many ways
                <InputNumber min={1} max={3} value={ways} onChange={(n) => setSeveral(n ?? 1)} />
              </label>
            )}
            {there.includes('read') && (
              <Select aria-label="How long it is seen" value={look} options={LOOKS} onChange={setLook} />
            )}
            {there.includes('steps') && (
              <Select aria-label="Which steps" value={last} options={LAST} onChange={setLast} />
            )}
            <Checkbox.Group
              className={cx('list')}
              value={alone}
              options={kindsToChoose(ALONE)}
              onChange={setAlone}
            />
            {alone.includes('quick') && (
              <Select
                aria-label="Which facts"
                value={facts}
                options={FACTS.map((f) => ({ value: f, label: f }))}
                onChange={setFacts}
              />
            )}
            {alone.includes('own') && (
              <span className={cx('more')}>
                <Select aria-label="Which sentence" value={ofOwn} options={OWN} onChange={setOfOwn} />
                up to
                <InputNumber
                  aria-label="No number above"
                  min={6}
                  max={100}
                  value={most}
                  onChange={(n) => setMost(n ?? 20)}
                />
              </span>
            )}
            {alone.includes('turns') && (
              <>
                <span className={cx('more')}>
                  <TurnsChoice turns={turns} change={setTurns} />
                </span>
                <Select aria-label="Who throws" value={thrown} options={THROWN} onChange={setThrown} />
              </>
            )}
            {alone.includes('explain') && (
              <>
                <Input
                  aria-label="What is to be explained"
                  placeholder="How do you know that …?"
                  value={question}
                  maxLength={200}
                  onChange={(e) => setQuestion(e.target.value)}
                />
                <Checkbox checked={shown} onChange={(e) => setShown(e.target.checked)}>
                  in words, or on the board
                </Checkbox>
              </>
            )}
            <label className={cx('more')}>
              More like each
              <InputNumber min={0} max={9} value={more} onChange={(n) => setMore(n ?? 0)} />
              <Button disabled={more === 0} onClick={() => setSeed(seed + 1)}>
                Others
              </Button>
            </label>
          </fieldset>
          <fieldset>
            <legend>Numbers</legend>
            <Radio.Group
              vertical
              value={own}
              options={[
                { value: false, label: 'The same for all' },
                { value: true, label: 'For each child her own, equally hard' },
              ]}
              onChange={(e) => setOwn(e.target.value as boolean)}
            />
          </fieldset>
          <fieldset>
            <legend>What a child is told</legend>
            <Radio.Group
              vertical
              value={help}
              options={HELPS}
              onChange={(e) => setHelp(e.target.value as Help)}
            />
          </fieldset>
          {to && <WhenAndWho key={to.id} of={to.id} when={when} change={setWhen} />}
        </div>
        <section className={cx('seen')} aria-label="As a child will see it">
          <h3>{tasks.length === 1 ? 'One task' : `${tasks.length} tasks`}</h3>
          {fault && <Alert type="warning" title={fault} />}
          {!fault && tasks.length === 0 && <p>Choose boards and what is to be done.</p>}
          <ol>
            {tasks.map((t, i) => (
              <li key={i}>
                <p>{t.ask}</p>
                {t.views.length > 0 && (
                  <span className={cx('pictures on-paper')}>
                    {t.views.slice(0, 4).map((v, k) => (
                      <Face key={k} models={v.models} />
                    ))}
                  </span>
                )}
                {t.lines && t.kind !== 'column' && <Lines lines={t.lines} />}
              </li>
            ))}
          </ol>
        </section>
      </div>
      {why && <Alert type="warning" title={why} />}
    </Dialog>
  );
}

/** What stands there with its gaps: a table as one, and the rest in a row. */
function Lines({ lines }: { lines: FaceLine[] }) {
  const rows = lines.filter((l) => l.kind === 'heads' || l.kind === 'row');
  const cells = (l: FaceLine) => l.cells.map((c) => (c.blank ? '□' : c.text));
  return (
    <>
      {rows.length > 0 && (
        <table className={cx('lines')}>
          <tbody>
            {rows.map((l, i) => (
              <tr key={i}>
                {cells(l).map((text, k) =>
                  l.kind === 'heads' ? <th key={k}>{text}</th> : <td key={k}>{text}</td>,
                )}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className={cx('lines')}>
        {lines
          .filter((l) => l.kind !== 'said' && !rows.includes(l))
          .map((l) => cells(l).join(' '))
          .join(' · ')}
      </p>
    </>
  );
}

type SheetArgs = Parameters<typeof call<'sheet'>>[1];

/** The tasks of a choice, or why there are none. */
function useSheet(args: SheetArgs): { tasks: SheetView['tasks']; fault: string } {
  const key = JSON.stringify(args);
  return useMemo(() => {
    try {
      return { tasks: call('sheet', JSON.parse(key) as SheetArgs).tasks, fault: '' };
    } catch (error) {
      return { tasks: [], fault: sentence(error) };
    }
  }, [key]);
}

function Field({ name, children }: { name: string; children: ReactNode }) {
  return (
    <label className="field">
      {name}
      {children}
    </label>
  );
}
