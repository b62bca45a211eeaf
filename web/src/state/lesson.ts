// The open lesson as the page sees it: a mirror of the core's session, and what the
// page says beside it.
import { create } from 'zustand';
import {
  CoreError,
  type BoardView,
  type Frame,
  type KeptView,
  type ModelView,
  type Offered,
  type Outline,
  type Piece,
  type SceneLine,
} from '../core/core';
import { ApiError, type Sharing } from './api';
import type { SaveState } from './outbox';

/** A model as drawn: everything of its view, and its pieces. */
export type DrawnModel = ModelView;

/** A kept copy of a model's earlier state. */
export type KeptModel = KeptView;

/** Where a piece that was just made comes from: the rectangle of what it was. */
export type Origins = ReadonlyMap<number, Piece>;

export interface Notice {
  kind: 'refusal' | 'info';
  text: string;
  at: number;
  /** What would do instead, in one press. */
  offer?: Offered | undefined;
}

/** A lesson that was made beside this one, of work that could not be sent. */
export interface Copy {
  id: string;
  title: string;
}

/** Whose a lesson is that this teacher may read, and whether she may copy it. */
export interface Borrowed {
  by: string;
  shared: Sharing | undefined;
}

export interface LessonState {
  /** Whether the last act built a number: what is shown then may be composed anew. */
  built: boolean;
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
  /** The colleague whose lesson this is, and how it is shared; none for one's own. */
  borrowed: Borrowed | undefined;
  presenting: boolean;
  /** The showing that is open; none while the lesson is prepared. */
  showing: string;
  /** Whether boards are shown on the way to where an act leads. */
  moving: boolean;
  /** What the stage of a step that is shown does, in the class's words. */
  spoken: string;
  save: SaveState;
  announce: string;
  notice: Notice | undefined;
  /** What was said last, to be called back. */
  said: Notice | undefined;
  copy: Copy | undefined;
}

export const emptyFrame: LessonState['frame'] = {
  rev: 0,
  scene: '',
  step: 0,
  steps: 0,
  phase: '',
  open: false,
  scratch: false,
  canUndo: false,
  canRedo: false,
  secrets: 0,
  offers: [],
  prompt: { say: '', ask: '', answer: '', look: '', moves: 0 },
  lines: [],
  ink: [],
  ways: [],
  focus: {},
  notes: [],
  capture: { on: false, steps: 0, moves: 0 },
};

export const initial: LessonState = {
  status: 'loading',
  failure: '',
  id: '',
  handle: 0,
  outline: { id: '', title: '', objective: '', words: {}, scenes: [], record: [] },
  built: false,
  frame: emptyFrame,
  models: [],
  notation: '',
  origins: new Map(),
  selected: new Set(),
  selectedModel: 0,
  lit: new Set(),
  readOnly: false,
  borrowed: undefined,
  presenting: false,
  showing: '',
  moving: false,
  spoken: '',
  save: { unsent: 0, sending: false, kept: true },
  announce: '',
  notice: undefined,
  said: undefined,
  copy: undefined,
};

export const useLesson = create<LessonState>(() => initial);

/** Has something done when another lesson stands here than did, or none. */
export const onAnotherLesson = (run: () => void) =>
  useLesson.subscribe((now, was) => now.id !== was.id && run());

/** Has something done when another scene stands here than did, of this lesson or another. */
export const onAnotherScene = (run: () => void) =>
  useLesson.subscribe((now, was) => (now.id !== was.id || now.frame.scene !== was.frame.scene) && run());

/** What a class reads of what a scene is called: not the number that it is to say. */
export const readTitle = (scene: SceneLine | undefined) => (scene && !scene.unnamed ? scene.title : '');

/** What the scene that is shown is, when it is not a board alone. */
export const usePage = () => useLesson((s) => s.outline.scenes.find((x) => x.id === s.frame.scene)?.page);

/**
 * Whether a class sees no board: the objective of the lesson, nothing but paper, or a word with
 * nothing to show it.
 */
export const isPaper = (page: SceneLine['page'], models: readonly { pieces: readonly unknown[] }[]) =>
  page === 'objective' || page === 'blank' || (page === 'word' && models.every((m) => m.pieces.length === 0));

/** Whether the scene shows no board. Where it is prepared, a word has one to build on. */
export const useIsPaper = () => {
  const page = usePage();
  return useLesson((s) => isPaper(page, s.models) && (s.presenting || page !== 'word'));
};

/** What a step has its class look at, told to the teacher; of a word it is what all say together. */
export const lookTold = (page: SceneLine['page'], look: string) => (page === 'word' ? look : `Look: ${look}`);

export const set = useLesson.setState;
export const get = useLesson.getState;

export function sentence(error: unknown): string {
  if (error instanceof CoreError || error instanceof ApiError) return error.message;
  return error instanceof Error ? error.message : String(error);
}

export function notify(kind: Notice['kind'], text: string, offer?: Offered) {
  const notice = { kind, text, at: Date.now(), offer };
  set({ notice, said: notice });
}

export function dismissNotice() {
  set({ notice: undefined });
}

/** Shows again what was said last. */
export function recallNotice() {
  const { said } = get();
  // What was offered with it may no longer fit.
  if (said) notify(said.kind, said.text);
}

// ---- the picture ----

export function applyFrame(frame: Frame, extra: Partial<LessonState> = {}) {
  const { board, beats: _beats, became: _became, ...rest } = frame;
  set({
    frame: rest,
    models: board.models,
    notation: board.notation,
    origins: new Map(),
    lit: new Set(),
    ...extra,
  });
}

export function showBoard(view: BoardView, origins: Origins) {
  set({ models: view.models, notation: view.notation, origins });
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
