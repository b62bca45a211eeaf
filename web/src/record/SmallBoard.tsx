// A small picture of the board that a line came from.
import { useMemo } from 'react';
import { Face } from '../board/Face';
import { call } from '../core/core';
import { useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './SmallBoard.module.css';

const cx = names(css);

export function SmallBoard({ scene }: { scene: string }) {
  const handle = useLesson((s) => s.handle);
  const title = useLesson((s) => s.outline.scenes.find((x) => x.id === scene)?.title);
  const shown = useLesson((s) => s.outline);
  const board = useMemo(
    () => (title === undefined ? undefined : call('boardOf', { handle, scene })),
    // The board may have changed with the lesson.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [handle, scene, title, shown],
  );
  const first = board?.models.slice(0, 1) ?? [];
  if (!first[0]?.pieces.length) return null;
  return (
    <span className={cx('small-board')}>
      <Face models={first} name={title ?? ''} />
    </span>
  );
}
