// The few kinds of control that a model's own line is made of: a menu of words,
// a panel, a stepper.
import { Button, Input, type InputProps } from 'antd';
import type { ReactNode } from 'react';
import type { Place } from '../core/core';
import { act } from '../state/acts';
import { Menu, Sheet } from '../shell/later';
import { names } from '../shell/names';
import css from './controls.module.css';

const cx = names(css);

export interface Word {
  label: string;
  run: () => void;
  on?: boolean;
  off?: boolean;
}

/** A button that opens a list of words. What is on is ticked. */
export function WordMenu({ label, words }: { label: string; words: (Word | 'line')[] }) {
  return (
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
}

/** A button that opens a small sheet of controls over the board. */
export function Panel({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Sheet
      content={() => (
        <div className={cx('panel')} role="group" aria-label={label}>
          {children}
        </div>
      )}
    >
      <Button>{label}</Button>
    </Sheet>
  );
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
