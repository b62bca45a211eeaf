// A child's desk: who sits here, what is set for her, what she has done of it. All that she does
// is on the device until the server has it; what waits is sent by whoever opens the page next.
import { create } from 'zustand';
import { call, loadCore } from '../core/core';
import { ApiError } from './api';
import { desks, newAttempt, type DeskView, type StageView, type Verdict } from './classroom';
import { deskKept, patient, type DeskWork } from './device';
import { openStream, whileShown } from './stream';

export interface DeskState {
  /** Out: the code is wanted. */
  status: 'loading' | 'out' | 'in';
  view: DeskView | undefined;
  /** What is worked on, by set and task. */
  works: Record<string, DeskWork>;
  /** What was told of what was handed in here, by set and task; waits: not sent yet. */
  told: Record<string, Verdict & { waits?: boolean }>;
  /** Whether the server cannot be reached now. */
  away: boolean;
  /** What the class sees, while devices follow it. */
  stage: StageView | undefined;
  /** Why something that was done cannot be handed in any more. */
  refused: string;
}

const none: DeskState = {
  status: 'loading',
  view: undefined,
  works: {},
  told: {},
  away: false,
  stage: undefined,
  refused: '',
};

export const useDesk = create<DeskState>(() => none);
const { getState: get, setState: set } = useDesk;

/** The core is on its way before a task is opened. Whoever looks with the class needs none. */
useDesk.subscribe(({ view, stage }) => {
  if (view?.sets.length && !view.stage && !stage) void loadCore().catch(() => undefined);
});

/** Whether a teacher tries what a child would have: nothing of it is kept or sent. */
let tried = false;

/** Lays a set before a teacher who tries it. */
export function tryDesk(view: DeskView) {
  tried = true;
  const works: DeskState['works'] = {};
  for (const s of view.sets)
    for (const task of s.tasks.keys())
      works[keyOf(s.id, task)] = { ...unkept, set: s.id, task, attempt: newAttempt() };
  set({ ...none, status: 'in', view, works });
}

const unkept = { ticket: '', pupil: '', with: '', answer: {}, boards: {} };

export const keyOf = (of: string, task: number) => `${of} ${task}`;

let unheard: (() => void) | undefined;

/** Sends what waits, and reads what is set; without the network what was here last. */
export async function openDesk() {
  await sendWaiting();
  await look();
}

/** Reads again what is set for whoever sits here. */
async function look() {
  try {
    const view = await desks.view();
    set({ status: 'in', view, away: false });
    void deskKept.putView(view).catch(() => undefined);
    if (view.stage || get().stage) void follow();
    await takeTickets(view);
    listen();
  } catch (error) {
    if (error instanceof ApiError && error.code === 'no-seat') return signedOut();
    set({ away: true });
    if (get().status !== 'loading') return;
    const view = (await deskKept.view().catch(() => undefined)) as DeskView | undefined;
    if (!view) return set({ status: 'out' });
    await takeOver(view);
    set({ status: 'in', view });
    againSoon();
  }
}

const stageIn = (text: string) => (text ? (JSON.parse(text) as StageView) : undefined);

/** How often the stage was heard of. */
let heardOf = 0;

/** Shows what the class sees now, or goes back to the tasks. */
function take(stage: StageView | undefined) {
  heardOf++;
  set({ stage });
}

/** Asks for what the class sees. What was heard of it while the answer was on its way is newer. */
async function follow() {
  const asked = heardOf;
  const stage = await desks.stage().catch(() => undefined);
  if (asked === heardOf) take(stage);
}

function signedOut() {
  unheard?.();
  unheard = undefined;
  void deskKept.putView(undefined).catch(() => undefined);
  set({ ...none, status: 'out', refused: get().refused });
}

/** Goes from this desk: the next child can sit here. */
export async function leaveDesk() {
  await desks.leave().catch(() => undefined);
  signedOut();
}

/** Gives each task its attempt, with a ticket, so that it can be handed in whatever happens. */
async function takeTickets(view: DeskView) {
  await takeOver(view);
  for (const s of view.sets) {
    const attempts = s.tasks.map((_, i) => get().works[keyOf(s.id, i)]?.attempt ?? newAttempt());
    if (s.tasks.every((_, i) => get().works[keyOf(s.id, i)])) continue;
    const { tickets, pupil, with: other } = await desks.open(s.id, attempts);
    const works = { ...get().works };
    s.tasks.forEach((_, task) => {
      works[keyOf(s.id, task)] ??= {
        attempt: attempts[task]!,
        ticket: tickets[task]!,
        set: s.id,
        pupil,
        with: other,
        task,
        answer: {},
        boards: {},
      };
    });
    set({ works });
    for (const [i] of s.tasks.entries()) keep(works[keyOf(s.id, i)]!);
  }
}

/** What this child began on this device, and what of it waits to be handed in; another's is not opened. */
async function takeOver(view: DeskView) {
  const [first, second] = view.people;
  const works = { ...get().works };
  const told = { ...get().told };
  for (const w of await deskKept.all().catch(() => [])) {
    if (w.pupil !== first?.id || w.with !== (second?.id ?? '')) continue;
    const key = keyOf(w.set, w.task);
    if (w.waits && !works[key]) told[key] ??= { waits: true };
    works[key] ??= w;
  }
  set({ works, told });
}

function keep(work: DeskWork) {
  if (tried) return;
  void deskKept.put(work).catch(() => undefined);
}

/** How often the teacher is told that something is done here, in milliseconds. */
const TOLD_MS = 8000;
let lastTold = 0;

/** How many boards are kept of the way to an answer, the last ones. */
const MOST_LAID = 200;

/** Notes what a child gives for a blank, with the board that it was laid on. */
export function give(of: string, task: number, blank: string, text: string, board?: unknown) {
  const was = get().works[keyOf(of, task)];
  if (!was || (was.answer[blank] ?? '') === text) return;
  const work = {
    ...was,
    changed: true,
    handed: was.waits ? (was.handed ?? { answer: was.answer, trail: was.trail }) : undefined,
    answer: { ...was.answer, [blank]: text },
    ...(board !== undefined && {
      boards: { ...was.boards, [blank]: board },
      trail: text ? [...(was.trail ?? []), { blank, board: text }].slice(-MOST_LAID) : was.trail,
    }),
  };
  lay(work);
  tell(keyOf(of, task), was.waits ? { waits: true } : undefined);
  keep(work);
  if (tried || Date.now() - lastTold < TOLD_MS) return;
  lastTold = Date.now();
  void desks.here(of, task, true).catch(() => undefined);
}

/** Asks for the teacher, or no more. */
export function ask(of: string, task: number, asks: boolean) {
  const { view } = get();
  if (view) set({ view: { ...view, asks } });
  if (tried) return;
  void desks.here(of, task, false, asks).catch(() => undefined);
}

/** Lays an attempt before her, in the place of what was there of its task. */
const lay = (work: DeskWork) => set({ works: { ...get().works, [keyOf(work.set, work.task)]: work } });

/** Tells her of what she handed in, or nothing any more. */
function tell(key: string, verdict: DeskState['told'][string] | undefined) {
  const { [key]: _, ...others } = get().told;
  set({ told: verdict ? { ...others, [key]: verdict } : others });
}

/** Hands in what was done of a task: kept here first, then sent. */
export async function handIn(of: string, task: number) {
  const key = keyOf(of, task);
  const given = get().works[key];
  if (!given) return;
  // Pressed twice, it is one hand-in.
  if (given.waits && !given.changed) return void (await send(given));
  const waits = Math.max(Date.now(), (given.waits ?? 0) + 1);
  const work = { ...given, changed: false, handed: undefined, waits };
  if (tried) {
    lay({ ...work, waits: undefined });
    return tell(key, (await marked(work)) ?? {});
  }
  lay(work);
  await deskKept.put(work).catch(() => undefined);
  tell(key, { waits: true });
  await send(work);
}

/** The attempts that are on their way now. */
const onTheWay = new Set<string>();

/** Sends one that waits, if it is not on its way. Returns whether others may be sent too. */
async function send(work: DeskWork): Promise<boolean> {
  const { waits = Date.now(), boards: _, changed: __, handed, ...rest } = work;
  if (onTheWay.has(work.attempt)) return true;
  onTheWay.add(work.attempt);
  const next = newAttempt();
  try {
    const away = Math.round((Date.now() - waits) / 1000);
    const hand = { ...rest, ...handed, away: away < 5 ? 0 : away, next };
    const { verdict, ticket } = await desks.handIn(hand);
    return await goOn(work, { attempt: next, ticket }, verdict);
  } catch (error) {
    return await notSent(work, next, error);
  } finally {
    onTheWay.delete(work.attempt);
  }
}

/** What has become of an attempt since it was sent, and whether it is open here. */
function now(work: DeskWork) {
  const open = get().works[keyOf(work.set, work.task)];
  return open?.attempt === work.attempt ? { work: open, here: true } : { work, here: false };
}

type Named = Pick<DeskWork, 'attempt' | 'ticket'>;

/** The server has it: she goes on from where she is by now, as another attempt. */
async function goOn(sent: DeskWork, next: Named, verdict: Verdict): Promise<boolean> {
  const { work, here } = now(sent);
  const again = work.waits !== sent.waits;
  const going = again ? { ...work, ...next } : { ...work, ...next, waits: undefined, handed: undefined };
  if (here || work.handed) await rename(sent, going);
  else await deskKept.drop(sent.attempt).catch(() => undefined);
  if (!here) return true;
  set({ away: false });
  // What she handed in since comes after it.
  if (again) return send(going);
  tell(keyOf(sent.set, sent.task), verdict);
  return true;
}

/** Puts an attempt in the place of another, on the device and where it is open. */
async function rename(was: DeskWork, work: DeskWork) {
  if (now(was).here) lay(work);
  await deskKept.follow(was.attempt, work).catch(() => undefined);
}

/** It was refused, or not answered. What our own server refuses for good is told, and waits no longer. */
async function notSent(sent: DeskWork, next: string, error: unknown): Promise<boolean> {
  const key = keyOf(sent.set, sent.task);
  const refusal = error instanceof ApiError && error.ours ? error : undefined;
  const { work, here } = now(sent);
  if (refusal?.code === 'other' && refusal.ticket) {
    // An earlier hand-in of this name came, though its answer did not: this one is another.
    const named = { attempt: next, ticket: refusal.ticket };
    await rename(sent, { ...work, ...named });
    return send({ ...sent, ...named });
  }
  if (refusal && refusal.status >= 400 && refusal.status < 500 && refusal.status !== 429) {
    const left = { ...work, waits: undefined, handed: undefined };
    if (here) lay(left);
    set({ refused: refusal.message });
    tell(key, undefined);
    // Where she sits she can mend it, and hand it in again.
    await (here ? deskKept.put(left) : deskKept.drop(sent.attempt)).catch(() => undefined);
    return true;
  }
  set({ away: true });
  againSoon();
  if (here) await markHere({ ...sent, ...sent.handed });
  return false;
}

/** How often something was not right yet while the server was away, by set and task. */
const notYet = new Map<string, number>();

/** From this time on there is a question too. */
const HINT_FROM = 2;

/** Tells what this device can of what waits on it. The server marks it again, and its word holds. */
async function markHere(work: DeskWork) {
  const key = keyOf(work.set, work.task);
  const verdict = await marked(work);
  if (!verdict || get().works[key]?.attempt !== work.attempt || !get().told[key]?.waits) return;
  tell(key, { waits: true, ...verdict });
}

/** What a child is told of an answer, where all of the task is here and something is told. */
async function marked({ set: of, task: n, answer }: DeskWork): Promise<Verdict | undefined> {
  const key = keyOf(of, n);
  const whole = get().view?.sets.find((s) => s.id === of);
  const task = whole?.tasks[n]?.task;
  if (!whole || !task) return undefined;
  try {
    await patient(loadCore());
    const { right, hint, at = '' } = call('mark', { task, answer, words: whole.words });
    const tries = right ? 0 : (notYet.get(key) ?? 0) + 1;
    notYet.set(key, tries);
    return { right, ...(!right && whole.help === 'hint' && tries >= HINT_FROM && { hint, at }) };
  } catch {
    return undefined; // it is marked when it is sent
  }
}

/** Sends all that waits on this device, whoever did it. */
async function sendWaiting() {
  for (const work of await deskKept.all().catch(() => [])) {
    if (work.waits && !(await send(work))) return;
  }
}

/** How soon it is tried again, in milliseconds. */
const AGAIN_MS = 4000;
let trying: ReturnType<typeof setTimeout> | undefined;

function againSoon() {
  trying ??= setTimeout(() => {
    trying = undefined;
    void openDesk();
  }, AGAIN_MS);
}

function listen() {
  unheard ??= whileShown((again) =>
    openStream(
      '/api/desk/events',
      {
        message: (data) => {
          if (data === 'free' || data === 'gone') signedOut();
          else if (data.startsWith('stage')) take(stageIn(data.slice('stage'.length)));
          else void look();
        },
        gap: () => void openDesk(),
        lost: () => set({ away: true }),
      },
      again,
    ),
  );
}

globalThis.addEventListener?.('online', () => void openDesk());
