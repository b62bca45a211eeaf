// A page without a board: the objective of the lesson with its words, or nothing but paper.
import { names } from '../shell/names';
import { useLesson, usePage } from '../state/lesson';
import css from './Paper.module.css';

const cx = names(css);

export function Paper() {
  const page = usePage();
  const { objective, title, scenes } = useLesson((s) => s.outline);
  if (page !== 'objective') return null;
  const words = scenes.filter((s) => s.page === 'word');
  return (
    <div className={cx('paper')}>
      <p>{objective || title}</p>
      {words.length > 0 && (
        <ul aria-label="Words of this lesson">
          {words.map((w) => (
            <li key={w.id}>{w.title}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
