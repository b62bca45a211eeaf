// What a child did is on the device until the server has it, whatever is answered in between.
import { beforeEach, expect, test, vi } from 'vitest';
import type { DeskView } from './classroom';
import type { DeskWork } from './device';

const kept = new Map<string, DeskWork>();
let view: unknown;
const net = {
  view: vi.fn(),
  open: vi.fn(),
  handIn: vi.fn(),
  here: vi.fn(() => Promise.resolve()),
  stage: vi.fn(() => Promise.resolve(undefined)),
  leave: vi.fn(() => Promise.resolve()),
};

const core = { mark: vi.fn() };
vi.mock('../core/core', () => ({
  loadCore: () => Promise.resolve(),
  call: (_op: 'mark', arg: unknown) => core.mark(arg) as unknown,
}));
vi.mock('./device', () => ({
  patient: <T>(work: Promise<T>) => work,
  deskKept: {
    put: (w: DeskWork) => Promise.resolve(void kept.set(w.attempt, w)),
    all: () => Promise.resolve([...kept.values()]),
    drop: (attempt: string) => Promise.resolve(void kept.delete(attempt)),
    follow: (attempt: string, w: DeskWork) =>
      Promise.resolve(void kept.delete(attempt)).then(() => void kept.set(w.attempt, w)),
    putView: (v: unknown) => Promise.resolve(void (view = v)),
    view: () => Promise.resolve(view),
  },
}));
let names = 0;
vi.mock('./classroom', () => ({
  get desks() {
    return net;
  },
  newAttempt: () => `attempt-${++names}`,
}));
vi.stubGlobal(
  'EventSource',
  class {
    static CLOSED = 2;
    readyState = 1;
    close() {}
  },
);

const seen = (pupil: string, tasks = 1): DeskView => ({
  people: [{ id: pupil, name: pupil, sign: 0 }],
  class: 'Bulbs',
  eyes: false,
  asks: false,
  stage: false,
  sets: [{ id: 's', title: 'S', help: 'hint', words: {}, tasks: Array(tasks).fill({}) as never, done: [] }],
});

/** An answer that is none, as the page that is open now knows it. */
async function fault(status: number, code = 'x', ours = false) {
  const { ApiError } = await import('./api');
  return new ApiError(status, code, 'No.', ours);
}

/** The desk of a page that was just opened. */
async function opened(pupil: string) {
  vi.resetModules();
  net.view.mockResolvedValue(seen(pupil));
  net.open.mockImplementation((_set: string, attempts: string[]) =>
    Promise.resolve({ tickets: attempts.map((a) => `ticket of ${a}`), pupil, with: '' }),
  );
  const desk = await import('./desk');
  await desk.openDesk();
  return desk;
}

beforeEach(() => {
  kept.clear();
  view = undefined;
  vi.clearAllMocks();
  vi.useFakeTimers();
});

test('what is given is kept at once, and gone on with after the page was closed', async () => {
  const desk = await opened('mirren');
  desk.give('s', 0, 'board', 'blocks 5t', { lesson: 1 });
  const again = await opened('mirren');
  const work = again.useDesk.getState().works[again.keyOf('s', 0)]!;
  expect(work.answer).toEqual({ board: 'blocks 5t' });
  expect(work.boards).toEqual({ board: { lesson: 1 } });
  expect(net.open).toHaveBeenCalledTimes(1);
});

test('another child at the device opens none of it', async () => {
  const desk = await opened('mirren');
  desk.give('s', 0, 'board', 'blocks 5t');
  const other = await opened('jorn');
  expect(other.useDesk.getState().works[other.keyOf('s', 0)]!.answer).toEqual({});
  expect([...kept.values()].some((w) => w.pupil === 'mirren')).toBe(true);
});

test('no answer of any server but an acknowledgement or a refusal of our own takes it away', async () => {
  for (let status = 0; status < 600; status = status === 0 ? 200 : status + 1) {
    for (const ours of [true, false]) {
      kept.clear();
      view = undefined;
      const desk = await opened('mirren');
      desk.give('s', 0, 'board', 'blocks 5t');
      net.handIn.mockRejectedValue(await fault(status, 'x', ours));
      await desk.handIn('s', 0);
      const waits = [...kept.values()].filter((w) => w.waits);
      const refused = ours && status >= 400 && status < 500 && status !== 429;
      expect(waits.length, `${status} ${ours ? 'of ours' : 'of others'}`).toBe(refused ? 0 : 1);
      expect(desk.useDesk.getState().refused).toBe(refused ? 'No.' : '');
      if (!refused) expect(desk.useDesk.getState().told[desk.keyOf('s', 0)]).toEqual({ waits: true });
    }
  }
});

test('what waits is marked here where all of the task is here; the server’s word holds', async () => {
  const desk = await opened('mirren');
  const { view: now } = desk.useDesk.getState();
  now!.sets[0]!.tasks = [{ task: { kind: 'build', about: ['54'] } }] as never;
  const told = () => desk.useDesk.getState().told[desk.keyOf('s', 0)];
  net.handIn.mockRejectedValue(await fault(0, 'offline'));
  core.mark.mockReturnValue({ right: false, hint: 'What does each piece count?', at: 'board 2' });
  for (const board of ['blocks 4t', 'blocks 4t 5o']) {
    desk.give('s', 0, 'board', board);
    await desk.handIn('s', 0);
    expect(core.mark).toHaveBeenLastCalledWith(expect.objectContaining({ answer: { board } }));
  }
  expect(told(), 'a question comes the second time').toEqual({
    waits: true,
    right: false,
    hint: 'What does each piece count?',
    at: 'board 2',
  });
  desk.give('s', 0, 'board', 'blocks 5t 4o');
  core.mark.mockReturnValue({ right: true, hint: '' });
  await desk.handIn('s', 0);
  expect(told()).toEqual({ waits: true, right: true });
  net.handIn.mockResolvedValue({ verdict: { right: false }, ticket: 'next' });
  await desk.openDesk();
  expect(told()).toEqual({ right: false });
});

test('what waits is sent by whoever opens the page next, with its own ticket', async () => {
  const desk = await opened('mirren');
  desk.give('s', 0, 'board', 'blocks 5t');
  net.handIn.mockRejectedValue(await fault(0, 'offline'));
  await desk.handIn('s', 0);
  const [waiting] = [...kept.values()].filter((w) => w.waits);
  net.handIn.mockResolvedValue({ verdict: { right: true }, ticket: 'next' });
  await opened('jorn');
  expect(net.handIn).toHaveBeenLastCalledWith(
    expect.objectContaining({ attempt: waiting!.attempt, ticket: waiting!.ticket, pupil: 'mirren' }),
  );
  expect([...kept.values()].filter((w) => w.pupil === 'mirren')).toEqual([]);
});

test('after a hand-in she goes on from where she was, as another attempt', async () => {
  const desk = await opened('mirren');
  desk.give('s', 0, 'board', 'blocks 4t 5o', { lesson: 1 });
  const first = desk.useDesk.getState().works[desk.keyOf('s', 0)]!;
  net.handIn.mockResolvedValue({ verdict: { right: false }, ticket: 'next' });
  await desk.handIn('s', 0);
  const next = desk.useDesk.getState().works[desk.keyOf('s', 0)]!;
  expect(next.attempt).not.toBe(first.attempt);
  expect(next).toMatchObject({
    ticket: 'next',
    answer: { board: 'blocks 4t 5o' },
    boards: { board: { lesson: 1 } },
  });
  expect(desk.useDesk.getState().told[desk.keyOf('s', 0)]).toEqual({ right: false });
  // As soon as she changes something, what was told is of another answer.
  desk.give('s', 0, 'board', 'blocks 5t 4o');
  expect(desk.useDesk.getState().told[desk.keyOf('s', 0)]).toBeUndefined();
});

/** An answer of the server to one hand-in, given when the test says so. */
function laterAnswered() {
  let answer!: (ticket: string, right?: boolean) => Promise<void>;
  net.handIn.mockImplementationOnce(
    () =>
      new Promise((done) => {
        answer = async (ticket, right = false) => {
          done({ verdict: { right }, ticket });
          await vi.advanceTimersByTimeAsync(0);
        };
      }),
  );
  return { answered: (ticket: string, right?: boolean) => answer(ticket, right) };
}

/** What the server was sent, board after board, and as which attempt. */
const sent = () =>
  net.handIn.mock.calls.map(
    ([hand]) => hand as { attempt: string; answer: { board: string }; ticket: string },
  );

test('what she does while a hand-in is on its way stays', async () => {
  const desk = await opened('mirren');
  const work = () => desk.useDesk.getState().works[desk.keyOf('s', 0)]!;
  desk.give('s', 0, 'board', 'blocks 4t', { lesson: 1 });
  const first = laterAnswered();
  const handed = desk.handIn('s', 0);
  await vi.advanceTimersByTimeAsync(0);
  desk.give('s', 0, 'board', 'blocks 5t', { lesson: 2 });
  await first.answered('next');
  await handed;
  expect(work()).toMatchObject({
    answer: { board: 'blocks 5t' },
    boards: { board: { lesson: 2 } },
    ticket: 'next',
  });
  expect(work().changed).toBe(true);
  expect([...kept.values()].map((w) => [w.answer.board, w.waits])).toEqual([['blocks 5t', undefined]]);
});

test('handed in again while the first is on its way, both come, one after the other', async () => {
  const desk = await opened('mirren');
  desk.give('s', 0, 'board', 'blocks 4t');
  const first = laterAnswered();
  const handed = desk.handIn('s', 0);
  await vi.advanceTimersByTimeAsync(0);
  // Pressed once more it is the same.
  await desk.handIn('s', 0);
  desk.give('s', 0, 'board', 'blocks 5t');
  await desk.handIn('s', 0);
  expect(sent()).toHaveLength(1);
  net.handIn.mockResolvedValue({ verdict: { right: true }, ticket: 'third' });
  await first.answered('second');
  await handed;
  expect(sent().map((h) => h.answer.board)).toEqual(['blocks 4t', 'blocks 5t']);
  expect(sent()[1]!.attempt).not.toBe(sent()[0]!.attempt);
  expect(sent()[1]!.ticket).toBe('second');
  expect(desk.useDesk.getState().told[desk.keyOf('s', 0)]).toEqual({ right: true });
  expect([...kept.values()].filter((w) => w.waits)).toEqual([]);
});

test('what was handed in without the network is sent as it was, whatever she did since', async () => {
  const desk = await opened('mirren');
  desk.give('s', 0, 'board', 'blocks 4t', { lesson: 1 });
  net.handIn.mockRejectedValue(await fault(0, 'offline'));
  await desk.handIn('s', 0);
  desk.give('s', 0, 'board', 'blocks 5t', { lesson: 2 });
  desk.give('s', 0, 'board', 'blocks 5t 1o', { lesson: 3 });
  net.handIn.mockClear();
  // The page is closed, and the network comes back.
  net.handIn.mockResolvedValue({ verdict: { right: false }, ticket: 'next' });
  const back = await opened('mirren');
  expect(sent().map((h) => h.answer)).toEqual([{ board: 'blocks 4t' }]);
  expect(net.handIn.mock.calls[0]![0]).not.toHaveProperty('handed');
  expect((net.handIn.mock.calls[0]![0] as { trail: unknown }).trail).toEqual([
    { blank: 'board', board: 'blocks 4t' },
  ]);
  const work = back.useDesk.getState().works[back.keyOf('s', 0)]!;
  expect(work).toMatchObject({
    answer: { board: 'blocks 5t 1o' },
    boards: { board: { lesson: 3 } },
    ticket: 'next',
  });
  expect(work.attempt).not.toBe(sent()[0]!.attempt);
});

test('where the server has an earlier hand-in of this name, it comes under the next', async () => {
  const desk = await opened('mirren');
  const { ApiError } = await import('./api');
  // The server took the first, and its answer was lost.
  desk.give('s', 0, 'board', 'blocks 4t');
  net.handIn.mockRejectedValueOnce(await fault(0, 'offline'));
  await desk.handIn('s', 0);
  desk.give('s', 0, 'board', 'blocks 5t');
  net.handIn.mockRejectedValueOnce(new ApiError(409, 'other', 'No.', true, 'anew'));
  net.handIn.mockResolvedValue({ verdict: { right: true }, ticket: 'next' });
  await desk.handIn('s', 0);
  expect(sent().map((h) => h.answer.board)).toEqual(['blocks 4t', 'blocks 5t', 'blocks 5t']);
  expect(sent()[2]!.ticket).toBe('anew');
  expect(sent()[2]!.attempt).not.toBe(sent()[1]!.attempt);
  expect(desk.useDesk.getState()).toMatchObject({
    refused: '',
    told: { [desk.keyOf('s', 0)]: { right: true } },
  });
  expect([...kept.values()].filter((w) => w.waits)).toEqual([]);
});

test('without the network the page opens with what was here last, for her alone', async () => {
  await opened('mirren');
  vi.resetModules();
  net.view.mockRejectedValue(await fault(0, 'offline'));
  const away = await import('./desk');
  await away.openDesk();
  expect(away.useDesk.getState()).toMatchObject({ status: 'in', away: true });
  // A device that sits at no tile any more has nothing.
  vi.resetModules();
  net.view.mockRejectedValue(await fault(401, 'no-seat', true));
  const out = await import('./desk');
  await out.openDesk();
  expect(out.useDesk.getState()).toMatchObject({ status: 'out', view: undefined });
  expect(view).toBeUndefined();
});

test('what waits is there when the page is opened again without the network', async () => {
  const desk = await opened('mirren');
  desk.give('s', 0, 'board', 'blocks 5t', { lesson: 1 });
  net.handIn.mockRejectedValue(await fault(0, 'offline'));
  await desk.handIn('s', 0);
  for (const [who, waits] of [
    ['mirren', true],
    ['jorn', false],
  ] as const) {
    vi.resetModules();
    view = seen(who);
    net.view.mockRejectedValue(await fault(0, 'offline'));
    const away = await import('./desk');
    await away.openDesk();
    const { works, told } = away.useDesk.getState();
    const key = away.keyOf('s', 0);
    expect(works[key]?.answer).toEqual(waits ? { board: 'blocks 5t' } : undefined);
    expect(told[key]).toEqual(waits ? { waits: true } : undefined);
  }
  // When it has come, she goes on from there.
  net.handIn.mockResolvedValue({ verdict: { right: false }, ticket: 'next' });
  const back = await opened('mirren');
  expect([...kept.values()].filter((w) => w.waits)).toEqual([]);
  expect(back.useDesk.getState().told[back.keyOf('s', 0)]).toBeUndefined();
});

test('what was told of one answer is not told of another', async () => {
  const desk = await opened('mirren');
  const work = () => desk.useDesk.getState().works[desk.keyOf('s', 0)]!;
  desk.give('s', 0, 'board', 'blocks 4t');
  net.handIn.mockResolvedValue({ verdict: { right: false }, ticket: 'next' });
  await desk.handIn('s', 0);
  expect(work().changed).toBeFalsy();
  expect(net.handIn.mock.calls[0]![0]).not.toHaveProperty('changed');
  desk.give('s', 0, 'board', 'blocks 5t');
  expect(work().changed).toBe(true);
  // Nor when the page is opened again.
  const again = await opened('mirren');
  expect(again.useDesk.getState().works[again.keyOf('s', 0)]!.changed).toBe(true);
});

test('a teacher tries a set: she is told what a child is told, and nothing is kept or sent', async () => {
  vi.resetModules();
  const desk = await import('./desk');
  const set = seen('child');
  set.sets[0]!.tasks = [{ task: { kind: 'build' } }] as never;
  desk.tryDesk(set);
  desk.give('s', 0, 'board', 'blocks 4t');
  desk.ask('s', 0, true);
  core.mark.mockReturnValue({ right: false, hint: 'Count the tens.' });
  for (const hint of [undefined, 'Count the tens.']) {
    await desk.handIn('s', 0);
    const told = desk.useDesk.getState().told[desk.keyOf('s', 0)]!;
    expect(told.right).toBe(false);
    expect(told.hint).toBe(hint);
    expect(told.waits).toBeUndefined();
  }
  expect(kept.size).toBe(0);
  for (const call of Object.values(net)) expect(call).not.toHaveBeenCalled();
});
