// The server's routes. Errors carry the server's sentence and code. An answer that is
// not in our server's words, as from a sign-in page of a network, is an error too.
import type { BoardView, Vocabulary } from '../core/core';

export class ApiError extends Error {
  readonly status: number;
  readonly code: string;
  /** Whether our own server said so. */
  readonly ours: boolean;
  /** For the next attempt, where an attempt of this name was handed in already. */
  readonly ticket: string | undefined;
  constructor(status: number, code: string, text: string, ours = false, ticket?: string) {
    super(text);
    this.status = status;
    this.code = code;
    this.ours = ours;
    this.ticket = ticket;
  }
}

/** One lesson of the shelf. */
export interface ShelfLine {
  id: string;
  title: string;
  objective: string;
  scenes: number;
  rev: number;
  topics: string[];
  folder: string;
  openedAt: string;
  updatedAt: string;
  deletedAt?: string;
  /** How the school has it. */
  shared?: Sharing;
  /** The teacher whose it is, where that is a colleague. */
  by?: string;
}

/** How a lesson is shared with the school. */
export type Sharing = '' | 'read' | 'copy';

/** Which lessons of the shelf are wanted, and in which order. */
export interface ShelfQuery {
  q?: string;
  topic?: string;
  folder?: string;
  sort?: 'opened' | 'title' | 'topic';
  deleted?: boolean;
  /** Those of colleagues that the school has, rather than one's own. */
  others?: boolean;
  from?: number;
  most?: number;
}

/** A topic or a folder, with how many lessons it has. */
export interface ShelfCount {
  name: string;
  n: number;
}

/** A part of the shelf: its lessons, how many are wanted in all, and what the whole shelf has. */
export interface ShelfPart {
  lessons: ShelfLine[];
  total: number;
  all: number;
  /** How many of colleagues the school has. */
  others: number;
  topics: ShelfCount[];
  folders: ShelfCount[];
}

/** One presenting of a lesson in which something was done. */
export interface ShowingLine {
  id: string;
  createdAt: string;
  updatedAt: string;
}

/** Which build this page is of: it may have been kept on the device since an older one. */
export const pageBuild =
  typeof document === 'undefined'
    ? null
    : (document.querySelector<HTMLMetaElement>('meta[name="build"]')?.content ?? null);
let ownBuild = pageBuild;
let newBuild: (() => void) | undefined;

/** Called once when the server turns out to have a newer front end than this tab. */
export function onNewBuild(listener: () => void) {
  newBuild = listener;
}

let signedOut: (() => void) | undefined;

/** Called when the server wants a teacher to sign in, again or at all. */
export function onSignedOut(listener: () => void) {
  signedOut = listener;
}

/** How long a request may take, in milliseconds. */
const TIMEOUT_MS = 30_000;

const notOurs = (status: number) =>
  new ApiError(
    status,
    'not-ours',
    'Something answered in the server’s place, perhaps a sign-in page of the network.',
  );

function asked(query: ShelfQuery): string {
  const given = Object.entries(query).filter(([, value]) => value);
  const text = new URLSearchParams(given.map(([name, value]) => [name, String(value === true ? 1 : value)]));
  return given.length > 0 ? `?${text.toString()}` : '';
}

/** Asks the server, and reads its answer; anything that is not in its words is an error. */
export async function request<T>(method: string, path: string, body?: string | Blob): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: typeof body === 'string' ? { 'Content-Type': 'application/json' } : {},
      body: body ?? null,
      // What only ends something is sent though the page goes.
      keepalive: body === '',
      redirect: 'manual',
      signal: AbortSignal.timeout(TIMEOUT_MS),
    });
  } catch {
    throw new ApiError(0, 'offline', 'The server cannot be reached just now.');
  }
  noticeBuild(response.headers.get('X-Unitbloom-Build'));
  if (response.type === 'opaqueredirect') throw notOurs(0);
  if (response.status === 204) return undefined as T;
  const answer: unknown = await response.json().catch(() => undefined);
  if (response.ok && typeof answer === 'object' && answer !== null) return answer as T;
  const refusal = refusalIn(response.status, answer);
  if (refusal?.code === 'sign-in') signedOut?.();
  throw refusal ?? notOurs(response.status);
}

function refusalIn(status: number, answer: unknown): ApiError | undefined {
  const e = (answer as { error?: { code?: unknown; text?: unknown; ticket?: string } } | undefined)?.error;
  if (typeof e?.code !== 'string' || typeof e.text !== 'string') return undefined;
  return new ApiError(status, e.code, e.text, true, e.ticket);
}

function noticeBuild(build: string | null) {
  if (!build) return;
  ownBuild ??= build;
  if (build !== ownBuild) newBuild?.();
}

export interface Save {
  operation: string;
  base: number;
  format: number;
  edits: unknown[];
  holder: string;
}

/** What is set for the whole school: a new lesson begins with its words. */
export interface School {
  words: Vocabulary;
  /** For how many days what children did is kept; until it is deleted when left out. */
  keepWork?: number;
}

function schoolIn(answer: School): School {
  if (typeof answer.words !== 'object' || answer.words === null) throw notOurs(200);
  return answer;
}

export interface Made {
  id: string;
  title: string;
  rev: number;
}

/** The revision of an answer that acknowledges just this operation; anything else is not an acknowledgement. */
function acknowledged(operation: string, answer: { operation?: unknown; rev?: unknown }): number {
  if (answer.operation !== operation || typeof answer.rev !== 'number') throw notOurs(200);
  return answer.rev;
}

function made(id: string, answer: Made): Made {
  if (answer.id !== id || typeof answer.rev !== 'number') throw notOurs(200);
  return answer;
}

/** A lesson as it is now; by and shared where it is a colleague's. */
export interface Got {
  rev: number;
  lesson: unknown;
  by?: string;
  shared?: Sharing;
}

export const api = {
  shelf: (query: ShelfQuery) =>
    request<ShelfPart>('GET', `/lessons${asked(query)}`).then((r) => {
      if (!Array.isArray(r.lessons) || typeof r.total !== 'number') throw notOurs(200);
      return r;
    }),
  /** The picture of a lesson at a revision, drawn by this build, which the browser keeps. */
  face: (id: string, rev: number) =>
    request<Pick<BoardView, 'models'>>('GET', `/lessons/${id}/face?rev=${rev}&build=${pageBuild}`).then(
      (r) => {
        if (!Array.isArray(r.models)) throw notOurs(200);
        return r.models;
      },
    ),
  move: (ids: string[], folder: string) =>
    request<void>('POST', '/lessons/folder', JSON.stringify({ ids, folder })),
  /** Makes lessons of all files in an archive; tells how many. */
  unpack: (archive: Blob) => request<{ lessons: number }>('POST', '/lessons/archive', archive),
  get: (id: string) =>
    request<Got>('GET', `/lessons/${id}`).then((r) => {
      if (typeof r.rev !== 'number' || !r.lesson) throw notOurs(200);
      return r;
    }),
  /** Makes a lesson under an id of this device; the same again does nothing. */
  make: (id: string, lesson: unknown) =>
    request<Made>('PUT', `/lessons/${id}`, JSON.stringify(lesson)).then((r) => made(id, r)),
  /** Makes a showing of a lesson under an id of this device; the same again does nothing. */
  makeShowing: (of: string, id: string, lesson: unknown) =>
    request<Made>('PUT', `/lessons/${of}/showings/${id}`, JSON.stringify(lesson)).then((r) => made(id, r)),
  showings: (of: string) =>
    request<{ showings: ShowingLine[] }>('GET', `/lessons/${of}/showings`).then((r) => {
      if (!Array.isArray(r.showings)) throw notOurs(200);
      return r.showings;
    }),
  importFile: (id: string, text: string) =>
    request<Made>('PUT', `/lessons/${id}`, text).then((r) => made(id, r)),
  save: (id: string, save: Save) =>
    request<{ operation?: unknown; rev?: unknown }>(
      'POST',
      `/lessons/${id}/saves`,
      JSON.stringify(save),
    ).then((r) => acknowledged(save.operation, r)),
  /** What is set once for all lessons of the school. */
  school: () => request<School>('GET', '/school').then(schoolIn),
  setSchool: (school: School) => request<School>('PUT', '/school', JSON.stringify(school)).then(schoolIn),
  hold: (id: string, holder: string, take: boolean) =>
    request<{ held: boolean }>('POST', `/lessons/${id}/hold`, JSON.stringify({ holder, take })),
  delete: (id: string) => request<void>('DELETE', `/lessons/${id}`),
  restore: (id: string) => request<void>('POST', `/lessons/${id}/restore`),
  /** Shares a lesson with the school, or with nobody any more. */
  share: (id: string, shared: Sharing) =>
    request<void>('PATCH', `/lessons/${id}`, JSON.stringify({ shared })),
};

/** A name that no other lesson, scene, save or tab has. Works without a secure context. */
export const newId = () => byChance(9);

/** So many bytes by chance, as text. */
export function byChance(n: number): string {
  const bytes = crypto.getRandomValues(new Uint8Array(n));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('');
}
