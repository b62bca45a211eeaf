// The parts of children's ways, ringed over the pieces in a colour for each way; and the
// line that is being drawn round some.
import { useRef, useState, type PointerEvent } from 'react';
import { centreOf, inside, type Point } from '../board/geometry';
import { Boxes, boxesRound, wider } from '../board/Rings';
import { notify, useLesson, type DrawnModel } from '../state/lesson';
import { names } from '../shell/names';
import { drawRound, useDrawing } from './drawing';
import css from './WayLayer.module.css';
import { hasBranches } from './workSize';

const cx = names(css);

interface Props {
  model: DrawnModel;
  index: number;
  scale: number;
}

/** How far the first way's rings keep from the pieces, and each further way's from them, in pixels. */
const FIRST = 5;
const NEXT = 7;

export function WayLayer({ model, index, scale }: Props) {
  const ways = useLesson((s) => s.frame.ways);
  const { open, model: on, drawn } = useDrawing();
  const [line, setLine] = useState<Point[]>();
  /** The line as the hand draws it, which the page draws when it comes to it. */
  const live = useRef<Point[] | undefined>(undefined);
  const draw = (points: Point[] | undefined) => {
    live.current = points;
    setLine(points);
  };
  const here = ways.filter((w) => w.model === index && w.rings.length > 0);
  const mine = open && on === index ? drawn : [];
  if (!open && here.length === 0) return null;
  const at = (e: PointerEvent<SVGSVGElement>): Point => {
    const r = e.currentTarget.getBoundingClientRect();
    return { x: (e.clientX - r.left) / scale, y: (e.clientY - r.top) / scale };
  };
  const up = () => {
    const round = live.current;
    draw(undefined);
    if (!round) return;
    const ids = model.pieces.filter((p) => inside(round, centreOf(p))).map((p) => p[0]);
    if (ids.length > 0) drawRound(index, ids);
    else notify('info', 'Draw all the way round the pieces of one part.');
  };
  return (
    <svg
      className={cx(open ? 'ways drawing-ways' : 'ways')}
      width={model.w * scale}
      height={model.h * scale}
      viewBox={`0 0 ${model.w} ${model.h}`}
      aria-hidden="true"
      // Nothing is selected by the way, and the field keeps the focus.
      onMouseDown={(e) => e.preventDefault()}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        draw([at(e)]);
      }}
      onPointerMove={(e) => live.current && draw([...live.current, at(e)])}
      onPointerUp={up}
      onPointerCancel={() => draw(undefined)}
    >
      {open && (
        <rect className={cx('catch')} x={-600} y={-600} width={model.w + 1200} height={model.h + 1200} />
      )}
      {here.map((way) =>
        way.rings.map((ids, i) => (
          <Ring
            key={`${way.colour} ${i}`}
            model={model}
            ids={ids}
            colour={way.colour}
            off={(FIRST + NEXT * (way.colour % 3)) / scale}
          />
        )),
      )}
      {mine.map((ids, i) => (
        <Ring key={`drawn ${i}`} model={model} ids={ids} colour={-1} off={FIRST / scale} />
      ))}
      {line && <path className={cx('line')} d={`M${line.map((p) => `${p.x} ${p.y}`).join('L')}`} />}
    </svg>
  );
}

interface RingProps {
  model: DrawnModel;
  ids: number[];
  colour: number;
  off: number;
}

function Ring({ model, ids, colour, off }: RingProps) {
  const own = new Set(ids);
  if (!model.pieces.some((p) => own.has(p[0]))) return null;
  const boxes = boxesRound(model.pieces, (p) => own.has(p[0])).map((b) => wider(b, off));
  const look = colour < 0 ? 'fresh' : `way-${colour}`;
  return <Boxes boxes={boxes} ring={cx(`way-ring ${look}`)} link={cx(`way-link ${look}`)} corner={10} />;
}

/** The ways as they are written: a colour, the child's name, the sentence with its branches. */
export function WaysTold() {
  const ways = useLesson((s) => s.frame.ways);
  if (ways.length === 0) return null;
  return (
    <ul className={cx('told')} aria-label="Children’s ways">
      {ways.map((w) => (
        <li key={w.colour} className={cx(`way-${w.colour}`)}>
          {w.name && <b>{w.name}</b>}
          {hasBranches(w) && <Branches whole={w.whole} parts={w.parts} />}
          <span>{w.text}</span>
        </li>
      ))}
    </ul>
  );
}

/** The whole with a branch to each part. */
function Branches({ whole, parts }: { whole: string; parts: string[] }) {
  const w = Math.max(2, parts.length) * 64;
  const x = (i: number) => (w * (2 * i + 1)) / (2 * parts.length);
  return (
    <svg className={cx('branches')} viewBox={`0 0 ${w} 84`} width={w} height={84} aria-hidden="true">
      {parts.map((part, i) => (
        <g key={i}>
          <path d={`M${w / 2} 32L${x(i)} 56`} />
          <text x={x(i)} y={72}>
            {part}
          </text>
        </g>
      ))}
      <text x={w / 2} y={18}>
        {whole}
      </text>
    </svg>
  );
}
