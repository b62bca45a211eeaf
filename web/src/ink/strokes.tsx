// Strokes of ink as they are drawn.
import { getStroke } from 'perfect-freehand';
import { memo } from 'react';
import type { Stroke } from '../core/core';
import type { DrawnModel } from '../state/lesson';
import { cornerOf } from './spot';

/** Thin, middle and broad, in pixels of a board 1280 wide. */
const widths = { pen: [4, 7, 12], highlighter: [18, 28, 40] };

type Way = readonly (readonly [number, number])[];

/** The shape of a stroke; x and y may be stretched differently, as on the board itself. */
export function Mark({
  tool,
  colour,
  width,
  points,
}: Pick<Stroke, 'tool' | 'colour' | 'width'> & { points: Way }) {
  const [a, b] = [points[0]!, points[points.length - 1]!];
  const thick = widths.pen[width - 1]!;
  switch (tool) {
    case 'line':
    case 'arrow':
      return (
        <path
          className={`ink-line ${colour}`}
          strokeWidth={thick}
          d={`M${a}L${b}${tool === 'arrow' ? head(a, b, thick) : ''}`}
        />
      );
    case 'ring':
      return (
        <ellipse
          className={`ink-line ${colour}`}
          strokeWidth={thick}
          cx={(a[0] + b[0]) / 2}
          cy={(a[1] + b[1]) / 2}
          rx={Math.abs(a[0] - b[0]) / 2}
          ry={Math.abs(a[1] - b[1]) / 2}
        />
      );
    case 'highlighter':
      return (
        <path
          className={`ink-broad ${colour}`}
          strokeWidth={widths.highlighter[width - 1]}
          d={`M${points.join('L')}`}
        />
      );
  }
  return <path className={`ink-fill ${colour}`} d={outline(points, thick)} />;
}

/** A stroke from a corner on, its points stretched; its shape is worked out once for a place. */
const Laid = memo(function Laid({
  stroke,
  x,
  y,
  kx,
  ky,
}: Record<'x' | 'y' | 'kx' | 'ky', number> & { stroke: Stroke }) {
  return <Mark {...stroke} points={stroke.points.map((p) => [x + p[0]! * kx, y + p[1]! * ky] as const)} />;
});

function outline(points: Way, size: number): string {
  const shape = getStroke(points as [number, number][], {
    size,
    thinning: 0.35,
    smoothing: 0.6,
    streamline: 0.4,
  });
  return shape.length ? `M${shape.map(([x, y]) => `${x!.toFixed(1)} ${y!.toFixed(1)}`).join('L')}Z` : '';
}

function head(a: readonly [number, number], b: readonly [number, number], thick: number): string {
  const turn = Math.atan2(b[1] - a[1], b[0] - a[0]);
  const arm = (by: number) =>
    `${b[0] - Math.cos(turn + by) * thick * 4} ${b[1] - Math.sin(turn + by) * thick * 4}`;
  return `M${arm(0.5)}L${b}L${arm(-0.5)}`;
}

/** The ink on one model, in the pixels of its drawing. */
export function ModelInk({
  model,
  index,
  scale,
  ink,
}: {
  model: DrawnModel;
  index: number;
  scale: number;
  ink: Stroke[];
}) {
  const mine = ink.filter((s) => s.on.model === index);
  if (mine.length === 0) return null;
  return (
    <svg className="ink" width={model.w * scale} height={model.h * scale} aria-hidden="true">
      {mine.map((s) => {
        const { x, y } = cornerOf(model, s.on);
        return <Laid key={s.id} stroke={s} x={x * scale} y={y * scale} kx={scale / 10} ky={scale / 10} />;
      })}
    </svg>
  );
}

/** The ink on the board itself. */
export function BoardInk({ ink, w, h }: { ink: Stroke[]; w: number; h: number }) {
  const mine = ink.filter((s) => s.on.model === undefined);
  return (
    <svg className="ink" width={w} height={h} aria-hidden="true">
      {mine.map((s) => (
        <Laid key={s.id} stroke={s} x={0} y={0} kx={w / 10_000} ky={h / 10_000} />
      ))}
    </svg>
  );
}
