// The mark: a flower of ten petals. While presenting its petals fill as the
import { names } from './names';
import css from './Mark.module.css';

const cx = names(css);
// scene goes on.
export function Flower({ filled = 10, size = 28 }: { filled?: number; size?: number }) {
  return (
    <svg className={cx('flower')} width={size} height={size} viewBox="-50 -50 100 100" aria-hidden="true">
      {Array.from({ length: 10 }, (_, i) => (
        <ellipse
          key={i}
          className={cx(i < filled ? 'petal full' : 'petal')}
          rx="9.5"
          ry="17"
          cy="-29"
          transform={`rotate(${i * 36 + 18})`}
        />
      ))}
      <circle className={cx('heart')} r="11" />
    </svg>
  );
}
