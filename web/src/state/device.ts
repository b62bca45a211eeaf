// What this device keeps until the server has it. A browser may have no storage, a
// full one, or one that never answers: then work is only in the page, and that is
// said.
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Edit } from '../core/core';

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
}

interface Schema extends DBSchema {
  pending: { key: number; value: Pending; indexes: { lesson: string } };
  documents: { key: string; value: unknown };
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
  database ??= openDB<Schema>('unitbloom', 1, {
    upgrade(d) {
      d.createObjectStore('pending', { keyPath: 'key', autoIncrement: true }).createIndex('lesson', 'lesson');
      d.createObjectStore('documents');
    },
  });
  // A storage that failed to open is tried again.
  database.catch(() => (database = undefined));
  return database;
}

const nameOf = (lesson: string, tab: string | undefined) => (tab ? `${lesson} ${tab}` : lesson);

// Where there is no storage at all, asking for it throws.
const run = async <T>(work: (d: IDBPDatabase<Schema>) => Promise<T>): Promise<T> => patient(db().then(work));

export const device: Device = {
  add: (pending) => run((d) => d.add('pending', pending)),
  drop: (key) => run((d) => d.delete('pending', key)),
  of: (lesson) => run((d) => d.getAllFromIndex('pending', 'lesson', lesson)),
  all: () => run((d) => d.getAll('pending')),
  putDocument: (lesson, tab, document) =>
    run(async (d) => void (await d.put('documents', document, nameOf(lesson, tab)))),
  document: (lesson, tab) => run((d) => d.get('documents', nameOf(lesson, tab))),
  dropDocument: (lesson, tab) => run((d) => d.delete('documents', nameOf(lesson, tab))),
};
