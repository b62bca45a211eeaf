// Texts placed on the board. Spelling help is off: a class reads over the shoulder.
import { Button } from 'antd';
import {
  useLayoutEffect,
  useRef,
  useState,
  type CSSProperties,
  type PointerEvent,
  type RefObject,
} from 'react';
import { call, type Edit, type Note } from '../core/core';
import type { Point } from '../board/geometry';
import { edit } from '../state/acts';
import { useLesson, type DrawnModel } from '../state/lesson';
import { newId } from '../state/api';
import { takePen } from './pen';
import { cornerOf, spotAt, toUnits } from './spot';
import { names } from '../shell/names';
import css from './Notes.module.css';

const cx = names(css);

/** Where a note is begun: on the screen, and on the board. */
export interface Fresh extends Point {
  left: number;
  top: number;
}

function change(part: Pick<Edit, 'notes' | 'erase'>) {
  const scene = useLesson.getState().frame.scene;
  edit((handle) => call('edit', { handle, edit: { kind: 'notes', scene, ...part } }));
}

function placed(stage: Element, note: Pick<Note, 'id' | 'text'>, at: Point): Note {
  const spot = spotAt(stage, at.x, at.y);
  const [xy] = toUnits(spot, [at]);
  return { ...note, on: spot.on, x: xy![0], y: xy![1] };
}

/** The notes on one model, in the pixels of its drawing. */
export function ModelNotes({ model, index, scale }: { model: DrawnModel; index: number; scale: number }) {
  const notes = useLesson((s) => s.frame.notes);
  return notes
    .filter((n) => n.on.model === index)
    .map((n) => {
      const c = cornerOf(model, n.on);
      const style = { left: (c.x + n.x / 10) * scale, top: (c.y + n.y / 10) * scale };
      return <OneNote key={n.id} note={n} style={style} />;
    });
}

interface Props {
  stage: RefObject<HTMLDivElement | null>;
  /** Where a new note is being written. */
  fresh: Fresh | undefined;
  done: () => void;
}

/** The notes on the board itself, and the one that is being written. */
export function BoardNotes({ stage, fresh, done }: Props) {
  const notes = useLesson((s) => s.frame.notes);
  const keep = (text: string) => {
    if (text && fresh && stage.current)
      change({ notes: [placed(stage.current, { id: newId(), text }, fresh)] });
    takePen(undefined);
    done();
  };
  return (
    <>
      {notes
        .filter((n) => n.on.model === undefined)
        .map((n) => (
          <OneNote key={n.id} note={n} style={{ left: `${n.x / 100}%`, top: `${n.y / 100}%` }} />
        ))}
      {fresh && (
        <div className={cx('note')} style={{ left: fresh.left, top: fresh.top }}>
          <Write text="" keep={keep} />
        </div>
      )}
    </>
  );
}

/** What would run off the board at the right is drawn in as far as that. */
function useDrawnIn() {
  const paper = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const note = paper.current;
    const stage = note?.closest('.stage');
    if (!note || !stage) return;
    const drawIn = () => {
      note.style.marginLeft = '';
      const over = note.getBoundingClientRect().right - stage.getBoundingClientRect().right;
      if (over > 0) note.style.marginLeft = `${-over}px`;
    };
    drawIn();
    const watch = new ResizeObserver(drawIn);
    watch.observe(note);
    watch.observe(stage);
    return () => watch.disconnect();
  });
  return paper;
}

function OneNote({ note, style }: { note: Note; style: CSSProperties }) {
  const [writing, setWriting] = useState(false);
  const [by, setBy] = useState<Point>();
  const grip = useRef<Point | undefined>(undefined);
  const paper = useDrawnIn();
  const onPointerDown = (e: PointerEvent<HTMLDivElement>) => {
    if (writing || (e.target as Element).closest('button')) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    grip.current = { x: e.clientX, y: e.clientY };
  };
  const onPointerMove = (e: PointerEvent<HTMLDivElement>) => {
    if (grip.current) setBy({ x: e.clientX - grip.current.x, y: e.clientY - grip.current.y });
  };
  const onPointerUp = (e: PointerEvent<HTMLDivElement>) => {
    if (!grip.current) return;
    grip.current = undefined;
    setBy(undefined);
    if (!by || Math.hypot(by.x, by.y) < 6) return setWriting(true);
    const r = e.currentTarget.getBoundingClientRect();
    const stage = e.currentTarget.closest('.stage');
    if (stage) change({ notes: [placed(stage, note, { x: r.left, y: r.top })] });
  };
  return (
    <div
      ref={paper}
      className={cx('note')}
      style={{ ...style, translate: by ? `${by.x}px ${by.y}px` : undefined }}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
    >
      {writing ? (
        <Write
          text={note.text}
          keep={(text) => {
            setWriting(false);
            if (!text) change({ erase: [note.id] });
            else if (text !== note.text) change({ notes: [{ ...note, text }] });
          }}
        />
      ) : (
        <>
          <span
            role="button"
            tabIndex={0}
            aria-label={`Note: ${note.text}. Enter writes on it.`}
            onKeyDown={(e) => e.key === 'Enter' && setWriting(true)}
          >
            {note.text}
          </span>
          <Button
            type="text"
            className={cx('small')}
            aria-label={`Put the note ${note.text} away`}
            onClick={() => change({ erase: [note.id] })}
          >
            ×
          </Button>
        </>
      )}
    </div>
  );
}

function Write({ text, keep }: { text: string; keep: (text: string) => void }) {
  const [now, setNow] = useState(text);
  return (
    <textarea
      aria-label="Note"
      value={now}
      autoFocus
      rows={Math.max(1, now.split('\n').length)}
      cols={Math.min(30, Math.max(8, ...now.split('\n').map((l) => l.length + 1)))}
      maxLength={500}
      spellCheck={false}
      autoComplete="off"
      autoCorrect="off"
      onChange={(e) => setNow(e.target.value)}
      onBlur={() => keep(now.trim())}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Escape' || (e.key === 'Enter' && !e.shiftKey)) e.currentTarget.blur();
      }}
    />
  );
}
