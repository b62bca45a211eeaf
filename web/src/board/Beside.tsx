// Read-outs that stand on the board beside the model, large enough for the back
// row. The bond is drawn: the whole above, its parts below.
import type { DrawnModel } from '../state/lesson';
import { names } from '../shell/names';
import css from './Beside.module.css';

const cx = names(css);

export function Beside({ model }: { model: DrawnModel }) {
  const shown = model.readouts.filter((r) => r.beside);
  if (shown.length === 0) return null;
  return (
    <div className={cx('beside')}>
      {shown.map((r) => (
        <figure key={r.id} aria-label={`${r.label}: ${r.text}`}>
          {r.id === 'bond' ? <Bond whole={r.whole ?? ''} parts={r.parts ?? []} /> : <p>{r.text}</p>}
        </figure>
      ))}
    </div>
  );
}

/** The size of numerals by how long the longest is, as its place has room for it. */
const numeralOf = (longest: number) => [36, 36, 36, 30][longest] ?? 100 / longest;

/** A whole joined to its parts. */
export function Bond({ whole, parts }: { whole: string; parts: string[] }) {
  const fontSize = numeralOf(Math.max(...[whole, ...parts].map((n) => n.length)));
  const w = Math.max(2, parts.length) * 90;
  return (
    <svg
      className={cx('bond')}
      viewBox={`0 0 ${w} 124`}
      width={w}
      height={124}
      fontSize={fontSize}
      role="img"
      aria-label={`${whole}: ${parts.join(' and ')}`}
    >
      {parts.map((_, i) => (
        <path key={i} d={`M${w / 2} 34L${(w * (2 * i + 1)) / (2 * parts.length)} 92`} />
      ))}
      <rect x={w / 2 - 38} y={4} width={76} height={44} rx={22} />
      <text x={w / 2} y={27}>
        {whole}
      </text>
      {parts.map((part, i) => {
        const x = (w * (2 * i + 1)) / (2 * parts.length);
        return (
          <g key={i}>
            <rect x={x - 34} y={76} width={68} height={44} rx={22} />
            <text x={x} y={99}>
              {part}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
