// One model on the board: its line of words, its pieces fitted to the room with
// the copies kept beside them, and the covers over them.
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { call } from '../core/core';
import { InkLayer } from '../ink/InkLayer';
import { BoardNotes, ModelNotes, type Fresh } from '../ink/Notes';
import { ModelInk } from '../ink/strokes';
import { useIsPaper, useLesson, type DrawnModel } from '../state/lesson';
import { Beside } from '../board/Beside';
import { Covers, QuickLook } from '../board/Covers';
import { Edge } from '../board/Edge';
import { KEPT_GAP, keptSize, useSize } from '../board/geometry';
import { glance, useGlance, useGlimpse } from '../board/glance';
import { KeptCopies } from '../board/KeptCopies';
import { usePinch } from '../board/pinch';
import { setZoom, useZoom } from '../board/setUp';
import { SelectionStrip } from '../board/SelectionStrip';
import { views, type Kind } from '../board/views';
import { names } from '../shell/names';
import type { Round } from './compose';
import { ModelLine } from './ModelLine';
import { Paper } from './Paper';
import type { Composed } from './useComposition';
import { WayLayer } from './WayLayer';
import css from './Tile.module.css';
import { useBenchWay } from './useBenchWay';

const cx = names(css);

interface TileProps {
  model: DrawnModel;
  index: number;
  bare: boolean;
  /** Whether the controls for building stand at the pieces. */
  building: boolean;
  /** Where the composition has put it. */
  placed: { scale: number; round: Round; above: boolean } | undefined;
}

export function Tile({ model, index, bare, building, placed }: TileProps) {
  const view = views[model.kind as Kind];
  const room = useRef<HTMLDivElement>(null);
  const size = useSize(room);
  const ink = useLesson((s) => s.frame.ink);
  const zoom = useZoom(index);
  const pinch = usePinch(room, zoom, (now) => setZoom(index, now));
  const { looking, look } = useGlance(model);
  // What is chosen has its verbs in the place of the model's line.
  const choosing = useLesson((s) => s.selectedModel === index && s.selected.size > 0);
  // The pieces come first: their line of words follows at once.
  const rest = useDeferredValue(true, false);
  const handle = useLesson((s) => s.handle);
  const foot = bare ? 12 : view.foot;
  const end = bare ? 0 : view.end;
  const { side } = view;
  // A narrow column has its name over its count.
  const head = bare ? view.head * 1.5 : view.head;
  const kept = keptSize(model.kept);
  const fit = Math.min(
    (size.w - 32 - side - end) / (model.w + kept.w + view.rim),
    (size.h - head - foot) / Math.max(model.h, kept.h),
    view.largest,
  );
  const scale = (placed?.scale ?? Math.max(0.3, fit)) * zoom;
  const numeral = model.readouts.find((r) => r.id === 'numeral');
  const covered = model.covers.length > 0;
  // A quick look is an operation of its own: what is covered is not in the page else.
  const seen = useMemo(
    () =>
      looking
        ? { ...model, pieces: [...model.pieces, ...call('look', { handle, model: index }).pieces] }
        : model,
    [looking, model, handle, index],
  );
  const name = `${view.title}${numeral?.shown && !covered ? `, ${numeral.text}` : ''}`;
  return (
    <section className={cx(placed ? 'tile placed' : 'tile')} aria-label={name} data-tile="">
      {!bare &&
        (rest ? (
          <div inert={choosing} className={cx('line')}>
            <ModelLine model={model} index={index} />
          </div>
        ) : (
          <div className={cx('line-room')} />
        ))}
      {model.title && <h2 className={cx('tile-title')}>{model.title}</h2>}
      {model.linked && <span className={cx('link-mark')}>Linked: one number</span>}
      <div className={cx(zoom > 1 ? 'room zoomed' : 'room')} ref={room} {...pinch}>
        {size.w > 0 && (
          <div
            className={cx(placed?.above ? 'side-by-side one-above-other' : 'side-by-side')}
            style={{
              margin: placed
                ? `0 ${placed.round.side + placed.round.rim * scale}px ${placed.round.foot}px 0`
                : `${head}px ${end}px ${foot}px ${side}px`,
            }}
          >
            {model.kept.length > 0 && (
              <div
                className={cx('copies')}
                style={placed?.above ? { marginBottom: KEPT_GAP * scale } : undefined}
              >
                <KeptCopies
                  model={model}
                  index={index}
                  scale={scale}
                  gap={placed?.above ? 0 : KEPT_GAP}
                  bare={!building}
                />
              </div>
            )}
            <div className={cx('drawing')} style={{ width: model.w * scale, height: model.h * scale }}>
              <view.Pieces model={seen} index={index} scale={scale} bare={!building} />
              <ModelInk model={model} index={index} scale={scale} ink={ink} />
              <ModelNotes model={model} index={index} scale={scale} />
              <WayLayer model={model} index={index} scale={scale} />
              {!looking && <Covers model={model} index={index} scale={scale} />}
            </div>
          </div>
        )}
        {bare && <SelectionStrip model={model} index={index} room={size.w} inLine={false} />}
      </div>
      {!bare && <SelectionStrip model={model} index={index} room={size.w} inLine />}
      {covered && !placed && <QuickLook looking={looking} look={look} />}
      <Beside model={model} />
    </section>
  );
}

/** Charts with the same columns stand under one another in an example, so that place is under place. */
function underOneAnother(models: DrawnModel[]) {
  const columns = (m: DrawnModel) => m.zones.flatMap((z) => (z.side ? [] : [z.id])).join();
  return (
    models.length > 1 &&
    models.every((m) => views[m.kind as Kind].under && columns(m) === columns(models[0]!))
  );
}

const none: DrawnModel[] = [];

/**
 * All models of the board: side by side, or where the composition has put them while
 * presenting. The controls for building are left out there and in worked examples.
 */
export function Stage({ composed }: { composed?: Composed | undefined }) {
  const glimpsed = useGlimpse();
  const paper = useIsPaper();
  const boards = useLesson((s) => s.models);
  const models = paper ? none : boards;
  const example = useLesson((s) => s.frame.steps > 0);
  const [pulled, setPulled] = useState<number[]>();
  const [fresh, setFresh] = useState<Fresh>();
  const moving = useLesson((s) => s.moving);
  const stage = useRef<HTMLDivElement>(null);
  useBenchWay(stage, composed !== undefined);
  const bare = composed !== undefined || example;
  const shares = pulled ?? models.map((m) => m.width || 100);
  const stacked = !composed && example && underOneAnother(models);
  const places = (i: number) => {
    const at = composed?.models[i]?.rect;
    return at && { left: at.x, top: at.y, width: at.w, height: at.h };
  };
  return (
    <div
      ref={stage}
      className={cx(
        `stage on-paper models-${models.length} ${stacked ? 'stacked' : ''} ${composed ? 'composed' : ''}`,
      )}
      id="board"
      data-moving={moving ? '' : undefined}
      style={
        stacked || composed
          ? undefined
          : { gridTemplateColumns: shares.map((s) => `minmax(0, ${s}fr)`).join(' ') }
      }
    >
      {paper && <Paper />}
      {models.map((m, i) => (
        <div className={cx('tile-place')} key={`${i}-${m.kind}`} style={places(i)}>
          <Tile
            model={m}
            index={i}
            bare={bare}
            building={composed ? composed.building : !bare}
            placed={
              composed?.models[i] && {
                scale: composed.models[i].scale,
                round: composed.rounds[i]!,
                above: composed.above,
              }
            }
          />
          {i < models.length - 1 && !stacked && !composed && (
            <Edge index={i} shares={shares} pull={setPulled} />
          )}
        </div>
      ))}
      {glimpsed && (
        <button type="button" className={cx('glimpsed')} aria-label="Look again" onClick={glance}>
          ?
        </button>
      )}
      <InkLayer stage={stage} note={setFresh} />
      <BoardNotes stage={stage} fresh={fresh} done={() => setFresh(undefined)} />
    </div>
  );
}
