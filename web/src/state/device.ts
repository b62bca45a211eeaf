// What this device keeps until the server has it. A browser may have no storage, a
// full one, or one that never answers: then work is only in the page, and that is
// said.
import { openDB, type DBSchema, type IDBPDatabase, type IDBPObjectStore, type StoreNames } from 'idb';
import type { Edit } from '../core/core';
import type { Sharing } from './api';
import { isMine, who } from './who';

/** One save that the server has not acknowledged: edits, or a lesson to make. */
export interface Pending {
  key?: number;
  lesson: string;
  operation: string;
  base: number;
  edits: Edit[];
  /** The file form of the edits; 1 where it is not told. */
  format?: number;
  /** The tab that made it. */
  tab?: string;
  /** A lesson to make under its id, rather than edits. */
  make?: unknown;
  /** The lesson that what is made is a showing of. */
  showingOf?: string;
  /** The teacher whose it is, on a device of several. */
  teacher?: string;
}

/** A lesson as the server had it when this device last saw it. */
export interface KeptLesson {
  id: string;
  rev: number;
  lesson: { title?: string };
  /** The colleague whose it is, if it is not the teacher's own, and how it is shared. */
  by?: string;
  shared?: Sharing;
  /** When it was kept, in milliseconds since 1970. */
  at: number;
}

/** A board on the way to an answer, in notation, and which blank it is of. */
export interface Laid {
  blank: string;
  board: string;
}

/** What a child has done of a task on this device, until the server has it. */
export interface DeskWork {
  /** The name of the attempt, which its ticket is for. */
  attempt: string;
  ticket: string;
  set: string;
  pupil: string;
  with: string;
  task: number;
  answer: Record<string, string>;
  /** The boards of the answer as lessons, by their blanks, to be gone on with. */
  boards: Record<string, unknown>;
  /** How it was laid, board after board; what an earlier version kept has none. */
  trail?: Laid[] | undefined;
  /** Since when it waits to be sent, in milliseconds since 1970; none while it is worked on. */
  waits?: number | undefined;
  /** What was handed in, where she has gone on since and it still waits. */
  handed?: Pick<DeskWork, 'answer' | 'trail'> | undefined;
  /** Whether it is another than what was handed in last: what was told of that no longer holds. */
  changed?: boolean;
}

interface Schema extends DBSchema {
  pending: { key: number; value: Pending; indexes: { lesson: string } };
  documents: { key: string; value: unknown };
  lessons: { key: string; value: KeptLesson; indexes: { at: number } };
  desk: { key: string; value: DeskWork };
}

/** The device's storage, as the outbox needs it. */
export interface Device {
  add(pending: Pending): Promise<number>;
  drop(key: number): Promise<void>;
  of(lesson: string): Promise<Pending[]>;
  all(): Promise<Pending[]>;
  putDocument(lesson: string, tab: string, document: unknown): Promise<void>;
  document(lesson: string, tab: string | undefined): Promise<unknown>;
  dropDocument(lesson: string, tab: string | undefined): Promise<void>;
}

/** How long storage may take to answer before it is taken for missing. */
const PATIENCE_MS = 4000;

export function patient<T>(work: Promise<T>, ms = PATIENCE_MS): Promise<T> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error('The storage of this device does not answer.')), ms);
    work.then(resolve, reject).finally(() => clearTimeout(timer));
  });
}

let database: Promise<IDBPDatabase<Schema>> | undefined;

function db() {
  database ??= openDB<Schema>('unitbloom', 3, {
    upgrade(d, from) {
      if (from < 1) {
        d.createObjectStore('pending', { keyPath: 'key', autoIncrement: true }).createIndex(
          'lesson',
          'lesson',
        );
        d.createObjectStore('documents');
      }
      if (from < 2) d.createObjectStore('lessons', { keyPath: 'id' }).createIndex('at', 'at');
      if (from < 3) d.createObjectStore('desk', { keyPath: 'attempt' });
    },
    // A page of a newer application wants the storage in its form: this one lets go of it.
    blocking: () => void database?.then((d) => d.close()).then(() => (database = undefined)),
    // What is kept was cleared under the page, or its disc went away: it is opened anew when it is wanted.
    terminated: () => (database = undefined),
  });
  // A storage that failed to open is tried again.
  database.catch(() => (database = undefined));
  return database;
}

const nameOf = (lesson: string, tab: string | undefined) => (tab ? `${lesson} ${tab}` : lesson);

// Where there is no storage at all, asking for it throws.
const run = async <T>(work: (d: IDBPDatabase<Schema>) => Promise<T>): Promise<T> => patient(db().then(work));

/** Writes, and ends the writing at once: a page that is closed or loaded anew before the answer takes it not along. */
const write = <Name extends StoreNames<Schema>, T>(
  name: Name,
  work: (store: IDBPObjectStore<Schema, [Name], Name, 'readwrite'>) => Promise<T>,
): Promise<T> =>
  run(async (d) => {
    const t = d.transaction(name, 'readwrite');
    const working = work(t.store);
    t.commit();
    const [answer] = await Promise.all([working, t.done]);
    return answer;
  });

export const device: Device = {
  add: (pending) => write('pending', (s) => s.add({ ...pending, ...(who() && { teacher: who() }) })),
  drop: (key) => write('pending', (s) => s.delete(key)),
  of: (lesson) => run(async (d) => (await d.getAllFromIndex('pending', 'lesson', lesson)).filter(isMine)),
  all: () => run(async (d) => (await d.getAll('pending')).filter(isMine)),
  putDocument: (lesson, tab, document) =>
    write('documents', async (s) => void (await s.put(document, nameOf(lesson, tab)))),
  document: (lesson, tab) => run((d) => d.get('documents', nameOf(lesson, tab))),
  dropDocument: (lesson, tab) => write('documents', (s) => s.delete(nameOf(lesson, tab))),
};

/** How many lessons are kept: those that were seen last. */
const MOST_KEPT = 60;

/** Lessons that can be opened without the network. */
export const lessonsKept = {
  put: (kept: KeptLesson) =>
    run(async (d) => {
      const t = d.transaction('lessons', 'readwrite');
      await t.store.put(kept);
      const byAge = await t.store.index('at').getAllKeys();
      for (const id of byAge.slice(0, Math.max(0, byAge.length - MOST_KEPT))) await t.store.delete(id);
      await t.done;
    }),
  get: (id: string) => run((d) => d.get('lessons', id)),
  /** All of them, the last first. */
  all: () => run(async (d) => (await d.getAllFromIndex('lessons', 'at')).reverse()),
  drop: (id: string) => write('lessons', (s) => s.delete(id)),
  clear: () => write('lessons', (s) => s.clear()),
};

/** What children did on this device, by their attempts; and what lies before the one who sits here. */
export const deskKept = {
  put: (work: DeskWork) => write('desk', (s) => s.put(work)),
  all: () => run((d) => d.getAll('desk')),
  drop: (attempt: string) => write('desk', (s) => s.delete(attempt)),
  /** Puts an attempt in the place of the one before it. */
  follow: (before: string, work: DeskWork) =>
    write('desk', async (s) => void (await Promise.all([s.delete(before), s.put(work)]))),
  putView: (view: unknown) => write('documents', async (s) => void (await s.put(view, 'desk'))),
  view: () => run((d) => d.get('documents', 'desk')),
};
