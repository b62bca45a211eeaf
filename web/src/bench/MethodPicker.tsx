// What to teach: the operation, and then a method of it.
import { Segmented } from 'antd';
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

export function MethodPicker({ methods, samples, method, choose, pressed }: Props) {
  return (
    <>
      <Segmented
        aria-label="What to teach"
        options={operations}
        value={method.operation}
        onChange={(value) => choose(methods.find((m) => m.operation === value)!.id)}
      />
      <div className={cx('methods')} role="radiogroup" aria-label="Method">
        {methods
          .filter((m) => m.operation === method.operation)
          .map((m) => (
            <button
              key={m.id}
              type="button"
              role="radio"
              aria-checked={m.id === method.id}
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
}
