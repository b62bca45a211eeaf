// A lesson on paper: a sheet for children, a worked example step by step, or a board as a
// poster. What is seen here is what the browser prints.
import { Button, Checkbox, Input, InputNumber, Radio, Select } from 'antd';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { call, type SheetView } from '../core/core';
import { Flower } from '../shell/Mark';
import { Notices } from '../shell/Notices';
import { NotOpened } from '../shell/NotOpened';
import { names } from '../shell/names';
import { useSettled } from '../shell/useSettled';
import { classes } from '../state/classroom';
import { kindsToChoose } from '../state/kinds';
import { sentence, useLesson } from '../state/lesson';
import { openLesson } from '../state/session';
import { linkOf } from '../wish/address';
import { turnsText, TurnsChoice } from '../wish/TurnsChoice';
import { Linked } from './Linked';
import { MANY, openMany } from './many';
import css from './PaperPage.module.css';
import { posterBlocks, stripBlocks, type AnswersAt } from './Strip';
import { answerBlocks, Group, Head, PaperChoice, paperOf, Pages, type PaperSize } from './Pages';
import { sheetBlocks } from './TaskItems';
import type { Block } from './usePages';

export { SetPaper } from './SetPaper';

const cx = names(css);

const WHATS = [
  { value: 'sheet', label: 'A sheet for children' },
  { value: 'steps', label: 'An example, step by step' },
  { value: 'poster', label: 'A board as a poster' },
] as const;
type What = (typeof WHATS)[number]['value'];

/** What can be printed; the first ones are, where nothing else is chosen. */
const KINDS = ['read', 'build', 'match', 'fill', 'column', 'turns', 'ways', 'steps'];
const UNASKED = ['turns', 'ways', 'steps'];
const FORMS = [
  { value: 'number', label: 'as a number' },
  { value: 'units', label: 'in tens and ones' },
  { value: 'expanded', label: 'as a sum of its parts' },
  { value: 'words', label: 'in words' },
];
export function PaperPage() {
  const { id = MANY } = useParams();
  const [params] = useSearchParams();
  const lessons = params.get('lessons') ?? '';
  const status = useLesson((s) => s.status);
  const title = useLesson((s) => s.outline.title);
  useEffect(() => {
    const { id: open, status: was } = useLesson.getState();
    if (id === MANY)
      void openMany(lessons.split(',')).catch((error: unknown) =>
        useLesson.setState({ status: 'failed', failure: sentence(error) }),
      );
    else if (open !== id || was !== 'open') void openLesson(id);
  }, [id, lessons]);
  useEffect(() => {
    document.title = title ? `${title} – on paper` : 'Unit Bloom';
  }, [title]);
  if (status === 'failed') return <NotOpened />;
  if (status === 'loading') {
    return (
      <main className={cx('alone')}>
        <p role="status">Opening the lesson …</p>
      </main>
    );
  }
  return <Paper id={id} />;
}

function Paper({ id }: { id: string }) {
  const back =
    id === MANY
      ? { to: '/', word: 'Back to the shelf' }
      : { to: `/lesson/${id}`, word: 'Back to the lesson' };
  const outline = useLesson((s) => s.outline);
  const [params, setParams] = useSearchParams();
  const asked = params.get('as');
  const what: What = WHATS.find((w) => w.value === asked)?.value ?? 'sheet';
  const [size, setSize] = useState<PaperSize>('A4');
  const [mono, setMono] = useState(false);
  const [answers, setAnswers] = useState<AnswersAt>('page');
  const [linked, setLinked] = useState(false);
  const here = params.get('scene');
  const [scenes, setScenes] = useState(() => {
    const all = outline.scenes.filter((s) => !s.page || s.page === 'word').map((s) => s.id);
    return here && all.includes(here) ? [here] : all;
  });
  const chosen = outline.scenes.filter((s) => scenes.includes(s.id));
  const paper = paperOf(size, what === 'poster');
  const made = useMade(what, scenes, answers, linked);
  return (
    <div className={cx('paper')}>
      <header className={cx('bar')}>
        <Link to={back.to} className={cx('home')} aria-label={back.word}>
          <Flower size={30} />
        </Link>
        <h1>{outline.title}</h1>
        <span className={cx('grow')} />
        <Link to={back.to} className={cx('back')}>
          {back.word}
        </Link>
        <Button type="primary" disabled={made.blocks.length === 0} onClick={() => print()}>
          Print
        </Button>
      </header>
      <aside className={cx('choices')} aria-label="What is printed">
        <Group name="What">
          <Radio.Group
            vertical
            value={what}
            options={[...WHATS]}
            onChange={(e) => setParams((p) => (p.set('as', e.target.value as string), p), { replace: true })}
          />
        </Group>
        {outline.scenes.length > 0 && (
          <Group name="From">
            <Select
              mode="multiple"
              aria-label="Boards and examples"
              className={cx('scenes')}
              value={scenes}
              maxTagCount={3}
              placeholder="None"
              options={outline.scenes
                .filter((s) => !s.page || s.page === 'word')
                .map((s, i) => ({ value: s.id, label: `${i + 1}. ${s.title || 'A board'}` }))}
              onChange={setScenes}
            />
          </Group>
        )}
        {made.choices}
        {what === 'steps' && (
          <Group name="Answers">
            <Radio.Group
              vertical
              value={answers}
              options={[
                { value: 'page', label: 'On the page' },
                { value: 'turned', label: 'Turned over, at the end' },
                { value: 'nowhere', label: 'For the children to write' },
              ]}
              onChange={(e) => setAnswers(e.target.value as AnswersAt)}
            />
          </Group>
        )}
        <PaperChoice size={size} setSize={setSize} mono={mono} setMono={setMono}>
          {chosen.length > 0 && (
            <Checkbox checked={linked} onChange={(e) => setLinked(e.target.checked)}>
              With a code that opens it
            </Checkbox>
          )}
        </PaperChoice>
        {made.told}
      </aside>
      <Pages blocks={made.blocks} paper={paper} mono={mono} foot={outline.title} empty={made.empty} />
      <Notices />
    </div>
  );
}

interface Made {
  blocks: Block[];
  /** What can be chosen of it, and what is said of it. */
  choices?: ReactNode;
  told?: ReactNode;
  empty: string;
}

/** What is printed of a choice. */
function useMade(what: What, scenes: string[], answers: AnswersAt, linked: boolean): Made {
  const sheet = useSheet(what === 'sheet', scenes, linked);
  const pictures = useMemo(
    () => (what === 'sheet' ? [] : pictureBlocks(what, scenes, answers, linked)),
    [what, scenes, answers, linked],
  );
  if (what === 'sheet') return sheet;
  return { blocks: pictures, empty: 'Choose a board or an example.' };
}

function pictureBlocks(what: What, scenes: string[], answers: AnswersAt, linked: boolean): Block[] {
  const { handle, outline } = useLesson.getState();
  return scenes.flatMap((scene) => {
    const line = outline.scenes.find((s) => s.id === scene);
    if (!line) return [];
    const { panels } = call('panels', { handle, scene });
    const of = (key: string) => `${scene} ${key}`;
    const shown = panels.at(-1);
    const code = linked ? <Linked text={linkOf(line, shown?.board.notation)} /> : undefined;
    const steps = what === 'steps' && line.steps.length > 0;
    const blocks = steps ? stripBlocks(line.title, panels, answers) : posterBlocks(line.title, shown, code);
    if (steps && code) blocks.splice(1, 0, { key: 'code', node: code, heads: true });
    return blocks.map((b, i) => ({ ...b, key: of(b.key), begins: i === 0 }));
  });
}

/** A sheet of tasks, and what a teacher chooses of it. */
function useSheet(wanted: boolean, scenes: string[], linked: boolean): Made {
  const handle = useLesson((s) => s.handle);
  const outline = useLesson((s) => s.outline);
  const [kinds, setKinds] = useState<string[]>();
  const [forms, setForms] = useState(['number']);
  const [draw, setDraw] = useState(true);
  const [more, setMore] = useState(2);
  const [seed, setSeed] = useState(1);
  const [turns, setTurns] = useState({ n: 6, count: 2, kind: 'six' });
  const [text, setText] = useState('');
  const [key, setKey] = useState(true);
  const { pupils, choice: names } = useNames(wanted);
  const typed = useSettled(text);
  const sheet = useMemo((): SheetView | string => {
    if (!wanted) return '';
    const ask = {
      handle,
      scenes,
      forms,
      draw,
      more,
      seed,
      text: typed.trim(),
      turns: turnsText(turns),
    };
    try {
      return call('sheet', { ...ask, kinds: kinds ?? KINDS.filter((k) => !UNASKED.includes(k)) });
    } catch (error) {
      return sentence(error);
    }
  }, [wanted, handle, scenes, forms, draw, more, seed, turns, typed, kinds]);
  const found = typeof sheet === 'string' ? undefined : sheet;
  const there = kinds ?? [...new Set(found?.tasks.map((t) => t.kind))];
  const blocks = useMemo(() => {
    if (!found || found.tasks.length === 0) return [];
    const { blocks, answers } = sheetBlocks(found.tasks);
    // One for each child by her name, or one for all to write theirs on.
    const sheets: Block[] = (pupils.length > 0 ? pupils : [undefined]).flatMap((name, i) => [
      {
        key: `head ${i}`,
        heads: true,
        begins: i > 0,
        node: <Head title={outline.title} {...(name && { name })} />,
      },
      ...blocks.map((b) => ({ ...b, key: `${i} ${b.key}` })),
    ]);
    const code: Block[] = linked
      ? outline.scenes
          .filter((s) => scenes.includes(s.id))
          .slice(0, 1)
          .map((s) => ({
            key: 'code',
            node: <Linked text={linkOf(s, call('boardOf', { handle, scene: s.id }).notation)} />,
          }))
      : [];
    return [...sheets, ...code, ...(key ? answerBlocks(answers) : [])];
  }, [found, key, linked, outline, scenes, handle, pupils]);
  const choices = (
    <>
      <Group name="And from these">
        <Input.TextArea
          aria-label="More problems or numbers"
          placeholder={'58 + 67\n146'}
          autoSize={{ minRows: 2, maxRows: 6 }}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        {found?.faults.map((f) => (
          <p key={f.line} className={cx('fault')}>
            Line {f.line}: {f.why}
          </p>
        ))}
        <label className={cx('line')}>
          More like each
          <InputNumber min={0} max={9} value={more} onChange={(n) => setMore(n ?? 0)} />
          <Button disabled={more === 0} onClick={() => setSeed(seed + 1)}>
            Others
          </Button>
        </label>
      </Group>
      <Group name="To do">
        <Checkbox.Group
          className={cx('list')}
          value={there}
          options={kindsToChoose(KINDS)}
          onChange={setKinds}
        />
        {there.includes('read') && (
          <Select
            mode="multiple"
            aria-label="Read in which forms"
            value={forms}
            options={FORMS}
            onChange={(list: string[]) => setForms(list.length ? list : ['number'])}
          />
        )}
        {there.includes('build') && (
          <Checkbox checked={draw} onChange={(e) => setDraw(e.target.checked)}>
            Drawn quickly
          </Checkbox>
        )}
        {there.includes('turns') && (
          <span className={cx('line')}>
            <TurnsChoice turns={turns} change={setTurns} />
          </span>
        )}
        {names}
        <Checkbox checked={key} onChange={(e) => setKey(e.target.checked)}>
          An answer page
        </Checkbox>
      </Group>
    </>
  );
  const without = found && kinds ? found.without.filter((k) => kinds.includes(k)) : [];
  const told = without.length > 0 && (
    <p className={cx('fault')} role="status">
      Not possible with what is chosen:{' '}
      {kindsToChoose(without)
        .map((k) => k.label.toLowerCase())
        .join(', ')}
      .
    </p>
  );
  return {
    blocks,
    choices,
    told,
    empty: typeof sheet === 'string' && sheet ? sheet : 'Choose what there is to do, and from which numbers.',
  };
}

const nobody: string[] = [];

/** The names of a class that is chosen, for a sheet each. Without classes nothing is offered. */
function useNames(wanted: boolean): { pupils: string[]; choice: ReactNode } {
  const [of, setOf] = useState('');
  const all = useQuery({ queryKey: ['classes'], queryFn: classes.all, enabled: wanted, retry: false });
  const one = useQuery({ queryKey: ['class', of], queryFn: () => classes.get(of), enabled: of !== '' });
  const list = one.data?.pupils;
  const pupils = useMemo(() => (of && list ? list.map((p) => p.name) : nobody), [of, list]);
  const choice = !!all.data?.length && (
    <Select
      aria-label="With the names of a class"
      value={of}
      options={[
        { value: '', label: 'Names to be written' },
        ...all.data.map((c) => ({ value: c.id, label: `With the names of ${c.name}` })),
      ]}
      onChange={setOf}
    />
  );
  return { pupils, choice };
}
