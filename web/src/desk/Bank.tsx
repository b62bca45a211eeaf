// What can be chosen from: it goes where the child is, and what is used is crossed off.
import { names } from '../shell/names';
import type { DeskTask } from '../state/classroom';
import css from './Bank.module.css';
import type { Writing } from './writing';

const cx = names(css);

export function Bank({ texts, task, writing }: { texts: string[]; task: DeskTask; writing: Writing }) {
  const used = task.blanks.map((b) => writing.text(b.id));
  const rest = [...used];
  return (
    <ul className={cx('bank')} aria-label="To choose from">
      {texts.map((text, i) => {
        // Of two that are alike, one is crossed off for each that is used.
        const at = rest.indexOf(text);
        const gone = at >= 0;
        if (gone) rest.splice(at, 1);
        return (
          <li key={i}>
            <button
              type="button"
              className={cx(gone ? 'gone' : undefined)}
              aria-label={gone ? `${text}, used` : text}
              onPointerDown={(e) => e.preventDefault()}
              onClick={() => writing.write(writing.at, text)}
            >
              {text}
            </button>
          </li>
        );
      })}
    </ul>
  );
}
