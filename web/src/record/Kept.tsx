// Lines that stay when the pieces go and the scene changes: written, taken over from what is
// shown, edited, put in order, filled later, and looked at for what stayed and what changed.
import { Button, Input } from 'antd';
import { useState, type KeyboardEvent } from 'react';
import { call, type Lit, type Outline } from '../core/core';
import { setRecord as put } from '../state/acts';
import { notify, readTitle, sentence, useLesson } from '../state/lesson';
import { names } from '../shell/names';
import { apart } from '../shell/together';
import { toggled } from '../shell/toggled';
import { equalsOf, sides } from './equals';
import { Left } from './Lines';
import { useOwnLinesWanted, wantOwnLines } from './ownLines';
import { SmallBoard } from './SmallBoard';
import { Judged, Standing, verdictOf } from './Judged';
import css from './Kept.module.css';

const cx = names(css);

type Line = ReturnType<typeof useLesson.getState>['outline']['record'][number];

/** Widths are measured at a size, and told in parts of it. */
const EM = 100;

/** A line as it is kept, a sentence in our signs; none for a false chain, whose arrows are offered. */
function keptAs(text: string): string | undefined {
  const line = text.trim();
  const verdict = verdictOf(line);
  if (!verdict || verdict.state !== 'false' || !verdict.arrow) return verdict?.text ?? line;
  notify('refusal', `${verdict.said} Each = says that both sides are worth the same. Write it with arrows.`);
  return undefined;
}

export function Kept() {
  const record = useLesson((s) => s.outline.record);
  const scenes = useLesson((s) => s.outline.scenes);
  const maths = useLesson((s) => s.outline.words.maths);
  const scene = useLesson((s) => s.frame.scene);
  const offers = useLesson((s) => s.frame.offers);
  const own = useOwnLinesWanted();
  const [text, setText] = useState('');
  const [editing, setEditing] = useState<number>();
  const [chosen, setChosen] = useState<number[]>();
  const keep = (line: string) => put([...record, { text: line, scene }]);
  const add = () => {
    const line = keptAs(text);
    if (line && keep(line)) setText('');
  };
  // Lines that are compared stand place under place.
  const { equals } = equalsOf(chosen ? record.map((line) => line.text) : [], EM);
  const lit = chosen && litOf(chosen.flatMap((i) => record[i]?.text ?? []));
  return (
    <section className={cx('kept')} aria-label="Lines kept">
      <h3>Our {maths ?? 'maths'}</h3>
      <ol>
        {record.map((line, i) => (
          <li key={i}>
            {headed(record, i) && <h4>{boardName(scenes, line.scene)}</h4>}
            {editing === i ? (
              <Editing record={record} at={i} go={setEditing} />
            ) : chosen ? (
              <label className={cx('choice')}>
                <input
                  type="checkbox"
                  checked={chosen.includes(i)}
                  onChange={() => setChosen(toggled(chosen, i).sort((a, b) => a - b))}
                />
                <LitLine text={line.text} parts={lit?.lines[chosen.indexOf(i)]} equals={equals} />
                {line.scene && chosen.includes(i) && line.scene !== record[i - 1]?.scene && (
                  <SmallBoard scene={line.scene} />
                )}
              </label>
            ) : (
              <div className={cx('line')}>
                <button type="button" aria-label={`Change ${line.text}`} onClick={() => setEditing(i)}>
                  {apart(line.text)}
                </button>
                <Standing text={line.text} fill={(solved) => put(changed(record, i, solved))} />
              </div>
            )}
          </li>
        ))}
      </ol>
      {record.length > 1 && (
        <Button
          aria-pressed={chosen !== undefined}
          onClick={() => setChosen(chosen ? undefined : record.map((_, i) => i).slice(-3))}
        >
          {chosen ? 'Done' : 'What stayed, what changed?'}
        </Button>
      )}
      {chosen && <Noticed key={chosen.join()} lit={lit} />}
      {offers.map((line) => (
        <Button key={line} className={cx('offer')} onClick={() => keep(line)}>
          <small>Write</small> {line}
        </Button>
      ))}
      <label className={cx('own')}>
        <input type="checkbox" checked={own} onChange={(e) => wantOwnLines(e.target.checked)} /> Examples
        write their line
      </label>
      <Judged text={text} put={setText} />
      <Input
        aria-label="Write a line to keep"
        placeholder="Write a line, or 6 + ? = 9"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onPressEnter={add}
        maxLength={500}
        autoComplete="off"
        spellCheck={false}
      />
    </section>
  );
}

/** How the board that lines came from is called: by its place, where its title would be its number. */
function boardName(scenes: Outline['scenes'], id: string | undefined): string {
  const at = scenes.findIndex((s) => s.id === id);
  return at < 0 ? 'From another board' : readTitle(scenes[at]) || `Board ${at + 1}`;
}

/** Whether a line begins those of its scene, where the record is of several. */
function headed(record: Line[], i: number): boolean {
  const own = record[i]?.scene ?? '';
  const several = record.some((line) => (line.scene ?? '') !== (record[0]?.scene ?? ''));
  return several && own !== '' && own !== record[i - 1]?.scene;
}

const changed = (record: Line[], at: number, text: string) =>
  record.map((line, i) => (i === at ? { ...line, text } : line));

interface EditingProps {
  record: Line[];
  at: number;
  /** Goes to edit another line, or none. */
  go: (line: number | undefined) => void;
}

/** One line in the hand: its text, its place, and whether it stays. */
function Editing({ record, at, go }: EditingProps) {
  const [text, setText] = useState(record[at]?.text ?? '');
  const done = () => {
    if (text.trim() === record[at]?.text) return go(undefined);
    const line = keptAs(text);
    if (line && put(changed(record, at, line))) go(undefined);
  };
  const move = (to: number) => {
    const next = changed(record, at, text.trim() || record[at]!.text);
    next.splice(to, 0, ...next.splice(at, 1));
    if (put(next)) go(to);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === 'Escape') go(undefined);
    else if (e.altKey && e.key === 'ArrowUp' && at > 0) move(at - 1);
    else if (e.altKey && e.key === 'ArrowDown' && at < record.length - 1) move(at + 1);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const read = verdictOf(text)?.read;
  return (
    <div className={cx('editing')}>
      <Input
        aria-label="The line"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onPressEnter={done}
        onKeyDown={onKeyDown}
        onFocus={(e) => {
          const unknown = /[?_□]/.exec(e.target.value);
          if (unknown) e.target.setSelectionRange(unknown.index, unknown.index + 1);
        }}
        maxLength={500}
        autoComplete="off"
        spellCheck={false}
        autoFocus
      />
      <Button aria-label="One line up" disabled={at === 0} onClick={() => move(at - 1)}>
        ↑
      </Button>
      <Button aria-label="One line down" disabled={at === record.length - 1} onClick={() => move(at + 1)}>
        ↓
      </Button>
      <Button
        aria-label={`Remove ${record[at]?.text ?? ''}`}
        onClick={() => {
          put(record.filter((_, i) => i !== at));
          go(undefined);
        }}
      >
        ×
      </Button>
      <Button type="primary" onClick={done}>
        Done
      </Button>
      {read && <p className={cx('read')}>{read}</p>}
    </div>
  );
}

/** What the core tells of the chosen lines; why it cannot; nothing for fewer than two. */
function litOf(lines: string[]): (Lit & { why?: string }) | undefined {
  if (lines.length < 2) return undefined;
  try {
    return call('stayed', { handle: useLesson.getState().handle, lines });
  } catch (error) {
    return { lines: [], said: '', why: sentence(error) };
  }
}

interface LitLineProps {
  text: string;
  parts: Lit['lines'][number] | undefined;
  /** How far from its beginning its = stands. */
  equals: number;
}

function LitLine({ text, parts: told, equals }: LitLineProps) {
  const [left = '', rest = text] = sides(text) ?? [];
  const parts: Lit['lines'][number] = told ?? [{ text: left }, { text: rest }];
  let [at, read] = [0, 0];
  while (at < parts.length && read < left.length) read += parts[at++]!.text.length;
  const drawn = (some: typeof parts) =>
    some.map((p, i) => (
      <span key={i} className={cx(p.mark ?? '')}>
        {p.text}
      </span>
    ));
  return (
    <span aria-label={text}>
      {left && read === left.length ? (
        <>
          <Left width={`${equals / EM}em`}>{drawn(parts.slice(0, at))}</Left>
          {drawn(parts.slice(at))}
        </>
      ) : (
        drawn(parts)
      )}
    </span>
  );
}

/** What there is to be noticed, held back until the class has looked. */
function Noticed({ lit }: { lit: ReturnType<typeof litOf> }) {
  const [told, setTold] = useState(false);
  if (!lit) return <p className={cx('noticed')}>Choose two lines or more.</p>;
  if (lit.why) return <p className={cx('noticed')}>{lit.why}</p>;
  return told ? (
    <p className={cx('noticed')} role="status">
      {lit.said}
    </p>
  ) : (
    <Button type="primary" onClick={() => setTold(true)}>
      Tell what was noticed
    </Button>
  );
}
