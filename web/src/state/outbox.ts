// Unsent work. Every save is first written to this device, then sent, in order. It
// leaves the device only when our own server has acknowledged it; whatever else
// answers, or nothing, it stays, is tried again, and what stands is said.
import type { Edit } from '../core/core';
import { ApiError, newId, type Made, type Save } from './api';
import type { Device, Pending } from './device';

/** What stands between this tab and the server. */
export interface SaveState {
  /** How many changes the server has not acknowledged. */
  unsent: number;
  sending: boolean;
  /** Whether this device keeps them, should the page be closed. */
  kept: boolean;
  /** Why the last try did not succeed. */
  why?: string;
  /** Whether our server refused for good: trying again alone will hardly help. */
  refused?: boolean;
}

/** The server, as the outbox needs it. */
export interface Net {
  save(lesson: string, save: Save): Promise<number>;
  make(id: string, lesson: unknown): Promise<Made>;
  makeShowing(of: string, id: string, lesson: unknown): Promise<Made>;
}

export interface OutboxOptions {
  lesson: string;
  tab: string;
  format: number;
  net: Net;
  device: Device;
  state: (s: SaveState) => void;
  /** The server has moved on, or has the lesson no more: the work here became the copy named. */
  conflict: (copy: Made) => void;
  /** The whole lesson as this tab has it. */
  document: () => unknown;
}

/** A save is parted where its edits are longer than this, in letters. */
const PART = 2_000_000;
const FIRST_WAIT_MS = 2000;
const LONGEST_WAIT_MS = 30_000;

/** The saves of one lesson from this tab. */
export class Outbox {
  private queue: Pending[] = [];
  private rev = 0;
  private sending = false;
  private kept = true;
  private why: string | undefined;
  private refused = false;
  private wait = FIRST_WAIT_MS;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private closed = false;
  private readonly o: OutboxOptions;
  private document: () => unknown;

  constructor(options: OutboxOptions) {
    this.o = options;
    this.document = options.document;
    globalThis.addEventListener?.('online', this.again);
    globalThis.addEventListener?.('focus', this.again);
  }

  /** Tries to send now. */
  again = () => {
    clearTimeout(this.retry);
    this.wait = FIRST_WAIT_MS;
    void this.send();
  };

  close() {
    this.closed = true;
    clearTimeout(this.retry);
    globalThis.removeEventListener?.('online', this.again);
    globalThis.removeEventListener?.('focus', this.again);
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

  get unkept() {
    return this.queue.length > 0 && !this.kept;
  }

  /** Takes up saves that this device holds already, as of a lesson made without the network. */
  adopt(pending: Pending[]) {
    this.queue.push(...pending);
    this.tell();
    void this.send();
  }

  /** Keeps the edits on this device and sends them. */
  add(edits: Edit[]) {
    for (const part of parted(edits)) this.put({ base: this.rev + this.queue.length, edits: part });
  }

  /** Makes the document, which is a showing of a lesson, before its first save. */
  make(document: unknown, showingOf: string) {
    this.put({ base: 0, edits: [], make: document, showingOf });
  }

  /** Goes on sending when the document is no longer open; what it was then is given. */
  outlive(document: () => unknown) {
    this.document = document;
  }

  private put(what: Pick<Pending, 'base' | 'edits' | 'make' | 'showingOf'>) {
    const { lesson, tab, format } = this.o;
    const pending: Pending = { lesson, tab, format, operation: newId(), ...what };
    this.queue.push(pending);
    this.tell();
    void this.keep(pending).then(() => this.send());
  }

  private async keep(pending: Pending) {
    try {
      pending.key = await this.o.device.add(pending);
      this.kept = true;
    } catch {
      this.kept = false;
    }
    this.tell();
  }

  private tell() {
    const { why, refused } = this;
    this.o.state({
      unsent: this.queue.length,
      sending: this.sending && why === undefined,
      kept: this.kept,
      ...(why === undefined ? {} : { why, refused }),
    });
  }

  private async send() {
    if (this.sending || this.closed || this.queue.length === 0) return;
    this.sending = true;
    this.tell();
    try {
      while (this.queue.length > 0 && !this.closed) {
        const next = this.queue[0]!;
        this.rev = await sendOne(this.o.net, next, this.o.tab);
        this.queue.shift();
        this.why = undefined;
        this.refused = false;
        this.wait = FIRST_WAIT_MS;
        await forget(this.o.device, next, this.queue.length === 0);
        this.tell();
      }
    } catch (error) {
      await this.failed(error instanceof ApiError ? error : new ApiError(0, 'offline', String(error)));
    } finally {
      this.sending = false;
      this.tell();
    }
  }

  private async failed(e: ApiError) {
    if (e.ours && movedOn.includes(e.code)) {
      try {
        const copy = await this.keepAsCopy();
        this.o.conflict(copy);
        return;
      } catch (again) {
        // The copy could not be made now: the work stays, and is tried again.
        e = again instanceof ApiError ? again : e;
      }
    }
    if (e.ours && e.code === 'other') this.queue[0]!.operation = newId();
    this.why = e.message;
    this.refused = e.ours && forGood.includes(e.status);
    await this.o.device
      .putDocument(this.o.lesson, this.o.tab, this.document())
      .catch(() => (this.kept = false));
    if (this.closed) return;
    this.retry = setTimeout(() => void this.send(), this.refused ? LONGEST_WAIT_MS : this.wait);
    this.wait = Math.min(this.wait * 2, LONGEST_WAIT_MS);
  }

  /** Makes a lesson of its own of the work here, and only then lets go what was to be sent. */
  async keepAsCopy(): Promise<Made> {
    const { net, tab } = this.o;
    const sent = [...this.queue];
    const copy = await makeCopy(net, sent[0]?.operation ?? newId(), this.document());
    // What was done meanwhile is saved on the copy.
    const later = () => this.queue.find((pending) => !sent.includes(pending));
    let { rev } = copy;
    for (let next = later(); next; next = later()) {
      rev = await sendOne(net, { ...next, lesson: copy.id, base: rev }, tab);
      sent.push(next);
    }
    this.queue = [];
    this.why = undefined;
    for (const pending of sent) await forget(this.o.device, pending, pending === sent[sent.length - 1]);
    this.tell();
    return copy;
  }
}

/** Codes with which our server says that the lesson is not what the saves began from. */
const movedOn = ['stale', 'not-found'];
/** Answers of our server that the same save will get again. */
const forGood = [400, 413, 422];

async function sendOne(net: Net, pending: Pending, holder: string): Promise<number> {
  if (pending.make !== undefined) {
    const { lesson, make, showingOf } = pending;
    return (await (showingOf ? net.makeShowing(showingOf, lesson, make) : net.make(lesson, make))).rev;
  }
  const { operation, base, edits } = pending;
  return net.save(pending.lesson, { operation, base, edits, format: pending.format ?? 1, holder });
}

async function forget(device: Device, pending: Pending, last: boolean) {
  try {
    if (pending.key !== undefined) await device.drop(pending.key);
    if (last) await device.dropDocument(pending.lesson, pending.tab);
  } catch {
    // What was acknowledged may be sent again: the server knows it by its id.
  }
}

/** Edits in parts that fit into a save each. */
function parted(edits: Edit[]): Edit[][] {
  const parts: Edit[][] = [];
  let letters = Infinity;
  for (const e of edits) {
    const own = edits.length > 1 ? JSON.stringify(e).length : 0;
    if (letters + own > PART) {
      parts.push([]);
      letters = 0;
    }
    parts[parts.length - 1]!.push(e);
    letters += own;
  }
  return parts;
}

/** The same unsent work always makes the same lesson: its id comes from its first save. */
function makeCopy(net: Net, operation: string, document: unknown): Promise<Made> {
  const { title } = document as { title?: string };
  const id = `copy-${operation.toLowerCase().replace(/[^a-z0-9-]/g, '-')}`.padEnd(8, '-').slice(0, 64);
  return net.make(id, {
    ...(document as object),
    id: '',
    title: `${title ?? 'Lesson'} (unsent work)`.slice(0, 200),
  });
}

export interface Leftovers {
  net: Net;
  device: Device;
  tab: string;
  /** Whether another tab lives: its work is its own to send. */
  alive: (tab: string) => Promise<boolean>;
  /** The lesson as the server has it, with unsent edits laid over it. */
  rebuild: (lesson: string, pending: Pending[]) => Promise<unknown>;
}

/**
 * Sends what closed tabs left unsent of a lesson. The answer names the copy that was
 * made when the lesson had moved on meanwhile. Throws when it could not be sent now;
 * then it stays.
 */
export async function sendLeftovers(lesson: string, o: Leftovers): Promise<Made | undefined> {
  const all = await o.device.of(lesson).catch(() => []);
  let copy: Made | undefined;
  for (const tab of new Set(all.map((p) => p.tab))) {
    if (tab !== undefined && tab !== o.tab && (await o.alive(tab))) continue;
    copy =
      (await sendOf(
        lesson,
        all.filter((p) => p.tab === tab),
        o,
      )) ?? copy;
  }
  return copy;
}

async function sendOf(lesson: string, left: Pending[], o: Leftovers): Promise<Made | undefined> {
  for (const [n, pending] of left.entries()) {
    try {
      await sendOne(o.net, pending, o.tab);
      await forget(o.device, pending, n === left.length - 1);
    } catch (error) {
      if (!(error instanceof ApiError) || !error.ours || !movedOn.includes(error.code)) throw error;
      const rest = left.slice(n);
      const document = (await o.device.document(lesson, pending.tab)) ?? (await o.rebuild(lesson, rest));
      const copy = await makeCopy(o.net, pending.operation, document);
      for (const p of rest) await forget(o.device, p, p === rest[rest.length - 1]);
      return copy;
    }
  }
  return undefined;
}
