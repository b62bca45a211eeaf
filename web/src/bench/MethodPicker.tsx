// What to teach: the operation, and then a method of it.
import { Segmented } from 'antd';
import type { MethodInfo } from '../core/core';
import { names } from '../shell/names';
import { MethodIcon } from './MethodIcon';
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
  method: MethodInfo;
  choose: (id: string) => void;
  /** A method was pressed, not reached by keys. */
  pressed: () => void;
}

export function MethodPicker({ methods, method, choose, pressed }: Props) {
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
              <MethodIcon model={m.models[0]!} method={m.id} />
              {m.title}
            </button>
          ))}
      </div>
    </>
  );
}
