// A place to write in: with the keys, or with the pad below.
import { names } from '../shell/names';
import type { DeskTask } from '../state/classroom';
import css from './Field.module.css';
import type { Writing } from './writing';

const cx = names(css);

type Blank = DeskTask['blanks'][number];

/** What is given with the device's own letters; the rest has our pad, and no other comes up. */
const LETTERS = ['words', 'units'];
const MOST = 120;
/** From here on it is written smaller, to be seen whole. */
const LONG = 17;

interface Props {
  blank: Blank;
  writing: Writing;
  name: string;
  small?: boolean;
}

export function Field({ blank, writing, name, small }: Props) {
  const wide = blank.gives !== 'number' && blank.gives !== 'digits' && blank.gives !== 'bank';
  const text = writing.text(blank.id);
  const asked = writing.asked === blank.id;
  const looks = [
    'field',
    wide && 'wide',
    wide && text.length > LONG && 'long',
    small && 'small',
    asked && 'asked',
    blank.gives,
  ];
  return (
    <input
      className={cx(looks.filter(Boolean).join(' '))}
      aria-invalid={asked || undefined}
      data-blank={blank.id}
      aria-label={name}
      value={text}
      inputMode={LETTERS.includes(blank.gives) ? 'text' : 'none'}
      maxLength={blank.gives === 'digits' ? 2 : MOST}
      style={wide || blank.gives === 'digits' ? undefined : { width: `${Math.max(4, text.length + 1.5)}ch` }}
      autoComplete="off"
      autoCorrect="off"
      autoCapitalize="off"
      spellCheck={false}
      onFocus={() => writing.setAt(blank.id)}
      onChange={(e) => writing.write(blank.id, e.target.value)}
    />
  );
}
