// The lesson's title, written where it stands.
import { Input } from 'antd';
import { useState } from 'react';
import { call } from '../core/core';
import { names } from '../shell/names';
import { edit } from '../state/acts';
import { useLesson } from '../state/lesson';
import css from './BenchPage.module.css';

const cx = names(css);

/** Begins with its field where a lesson has just been begun. */
export function Title({ fresh }: { fresh: boolean }) {
  const title = useLesson((s) => s.outline.title);
  const readOnly = useLesson((s) => s.readOnly);
  const [now, setNow] = useState(fresh ? '' : undefined);
  const save = () => {
    const wanted = now?.trim();
    setNow(undefined);
    if (!wanted || wanted === title) return;
    const { objective, words } = useLesson.getState().outline;
    edit((handle) =>
      call('edit', { handle, edit: { kind: 'setLesson', head: { title: wanted, objective, words } } }),
    );
  };
  if (now === undefined || readOnly) {
    return (
      <button
        type="button"
        className={cx('title-button')}
        title="Write the title"
        disabled={readOnly}
        onClick={() => setNow(title)}
      >
        {title}
      </button>
    );
  }
  return (
    <Input
      className={cx('title-field')}
      aria-label="Title of the lesson"
      placeholder={title}
      value={now}
      maxLength={200}
      autoFocus={!fresh}
      onChange={(e) => setNow(e.target.value)}
      onFocus={(e) => e.target.select()}
      onBlur={save}
      onPressEnter={save}
      onKeyDown={(e) => {
        if (e.key === 'Escape') setNow(undefined);
      }}
    />
  );
}
