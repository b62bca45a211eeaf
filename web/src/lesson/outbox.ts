// Unsent work. Every save is first written to this device, then sent, in order,
// until the server has acknowledged it. What meets a newer revision becomes a
// copy beside the lesson.
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { call, loadCore, type Edit } from '../core/core';
import { api, ApiError, newId } from '../shell/api';

interface Pending {
  key?: number;
  lesson: string;
  operation: string;
  base: number;
  edits: Edit[];
}

interface Schema extends DBSchema {
  pending: { key: number; value: Pending; indexes: { lesson: string } };
  documents: { key: string; value: unknown };
}

let database: Promise<IDBPDatabase<Schema>> | undefined;

function db() {
  database ??= openDB<Schema>('unitbloom', 1, {
    upgrade(d) {
      d.createObjectStore('pending', { keyPath: 'key', autoIncrement: true }).createIndex('lesson', 'lesson');
      d.createObjectStore('documents');
    },
  });
  return database;
}

export type SaveState = 'saved' | 'saving' | 'waiting';

/** The saves of one lesson from this tab. */
export class Outbox {
  private queue: Pending[] = [];
  private rev = 0;
  private sending = false;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private closed = false;

  constructor(
    private readonly lesson: string,
    private readonly holder: string,
    private readonly events: {
      state: (s: SaveState) => void;
      /** The server has moved on: the work here became the copy named. */
      conflict: (copy: { id: string; title: string } | undefined) => void;
      /** The whole lesson as this tab has it. */
      document: () => unknown;
      refused: (text: string) => void;
    },
  ) {
    addEventListener('online', this.wake);
  }

  private wake = () => {
    clearTimeout(this.retry);
    void this.send();
  };

  close() {
    this.closed = true;
    clearTimeout(this.retry);
    removeEventListener('online', this.wake);
  }

  /** Tells the revision that the server has, after a load. */
  loaded(rev: number) {
    this.rev = rev;
  }

  get revision() {
    return this.rev;
  }

  get idle() {
    return this.queue.length === 0;
  }

  /** Keeps the edits on this device and sends them. */
  add(edits: Edit[]) {
    const pending: Pending = {
      lesson: this.lesson,
      operation: newId(),
      base: this.rev + this.queue.length,
      edits,
    };
    this.queue.push(pending);
    this.events.state('saving');
    void this.keep(pending).then(() => this.send());
  }

  private async keep(pending: Pending) {
    try {
      pending.key = await (await db()).add('pending', pending);
    } catch {
      // A browser without storage still sends.
    }
  }

  private async send() {
    if (this.sending || this.closed) return;
    this.sending = true;
    try {
      while (this.queue.length > 0 && !this.closed) {
        const next = this.queue[0]!;
        const { rev } = await api.save(this.lesson, { ...next, holder: this.holder });
        this.rev = rev;
        this.queue.shift();
        await forget(next);
      }
      this.events.state('saved');
    } catch (error) {
      await this.failed(error);
    } finally {
      this.sending = false;
    }
  }

  private async failed(error: unknown) {
    const e = error instanceof ApiError ? error : new ApiError(0, 'offline', String(error));
    if (e.status === 409) {
      const copy = await copyAside(this.lesson, this.events.document());
      this.queue = [];
      this.events.conflict(copy);
      return;
    }
    if (e.status >= 400 && e.status < 500 && e.status !== 401) {
      const bad = this.queue.shift();
      if (bad) await forget(bad);
      this.events.refused(e.message);
      return;
    }
    this.events.state('waiting');
    try {
      await (await db()).put('documents', this.events.document(), this.lesson);
    } catch {
      // Without storage the tab itself still has the work.
    }
    this.retry = setTimeout(this.wake, 2000);
  }
}

async function forget(pending: Pending) {
  try {
    const d = await db();
    if (pending.key !== undefined) await d.delete('pending', pending.key);
    if ((await d.countFromIndex('pending', 'lesson', pending.lesson)) === 0)
      await d.delete('documents', pending.lesson);
  } catch {
    // Nothing was kept, so nothing is to be forgotten.
  }
}

/** Makes a copy of unsent work beside its lesson, and forgets what was to be sent. */
async function copyAside(lesson: string, document: unknown) {
  const titled = document as { title?: string } | undefined;
  const copy = titled
    ? await api.create({ ...titled, title: `${titled.title ?? 'Lesson'} (unsent work)`.slice(0, 200) })
    : undefined;
  const d = await db();
  for (const key of await d.getAllKeysFromIndex('pending', 'lesson', lesson)) await d.delete('pending', key);
  await d.delete('documents', lesson);
  return copy;
}

/**
 * Sends what a closed tab left unsent. The answer names the copy that was made
 * when the lesson had moved on meanwhile. Throws when the server is not there.
 */
export async function sendLeftovers(
  lesson: string,
  holder: string,
): Promise<{ copy?: { id: string; title: string } }> {
  let d: IDBPDatabase<Schema>;
  try {
    d = await db();
  } catch {
    return {};
  }
  const left = await d.getAllFromIndex('pending', 'lesson', lesson);
  for (const pending of left) {
    try {
      await api.save(lesson, { ...pending, holder });
      await forget(pending);
    } catch (error) {
      if (!(error instanceof ApiError) || error.status === 0 || error.status >= 500) throw error;
      if (error.status === 409) {
        const document = (await d.get('documents', lesson)) ?? (await rebuilt(lesson, left));
        const copy = await copyAside(lesson, document);
        return copy ? { copy } : {};
      }
      await forget(pending);
    }
  }
  return {};
}

/** Unsent edits laid over the lesson as it is now, where no picture of the tab was kept. */
async function rebuilt(lesson: string, pending: Pending[]): Promise<unknown> {
  await loadCore();
  const { handle } = call('open', { lesson: (await api.get(lesson)).lesson });
  for (const edit of pending.flatMap((p) => p.edits)) {
    try {
      call('edit', { handle, edit });
    } catch {
      // An edit that no longer fits is left out of the copy; the rest are kept.
    }
  }
  const document = call('document', { handle });
  call('close', { handle });
  return document;
}

/** The lessons for which this device still holds unsent work. */
export async function unsentLessons(): Promise<string[]> {
  try {
    return [...new Set((await (await db()).getAll('pending')).map((p) => p.lesson))];
  } catch {
    return [];
  }
}
