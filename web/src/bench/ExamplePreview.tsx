// How an example will go: what is said at each step, of one way or of each.
import type { Plain } from '../core/core';
import { names } from '../shell/names';
import css from './ExamplePreview.module.css';

const cx = names(css);

export function ExamplePreview({ plain }: { plain: Plain }) {
  const scenes = plain.scenes ?? [plain];
  return (
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
  );
}
