// The layer over the board that the pen writes on.
import { useRef, useState, type MouseEvent, type PointerEvent, type RefObject } from 'react';
import { call, type Edit, type Stroke } from '../core/core';
import { useSize, type Point } from '../board/geometry';
import { edit } from '../state/acts';
import { useLesson } from '../state/lesson';
import { newId } from '../state/api';
import type { Fresh } from './Notes';
import { usePen } from './pen';
import { onScreen, spotAt, toUnits } from './spot';
import { BoardInk, Mark } from './strokes';
import { names } from '../shell/names';
import css from './InkLayer.module.css';

const cx = names(css);

/** How near the rubber must come, in pixels. */
const RUB = 16;

/** Puts strokes on the scene, or takes them off. */
function change(part: Pick<Edit, 'strokes' | 'erase'>) {
  const scene = useLesson.getState().frame.scene;
  edit((handle) => call('edit', { handle, edit: { kind: 'ink', scene, ...part } }));
}

export function InkLayer({
  stage,
  note,
}: {
  stage: RefObject<HTMLDivElement | null>;
  note: (at: Fresh) => void;
}) {
  const ink = useLesson((s) => s.frame.ink);
  const { tool, colour, width } = usePen();
  const layer = useRef<HTMLDivElement>(null);
  const size = useSize(layer);
  const [way, setWay] = useState<Point[]>();
  const [rect, setRect] = useState<DOMRect>();
  const live = useRef<Point[] | undefined>(undefined);

  const onPointerDown = (e: PointerEvent<HTMLDivElement>) => {
    if (e.pointerType === 'pen') usePen.setState({ stylus: true });
    if (fromFinger(e.nativeEvent)) return passOn(e);
    if (e.button !== 0 || !tool || !stage.current) return;
    const at = { x: e.clientX, y: e.clientY };
    const r = e.currentTarget.getBoundingClientRect();
    e.currentTarget.setPointerCapture(e.pointerId);
    live.current = [at];
    setRect(r);
    setWay([at]);
  };
  const onPointerMove = (e: PointerEvent<HTMLDivElement>) => {
    if (!live.current) return;
    const at = { x: e.clientX, y: e.clientY };
    const last = live.current[live.current.length - 1]!;
    if (Math.hypot(at.x - last.x, at.y - last.y) < 2) return;
    live.current = drawsFreely(tool) ? [...live.current, at] : [live.current[0]!, at];
    setWay(shapeOf(tool, live.current));
  };
  const onPointerUp = (e: PointerEvent<HTMLDivElement>) => {
    if (fromFinger(e.nativeEvent)) return passOn(e);
    const points = live.current && shapeOf(tool, live.current);
    live.current = undefined;
    setWay(undefined);
    if (!points || !tool || !stage.current) return;
    if (tool === 'note') {
      // On the way up, since going down takes the focus from what is written.
      const r = e.currentTarget.getBoundingClientRect();
      const at = points[points.length - 1]!;
      return note({ ...at, left: at.x - r.left, top: at.y - r.top });
    }
    if (tool === 'rub' || tool === 'rubPart') return rub(stage.current, ink, points, tool === 'rubPart');
    if (points.length < 2) points.push({ x: points[0]!.x + 1, y: points[0]!.y + 1 });
    const spot = spotAt(stage.current, ...middle(points));
    change({
      strokes: [
        {
          id: newId(),
          tool,
          colour,
          width,
          on: spot.on,
          points: toUnits(spot, thinned(points)) as Stroke['points'],
        },
      ],
    });
  };
  const rubbing = tool === 'rub' || tool === 'rubPart';
  return (
    <div
      ref={layer}
      className={cx(`ink-layer ${tool ? 'writing' : ''}`)}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onClick={(e) => fromFinger(e.nativeEvent as globalThis.PointerEvent) && passOn(e)}
      onPointerCancel={() => {
        live.current = undefined;
        setWay(undefined);
      }}
    >
      <BoardInk ink={ink} w={size.w} h={size.h} />
      {way && rect && tool && tool !== 'note' && (
        <svg className={cx('ink')} width={size.w} height={size.h} aria-hidden="true">
          {rubbing ? (
            <path
              className={cx('rubbing')}
              d={`M${way.map((p) => `${p.x - rect.left} ${p.y - rect.top}`).join('L')}`}
            />
          ) : (
            <Mark
              tool={tool}
              colour={colour}
              width={width}
              points={way.map((p) => [p.x - rect.left, p.y - rect.top] as const)}
            />
          )}
        </svg>
      )}
    </div>
  );
}

/** Where there is a stylus, what a finger does is meant for the pieces. */
const fromFinger = (e: globalThis.PointerEvent) => usePen.getState().stylus && e.pointerType === 'touch';

/** Gives what happened on the layer to what lies under it. */
function passOn(e: MouseEvent<HTMLDivElement>) {
  const layer = e.currentTarget;
  layer.style.pointerEvents = 'none';
  const under = document.elementFromPoint(e.clientX, e.clientY);
  layer.style.pointerEvents = '';
  under?.dispatchEvent(new window.PointerEvent(e.type, e.nativeEvent));
}

const drawsFreely = (tool: string | undefined) => !['line', 'arrow'].includes(tool ?? '');

/**
 * A ring is drawn round things, or pulled over them from corner to corner: either way it fills the room of
 * the line.
 */
function shapeOf(tool: string | undefined, line: Point[]): Point[] {
  if (tool !== 'ring') return line;
  const [x, y] = [line.map((p) => p.x), line.map((p) => p.y)];
  return [
    { x: Math.min(...x), y: Math.min(...y) },
    { x: Math.max(...x), y: Math.max(...y) },
  ];
}

function middle(points: Point[]): [number, number] {
  const p = points[Math.floor(points.length / 2)]!;
  return [p.x, p.y];
}

/** Every second point, and so on, until few enough are left. */
function thinned(points: Point[]): Point[] {
  const step = Math.ceil(points.length / 1500);
  return points.filter((_, i) => i % step === 0 || i === points.length - 1);
}

/** Rubs out the strokes that the rubber touched, or only the touched part of them. */
function rub(stage: Element, ink: Stroke[], way: Point[], part: boolean) {
  const near = (p: Point) => way.some((w) => Math.hypot(w.x - p.x, w.y - p.y) < RUB);
  const erase: string[] = [];
  const strokes: Stroke[] = [];
  for (const s of ink) {
    const seen = s.points.map((p) => near(onScreen(stage, s.on, p as [number, number])));
    const touched = seen.includes(true) || crosses(stage, s, way);
    if (!touched) continue;
    erase.push(s.id);
    if (part && ['pen', 'highlighter'].includes(s.tool)) strokes.push(...remains(s, seen));
  }
  if (erase.length > 0) change({ erase, strokes });
}

/** Whether the rubber came between the points of a line, a ring or an arrow. */
function crosses(stage: Element, s: Stroke, way: Point[]): boolean {
  for (let i = 1; i < s.points.length; i++) {
    const a = onScreen(stage, s.on, s.points[i - 1] as [number, number]);
    const b = onScreen(stage, s.on, s.points[i] as [number, number]);
    const long = Math.max(1, Math.hypot(b.x - a.x, b.y - a.y));
    for (const w of way) {
      const along = Math.max(
        0,
        Math.min(1, ((w.x - a.x) * (b.x - a.x) + (w.y - a.y) * (b.y - a.y)) / long ** 2),
      );
      if (Math.hypot(a.x + along * (b.x - a.x) - w.x, a.y + along * (b.y - a.y) - w.y) < RUB) return true;
    }
  }
  return false;
}

/** The pieces of a stroke that the rubber left. */
function remains(s: Stroke, gone: boolean[]): Stroke[] {
  const out: Stroke[] = [];
  let run: Stroke['points'] = [];
  const end = () => {
    if (run.length > 1) out.push({ ...s, id: newId(), points: run });
    run = [];
  };
  s.points.forEach((p, i) => (gone[i] ? end() : run.push(p)));
  end();
  return out;
}
