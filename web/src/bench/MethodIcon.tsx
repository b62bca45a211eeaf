// A small picture for each method: the model that it works on, and the sign of
// what it shows.
import { PieceShape } from '../board/looks';
import type { Piece } from '../core/core';
import { names } from '../shell/names';
import css from './MethodIcon.module.css';

const cx = names(css);

const scenes: Record<string, Piece[]> = {
  blocks: [
    [1, 'hundred', 0, 8, 30, 30, 0, 0],
    [2, 'ten', 36, 8, 5, 30, 0, 0],
    [3, 'ten', 44, 8, 5, 30, 0, 0],
    [4, 'one', 54, 8, 6, 6, 0, 0],
    [5, 'one', 54, 16, 6, 6, 0, 0],
  ],
  rack: Array.from({ length: 8 }, (_, i): Piece => [
    i + 1,
    'bead',
    (i % 4) * 13 + (i % 4 > 2 ? 8 : 0),
    i < 4 ? 8 : 26,
    12,
    12,
    0,
    i % 4 > 2 ? 32 : 0,
  ]),
  counters: Array.from({ length: 6 }, (_, i): Piece => [
    i + 1,
    'counter',
    (i % 3) * 20,
    i < 3 ? 4 : 24,
    34,
    34,
    0,
    i > 3 ? 32 : 0,
  ]),
  cubes: [0, 1, 2, 3].map((i): Piece => [i + 1, 'cube', i * 15, 16, 15, 15, i > 1 ? 2 : 1, 0]),
  discs: [
    [1, 'disc hundreds', 0, 12, 20, 20, 0, 0, '100'],
    [2, 'disc tens', 22, 12, 20, 20, 0, 0, '10'],
    [3, 'disc ones', 44, 12, 20, 20, 0, 0, '1'],
  ],
};

/** What a method shows of its model, as a sign of arithmetic where there is one. */
const signs: Record<string, string> = {
  build: '146',
  read: '→ 3',
  count: '→',
  teens: '10+',
  'more-less': '±',
  compare: '<',
  'add-facts': '+',
  bonds: '? + ?',
  snap: '|',
  turn: '⇄',
  unknown: '□',
  'column-add': '+',
  'subtract-facts': '−',
  difference: '↔',
  'column-subtract': '−',
  pattern: '− −',
  shift: '× 10',
  array: '×',
  'unit-fact': '3 × 4',
  'short-multiply': '× 4',
  share: '÷',
  group: '÷ ?',
};

const noFlags: string[] = [];

export function MethodIcon({ model, method }: { model: string; method: string }) {
  return (
    <svg className={cx('method-icon')} viewBox="0 0 124 46" width={124} height={46} aria-hidden="true">
      {(scenes[model] ?? []).map((p) => (
        <g key={p[0]} transform={`translate(${p[2]} ${p[3]})${p[1] === 'counter' ? ' scale(0.52)' : ''}`}>
          <PieceShape piece={p} flags={noFlags} />
        </g>
      ))}
      <text className={cx('method-sign')} x={76} y={24}>
        {signs[method]}
      </text>
    </svg>
  );
}
