// The open lesson as the page sees it: a mirror of the core's session, with the
// saves that follow from each act.
import { create } from 'zustand';
import {
  call,
  CoreError,
  loadCore,
  onCoreDeath,
  type Became,
  type BoardView,
  type Delta,
  type Frame,
  type KeptView,
  type ModelView,
  type Outline,
  type PageMove,
  type Piece,
  type Turned,
} from '../core/core';
import { api, ApiError, newId } from '../shell/api';
import { Outbox, sendLeftovers, type SaveState } from './outbox';
import { tabId } from './tab';

/** A model as drawn: everything of its view, and its pieces. */
export interface DrawnModel extends Omit<ModelView, 'pieces' | 'kept'> {
  pieces: Piece[];
  kept: KeptModel[];
}

/** A kept copy of a model's earlier state. */
export interface KeptModel extends Omit<KeptView, 'pieces'> {
  pieces: Piece[];
}

/** Where a piece that was just made comes from: the rectangle of what it was. */
export type Origins = ReadonlyMap<number, Piece>;

export interface Notice {
  kind: 'refusal' | 'info';
  text: string;
  at: number;
}

interface LessonState {
  status: 'loading' | 'open' | 'failed';
  failure: string;
  id: string;
  handle: number;
  outline: Outline;
  frame: Omit<Frame, 'board' | 'beats' | 'became'>;
  models: DrawnModel[];
  notation: string;
  origins: Origins;
  /** Ids of the selected pieces of one model. */
  selected: ReadonlySet<number>;
  selectedModel: number;
  /** Pieces lit from the written work or from a pointed-at piece. */
  lit: ReadonlySet<number>;
  readOnly: boolean;
  save: SaveState;
  announce: string;
  notice: Notice | undefined;
  copy: { id: string; title: string } | undefined;
}

const emptyFrame: LessonState['frame'] = {
  rev: 0,
  scene: '',
  step: 0,
  steps: 0,
  asked: false,
  scratch: false,
  canUndo: false,
  canRedo: false,
  prompt: { say: '', ask: '', answer: '', look: '', moves: 0 },
  lines: [],
  ink: [],
  notes: [],
};

const initial: LessonState = {
  status: 'loading',
  failure: '',
  id: '',
  handle: 0,
  outline: { id: '', title: '', objective: '', words: {}, scenes: [], record: [] },
  frame: emptyFrame,
  models: [],
  notation: '',
  origins: new Map(),
  selected: new Set(),
  selectedModel: 0,
  lit: new Set(),
  readOnly: false,
  save: 'saved',
  announce: '',
  notice: undefined,
  copy: undefined,
};

export const useLesson = create<LessonState>(() => initial);

const set = useLesson.setState;
const get = useLesson.getState;

let outbox: Outbox | undefined;
let events: EventSource | undefined;
let beatTimers: ReturnType<typeof setTimeout>[] = [];
let presenting = false;

/** How long one move of a step is seen before the next, in milliseconds. */
const BEAT = 520;

// ---- opening and closing ----

/** Opens a lesson: sends what was left unsent, loads it, and claims it for this tab. */
export async function openLesson(id: string) {
  closeLesson();
  set({ ...initial, id });
  try {
    const core = loadCore();
    core.catch(() => undefined); // it is told below
    const { copy } = await sendLeftovers(id, tabId);
    const { rev, lesson } = await api.get(id);
    await core;
    if (get().id !== id) return;
    outbox = new Outbox(id, tabId, {
      state: (save) => set({ save }),
      conflict: (made) => void reloadAfterConflict(id, made),
      document: () => call('document', { handle: get().handle }),
      refused: (text) => notify('refusal', text),
    });
    mirror(rev, lesson);
    set({ status: 'open', copy });
    if (get().outline.newer) {
      set({ readOnly: true });
      return;
    }
    listen(id);
    await claim(false);
  } catch (error) {
    if (get().id === id) set({ status: 'failed', failure: sentence(error) });
  }
}

function mirror(rev: number, lesson: unknown) {
  const old = get().handle;
  const { handle, outline } = call('open', { lesson });
  if (old) call('close', { handle: old });
  outbox?.loaded(rev);
  set({ handle, outline });
  const scene = outline.scenes.find((s) => s.id === get().frame.scene) ?? outline.scenes[0];
  if (scene) show(scene.id, Math.min(get().frame.step, scene.steps.length), false);
  else set({ frame: emptyFrame, models: [], notation: '' });
}

export function closeLesson() {
  stopBeats();
  events?.close();
  outbox?.close();
  outbox = undefined;
  events = undefined;
  const { handle, id, readOnly } = get();
  if (id && !readOnly) release(id);
  if (handle && globalThis.unitbloomCore) call('close', { handle });
  set(initial);
}

function release(id: string) {
  const body = JSON.stringify({ holder: tabId, release: true });
  navigator.sendBeacon(`/api/lessons/${id}/hold`, new Blob([body], { type: 'application/json' }));
}

addEventListener('pagehide', () => {
  const { id, readOnly } = get();
  if (id && !readOnly) release(id);
});
addEventListener('pageshow', (e) => {
  if (e.persisted && get().id) void claim(false);
});

// The module is started again and the lesson read anew: all acts are in the outbox.
onCoreDeath(() => {
  const { id } = get();
  if (id) void openLesson(id);
});

/** Asks to write on the lesson; with take, from another tab that does. */
export async function claim(take: boolean) {
  const { id, outline } = get();
  if (outline.newer) return;
  try {
    const { held } = await api.hold(id, tabId, take);
    if (get().id !== id) return;
    set({ readOnly: !held });
    if (held) await catchUp();
  } catch {
    // Without the server the revisions decide, when it is back.
  }
}

function listen(id: string) {
  events = new EventSource(`/api/lessons/${id}/events?holder=${tabId}`);
  let opened = false;
  events.onopen = () => {
    if (opened) void claim(false);
    opened = true;
  };
  events.onmessage = (e: MessageEvent<string>) => {
    const [what, detail] = e.data.split(' ');
    if (what === 'held' && detail !== tabId) set({ readOnly: true, selected: new Set() });
    if (what === 'free' && get().readOnly) void claim(false);
    if (what === 'rev' && get().readOnly) void catchUp();
  };
}

/** Reads the lesson anew when nothing of this tab's own is on its way. */
async function catchUp() {
  const { id } = get();
  if (!outbox?.idle) return;
  const { rev, lesson } = await api.get(id).catch(() => ({ rev: -1, lesson: undefined }));
  if (rev < 0 || get().id !== id || !outbox?.idle || rev === outbox.revision) return;
  mirror(rev, lesson);
}

async function reloadAfterConflict(id: string, copy: { id: string; title: string } | undefined) {
  if (get().id !== id) return;
  await openLesson(id);
  if (copy) set({ copy });
}

// ---- acts ----

/** Makes a move on the board. False when it was refused, which is shown. */
export function act(move: PageMove): boolean {
  if (blocked()) return false;
  return attempt(() => {
    finishBeats();
    const delta = call('apply', { handle: get().handle, move });
    applyDelta(delta);
    send(delta.edits);
  });
}

function blocked() {
  if (get().readOnly && !presenting) {
    notify(
      'info',
      get().outline.newer
        ? 'A newer version made this lesson. It is only read here.'
        : 'Another tab is writing on this lesson. Take over to change it here.',
    );
    return true;
  }
  return false;
}

/** Runs something that the core may refuse. */
function attempt(run: () => void): boolean {
  try {
    run();
    return true;
  } catch (error) {
    notify('refusal', sentence(error));
    return false;
  }
}

export function sentence(error: unknown): string {
  if (error instanceof CoreError || error instanceof ApiError) return error.message;
  return error instanceof Error ? error.message : String(error);
}

export function notify(kind: Notice['kind'], text: string) {
  set({ notice: { kind, text, at: Date.now() } });
}

export function dismissNotice() {
  set({ notice: undefined });
}

function send(edits: Delta['edits']) {
  if (edits.length > 0 && !get().readOnly) outbox?.add(edits);
}

type Change = 'undo' | 'redo' | 'keepScratch';

/** Undo, redo, or keep the scratch copy. */
export function change(op: Change) {
  if (blocked()) return;
  attempt(() => {
    finishBeats();
    turn(call(op, { handle: get().handle }));
  });
}

/** Runs an operation that changes the document. False when it was refused. */
export function edit(run: (handle: number) => Turned): boolean {
  if (blocked()) return false;
  return attempt(() => {
    finishBeats();
    turn(run(get().handle));
  });
}

function turn(turned: Turned) {
  set({ outline: turned.outline, selected: new Set() });
  applyFrame(turned.frame);
  send(turned.edits);
}

export function addBoard(kinds: string[], title: string) {
  return edit((handle) => call('addBoard', { handle, id: newId(), title, kinds }));
}

export function dropScratch() {
  attempt(() => applyFrame(call('dropScratch', { handle: get().handle })));
}

/** Goes to a step of a scene; asked shows the question of the step to come. */
export function show(scene: string, step: number, asked: boolean) {
  attempt(() => {
    finishBeats();
    const frame = call('show', { handle: get().handle, scene, step, asked, present: presenting });
    playFrame(frame);
  });
}

/** While presenting, a touch of the board makes a scratch copy. */
export function setPresenting(on: boolean) {
  presenting = on;
}

// ---- mirroring ----

function drawn(view: BoardView): DrawnModel[] {
  return view.models.map((m) => ({ ...m, kept: keptOf(m), pieces: m.pieces as unknown as Piece[] }));
}

function keptOf(m: ModelView): KeptModel[] {
  return m.kept.map((k) => ({ ...k, pieces: k.pieces as unknown as Piece[] }));
}

function applyFrame(frame: Frame, extra: Partial<LessonState> = {}) {
  const { board, beats: _beats, became: _became, ...rest } = frame;
  set({
    frame: rest,
    models: drawn(board),
    notation: board.notation,
    origins: new Map(),
    lit: new Set(),
    ...extra,
  });
}

const stillness = matchMedia('(prefers-reduced-motion: reduce)');
/** What is shown when all that moves has moved. */
let pending: (() => void) | undefined;

/** Shows the boards between the moves of a step one after another. */
function playFrame(frame: Frame) {
  const { board: _b, beats: _x, became: _y, ...rest } = frame;
  // What is written comes last, when the pieces have moved.
  const written = (frame.beats ?? []).length > 0 ? get().frame.written : frame.written;
  set({ frame: written ? { ...rest, written } : rest, selected: new Set(), lit: new Set() });
  playBeats(frame.beats ?? [], frame.became ?? [], (origins) => applyFrame(frame, { origins }));
}

/** Shows boards on the way, then what they lead to. */
function playBeats(beats: BoardView[], became: Became[], last: (origins: Origins) => void) {
  const steps = stillness.matches ? [] : beats;
  const end = () => {
    pending = undefined;
    last(originsOf(became, get().models));
  };
  const beat = beatLength(steps.length);
  steps.forEach((view, i) => {
    const run = () =>
      set({ models: drawn(view), notation: view.notation, origins: originsOf(became, get().models) });
    if (i === 0) run();
    else beatTimers.push(setTimeout(run, i * beat));
  });
  if (steps.length === 0) return end();
  pending = end;
  beatTimers.push(setTimeout(end, steps.length * beat));
}

/** Many stages go by faster than few, so that nobody waits. */
function beatLength(stages: number) {
  return Math.max(220, Math.min(BEAT, 4000 / stages));
}

function stopBeats() {
  beatTimers.forEach(clearTimeout);
  beatTimers = [];
}

/** Skips what is still moving. */
export function finishBeats() {
  stopBeats();
  pending?.();
}

function applyDelta(delta: Delta) {
  const before = get();
  const models = delta.models.map(({ changed, moved, removed, pieces: _none, ...view }, i) => ({
    ...view,
    kept: keptOf({ ...view, pieces: [] }),
    pieces: merge(before.models[i]?.pieces ?? [], changed, moved, removed),
  }));
  const { rev, scratch, canUndo, canRedo } = delta;
  set({
    frame: { ...before.frame, rev, scratch, canUndo, canRedo, ...delta.overlay },
    announce: delta.announce,
    notice: delta.warn ? { kind: 'info', text: delta.warn, at: Date.now() } : undefined,
  });
  playBeats(delta.beats, delta.became, (origins) =>
    set({
      models,
      notation: delta.notation,
      origins,
      selected: keep(get().selected, models[before.selectedModel]),
    }),
  );
}

/** Brings pieces up to date; those that did not change stay the same objects. */
function merge(pieces: Piece[], changed: Piece[], moved: number[], removed: number[]): Piece[] {
  const now = new Map(changed.map((p) => [p[0], p]));
  const spots = new Map<number, [x: number, y: number]>();
  for (let i = 0; i < moved.length; i += 3) spots.set(moved[i]!, [moved[i + 1]!, moved[i + 2]!]);
  const gone = new Set(removed);
  const kept: Piece[] = [];
  for (const p of pieces) {
    if (gone.has(p[0])) continue;
    const spot = spots.get(p[0]);
    const same: Piece = spot ? [p[0], p[1], ...spot, p[4], p[5], p[6], p[7], p[8]] : p;
    kept.push(now.get(p[0]) ?? same);
    now.delete(p[0]);
  }
  return [...kept, ...now.values()];
}

function keep(selected: ReadonlySet<number>, model: DrawnModel | undefined): ReadonlySet<number> {
  if (selected.size === 0 || !model) return selected;
  const there = new Set(model.pieces.map((p) => p[0]));
  return new Set([...selected].filter((id) => there.has(id)));
}

/** The rectangle that a new piece grows out of: all that it was made from, or the one it was. */
function originsOf(became: Became[], models: DrawnModel[]): Origins {
  const origins = new Map<number, Piece>();
  if (became.length === 0 || stillness.matches) return origins;
  const at = new Map(models.flatMap((m) => m.pieces).map((p) => [p[0], p]));
  for (const { from, to } of became) {
    const rects = from.map((id) => at.get(id)).filter((p) => p !== undefined);
    const first = rects[0];
    if (!first) continue;
    const x = Math.min(...rects.map((r) => r[2]));
    const y = Math.min(...rects.map((r) => r[3]));
    for (const id of to) origins.set(id, [id, first[1], x, y, first[4], first[5], first[6], first[7]]);
  }
  return origins;
}

// ---- selection ----

export function select(model: number, ids: Iterable<number>) {
  set({ selectedModel: model, selected: new Set(ids) });
}

export function toggle(model: number, id: number) {
  const { selected, selectedModel } = get();
  const next = new Set(selectedModel === model ? selected : []);
  if (!next.delete(id)) next.add(id);
  select(model, next);
}

export function light(ids: Iterable<number>) {
  const next = new Set(ids);
  if (next.size > 0 || get().lit.size > 0) set({ lit: next });
}
