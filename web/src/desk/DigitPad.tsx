// Our own digits, large enough for a small finger: they write where the child is.
import { names } from '../shell/names';
import css from './DigitPad.module.css';
import type { Writing } from './writing';

const cx = names(css);

const NAMES: Record<string, string> = {
  '←': 'Take the last one away',
  '.': 'point',
  '+': 'plus',
  '−': 'minus',
  '×': 'times',
  '=': 'equals',
};

interface Props {
  writing: Writing;
  /** The signs beside the digits. */
  signs: string;
  /** Whether numbers are written that may have a point. */
  point: boolean;
  off: boolean;
  /** How many signs a field takes. */
  long: number;
  focus: () => void;
  /** Whether something else is to be done beside it: on a small screen it lies over that. */
  over: boolean;
}

export function DigitPad({ writing, signs: more, point, off, long, focus, over }: Props) {
  const { at, text, write } = writing;
  const press = (sign: string) => {
    const was = text(at);
    if (sign === '←') write(at, was.trimEnd().slice(0, -1).trimEnd());
    else if ((was + sign).length <= long)
      write(at, more.includes(sign) ? `${was.trimEnd()} ${sign} ` : was + sign);
    focus();
  };
  const signs = [...'1234567890', ...(point ? ['.'] : []), ...more, '←'];
  return (
    <div className={cx('pad')} role="group" aria-label="Digits">
      {signs.map((sign) => (
        <button
          key={sign}
          type="button"
          disabled={off}
          aria-label={NAMES[sign] ?? sign}
          // The field keeps the keys.
          onPointerDown={(e) => e.preventDefault()}
          onClick={() => press(sign)}
        >
          {sign}
        </button>
      ))}
      {over && (
        <button
          type="button"
          className={cx('away')}
          onClick={() => (document.activeElement as HTMLElement | null)?.blur()}
        >
          Done
        </button>
      )}
    </div>
  );
}
