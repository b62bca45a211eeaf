// The kind of a question in a teacher's words: whether the pieces move before it is asked
// or after, and who answers it.
import { Select } from '../shell/later';
import type { Step } from '../core/core';

export type Asks = NonNullable<Step['asks']>;

const kinds: { value: Asks; label: string }[] = [
  { value: 'predict', label: 'Before: the pieces answer it' },
  { value: 'decide', label: 'Before: we decide, then do it' },
  { value: 'look', label: 'After: what do we see now?' },
  { value: 'say', label: 'After: how do we say it?' },
  { value: 'explain', label: 'After: how, or why?' },
  { value: 'check', label: 'After: does it fit?' },
];

export function AskedWhen({ asks, choose }: { asks: Asks; choose: (asks: Asks) => void }) {
  return (
    <Select
      aria-label="When it is asked"
      value={asks}
      options={kinds}
      onChange={(kind) => choose(kind as Asks)}
      popupMatchSelectWidth={false}
    />
  );
}
