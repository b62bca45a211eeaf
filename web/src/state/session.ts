// Opening and closing a lesson: it is loaded, claimed for this tab and followed; what
// was left unsent is sent first; after a fault of the module its log is played again.
import { call, loadCore, onCoreDeath, type Edit } from '../core/core';
import { api, ApiError, newId, type Made } from './api';
import { device, type Pending } from './device';
import { emptyFrame, get, initial, notify, sentence, set, type Copy } from './lesson';
import { playFrame, stopBeats } from './motion';
import { Outbox, sendLeftovers, type Leftovers } from './outbox';
import { isAlive, tabId } from './tab';

let outbox: Outbox | undefined;
let events: EventSource | undefined;
/** The lesson as it was opened, and every edit since: what the module is given after a fault. */
let log: { lesson: unknown; edits: Edit[] } = { lesson: undefined, edits: [] };

/** From so many edits on the log begins anew with the lesson as it stands. */
const LONG_LOG = 400;

/** The file form of the edits that this page's core makes. */
const format = () => call('version', {}).format;

const leftovers: Leftovers = { net: api, device, tab: tabId, alive: isAlive, rebuild };

/** Opens a lesson: sends what was left unsent, loads it, and claims it for this tab. */
export async function openLesson(id: string) {
  closeLesson();
  set({ ...initial, id, presenting: get().presenting });
  try {
    const core = loadCore();
    core.catch(() => undefined); // it is told below
    const { rev, lesson, copy, local } = await fetched(id, core);
    await core;
    if (get().id !== id) return;
    outbox = newOutbox(id);
    mirror(rev, lesson);
    set({ status: 'open', copy });
    if (get().outline.newer) {
      set({ readOnly: true });
      return;
    }
    outbox.adopt(local);
    void probe();
    listen(id);
    await claim(false);
  } catch (error) {
    if (get().id === id) set({ status: 'failed', failure: sentence(error) });
  }
}

interface Fetched {
  rev: number;
  lesson: unknown;
  copy: Copy | undefined;
  /** Saves of this lesson that are still only here. */
  local: Pending[];
}

/** The lesson from the server, or one that was made on this device and is only here yet. */
async function fetched(id: string, core: Promise<void>): Promise<Fetched> {
  try {
    const copy = await sendLeftovers(id, leftovers);
    return { ...(await api.get(id)), copy, local: [] };
  } catch (error) {
    const own = (await device.of(id).catch(() => [])).filter((p) => p.tab === tabId);
    const made = own[0]?.make ?? fresh.get(id);
    if (made === undefined || !(error instanceof ApiError) || error.code === 'sign-in') throw error;
    await core;
    const local = own.length > 0 ? own : [newPending(id, made)];
    return { rev: 0, lesson: overlaid(made, local), copy: undefined, local };
  }
}

/** Lessons made in this page, for a device that keeps nothing. */
const fresh = new Map<string, unknown>();

const newPending = (lesson: string, make: unknown): Pending => ({
  lesson,
  tab: tabId,
  operation: newId(),
  base: 0,
  edits: [],
  make,
});

/** Makes a lesson on this device: it can be opened at once, and is sent when the server is there. */
export async function makeLesson(lesson: object): Promise<string> {
  const id = newId();
  fresh.set(id, lesson);
  await device.add(newPending(id, lesson)).catch(() => undefined);
  return id;
}

function newOutbox(id: string) {
  return new Outbox({
    lesson: id,
    tab: tabId,
    format: format(),
    net: api,
    device,
    state: (save) => set({ save }),
    conflict: (made) => void reloadAfterConflict(id, made),
    document: () => call('document', { handle: get().handle }),
  });
}

/** Whether the device keeps anything at all is known, and said, before there is work. */
async function probe() {
  try {
    await device.putDocument('probe', tabId, { at: Date.now() });
    await device.dropDocument('probe', tabId);
  } catch {
    set({ save: { ...get().save, kept: false } });
  }
}

function mirror(rev: number, lesson: unknown) {
  const old = get().handle;
  const { handle, outline } = call('open', { lesson });
  if (old) call('close', { handle: old });
  outbox?.loaded(rev);
  log = { lesson, edits: [] };
  set({ handle, outline });
  standAt();
}

/** Shows the place where the page was, as far as it is still there. */
function standAt() {
  const { frame, outline, handle, presenting } = get();
  const scene = outline.scenes.find((s) => s.id === frame.scene) ?? outline.scenes[0];
  if (!scene) return set({ frame: emptyFrame, models: [], notation: '' });
  const step = Math.min(frame.step, scene.steps.length);
  playFrame(call('show', { handle, scene: scene.id, step, present: presenting }));
}

export function closeLesson() {
  stopBeats();
  events?.close();
  outbox?.close();
  outbox = undefined;
  events = undefined;
  const { handle, id, readOnly, presenting } = get();
  if (id && !readOnly) release(id);
  if (handle && globalThis.unitbloomCore) call('close', { handle });
  set({ ...initial, presenting });
}

/** Edits of an act: written to the log, kept on the device, sent. */
export function saveEdits(edits: Edit[]) {
  if (edits.length === 0 || get().readOnly) return;
  log.edits.push(...edits);
  if (log.edits.length > LONG_LOG) log = { lesson: call('document', { handle: get().handle }), edits: [] };
  outbox?.add(edits);
}

/** Tries to send now what is unsent. */
export function sendAgain() {
  outbox?.again();
}

/** Keeps unsent work as a lesson of its own, and opens the lesson as the server has it. */
export async function keepAsCopy() {
  const { id } = get();
  try {
    const copy = await outbox?.keepAsCopy();
    if (copy) await reloadAfterConflict(id, copy);
  } catch (error) {
    notify('refusal', `The copy could not be made now. ${sentence(error)}`);
  }
}

async function reloadAfterConflict(id: string, copy: Made) {
  if (get().id !== id) return;
  await openLesson(id);
  const { title } = copy;
  if (get().status === 'open') set({ copy: { id: copy.id, title } });
  else set({ failure: `${get().failure} Your unsent work is kept as “${title}” on the shelf.` });
}

/** Unsent edits laid over the lesson as it is now, where no picture of the tab was kept. */
async function rebuild(lesson: string, pending: Pending[]): Promise<unknown> {
  await loadCore();
  const make = pending.find((p) => p.make !== undefined)?.make;
  const base = make ?? (await api.get(lesson)).lesson;
  return overlaid(base, pending);
}

function overlaid(lesson: unknown, pending: Pending[]): unknown {
  const { handle } = call('open', { lesson });
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

function release(id: string) {
  const body = JSON.stringify({ holder: tabId, release: true });
  navigator.sendBeacon(`/api/lessons/${id}/hold`, new Blob([body], { type: 'application/json' }));
}

globalThis.addEventListener?.('pagehide', () => {
  const { id, readOnly } = get();
  if (id && !readOnly) release(id);
});
globalThis.addEventListener?.('pageshow', (e) => {
  if (e.persisted && get().id) void claim(false);
});
globalThis.addEventListener?.('beforeunload', (e) => {
  // What this device does not keep would be gone.
  if (outbox?.unkept) e.preventDefault();
});

// The module is started again and given the lesson with all that was done since.
onCoreDeath(() => {
  const { id, status } = get();
  if (!id || status !== 'open') return;
  void (async () => {
    try {
      await loadCore();
      const { lesson, edits } = log;
      const { handle, outline } = call('open', { lesson });
      for (const edit of edits) call('edit', { handle, edit });
      set({ handle, outline: edits.length > 0 ? call('outline', { handle }) : outline });
      standAt();
      notify('info', 'The core had to start again. The lesson is as it was.');
    } catch (error) {
      set({ status: 'failed', failure: sentence(error) });
    }
  })();
});

/** Asks to write on the lesson; with take, from another tab that does. */
export async function claim(take: boolean) {
  const { id, outline } = get();
  if (outline.newer) return;
  try {
    const { held } = await api.hold(id, tabId, take);
    if (get().id !== id) return;
    set({ readOnly: !held });
    if (held) await catchUp();
  } catch {
    // Without the server the revisions decide, when it is back.
  }
}

function listen(id: string) {
  events = new EventSource(`/api/lessons/${id}/events?holder=${tabId}`);
  let opened = false;
  events.onopen = () => {
    if (opened) void claim(false);
    opened = true;
  };
  events.onmessage = (e: MessageEvent<string>) => {
    const [what, detail] = e.data.split(' ');
    if (what === 'held' && detail !== tabId) set({ readOnly: true, selected: new Set() });
    if (what === 'free' && get().readOnly) void claim(false);
    if (what === 'rev' && get().readOnly) void catchUp();
  };
}

/** Reads the lesson anew when nothing of this tab's own is on its way. */
async function catchUp() {
  const { id } = get();
  if (!outbox?.idle) return;
  const { rev, lesson } = await api.get(id).catch(() => ({ rev: -1, lesson: undefined }));
  if (rev < 0 || get().id !== id || !outbox?.idle || rev === outbox.revision) return;
  mirror(rev, lesson);
}

/** Sends what closed tabs left unsent of any lesson. The lessons whose work is still only here come back. */
export async function sendAllLeftovers(): Promise<Unsent[]> {
  const left = await device.all().catch(() => []);
  const waiting: Unsent[] = [];
  for (const id of new Set(left.map((p) => p.lesson))) {
    try {
      await sendLeftovers(id, leftovers);
    } catch (error) {
      const pending = left.filter((p) => p.lesson === id);
      waiting.push({ id, title: titleOf(pending), count: pending.length, why: sentence(error), pending });
    }
  }
  return waiting;
}

/** Work of a lesson that is only on this device. */
export interface Unsent {
  id: string;
  title: string | undefined;
  count: number;
  why: string;
  pending: Pending[];
}

function titleOf(pending: Pending[]): string | undefined {
  const made = pending.find((p) => p.make !== undefined)?.make as { title?: string } | undefined;
  return made?.title;
}
