// Numbers by chance: dice, a spinner and number cards give digits, which are put
// in places to make a number.
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { Dialog } from '../shell/later';
import { call } from '../core/core';
import { act } from '../state/acts';
import { names } from '../shell/names';
import css from './ChanceDialog.module.css';

const cx = names(css);

const kinds = [
  { value: 'six', label: 'Dice, 1 to 6' },
  { value: 'ten', label: 'Dice, 0 to 9' },
  { value: 'spinner', label: 'Spinner' },
  { value: 'cards', label: 'Number cards' },
];

/** A seed of the page's address makes the same throws again, as in a test. */
function seed(): number {
  const fixed = new URLSearchParams(location.search).get('seed');
  return fixed ? Number(fixed) : crypto.getRandomValues(new Uint32Array(1))[0]!;
}

export function ChanceDialog({ close }: { close: () => void }) {
  const [kind, setKind] = useState('six');
  const [count, setCount] = useState(2);
  const [digits, setDigits] = useState<number[]>([]);
  const [throws, setThrows] = useState(0);
  const throwThem = () => {
    setDigits(call('throw', { kind, count, seed: seed() + throws }));
    setThrows(throws + 1);
  };
  const swap = (i: number) => {
    const next = [...digits];
    [next[i - 1], next[i]] = [next[i]!, next[i - 1]!];
    setDigits(next);
  };
  const number = digits.join('').replace(/^0+(?=\d)/, '');
  return (
    <Dialog title="Numbers by chance" open onCancel={close} footer={null}>
      <div className={cx('panel')}>
        <Segmented options={kinds} value={kind} onChange={setKind} aria-label="What is thrown" />
        <Segmented
          aria-label="How many"
          value={count}
          options={[1, 2, 3, 4].map((n) => ({ value: n, label: n === 1 ? '1 digit' : `${n} digits` }))}
          onChange={setCount}
        />
        <Button type="primary" size="large" onClick={throwThem}>
          {kind === 'spinner' ? 'Spin' : kind === 'cards' ? 'Draw' : 'Throw'}
        </Button>
        {digits.length > 0 && (
          <>
            <ol className={cx('thrown')} aria-label="Digits">
              {digits.map((d, i) => (
                <li key={i}>
                  <b className={cx(`thrown-${kind}`)}>{d}</b>
                  {i > 0 && (
                    <Button
                      className={cx('small')}
                      aria-label={`Move the ${d} one place to the left`}
                      onClick={() => swap(i)}
                    >
                      ←
                    </Button>
                  )}
                </li>
              ))}
            </ol>
            <Button
              onClick={() => {
                if (act({ kind: 'build', amount: number })) close();
              }}
            >
              Build {number}
            </Button>
          </>
        )}
      </div>
    </Dialog>
  );
}
