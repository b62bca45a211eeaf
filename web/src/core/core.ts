// The core in the browser: loads the module once and gives typed calls to its
// door. The page mirrors what comes back and computes no mathematics itself.
import wasmUrl from './generated/core.wasm?url';
import type {
  Acts,
  Became,
  BoardView,
  Builds,
  Captured,
  Reached,
  Edit,
  Frame,
  MethodInfo,
  ModelView,
  Move,
  Outline,
  Overlay,
  Plain,
  Turned,
  Verb,
  Verdict,
} from './types.gen';

export type * from './types.gen';

/** A refusal or an error of the core: a code for programs, a sentence for people. */
export class CoreError extends Error {
  readonly code: string;
  constructor(code: string, text: string) {
    super(text);
    this.code = code;
  }
}

/** A piece as drawn: id, look, x, y, w, h in model units, part, marks, and what is written on it. */
export type Piece = [
  id: number,
  look: string,
  x: number,
  y: number,
  w: number,
  h: number,
  part: number,
  marks: number,
  text?: string,
];

/** The marks of a piece, as bits. */
export const Mark = { crossed: 1, taken: 2, spent: 4, fresh: 8, ringed: 16, alternate: 32, copy: 64 } as const;

/** What a move changed: everything of each model but its pieces, and of those only the differences. */
export interface Delta {
  rev: number;
  /** changed pieces whole; moved ones as id, x, y after one another; removed ones by id. */
  models: (ModelView & { changed: Piece[]; moved: number[]; removed: number[] })[];
  notation: string;
  scratch: boolean;
  canUndo: boolean;
  canRedo: boolean;
  became: Became[];
  /** Boards on the way, for motion. */
  beats: BoardView[];
  announce: string;
  /** What else happened, as when a linked model could not follow. */
  warn: string;
  edits: Edit[];
  /** Ink and notes, when the move took them along. */
  overlay?: Overlay;
}

/** A move as the page makes it: pieces may be named by id. */
export type PageMove = Move | (Record<string, unknown> & { kind: string; model?: number });

interface Calls {
  open: { in: { lesson: unknown }; out: { handle: number; outline: Outline } };
  close: { in: { handle: number }; out: object };
  outline: { in: { handle: number }; out: Outline };
  document: { in: { handle: number }; out: unknown };
  show: { in: { handle: number; scene: string; step: number; asked: boolean; present: boolean }; out: Frame };
  apply: { in: { handle: number; move: PageMove }; out: Delta };
  undo: { in: { handle: number }; out: Turned };
  redo: { in: { handle: number }; out: Turned };
  edit: { in: { handle: number; edit: Edit }; out: Turned };
  editStep: {
    in: { handle: number; scene: string; step: number; remove?: boolean; pause?: boolean } & Partial<
      Record<'say' | 'ask' | 'answer' | 'look', string>
    >;
    out: Turned;
  };
  setScene: {
    in: { handle: number; scene: string; title?: string; show?: string[]; marks?: string };
    out: Turned;
  };
  addExample: {
    in: {
      handle: number;
      id: string;
      typed: string;
      method?: string;
      model?: string;
      options?: Record<string, string>;
      at?: number;
    };
    out: Turned;
  };
  addBoard: { in: { handle: number; id: string; title: string; kinds: string[]; at?: number }; out: Turned };
  keepScratch: { in: { handle: number; into?: boolean }; out: Turned };
  dropScratch: { in: { handle: number }; out: Frame };
  verbs: { in: { handle: number; model: number; ids: number[] }; out: Verb[] };
  counting: { in: { handle: number; model: number }; out: Reached[] };
  builds: { in: { handle: number; text: string }; out: Builds };
  judge: { in: { handle: number; text: string }; out: Verdict };
  compare: { in: { handle: number }; out: { text: string } };
  clear: { in: { handle: number; what: string[] }; out: Turned };
  acts: { in: { text: string }; out: Acts[] };
  throw: { in: { kind: string; count: number; seed: number }; out: number[] };
  methods: { in: object; out: MethodInfo[] };
  preview: {
    in: { typed: string; method?: string; model?: string; options?: Record<string, string> };
    out: Plain;
  };
  anotherLike: { in: { handle: number; scene: string; id: string; seed: number }; out: Turned };
  reshape: {
    in: { handle: number; scene: string; step: number; how: 'split' | 'join' | 'earlier' | 'later' };
    out: Turned;
  };
  beginCapture: { in: { handle: number }; out: Captured };
  endStep: { in: { handle: number; say: string; ask: string; answer: string }; out: Captured };
  endCapture: {
    in: { handle: number; id: string; title: string; say: string; ask: string; answer: string };
    out: Turned;
  };
  dropCapture: { in: { handle: number }; out: Captured };
}

declare global {
  var unitbloomCore: ((op: string, arg: string) => string) | undefined;
  var unitbloomRest: (() => void) | undefined;
  /** The core, compiled before this script ran. */
  var unitbloomEarly: Promise<WebAssembly.Module> | undefined;
  var Go: new () => { importObject: WebAssembly.Imports; run(instance: WebAssembly.Instance): Promise<void> };
}

let loading: Promise<void> | undefined;
let died: (() => void) | undefined;

/** Called when the module has died and must be loaded again. */
export function onCoreDeath(listener: () => void) {
  died = listener;
}

/** Loads the core; later calls wait for the same load. */
export function loadCore(): Promise<void> {
  loading ??= start();
  return loading;
}

async function compile() {
  const response = await fetch(wasmUrl);
  const type = response.headers.get('Content-Type') ?? '';
  return type.startsWith('application/wasm')
    ? WebAssembly.compileStreaming(response)
    : WebAssembly.compile(await response.arrayBuffer());
}

async function start() {
  // @ts-expect-error Go's loader is a script without types; it defines Go.
  await import('./generated/wasm_exec.js');
  const go = new globalThis.Go();
  const module = (await globalThis.unitbloomEarly?.catch(() => undefined)) ?? (await compile());
  const instance = await WebAssembly.instantiate(module, go.importObject);
  void go.run(instance).finally(() => {
    globalThis.unitbloomCore = undefined;
    loading = undefined;
    died?.();
  });
}

/** How long nobody acts before the core tidies its memory, in milliseconds. */
const REST_MS = 700;
let resting: ReturnType<typeof setTimeout> | undefined;

/** The core collects its memory when nobody waits for it. */
function restSoon() {
  clearTimeout(resting);
  resting = setTimeout(() => {
    const idle = globalThis.requestIdleCallback ?? ((run: () => void) => setTimeout(run));
    idle(() => globalThis.unitbloomRest?.());
  }, REST_MS);
}

/** Calls one operation of the door. Throws a CoreError on a refusal. */
export function call<Op extends keyof Calls>(op: Op, arg: Calls[Op]['in']): Calls[Op]['out'] {
  if (!globalThis.unitbloomCore) throw new CoreError('gone', 'The core is starting again. Try once more.');
  const answer = JSON.parse(globalThis.unitbloomCore(op, JSON.stringify(arg))) as {
    ok?: Calls[Op]['out'];
    error?: { code: string; text: string };
  };
  restSoon();
  if (answer.error) throw new CoreError(answer.error.code, answer.error.text);
  return answer.ok as Calls[Op]['out'];
}
