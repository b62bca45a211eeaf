// The few kinds of control that a model's own line is made of: a menu of words,
// a panel, a stepper.
import { Button, Input, type InputProps } from 'antd';
import type { ReactNode } from 'react';
import type { Place } from '../core/core';
import { act } from '../state/acts';
import { Menu, Sheet } from '../shell/later';
import { names } from '../shell/names';
import { openSetUp, usePlacing, useSetUp } from './setUp';
import css from './controls.module.css';

const cx = names(css);

export interface Word {
  label: string;
  run: () => void;
  on?: boolean;
  off?: boolean;
}

interface Group {
  label: string;
  /** Its controls, in the set-up beside the board. */
  inside: ReactNode;
  /** The button that drops it down, where there is no set-up. */
  list: ReactNode;
}

/** Controls that belong together: they drop down, or stand in the set-up beside the board. */
function Grouped({ label, inside, list }: Group) {
  const placing = usePlacing();
  const open = useSetUp((s) => s.open);
  if (placing.as === 'lists') return list;
  if (placing.as === 'buttons') {
    const here = open?.index === placing.index && open.group === label;
    return (
      <Button aria-expanded={here} onClick={() => openSetUp(placing.index, label)}>
        {label}
      </Button>
    );
  }
  if (placing.only && placing.only !== label) return null;
  return (
    <section className={cx('group')} role="group" aria-label={label}>
      <h3>{label}</h3>
      {inside}
    </section>
  );
}

/** A control that belongs to no group: not there where one group alone is wanted. */
export function Loose({ children }: { children: ReactNode }) {
  const placing = usePlacing();
  if (placing.as !== 'groups') return children;
  return placing.only ? null : <div className={cx('group-row')}>{children}</div>;
}

/** A list of words, each of which does something. What is on is ticked. */
export function WordMenu({ label, words }: { label: string; words: (Word | 'line')[] }) {
  const list = (
    <Menu
      items={words.map((w, i) =>
        w === 'line'
          ? { type: 'divider' as const, key: i }
          : {
              key: w.label,
              label: w.on ? `✓ ${w.label}` : w.label,
              disabled: !!w.off,
              onClick: w.run,
            },
      )}
    >
      <Button>{label}</Button>
    </Menu>
  );
  const inside = (
    <div className={cx('group-words')}>
      {words.map((w, i) =>
        w === 'line' ? (
          <hr key={i} />
        ) : (
          <button
            type="button"
            key={w.label}
            aria-pressed={w.on}
            disabled={!!w.off}
            className={cx('word')}
            onClick={w.run}
          >
            {w.label}
          </button>
        ),
      )}
    </div>
  );
  return <Grouped label={label} list={list} inside={inside} />;
}

type Away = (run: () => void) => () => void;

interface PanelProps {
  label: string;
  /** The controls; they may be given what puts the sheet away first, for what is to be seen on the board. */
  children: ReactNode | ((away: Away) => ReactNode);
}

/** A small sheet of controls. */
export function Panel({ label, children }: PanelProps) {
  const within = (away: Away) => (typeof children === 'function' ? children(away) : children);
  const list = (
    <Sheet
      content={(close) => (
        <div className={cx('panel')} role="group" aria-label={label}>
          {within((run) => () => {
            close();
            run();
          })}
        </div>
      )}
    >
      <Button>{label}</Button>
    </Sheet>
  );
  const inside = <div className={cx('panel')}>{within((run) => run)}</div>;
  return <Grouped label={label} list={list} inside={inside} />;
}

interface StepperProps {
  label: string;
  value: number | string;
  less: (() => void) | undefined;
  more: (() => void) | undefined;
}

/** A word with one fewer and one more. */
export function Stepper({ label, value, less, more }: StepperProps) {
  return (
    <span className={cx('stepper')} role="group" aria-label={label}>
      <span className={cx('stepper-label')}>{label}</span>
      <Button className={cx('small')} aria-label={`${label}: one fewer`} disabled={!less} onClick={less}>
        −
      </Button>
      <span className={cx('stepper-value')} aria-live="polite">
        {value}
      </span>
      <Button className={cx('small')} aria-label={`${label}: one more`} disabled={!more} onClick={more}>
        +
      </Button>
    </span>
  );
}

/** One more or less at a place, crossing tens by a bundle that is seen. */
export function MoreOrLess({ index, places }: { index: number; places: [Place, string][] }) {
  return (
    <Panel label="More or less">
      {places.map(([place, size]) => (
        <Stepper
          key={place}
          label={place}
          value={size}
          less={() => act({ kind: 'step', model: index, place, down: true })}
          more={() => act({ kind: 'step', model: index, place })}
        />
      ))}
    </Panel>
  );
}

/** Into how many groups is shared. */
export function GroupCount({ index, count }: { index: number; count: number }) {
  const set = (n: number) => act({ kind: 'groups', model: index, count: n });
  return (
    <Stepper
      label="Groups"
      value={count}
      less={count > 0 ? () => set(count - 1) : undefined}
      more={count < 12 ? () => set(count + 1) : undefined}
    />
  );
}

interface TypedFormProps extends Pick<InputProps, 'placeholder' | 'maxLength' | 'autoFocus'> {
  label: string;
  text: string;
  setText: (text: string) => void;
  /** The word on the button. */
  word: string;
  primary?: boolean;
  submit: () => void;
}

/** One typed line and the button that takes it, as Enter does. */
export function TypedForm({ label, text, setText, word, primary, submit, ...field }: TypedFormProps) {
  return (
    <form
      className={cx('panel-row')}
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <Input
        {...field}
        aria-label={label}
        value={text}
        onChange={(e) => setText(e.target.value)}
        autoComplete="off"
      />
      <Button type={primary ? 'primary' : 'default'} htmlType="submit">
        {word}
      </Button>
    </form>
  );
}
