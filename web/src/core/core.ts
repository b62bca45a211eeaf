// The core in the browser: loads the module once and gives typed calls to its
// door. The page mirrors what comes back and computes no mathematics itself.
// Go's own loader: it defines Go.
import './generated/wasm_exec.js';
import wasmUrl from './generated/core.wasm?url';
import type { Calls, Delta, Move } from './types.gen';

export type * from './types.gen';

/** A move of the registry, with its parameters: any other does not compile. */
export type PageMove = Move;

/** A piece as drawn: id, look, x, y, w, h in model units, part, marks, and what is written on it. */
export type Piece = Delta['models'][number]['changed'][number];

/** A refusal or an error of the core: a code for programs, a sentence for people. */
export class CoreError extends Error {
  readonly code: string;
  /** A move that would do what was wanted. */
  readonly offer: Offered | undefined;
  constructor(code: string, text: string, offer?: Offered) {
    super(text);
    this.code = code;
    this.offer = offer;
  }
}

/** A move that a refusal offers, with what is written on its button. */
export interface Offered {
  label: string;
  move: PageMove;
}

/** The marks of a piece, as bits. */
export const Mark = { crossed: 1, taken: 2, spent: 4, fresh: 8, ringed: 16, alternate: 32, copy: 64 } as const;

declare global {
  var unitbloomCore: ((op: string, arg: string) => string) | undefined;
  var unitbloomRest: (() => void) | undefined;
  /** The core, compiled before this script ran. */
  var unitbloomEarly: Promise<WebAssembly.Module> | undefined;
  var Go: new () => { importObject: WebAssembly.Imports; run(instance: WebAssembly.Instance): Promise<void> };
}

let loading: Promise<void> | undefined;
let running: object | undefined;
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
  const go = new globalThis.Go();
  const module = (await globalThis.unitbloomEarly?.catch(() => undefined)) ?? (await compile());
  const instance = await WebAssembly.instantiate(module, go.importObject);
  void go.run(instance).finally(() => {
    if (running === go) endCore();
  });
  running = go;
}

/** Lets go of a core that has died, or cannot be trusted any more; the next call for it starts another. */
export function endCore() {
  if (!running) return;
  running = undefined;
  globalThis.unitbloomCore = undefined;
  loading = undefined;
  died?.();
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
export function call<Op extends keyof Calls>(op: Op, arg: Calls[Op]['arg']): Calls[Op]['answer'] {
  const answer = JSON.parse(asked(op, JSON.stringify(arg))) as {
    ok?: Calls[Op]['answer'];
    error?: { code: string; text: string; offer?: Offered };
  };
  restSoon();
  if (answer.error) throw new CoreError(answer.error.code, answer.error.text, answer.error.offer);
  return answer.ok as Calls[Op]['answer'];
}

function asked(op: string, arg: string): string {
  try {
    if (globalThis.unitbloomCore) return globalThis.unitbloomCore(op, arg);
  } catch {
    // It refuses in its answer: what it throws is its end.
    endCore();
  }
  throw new CoreError('gone', 'The core is starting again. Try once more.');
}
