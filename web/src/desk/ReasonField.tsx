// Why it is so, in a child's own words; or told to the teacher, for whom writing is hard.
import { Button } from 'antd';
import { useId } from 'react';
import { names } from '../shell/names';
import type { DeskTask } from '../state/classroom';
import css from './ReasonField.module.css';
import type { Writing } from './writing';

const cx = names(css);

/** What is written by one who has told it. */
const TOLD = 'told';
const MOST = 1000;

interface Props {
  blank: DeskTask['blanks'][number];
  writing: Writing;
}

export function ReasonField({ blank, writing }: Props) {
  const id = useId();
  const text = writing.text(blank.id);
  const told = text === TOLD;
  return (
    <div className={cx('reason')}>
      <label htmlFor={id}>{blank.label}</label>
      <textarea
        id={id}
        rows={3}
        maxLength={MOST}
        value={told ? '' : text}
        disabled={told}
        onFocus={() => writing.setAt(blank.id)}
        onChange={(e) => writing.write(blank.id, e.target.value)}
      />
      <Button aria-pressed={told} onClick={() => writing.write(blank.id, told ? '' : TOLD)}>
        I told my teacher
      </Button>
    </div>
  );
}
