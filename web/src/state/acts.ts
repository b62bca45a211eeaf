// What a teacher does with the open lesson: each act is a call of the core, and the
// edits that come back are sent.
import {
  call,
  CoreError,
  type Delta,
  type Outline,
  type PageArgs,
  type PageMove,
  type Piece,
  type Update,
} from '../core/core';
import { newId } from './api';
import { applyFrame, get, notify, sentence, set, type DrawnModel } from './lesson';
import { finishBeats, playBeats, playFrame } from './motion';
import { saveEdits } from './session';

/** Makes a move on the board. False when it was refused, which is shown. */
export function act(move: PageMove, ...then: PageMove[]): boolean {
  if (blocked()) return false;
  return attempt(() => {
    finishBeats();
    const delta = call('apply', { handle: get().handle, move, then });
    set({ built: move.kind === 'build' });
    applyDelta(delta);
    remember(delta.announce);
    saveEdits(delta.edits);
  });
}

type Kind = PageMove['kind'];
/** The parameters of a move, of whichever model has it. */
type Args<K extends Kind> = PageMove extends infer M
  ? M extends { kind: K }
    ? Omit<M, 'kind' | 'model'>
    : never
  : never;

/** Makes moves on one model: the kind and its parameters fit each other, or it does not compile. */
export const acting =
  (model: number) =>
  <K extends Kind>(kind: K, ...args: object extends Args<K> ? [args?: Args<K>] : [args: Args<K>]): boolean =>
    act({ kind, model, ...args[0] } as PageMove);

function blocked() {
  if (!get().readOnly || get().presenting || get().showing) return false;
  notify(
    'info',
    get().outline.newer
      ? 'A newer version made this lesson. It is only read here.'
      : get().borrowed
        ? `This lesson is ${get().borrowed!.by}’s. Here you can look at it and present it.`
        : 'Another tab is writing on this lesson. Take over to change it here.',
  );
  return true;
}

/** Runs something that the core may refuse. */
export function attempt(run: () => void): boolean {
  try {
    run();
    return true;
  } catch (error) {
    notify('refusal', sentence(error), error instanceof CoreError ? error.offer : undefined);
    return false;
  }
}

/** What each act was told as, for undo to say what it undoes; and what was undone. */
let told: { lesson: string; done: string[]; undone: string[] } = { lesson: '', done: [], undone: [] };

function remember(what: string) {
  if (told.lesson !== get().id) told = { lesson: get().id, done: [], undone: [] };
  told.done.push(what);
  told.undone = [];
}

/** Says what was undone, or done again. */
function tellTravel(op: Change) {
  const [from, to, word] =
    op === 'undo' ? [told.done, told.undone, 'Undone'] : [told.undone, told.done, 'Done again'];
  const what = told.lesson === get().id ? from.pop() : undefined;
  if (what !== undefined) to.push(what);
  set({ announce: what ? `${word}: ${what}` : `${word}.` });
}

type Change = 'undo' | 'redo' | 'keepScratch';

/** Undo, redo, or keep the scratch copy. */
export function change(op: Change) {
  if (blocked()) return;
  attempt(() => {
    finishBeats();
    const can = op === 'undo' ? get().frame.canUndo : get().frame.canRedo;
    update(call(op, { handle: get().handle }));
    if (op !== 'keepScratch' && can) tellTravel(op);
  });
}

/** Runs an operation that changes the document. False when it was refused. */
export function edit(run: (handle: number) => Update): boolean {
  if (blocked()) return false;
  return attempt(() => {
    finishBeats();
    update(run(get().handle));
    remember('');
  });
}

function update(u: Update) {
  set({ outline: u.outline, selected: new Set(), notice: undefined });
  applyFrame(u.frame);
  saveEdits(u.edits);
}

export function addBoard(kinds: string[], title: string) {
  return edit((handle) => call('addBoard', { handle, id: newId(), title, kinds }));
}

/** Replaces the lines of the record. */
export function setRecord(record: Outline['record']) {
  return edit((handle) => call('edit', { handle, edit: { kind: 'setRecord', record } }));
}

/** Adds pages that are no boards, at a place among the scenes or at the end. */
export function addPages(pages: PageArgs[], at?: number) {
  return edit((handle) => call('addPages', { handle, id: newId(), pages, ...(at !== undefined && { at }) }));
}

export function dropScratch() {
  attempt(() => applyFrame(call('dropScratch', { handle: get().handle })));
}

/** Goes to where so many steps of a scene are over, and the next is in a phase. */
export function show(scene: string, step: number, phase = '') {
  attempt(() => {
    finishBeats();
    playFrame(call('show', { handle: get().handle, scene, step, phase, present: get().presenting }));
  });
}

/** While presenting, a touch of the board makes a scratch copy. */
export function setPresenting(presenting: boolean) {
  set({ presenting, notice: undefined });
}

function applyDelta(delta: Delta) {
  const before = get();
  const models = delta.models.map(({ changed, moved, removed, ...head }, i) => ({
    ...head,
    pieces: merge(before.models[i]?.pieces ?? [], changed, moved, removed),
  }));
  const { rev, scratch, canUndo, canRedo, secrets, offers, capture } = delta;
  set({
    frame: {
      ...before.frame,
      rev,
      scratch,
      canUndo,
      canRedo,
      secrets,
      offers,
      capture,
      ...(before.frame.steps === 0 && { written: delta.written }),
      ...delta.overlay,
    },
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

/**
 * Brings pieces up to date; those that did not change stay the same objects. Moved ones stand
 * together that moved alike: how far to the right and down, how many, and their ids.
 */
export function merge(pieces: Piece[], changed: Piece[], moved: number[], removed: number[]): Piece[] {
  const now = new Map(changed.map((p) => [p[0], p]));
  const shifts = new Map<number, { dx: number; dy: number }>();
  for (let i = 0; i < moved.length; i += 3 + moved[i + 2]!) {
    const by = { dx: moved[i]!, dy: moved[i + 1]! };
    for (const id of moved.slice(i + 3, i + 3 + moved[i + 2]!)) shifts.set(id, by);
  }
  const gone = new Set(removed);
  const kept: Piece[] = [];
  for (const p of pieces) {
    if (gone.has(p[0])) continue;
    const by = shifts.get(p[0]);
    const same: Piece = by ? [p[0], p[1], p[2] + by.dx, p[3] + by.dy, p[4], p[5], p[6], p[7], p[8]] : p;
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
