// What a model draws behind its pieces: the cells of frames, groups, rows,
// the decimal point; and what is written over them.
import { memo } from 'react';
import type { Decor } from '../core/core';

export const Backdrop = memo(function Backdrop({ decor }: { decor: Decor[] }) {
  return (
    <g aria-hidden="true">
      {decor.map((d, i) => (
        <Drawn key={i} d={d} />
      ))}
    </g>
  );
});

function Drawn({ d }: { d: Decor }) {
  switch (d.kind) {
    case 'cell':
    case 'shaded':
      return (
        <rect
          className={`frame-cell ${d.kind === 'shaded' ? 'shaded' : ''}`}
          x={d.x}
          y={d.y}
          width={d.w}
          height={d.h}
        />
      );
    case 'group':
      return <rect className="group-box" x={d.x} y={d.y} width={d.w} height={d.h} rx={12} />;
    case 'start':
      return <rect className="start-band" x={d.x + 1} y={d.y + 1} width={d.w - 2} height={d.h - 2} />;
    case 'line':
      return <path className="row-line" d={`M${d.x} ${d.y}h${d.w}`} />;
    case 'wire':
      return <path className="wire" d={`M${d.x} ${d.y}h${d.w}`} />;
    case 'point':
      return (
        <g className="point">
          <circle cx={d.x + d.w / 2} cy={d.y + d.h / 2} r={d.w / 2} />
          {d.text === ',' && (
            <path d={`M${d.x + d.w} ${d.y + d.h / 2}q0 ${d.h} ${-d.w} ${d.h * 1.1}l${d.w / 2} ${-d.h}z`} />
          )}
        </g>
      );
    case 'startDigit':
      return (
        <text className="start-digit" x={d.x + d.w / 2} y={d.y + d.h / 2}>
          {d.text}
        </text>
      );
    case 'five':
      return <path className="five-tick" d={`M${d.x} ${d.y}v${d.h}`} />;
    case 'caption':
      return (
        <text className="mat-caption" x={d.x} y={d.y + d.h / 2}>
          {d.text}
        </text>
      );
  }
  return null;
}

/** What is drawn with its text behind the pieces. */
const ownText = ['caption', 'point', 'startDigit'];

/** Numerals in cells lie over the counters, so that a covered cell is still read. */
export const Numerals = memo(function Numerals({ decor }: { decor: Decor[] }) {
  return (
    <g aria-hidden="true">
      {decor
        .filter((d) => d.text && !ownText.includes(d.kind))
        .map((d, i) => (
          <text key={i} className="cell-numeral" x={d.x + d.w / 2} y={d.y + d.h / 2}>
            {d.text}
          </text>
        ))}
    </g>
  );
});
