import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Edit } from '../core/core';
import { ApiError, type Made, type Save } from './api';
import type { Device, Pending } from './device';
import { Outbox, sendLeftovers, type Net, type SaveState } from './outbox';

/** A device's storage in memory, which can fail or never answer. */
class Memory implements Device {
  rows = new Map<number, Pending>();
  documents = new Map<string, unknown>();
  mood: 'well' | 'failing' | 'hanging' = 'well';
  private last = 0;
  private run<T>(work: () => T): Promise<T> {
    if (this.mood === 'failing') return Promise.reject(new Error('no storage'));
    // The real one gives up waiting after a while.
    if (this.mood === 'hanging')
      return new Promise((_, no) => setTimeout(() => no(new Error('silent')), 4000));
    return Promise.resolve(work());
  }
  add = (p: Pending) =>
    this.run(() => {
      this.rows.set(++this.last, structuredClone({ ...p, key: this.last }));
      return this.last;
    });
  drop = (key: number) => this.run(() => void this.rows.delete(key));
  of = (lesson: string) => this.run(() => [...this.rows.values()].filter((p) => p.lesson === lesson));
  all = () => this.run(() => [...this.rows.values()]);
  putDocument = (l: string, t: string, d: unknown) => this.run(() => void this.documents.set(`${l} ${t}`, d));
  document = (l: string, t: string | undefined) => this.run(() => this.documents.get(`${l} ${t}`));
  dropDocument = (l: string, t: string | undefined) =>
    this.run(() => void this.documents.delete(`${l} ${t}`));
}

/** A server that keeps saves, and can be told to answer otherwise. */
class Server implements Net {
  rev = 1;
  done = new Map<string, number>();
  edits: Edit[] = [];
  /** The lessons that saves went to. */
  saved: string[] = [];
  made = new Map<string, unknown>();
  fault: ((what: 'save' | 'make') => ApiError | undefined) | undefined;

  save = async (lesson: string, save: Save): Promise<number> => {
    const no = this.fault?.('save');
    if (no) throw no;
    const was = this.done.get(save.operation);
    if (was) return was;
    if (save.base !== this.rev) throw new ApiError(409, 'stale', 'The lesson has changed since.', true);
    this.rev++;
    this.done.set(save.operation, this.rev);
    this.edits.push(...(save.edits as Edit[]));
    this.saved.push(lesson);
    return this.rev;
  };

  make = async (id: string, lesson: unknown): Promise<Made> => {
    const no = this.fault?.('make');
    if (no) throw no;
    this.made.set(id, lesson);
    return { id, title: (lesson as { title: string }).title, rev: 1 };
  };

  /** Which lesson each showing is of. */
  shown = new Map<string, string>();
  makeShowing = async (of: string, id: string, lesson: unknown): Promise<Made> => {
    this.shown.set(id, of);
    return this.make(id, lesson);
  };
}

const edit = (n: number): Edit => ({ kind: 'record', at: 0, record: [{ text: `${n} = ${n}` }] });

let device: Memory;
let server: Server;
let states: SaveState[];
let copies: Made[];
let box: Outbox;

function begin(lesson = 'bulbs', tab = 'here') {
  const o = new Outbox({
    lesson,
    tab,
    format: 2,
    net: server,
    device,
    state: (s) => states.push(s),
    conflict: (c) => copies.push(c),
    document: () => ({ format: 2, title: 'Bulbs', scenes: [] }),
  });
  o.loaded(server.rev);
  return o;
}

const now = () => states[states.length - 1]!;
const flush = () => vi.advanceTimersByTimeAsync(0);

beforeEach(() => {
  vi.useFakeTimers();
  device = new Memory();
  server = new Server();
  states = [];
  copies = [];
  box = begin();
});

afterEach(() => {
  box.close();
  vi.useRealTimers();
});

test('work is kept on the device first, and leaves it when the server has acknowledged it', async () => {
  server.fault = () => new ApiError(0, 'offline', 'The server cannot be reached just now.');
  box.add([edit(1)]);
  box.add([edit(2)]);
  await flush();
  expect(device.rows.size).toBe(2);
  expect(now()).toMatchObject({ unsent: 2, kept: true, why: 'The server cannot be reached just now.' });
  server.fault = undefined;
  await vi.advanceTimersByTimeAsync(2000);
  expect(server.edits).toEqual([edit(1), edit(2)]);
  expect(device.rows.size).toBe(0);
  expect(now()).toEqual({ unsent: 0, sending: false, kept: true });
  expect(device.documents.size).toBe(0);
});

test('no answer of any server loses work: all statuses from 200 to 599, of ours and of others', async () => {
  for (let status = 200; status < 600; status++) {
    for (const ours of [true, false]) {
      device = new Memory();
      server = new Server();
      copies = [];
      box.close();
      box = begin();
      server.fault = () => new ApiError(status, 'some-code', `Status ${status}.`, ours);
      box.add([edit(status)]);
      await flush();
      expect(device.rows.size, `${status}`).toBe(1);
      expect(now(), `${status}`).toMatchObject({ unsent: 1, why: `Status ${status}.` });
      expect(copies).toEqual([]);
      server.fault = undefined;
      await vi.advanceTimersByTimeAsync(30_000);
      expect(server.edits, `${status}`).toEqual([edit(status)]);
      expect(device.rows.size, `${status}`).toBe(0);
      expect(now(), `${status}`).toEqual({ unsent: 0, sending: false, kept: true });
    }
  }
});

test('what our server refuses for good is said so, and still kept', async () => {
  server.fault = () => new ApiError(422, 'edit', 'This change was refused.', true);
  box.add([edit(1)]);
  await flush();
  expect(now()).toMatchObject({ unsent: 1, refused: true, why: 'This change was refused.' });
  server.fault = () => new ApiError(422, 'x', 'A stranger says no.', false);
  await vi.advanceTimersByTimeAsync(30_000);
  expect(now()).toMatchObject({ unsent: 1, refused: false });
  expect(device.rows.size).toBe(1);
});

test('a lesson that moved on, or was deleted elsewhere: the work becomes a lesson of its own', async () => {
  for (const code of ['stale', 'not-found']) {
    device = new Memory();
    server = new Server();
    copies = [];
    box.close();
    box = begin();
    server.fault = (what) => (what === 'save' ? new ApiError(404, code, 'No.', true) : undefined);
    box.add([edit(1)]);
    box.add([edit(2)]);
    await flush();
    expect(copies).toHaveLength(1);
    expect(copies[0]).toMatchObject({ title: 'Bulbs (unsent work)' });
    expect(server.made.get(copies[0]!.id)).toMatchObject({ title: 'Bulbs (unsent work)' });
    expect(device.rows.size).toBe(0);
    expect(now().unsent).toBe(0);
  }
});

test('what is done while the copy is being made is in the copy too', async () => {
  server.rev = 9;
  box.add([edit(1)]);
  let answer: () => void = () => undefined;
  const make = server.make;
  server.make = (id, lesson) =>
    new Promise((yes) => (answer = () => yes(make(id, lesson)))).then((made) => made as Made);
  await flush();
  box.add([edit(2)]);
  box.add([edit(3)]);
  await flush();
  server.rev = 1; // that of the copy
  answer();
  await flush();
  expect(copies).toHaveLength(1);
  expect(server.edits).toEqual([edit(2), edit(3)]);
  expect(server.saved).toEqual([copies[0]!.id, copies[0]!.id]);
  expect(device.rows.size).toBe(0);
  expect(now()).toMatchObject({ unsent: 0 });
});

test('a copy that cannot be made keeps the work, and is tried again under the same id', async () => {
  const ids: string[] = [];
  server.fault = (what) => {
    if (what === 'save') return new ApiError(409, 'stale', 'The lesson has changed since.', true);
    return ids.length < 2 ? new ApiError(500, 'internal', 'Not now.', true) : undefined;
  };
  const make = server.make;
  server.make = (id, lesson) => {
    ids.push(id);
    return make(id, lesson);
  };
  box.add([edit(1)]);
  await flush();
  expect(now()).toMatchObject({ unsent: 1, why: 'Not now.' });
  expect(device.rows.size).toBe(1);
  await vi.advanceTimersByTimeAsync(60_000);
  expect(copies).toHaveLength(1);
  expect(new Set(ids).size).toBe(1);
  expect(ids[0]).toMatch(/^copy-[a-z0-9-]{8,}$/);
  expect(device.rows.size).toBe(0);
});

test('a 404 of a stranger is no deletion', async () => {
  server.fault = () => new ApiError(404, 'not-found', 'Nothing here.', false);
  box.add([edit(1)]);
  await flush();
  expect(copies).toEqual([]);
  expect(device.rows.size).toBe(1);
});

test('an id that is taken is made anew', async () => {
  const seen: string[] = [];
  const save = server.save;
  server.save = (lesson, s) => {
    seen.push(s.operation);
    if (seen.length === 1) return Promise.reject(new ApiError(409, 'other', 'Used.', true));
    return save(lesson, s);
  };
  box.add([edit(1)]);
  await flush();
  await vi.advanceTimersByTimeAsync(2000);
  expect(new Set(seen).size).toBe(2);
  expect(now().unsent).toBe(0);
});

test('a device that keeps nothing, or never answers, still sends, and it is said', async () => {
  for (const mood of ['failing', 'hanging'] as const) {
    device.mood = mood;
    server.fault = () => new ApiError(0, 'offline', 'Away.');
    box.add([edit(1)]);
    await vi.advanceTimersByTimeAsync(9000);
    expect(now(), mood).toMatchObject({ kept: false, why: 'Away.' });
    expect(box.unkept).toBe(true);
    server.fault = undefined;
    await vi.advanceTimersByTimeAsync(60_000);
    expect(now().unsent, mood).toBe(0);
    expect(box.unkept).toBe(false);
  }
  expect(server.edits).toEqual([edit(1), edit(1)]);
});

test('tries go slower, and begin anew when the network comes back', async () => {
  let tries = 0;
  server.fault = () => {
    tries++;
    return new ApiError(503, 'closing', 'Stopping.', true);
  };
  box.add([edit(1)]);
  await vi.advanceTimersByTimeAsync(120_000);
  expect(tries).toBeLessThan(10);
  expect(tries).toBeGreaterThan(5);
  server.fault = undefined;
  box.again();
  await flush();
  expect(now().unsent).toBe(0);
});

test('long edits are parted into saves that fit', async () => {
  const long = Array.from({ length: 5 }, (_, n): Edit => ({
    kind: 'record',
    record: [{ text: `${n}`.repeat(900_000) }],
  }));
  let saves = 0;
  const save = server.save;
  server.save = (lesson, s) => {
    saves++;
    expect(JSON.stringify(s.edits).length).toBeLessThan(4_000_000);
    return save(lesson, s);
  };
  box.add(long);
  await flush();
  expect(saves).toBe(3);
  expect(server.edits).toEqual(long);
});

test('a lesson made on this device is made first, then its saves follow', async () => {
  box.loaded(0);
  box.adopt([{ lesson: 'bulbs', tab: 'here', operation: 'm', base: 0, edits: [], make: { title: 'New' } }]);
  box.add([edit(1)]);
  await flush();
  expect(server.made.get('bulbs')).toEqual({ title: 'New' });
  expect(server.edits).toEqual([edit(1)]);
});

const leftovers = (alive: string[] = []) => ({
  net: server,
  device,
  tab: 'new',
  alive: (tab: string) => Promise.resolve(alive.includes(tab)),
  rebuild: (_: string, pending: Pending[]) =>
    Promise.resolve({ title: `Rebuilt of ${pending.length}`, scenes: [] }),
});

async function closedTab(tab: string, ...n: number[]) {
  let base = server.rev;
  for (const one of n) {
    await device.add({
      lesson: 'bulbs',
      tab,
      operation: `${tab}-${one}`,
      base: base++,
      edits: [edit(one)],
      format: 2,
    });
  }
}

test('what a closed tab left is sent; what a living tab has is its own', async () => {
  await closedTab('closed', 1, 2);
  await closedTab('living', 7);
  expect(await sendLeftovers('bulbs', leftovers(['living']))).toBeUndefined();
  expect(server.edits).toEqual([edit(1), edit(2)]);
  expect([...device.rows.values()].map((p) => p.tab)).toEqual(['living']);
});

test('leftovers that meet a newer lesson become one copy, and only of what was not sent', async () => {
  await closedTab('closed', 1, 2, 3);
  server.rev = 1;
  const save = server.save;
  server.save = async (lesson, s) => {
    const rev = await save(lesson, s);
    server.rev++; // another device saves between
    return rev;
  };
  const copy = await sendLeftovers('bulbs', leftovers());
  expect(copy).toMatchObject({ title: 'Rebuilt of 2 (unsent work)' });
  expect(device.rows.size).toBe(0);
});

test('leftovers stay when they cannot be sent now', async () => {
  await closedTab('closed', 1, 2);
  for (const status of [0, 200, 302, 400, 401, 403, 413, 422, 429, 500, 507]) {
    server.fault = () => new ApiError(status, 'x', 'No.', status === 422);
    await expect(sendLeftovers('bulbs', leftovers())).rejects.toThrow('No.');
    expect(device.rows.size).toBe(2);
  }
});

test('an outbox of the time before formats and tabs is sent as it is', async () => {
  // As the first version left it: without format and tab, its picture under the lesson alone.
  await device.add({ lesson: 'bulbs', operation: 'old', base: 1, edits: [edit(4)] });
  const formats: number[] = [];
  const save = server.save;
  server.save = (lesson, s) => {
    formats.push(s.format);
    return save(lesson, s);
  };
  await sendLeftovers('bulbs', leftovers());
  expect(formats).toEqual([1]);
  expect(server.edits).toEqual([edit(4)]);
  expect(device.rows.size).toBe(0);
});

test('makes a showing before its first save, and goes on sending it when it is closed', async () => {
  server.rev = 1;
  const own = begin('monday-1');
  own.loaded(0);
  server.fault = () => new ApiError(0, 'offline', 'The server cannot be reached just now.');
  own.make({ title: 'Bulbs' }, 'bulbs');
  own.add([edit(1)]);
  await flush();
  expect((await device.of('monday-1')).map((p) => p.showingOf)).toEqual(['bulbs', undefined]);
  own.outlive(() => ({ title: 'As it was left' }));
  server.fault = undefined;
  own.again();
  await flush();
  expect(server.shown.get('monday-1')).toBe('bulbs');
  expect(server.saved).toEqual(['monday-1']);
  expect(await device.all()).toEqual([]);
  own.close();
});
