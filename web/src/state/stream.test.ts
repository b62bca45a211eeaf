import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { hear, openStream, whileShown } from './stream';

/** Streams that were opened, and what a test lets them say. */
class Stream {
  static all: Stream[] = [];
  static open = () => Stream.all.filter((s) => !s.closed);
  static readonly CLOSED = 2;
  closed = false;
  readyState = 1;
  onopen?: () => void;
  onerror?: () => void;
  onmessage?: (e: { data: string }) => void;
  constructor(readonly url: string) {
    Stream.all.push(this);
  }
  close() {
    this.closed = true;
  }
}

/** Locks as a browser has them: one holds a name, the others wait in a row. */
function locks() {
  const rows = new Map<string, (() => void)[]>();
  const held = new Set<string>();
  type Options = { ifAvailable?: boolean; signal?: AbortSignal };
  const request = async (name: string, options: Options, run: (lock: object | null) => unknown) => {
    if (held.has(name) && options.ifAvailable) return run(null);
    if (held.has(name)) {
      await new Promise<void>((go, no) => {
        options.signal?.addEventListener('abort', () => {
          rows.set(
            name,
            rows.get(name)!.filter((one) => one !== go),
          );
          no(new Error('aborted'));
        });
        rows.set(name, [...(rows.get(name) ?? []), go]);
      });
    }
    held.add(name);
    await run({});
    held.delete(name);
    rows.get(name)?.shift()?.();
  };
  return { request };
}

const settle = () => new Promise((done) => setTimeout(done, 30));
const heard = () => ({ message: vi.fn(), gap: vi.fn() });

beforeEach(() => {
  Stream.all = [];
  vi.stubGlobal('EventSource', Stream);
  vi.stubGlobal('navigator', { locks: locks() });
});
afterEach(() => vi.unstubAllGlobals());

test('two windows have one stream, and both hear', async () => {
  const [a, b] = [heard(), heard()];
  const stops = [hear('/events', a), hear('/events', b)];
  await settle();
  expect(Stream.all.map((s) => s.url)).toEqual(['/events']);
  Stream.all[0]!.onopen!();
  Stream.all[0]!.onmessage!({ data: 'set 7' });
  await settle();
  expect(a.message.mock.calls).toEqual([['set 7']]);
  expect(b.message.mock.calls).toEqual([['set 7']]);
  expect(a.gap, 'nothing was missed').not.toHaveBeenCalled();
  stops.forEach((stop) => stop());
  expect(Stream.open()).toHaveLength(0);
});

test('when the window that has it goes, another opens it and reads all anew', async () => {
  const [a, b, c] = [heard(), heard(), heard()];
  const stops = [hear('/events', a), hear('/events', b), hear('/events', c)];
  await settle();
  stops[0]!();
  await settle();
  expect(Stream.open()).toHaveLength(1);
  expect(Stream.all).toHaveLength(2);
  Stream.open()[0]!.onopen!();
  await settle();
  expect(b.gap.mock.calls.length + c.gap.mock.calls.length, 'each of both').toBe(2);
  Stream.open()[0]!.onmessage!({ data: 'class' });
  await settle();
  for (const one of [b, c]) expect(one.message.mock.calls).toEqual([['class']]);
  expect(a.message).not.toHaveBeenCalled();
  // A stream that was cut and is open again has missed something too.
  Stream.open()[0]!.onopen!();
  await settle();
  for (const one of [b, c]) expect(one.gap).toHaveBeenCalledTimes(2);
  stops.slice(1).forEach((stop) => stop());
  expect(Stream.open()).toHaveLength(0);
});

test('a window that goes while it waits leaves the row', async () => {
  const stops = [hear('/events', heard()), hear('/events', heard()), hear('/events', heard())];
  await settle();
  stops[1]!();
  stops[0]!();
  await settle();
  expect(Stream.open()).toHaveLength(1);
  stops[2]!();
  expect(Stream.open()).toHaveLength(0);
});

test('a stream that was refused is asked for again, ever more seldom; one that broke off is not', () => {
  vi.useFakeTimers();
  const a = { ...heard(), lost: vi.fn() };
  const stop = openStream('/events', a);
  const fail = (readyState: number) => Object.assign(Stream.all.at(-1)!, { readyState }).onerror!();
  Stream.all[0]!.onopen!();
  fail(0);
  vi.advanceTimersByTime(600_000);
  expect(Stream.all, 'the browser opens it anew').toHaveLength(1);
  expect(a.lost).toHaveBeenCalledOnce();
  Stream.all[0]!.onopen!();
  expect(a.gap).toHaveBeenCalledOnce();
  fail(2);
  const pauses = [4000, 8000, 16_000, 32_000, 64_000, 64_000];
  for (const [n, pause] of pauses.entries()) {
    vi.advanceTimersByTime(pause - 1);
    expect(Stream.all).toHaveLength(n + 1);
    vi.advanceTimersByTime(1);
    expect(Stream.all).toHaveLength(n + 2);
    if (n < pauses.length - 1) fail(2);
  }
  // Why it was refused is learnt each time, and when it is open again all is read.
  expect(a.gap).toHaveBeenCalledTimes(1 + pauses.length);
  Stream.all.at(-1)!.onopen!();
  expect(a.gap).toHaveBeenCalledTimes(2 + pauses.length);
  fail(2);
  vi.advanceTimersByTime(4000);
  expect(Stream.all).toHaveLength(8);
  // What is learnt may be that nothing is to be heard here any more.
  a.gap.mockImplementation(() => stop());
  fail(2);
  vi.advanceTimersByTime(600_000);
  expect(Stream.all).toHaveLength(8);
  vi.useRealTimers();
});

test('without locks each window listens for itself', async () => {
  vi.stubGlobal('navigator', {});
  const [a, b] = [heard(), heard()];
  const stops = [hear('/events', a), hear('/events', b)];
  expect(Stream.all).toHaveLength(2);
  Stream.all[1]!.onopen!();
  Stream.all[1]!.onmessage!({ data: 'x' });
  expect(b.message).toHaveBeenCalledOnce();
  expect(a.message).not.toHaveBeenCalled();
  Stream.all[1]!.onopen!();
  expect(b.gap).toHaveBeenCalledOnce();
  stops.forEach((stop) => stop());
  expect(Stream.open()).toHaveLength(0);
});

/** A window and what is in it, whose events a test fires. */
function page() {
  const [window, document] = [new EventTarget(), Object.assign(new EventTarget(), { hidden: false })];
  vi.stubGlobal('addEventListener', window.addEventListener.bind(window));
  vi.stubGlobal('document', document);
  return {
    goes: () => window.dispatchEvent(new Event('pagehide')),
    comes: () => window.dispatchEvent(new Event('pageshow')),
    hides: (hidden: boolean) => {
      document.hidden = hidden;
      document.dispatchEvent(new Event('visibilitychange'));
    },
  };
}

test('a page that the browser keeps for the way back has no stream, and reads anew when it is back', async () => {
  const { goes, comes, hides } = page();
  const a = heard();
  const stop = hear('/events', a);
  comes(); // as it is shown for the first time
  hides(true); // what a class is told is heard in the background too
  await settle();
  expect(Stream.all).toHaveLength(1);
  goes();
  await settle();
  expect(Stream.open()).toHaveLength(0);
  comes();
  await settle();
  expect(Stream.open()).toHaveLength(1);
  expect(a.gap).toHaveBeenCalledOnce();
  Stream.open()[0]!.onmessage!({ data: 'class' });
  expect(a.message.mock.calls).toEqual([['class']]);
  stop();
  goes();
  comes();
  expect(Stream.open(), 'what is heard no more is not begun again').toHaveLength(0);
});

test('what is seen ends while its tab is hidden, and is begun again', () => {
  const { goes, comes, hides } = page();
  const did: string[] = [];
  const run = (again: boolean) => {
    did.push(again ? 'again' : 'first');
    return () => did.push('end');
  };
  const stop = whileShown(run, true);
  hides(true);
  hides(true);
  goes();
  comes();
  expect(did, 'a hidden tab that comes back is still hidden').toEqual(['first', 'end']);
  hides(false);
  stop();
  hides(false);
  expect(did).toEqual(['first', 'end', 'again', 'end']);
  // Opened in the background, it begins when it is looked at, and reads what came meanwhile.
  did.length = 0;
  hides(true);
  const other = whileShown(run, true);
  expect(did).toEqual([]);
  hides(false);
  expect(did).toEqual(['again']);
  other();
});
