// One of several answers, large enough for a small finger.
import { names } from '../shell/names';
import type { DeskTask } from '../state/classroom';
import css from './Choices.module.css';
import type { Writing } from './writing';

const cx = names(css);

interface Props {
  texts: string[];
  blank: DeskTask['blanks'][number];
  writing: Writing;
}

export function Choices({ texts, blank, writing }: Props) {
  const chosen = writing.text(blank.id);
  return (
    <div className={cx('choices')} role="group" aria-label={blank.label}>
      {texts.map((text) => (
        <button
          key={text}
          type="button"
          aria-pressed={text === chosen}
          onClick={() => writing.write(blank.id, text === chosen ? '' : text)}
        >
          {text}
        </button>
      ))}
    </div>
  );
}
