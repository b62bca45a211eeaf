// The numbers of this lesson as tasks for a class: what, how many, whose numbers, which help; and
// each as a child will see it, before it is set.
import { Alert, Button, Checkbox, Input, Radio } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { call, type SheetView } from '../core/core';
import { Dialog, Select } from '../shell/later';
import { names } from '../shell/names';
import { classes, type DeskSet, type Help, type SetWish } from '../state/classroom';
import { sentence, useLesson } from '../state/lesson';
import { openDocument } from '../state/session';
import { SeenTasks } from './SeenTasks';
import css from './SetDialog.module.css';
import { KINDS, thereOf, ToDo, unchosen, wantedOf, type Choice } from './ToDo';
import { TrySet } from './TrySet';
import { isHere, useOwnClasses, useToday } from './useClass';
import { always, timesOf, WhenAndWho } from './WhenAndWho';

const cx = names(css);

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
  const [choice, setChoice] = useState(unchosen);
  const change = (some: Partial<Choice>) => setChoice((was) => ({ ...was, ...some }));
  const [own, setOwn] = useState(false);
  const [help, setHelp] = useState<Help>('hint');
  const [title, setTitle] = useState(outline.title);
  const [when, setWhen] = useState(always);
  const [tried, setTried] = useState<DeskSet>();
  const [why, setWhy] = useState('');
  const go = useNavigate();
  // All that can be made of what was chosen: only the kinds that are in it are offered.
  const { pieces, more, seed } = choice;
  const every = useSheet({ handle, scenes, kinds: KINDS, pieces, more, seed });
  const possible = KINDS.filter((k) => every.tasks.some((t) => t.kind === k));
  const there = thereOf(choice, possible);
  const wanted = wantedOf(choice, there);
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
      isHere(to.id);
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
          <ToDo choice={choice} change={change} possible={possible} there={there} />
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
        <SeenTasks tasks={tasks} fault={fault} />
      </div>
      {why && <Alert type="warning" title={why} />}
    </Dialog>
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
