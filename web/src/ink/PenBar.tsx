// The pens, in words, while one is in the hand.
import { Button } from 'antd';
import { takePen, usePen, type Tool } from './pen';
import { names } from '../shell/names';
import css from './PenBar.module.css';

const cx = names(css);

const tools: [Tool, string][] = [
  ['pen', 'Pen'],
  ['line', 'Line'],
  ['ring', 'Ring'],
  ['arrow', 'Arrow'],
  ['highlighter', 'Highlighter'],
  ['note', 'Note'],
  ['rub', 'Rub out'],
  ['rubPart', 'Rub out a part'],
];
const colours = ['ink', 'berry', 'pine', 'amber'] as const;
const widths = ['Thin', 'Middle', 'Broad'];

export function PenBar() {
  const { tool, colour, width } = usePen();
  if (!tool) return null;
  return (
    <div className={cx('bar-below pen-bar')} role="toolbar" aria-label="Pens">
      {tools.map(([name, label]) => (
        <Button
          key={name}
          type={tool === name ? 'primary' : 'default'}
          aria-pressed={tool === name}
          onClick={() => takePen(name)}
        >
          {label}
        </Button>
      ))}
      <span className={cx('pen-group')}>
        {colours.map((c) => (
          <button
            key={c}
            type="button"
            className={cx(`pen-colour ${c}`)}
            aria-label={c}
            aria-pressed={colour === c}
            onClick={() => usePen.setState({ colour: c })}
          />
        ))}
      </span>
      <span className={cx('pen-group')}>
        {widths.map((label, i) => (
          <Button
            key={label}
            type={width === i + 1 ? 'primary' : 'default'}
            aria-pressed={width === i + 1}
            onClick={() => usePen.setState({ width: (i + 1) as 1 | 2 | 3 })}
          >
            {label}
          </Button>
        ))}
      </span>
      <Button onClick={() => takePen(undefined)}>Done</Button>
    </div>
  );
}
