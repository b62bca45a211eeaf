// What to teach: the operation, and then a method of it.
import { Segmented } from 'antd';
import { memo, type KeyboardEvent } from 'react';
import { Face } from '../board/Face';
import type { BoardView, MethodInfo } from '../core/core';
import { names } from '../shell/names';
import css from './MethodPicker.module.css';

const cx = names(css);

const operations = [
  { value: 'number', label: 'Numbers' },
  { value: 'add', label: 'Add' },
  { value: 'subtract', label: 'Subtract' },
  { value: 'multiply', label: 'Multiply' },
  { value: 'divide', label: 'Divide' },
];

interface Props {
  methods: MethodInfo[];
  /** What the class sees of each method's sample. */
  samples: Record<string, BoardView>;
  method: MethodInfo;
  choose: (id: string) => void;
  /** A method was pressed, not reached by keys. */
  pressed: () => void;
}

/** The keys that go from one method to the next, as in any group of choices. */
const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

export const MethodPicker = memo(function MethodPicker({ methods, samples, method, choose, pressed }: Props) {
  const here = methods.filter((m) => m.operation === method.operation);
  const step = (e: KeyboardEvent<HTMLDivElement>) => {
    const by = STEPS[e.key];
    if (!by) return;
    e.preventDefault();
    const at = (here.indexOf(method) + by + here.length) % here.length;
    choose(here[at]!.id);
    e.currentTarget.querySelectorAll<HTMLElement>('[role=radio]')[at]?.focus();
  };
  return (
    <>
      <Segmented
        aria-label="What to teach"
        options={operations}
        value={method.operation}
        onChange={(value) => choose(methods.find((m) => m.operation === value)!.id)}
      />
      <div className={cx('methods')} role="radiogroup" aria-label="Method" onKeyDown={step}>
        {here.map((m) => (
          <button
            key={m.id}
            type="button"
            role="radio"
            aria-checked={m.id === method.id}
            tabIndex={m.id === method.id ? 0 : -1}
            className={cx('method')}
            title={m.doc}
            onClick={(e) => {
              choose(m.id);
              if (e.detail > 0) pressed();
            }}
          >
            <span className={cx('picture')}>
              <Face models={samples[m.id]?.models ?? []} />
            </span>
            {m.title}
          </button>
        ))}
      </div>
    </>
  );
});
