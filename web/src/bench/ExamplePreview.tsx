// How an example will go: its boards, and what is said at each step, of one way or of each.
import { memo } from 'react';
import { Face } from '../board/Face';
import type { BoardView, Plain } from '../core/core';
import { names } from '../shell/names';
import css from './ExamplePreview.module.css';

const cx = names(css);

export const ExamplePreview = memo(function ExamplePreview({
  plain,
  boards,
}: {
  plain: Plain;
  boards: BoardView[];
}) {
  const scenes = plain.scenes ?? [plain];
  return (
    <div className={cx('seen')}>
      <ul className={cx('boards')} aria-label="What the class sees">
        {boards.map((b, i) => (
          <li key={i}>
            <Face models={b.models} name={`Board ${i + 1} of ${boards.length}`} />
          </li>
        ))}
      </ul>
      <ol className={cx('preview')} tabIndex={0} aria-label="How it will go">
        {scenes.flatMap((scene) => [
          ...(scenes.length > 1
            ? [
                <li key={scene.title} className={cx('preview-scene')}>
                  {scene.title}
                </li>,
              ]
            : []),
          ...scene.steps.map((s, i) => (
            <li key={`${scene.title} ${i}`}>
              {s.say} {s.ask && <span className={cx('preview-ask')}>{s.ask}</span>}
            </li>
          )),
        ])}
      </ol>
    </div>
  );
});
