// How many turns, how many are thrown at once, and what.
import { InputNumber, Select } from '../shell/later';

export interface TurnsWish {
  n: number;
  count: number;
  kind: string;
}

const THROWS = [
  { value: 'six', label: 'dice' },
  { value: 'ten', label: 'ten-sided dice' },
  { value: 'cards', label: 'digit cards' },
  { value: 'spinner', label: 'a spinner' },
];

/** The core's text form of it. */
export const turnsText = ({ n, count, kind }: TurnsWish) => `${n} ${count} ${kind}`;

interface Props {
  turns: TurnsWish;
  change: (turns: TurnsWish) => void;
}

export function TurnsChoice({ turns, change }: Props) {
  return (
    <>
      <InputNumber
        aria-label="How many turns"
        min={1}
        max={10}
        value={turns.n}
        onChange={(n) => change({ ...turns, n: n ?? 1 })}
      />
      turns of
      <InputNumber
        aria-label="How many at once"
        min={2}
        max={4}
        value={turns.count}
        onChange={(n) => change({ ...turns, count: n ?? 2 })}
      />
      <Select
        aria-label="What is thrown"
        value={turns.kind}
        options={THROWS}
        onChange={(kind: string) => change({ ...turns, kind })}
      />
    </>
  );
}
