// Opening and closing a lesson: it is loaded, claimed for this tab and followed; what
// was left unsent is sent first; after a fault of the module its log is played again.
// While presenting, what is done is written to a showing of the lesson beside it.
import { call, loadCore, onCoreDeath, type Edit, type Update } from '../core/core';
import { api, ApiError, newId, type Made, type Sharing } from './api';
import { device, lessonsKept, type Pending } from './device';
import { emptyFrame, get, initial, notify, sentence, set, type Copy } from './lesson';
import { playFrame, stopBeats } from './motion';
import { Outbox, sendLeftovers, type Leftovers, type SaveState } from './outbox';
import { openStream, whileShown } from './stream';
import { isAlive, tabId } from './tab';

/** A document that is open in this page, with what is to be sent of it. */
interface Doc {
  id: string;
  handle: number;
  outbox: Outbox | undefined;
  /** As it was opened, and every edit since: what the module is given after a fault. */
  log: { lesson: unknown; edits: Edit[] };
}

let lesson: Doc | undefined;
let showing: Doc | undefined;
let unheard: (() => void) | undefined;

/** The document that acts are written to. */
const written = () => showing ?? lesson;

/** From so many edits on the log begins anew with the document as it stands. */
const LONG_LOG = 400;

/** The file form of the edits that this page's core makes. */
const format = () => call('version', {}).format;

const leftovers: Leftovers = { net: api, device, tab: tabId, alive: isAlive, rebuild };

/** Counts what was closed, as it is before another is opened: an opening from before that does not go on. */
let opening = 0;

/**
 * Opens a lesson: sends what was left unsent, loads it, and claims it for this tab. Where it
 * is to be presented, a showing of it is begun, or the wanted one gone on with.
 */
export async function openLesson(id: string, wanted?: string) {
  closeLesson();
  const mine = opening;
  set({ ...initial, id, presenting: get().presenting });
  try {
    const core = loadCore();
    core.catch(() => undefined); // it is told below
    const answer = ahead?.id === id ? ahead.answer : fetched(id);
    ahead = undefined;
    const { rev, lesson: file, copy, local, by, shared } = await answer;
    await core;
    if (mine !== opening) return;
    const opened: Doc = { id, handle: 0, outbox: undefined, log: { lesson: file, edits: [] } };
    lesson = opened;
    set({ borrowed: by ? { by, shared } : undefined });
    opened.outbox = newOutbox(opened, (made) => void reloadAfterConflict(id, made));
    mirror(rev, file);
    if (get().presenting) await beginShowing(wanted);
    if (mine !== opening) return;
    set({ status: 'open', copy });
    if (get().outline.newer || by) set({ readOnly: true });
    if (get().outline.newer) return;
    opened.outbox.adopt(local);
    void probe();
    listen(id);
    if (!by) await claim(false);
  } catch (error) {
    if (mine === opening) set({ status: 'failed', failure: sentence(error) });
  }
}

/** What is on its way for the page's first lesson. */
let ahead: { id: string; answer: Promise<Fetched> } | undefined;

/** Asks for the lesson that this page is going to open, while the page itself is made ready. */
export function fetchAhead(id: string) {
  const answer = fetched(id);
  ahead = { id, answer };
  // What could not be had now is asked for again when it is opened, as after a sign-in.
  answer.catch(() => (ahead = undefined));
}

/**
 * Opens a lesson that is of this page alone, as a board for an answer: it is nobody else's, and
 * nothing of it is sent.
 */
export async function openLoose(id: string, file: unknown) {
  closeLesson();
  const mine = opening;
  set({ ...initial, id, presenting: false });
  try {
    await loadCore();
    if (mine !== opening) return;
    lesson = { id, handle: 0, outbox: undefined, log: { lesson: file, edits: [] } };
    mirror(0, file);
    set({ status: 'open' });
  } catch (error) {
    if (mine === opening) set({ status: 'failed', failure: sentence(error) });
  }
}

/** The open lesson as it stands. */
export const openDocument = (): unknown =>
  globalThis.unitbloomCore && get().handle ? call('document', { handle: get().handle }) : undefined;

interface Fetched {
  rev: number;
  lesson: unknown;
  copy: Copy | undefined;
  /** Saves of this lesson that are still only here. */
  local: Pending[];
  by?: string | undefined;
  shared?: Sharing | undefined;
}

/** The lesson from the server, or one that was made on this device and is only here yet. */
async function fetched(id: string): Promise<Fetched> {
  try {
    // It is asked for while the device is; where something of it was left here, again after that was sent.
    const asked = api.get(id);
    asked.catch(() => undefined);
    const left = await device.of(id).catch(() => []);
    if (left.length === 0) return { ...(await asked), copy: undefined, local: [] };
    try {
      const copy = await sendLeftovers(id, leftovers);
      return { ...(await api.get(id)), copy, local: [] };
    } catch (error) {
      await asked;
      // Part of it may have been sent: what the server has by now is asked for.
      const unsaved = await withUnsent(id);
      if (!unsaved) throw error;
      return unsaved;
    }
  } catch (error) {
    if (!(error instanceof ApiError) || error.code === 'sign-in') throw error;
    const own = await unsentHere(id);
    const made = own[0]?.make ?? fresh.get(id);
    // As the server had it last; where the server itself refuses, that is no longer so.
    const kept =
      made === undefined && !error.ours ? await lessonsKept.get(id).catch(() => undefined) : undefined;
    if (made === undefined && !kept) throw error;
    await loadCore();
    const local = own.length > 0 || kept ? own : [newPending(id, made)];
    return {
      rev: kept?.rev ?? 0,
      lesson: overlaid(kept?.lesson ?? made, local),
      copy: undefined,
      local,
      by: kept?.by,
      shared: kept?.shared,
    };
  }
}

/** The lesson as a server has it that saves nothing just now, with what was done since laid over it. */
async function withUnsent(id: string): Promise<Fetched | undefined> {
  const [had, local] = await Promise.all([api.get(id), unsentHere(id)]);
  // Where it has moved on, what was done here is of another lesson.
  if (local[0]?.base !== had.rev) return undefined;
  await loadCore();
  return { ...had, lesson: overlaid(had.lesson, local), copy: undefined, local };
}

/** Saves of a lesson that are only here: this tab's, and those of tabs that are gone. */
async function unsentHere(id: string): Promise<Pending[]> {
  const all = await device.of(id).catch(() => []);
  const here: Pending[] = [];
  for (const p of all) if (!p.tab || p.tab === tabId || !(await isAlive(p.tab))) here.push(p);
  return here;
}

/** How long after the last save the device's own copy is written, in milliseconds. */
const KEPT_MS = 1000;
let keeping: ReturnType<typeof setTimeout> | undefined;

/** Keeps the open lesson as the server has it, to be opened without the network. */
function keepCopy() {
  clearTimeout(keeping);
  keeping = setTimeout(() => {
    const doc = lesson;
    if (!doc?.handle || !doc.outbox?.idle || !globalThis.unitbloomCore) return;
    const kept = call('document', { handle: doc.handle });
    void lessonsKept
      .put({ id: doc.id, rev: doc.outbox.revision, lesson: kept, at: Date.now(), ...get().borrowed })
      .catch(() => undefined);
  }, KEPT_MS);
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

function newOutbox(doc: Doc, conflict: (made: Made) => void) {
  return new Outbox({
    lesson: doc.id,
    tab: tabId,
    format: format(),
    net: api,
    device,
    state: (save) => tell(doc.id, save),
    conflict,
    document: () => call('document', { handle: doc.handle }),
  });
}

/** What stands between this tab and the server, by document. */
const saves = new Map<string, SaveState>();

/** Tells of all documents of this page together. */
function tell(id: string, save: SaveState) {
  saves.set(id, save);
  if (id === lesson?.id && save.unsent === 0) keepCopy();
  const all = [...saves.values()];
  const stuck = all.find((s) => s.why !== undefined);
  set({
    save: {
      unsent: all.reduce((n, s) => n + s.unsent, 0),
      sending: !stuck && all.some((s) => s.sending),
      kept: all.every((s) => s.kept),
      ...(stuck?.why !== undefined && { why: stuck.why, refused: stuck.refused ?? false }),
    },
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

function mirror(rev: number, file: unknown) {
  if (!lesson) return;
  const old = lesson.handle;
  const { handle, outline } = call('open', { lesson: file });
  if (old) call('close', { handle: old });
  lesson.outbox?.loaded(rev);
  lesson.handle = handle;
  lesson.log = { lesson: file, edits: [] };
  keepCopy();
  if (showing) return; // the class sees the showing
  set({ handle, outline });
  standAt();
}

// ---- showings ----

/**
 * Begins a showing of the open lesson, or goes on with an earlier one. It is made for good
 * when something is done in it.
 */
export async function beginShowing(wanted?: string) {
  const of = lesson;
  if (!of || showing || get().outline.newer) return;
  const kept = wanted ? await earlierShowing(wanted) : undefined;
  if (lesson !== of || showing) return;
  const id = kept === 'gone' || !wanted ? newId() : wanted;
  const was = kept === 'gone' ? undefined : kept;
  showing = { id, handle: 0, outbox: undefined, log: { lesson: was?.lesson, edits: [] } };
  openShowing(of, showing);
  showing.log.lesson ??= call('document', { handle: showing.handle });
  if (was) outboxOf(of, showing, was);
  standAt();
}

function openShowing(of: Doc, doc: Doc) {
  const { handle, outline } = call('beginShowing', {
    handle: of.handle,
    id: doc.id,
    ...(doc.log.lesson !== undefined && { lesson: doc.log.lesson }),
  });
  doc.handle = handle;
  set({ handle, outline, showing: doc.id });
}

/** A showing as it was left; none where nothing was done in it, gone where it cannot be had now. */
async function earlierShowing(id: string): Promise<Fetched | 'gone' | undefined> {
  try {
    return await fetched(id);
  } catch (error) {
    return error instanceof ApiError && error.code === 'not-found' ? undefined : 'gone';
  }
}

function outboxOf(of: Doc, doc: Doc, was?: Fetched) {
  doc.outbox = newOutbox(doc, (made) => {
    if (showing !== doc) return;
    leaveShowing();
    set({ copy: { id: made.id, title: made.title } });
    void beginShowing(doc.id);
  });
  if (was) {
    doc.outbox.loaded(was.rev);
    doc.outbox.adopt(was.local);
  } else doc.outbox.make(doc.log.lesson, of.id);
}

function leaveShowing() {
  const doc = showing;
  if (!doc) return;
  showing = undefined;
  if (globalThis.unitbloomCore) {
    if (doc.outbox && !doc.outbox.idle) {
      // What could not be sent yet is sent as the showing now stands, while the page is open.
      const document: unknown = call('document', { handle: doc.handle });
      doc.outbox.outlive(() => document);
    } else doc.outbox?.close();
    call('close', { handle: doc.handle });
  }
  set({ showing: '' });
}

/** Goes from the showing back to the lesson as it is prepared, at the same place where there is one. */
export function endShowing() {
  leaveShowing();
  if (!lesson || !globalThis.unitbloomCore) return;
  set({ handle: lesson.handle, outline: call('outline', { handle: lesson.handle }) });
  standAt();
}

/** The handle of the prepared lesson, while a showing of it is open. */
export const preparedHandle = () => (showing ? lesson?.handle : undefined);

/** Changes the prepared lesson from a showing of it. */
export function changePrepared(run: (handle: number, showing: number) => Update) {
  if (!lesson || !showing) return;
  const { edits } = run(lesson.handle, showing.handle);
  keepEdits(lesson, edits);
}

/** Shows the place where the page was, as far as it is still there. */
function standAt() {
  const { frame, outline, handle, presenting } = get();
  const scene = outline.scenes.find((s) => s.id === frame.scene) ?? outline.scenes[0];
  if (!scene) return set({ frame: emptyFrame, models: [], notation: '' });
  const step = Math.min(frame.step, scene.steps.length);
  const phase = scene.id === frame.scene && step === frame.step ? frame.phase : '';
  try {
    playFrame(call('show', { handle, scene: scene.id, step, phase, present: presenting }));
  } catch {
    // The step may have lost its phases meanwhile.
    playFrame(call('show', { handle, scene: scene.id, step, present: presenting }));
  }
}

export function closeLesson() {
  opening++;
  stopBeats();
  unheard?.();
  unheard = undefined;
  leaveShowing();
  const { id, readOnly, presenting } = get();
  if (lesson?.outbox && !readOnly) release(id);
  lesson?.outbox?.close();
  if (lesson?.handle && globalThis.unitbloomCore) call('close', { handle: lesson.handle });
  lesson = undefined;
  saves.clear();
  set({ ...initial, presenting });
}

/** Edits of an act: written to the log, kept on the device, sent. */
export function saveEdits(edits: Edit[]) {
  const doc = written();
  if (!doc || edits.length === 0 || (doc === lesson && get().readOnly)) return;
  if (lesson && doc === showing && !doc.outbox) outboxOf(lesson, doc);
  keepEdits(doc, edits);
}

function keepEdits(doc: Doc, edits: Edit[]) {
  doc.log.edits.push(...edits);
  if (doc.log.edits.length > LONG_LOG)
    doc.log = { lesson: call('document', { handle: doc.handle }), edits: [] };
  doc.outbox?.add(edits);
}

/** Tries to send now what is unsent. */
export function sendAgain() {
  lesson?.outbox?.again();
  showing?.outbox?.again();
}

/** Keeps unsent work as a lesson of its own, and opens the lesson as the server has it. */
export async function keepAsCopy() {
  const { id } = get();
  try {
    const copy = await lesson?.outbox?.keepAsCopy();
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

/** Keeps a copy of the open lesson as one's own; its id comes back. */
export async function copyOpen(): Promise<string> {
  const file = openDocument() as { title?: string };
  const id = newId();
  await api.make(id, { ...file, id: '', title: `${file.title ?? 'Lesson'}, a copy`.slice(0, 200) });
  return id;
}

function release(id: string) {
  const body = JSON.stringify({ holder: tabId, release: true });
  navigator.sendBeacon(`/api/lessons/${id}/hold`, new Blob([body], { type: 'application/json' }));
}

globalThis.addEventListener?.('pagehide', () => {
  if (lesson?.outbox && !get().readOnly) release(lesson.id);
});
globalThis.addEventListener?.('beforeunload', (e) => {
  // What this device does not keep would be gone.
  if (lesson?.outbox?.unkept || showing?.outbox?.unkept) e.preventDefault();
});

// The module is started again and given the lesson with all that was done since.
onCoreDeath(() => {
  const { id, status } = get();
  if (!id || status !== 'open') return;
  void (async () => {
    try {
      await loadCore();
      if (!lesson) return;
      lesson.handle = call('open', { lesson: lesson.log.lesson }).handle;
      replay(lesson);
      if (showing) openShowing(lesson, showing);
      const shown = written()!;
      if (showing) replay(showing);
      set({ handle: shown.handle, outline: call('outline', { handle: shown.handle }) });
      standAt();
      notify('info', 'The core had to start again. The lesson is as it was.');
    } catch (error) {
      set({ status: 'failed', failure: sentence(error) });
    }
  })();
});

function replay({ handle, log }: Doc) {
  for (const edit of log.edits) call('edit', { handle, edit });
}

/**
 * Asks to write on the lesson; with take, from another tab that does. After a gap it is read anew, whoever
 * writes.
 */
export async function claim(take: boolean, gap = false) {
  const { id, outline, borrowed } = get();
  if (outline.newer) return;
  if (borrowed) return catchUp();
  try {
    const { held } = await api.hold(id, tabId, take);
    if (get().id !== id) return;
    set({ readOnly: !held });
    if (held || gap) await catchUp();
  } catch {
    // Without the server the revisions decide, when it is back.
  }
}

function listen(id: string) {
  const message = (data: string) => {
    const [what, detail] = data.split(' ');
    if (what === 'held' && detail !== tabId) set({ readOnly: true, selected: new Set() });
    if (what === 'free' && get().readOnly && !get().borrowed) void claim(false);
    if (what === 'rev' && get().readOnly) void catchUp();
  };
  const hears = { message, gap: () => void claim(false, true) };
  const url = `/api/lessons/${id}/events?holder=${tabId}`;
  unheard = whileShown((again) => openStream(url, hears, again), true);
}

/**
 * Reads the lesson anew when nothing of this tab's own is on its way. What was saved while the
 * answer was on its way is newer than the answer, which then says nothing.
 */
async function catchUp() {
  const doc = lesson;
  if (!doc?.outbox?.idle) return;
  const { rev, lesson: file } = await api.get(doc.id).catch(() => ({ rev: -1, lesson: undefined }));
  if (rev < 0 || lesson !== doc || !doc.outbox.idle || rev <= doc.outbox.revision) return;
  mirror(rev, file);
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
