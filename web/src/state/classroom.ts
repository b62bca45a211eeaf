// The server's routes for classes: a teacher's, and those of children's devices.
import type { BoardView, FaceLine, SheetView, Task, Vocabulary, Written } from '../core/core';
import { ApiError, byChance, request } from './api';
import type { Laid } from './device';

export interface ClassLine {
  id: string;
  name: string;
  code: string;
  /** Whether the code lets in now. */
  open: boolean;
  /** Whether colleagues may look at it. */
  shared?: 'read' | '';
  /** The teacher whose it is, where that is a colleague. */
  by?: string;
  /** Whether a tile is opened with three pictures. */
  keys?: boolean;
  createdAt: string;
}

export interface Pupil {
  id: string;
  name: string;
  /** The number of the picture on her tile. */
  sign: number;
  /** Whether a device is at her tile. */
  here?: boolean;
  /** The numbers of her three pictures, for her teacher. */
  key?: string;
}

export type Help = 'hint' | 'right' | 'none';

export interface TaskSet {
  id: string;
  class: string;
  title: string;
  own: boolean;
  help: Help;
  createdAt: string;
  /** From when it is there to be done; at once where it is not told. */
  startsAt?: string;
  /** When it ended, or will. */
  endedAt?: string;
  /** The children that it is for; all of the class where there are none. */
  only?: string[];
}

/** Where a set is in its time. */
export function timeOf(set: TaskSet): 'waits' | 'runs' | 'over' {
  const now = Date.now();
  if (set.endedAt && new Date(set.endedAt).getTime() <= now) return 'over';
  return set.startsAt && new Date(set.startsAt).getTime() > now ? 'waits' : 'runs';
}

export interface ClassView extends ClassLine {
  pupils: Pupil[];
  /** With how many children have handed in something of each. */
  sets: (TaskSet & { turnout: number })[];
  eyes: boolean;
}

/** What a set is made of. */
export interface SetWish {
  title: string;
  lesson: unknown;
  kinds: string[];
  forms: string[];
  facts: string;
  conditions: string;
  question: string;
  /** Whether it is explained on the board of the first scene too. */
  shown: boolean;
  turns: string;
  /** Whether the throws stand there: already. */
  thrown: string;
  pieces: string;
  ways: number;
  glimpse: boolean;
  last: string;
  more: number;
  seed: number;
  own: boolean;
  help: Help;
  /** From when until when, as the server's times; at once, and until it is ended, when left out. */
  from?: string;
  until?: string;
  /** For these children alone. */
  only?: string[];
}

type Model = BoardView['models'][number];
export interface Picture {
  models: Model[];
}

/** Children who answered alike. */
export interface Group {
  key: string;
  lines: string[];
  columns?: FaceLine[];
  views: Picture[];
  shows?: string;
  of?: string;
  right: boolean;
  value: boolean;
  as: string[];
  next: 'go on' | 'ask' | 'another' | 'sit with' | 'read';
  ask?: string;
  who: string[];
  /** How many they are: two may have done it at one device. */
  children: number;
}

export interface Handed {
  name: string;
  /** Who did it: one, or two at one device. */
  pupils: string[];
  tries: number;
  late?: boolean;
  away?: number;
  back?: string;
}

export interface WallTask {
  ask: string;
  kind: string;
  handed: number;
  /** Whether boards are laid, whose way can be replayed. */
  lays?: boolean;
  groups: Group[];
  mistakes: { id: string; as: string; n: number; of: number }[];
  who: Record<string, Handed>;
}

/** A board on the way to an answer, and which of several it is of. */
export interface ReplayStep {
  of: string;
  view: Picture;
}

export interface Wall {
  set: TaskSet;
  class: string;
  tasks: WallTask[];
  notBegun: string[];
  quiet: string[];
  asks: { id: string; name: string }[];
  away: string[];
  children: number;
}

export interface Work {
  name?: string;
  of: string;
  lines: string[];
  columns?: FaceLine[];
  views: Picture[];
}

/** A set as it is printed: one sheet for all, or one for each with her own numbers. */
export interface SetOnPaper {
  title: string;
  class: string;
  sheets: { for: { name: string; away: boolean }[]; tasks: SheetView['tasks'] }[];
}

/** What each child handed in last of each task, by kind, the oldest first. */
export interface Progress {
  kinds: { kind: string; title: string }[];
  pupils: { id: string; name: string; done: Record<string, Gave[]> | null }[];
}

interface Gave {
  set: string;
  title: string;
  at: string;
  right: boolean;
}

/** What the class's board shows. */
export interface ClassBoard {
  name: string;
  code: string;
  works: Work[];
  /** All answers to a task, as they come; none where they are not put up. */
  all: Answers | null;
  /** Which these are. */
  up: PutUp;
}

/** What is put up: hand-ins side by side, with their names or without, or all answers to one task of a set. */
export interface PutUp {
  attempts: string[];
  named: boolean;
  set: string;
  task: number;
}

export const nothingUp: PutUp = { attempts: [], named: false, set: '', task: 0 };

/** What a class gave to a task, alike ones together: neither whose it is nor whether it is right. */
export interface Answers {
  of: string;
  groups: { lines: string[]; columns?: FaceLine[]; views: Picture[]; n: number }[];
}

/** What is drawn and said on the stage: nothing of what is held back. */
export interface StageView {
  title: string;
  say: string;
  ask: string;
  answer: string;
  models: Model[];
  written?: Written | undefined;
  lines: string[];
}

const send = <T>(method: string, path: string, body: unknown = {}) =>
  request<T>(method, path, JSON.stringify(body));

/** What is to be another of a class. */
interface Change {
  name?: string;
  open?: boolean;
  newCode?: boolean;
  eyes?: boolean;
  shared?: 'read' | '';
  keys?: boolean;
}

export const classes = {
  all: () => request<{ classes: ClassLine[] }>('GET', '/classes').then((r) => r.classes),
  make: (name: string, names: string) => send<ClassLine>('POST', '/classes', { name, names }),
  get: (id: string) => request<ClassView>('GET', `/classes/${id}`),
  change: (id: string, change: Change) => send<ClassView>('PATCH', `/classes/${id}`, change),
  delete: (id: string) => request<void>('DELETE', `/classes/${id}`),
  addPupils: (id: string, names: string) => send<ClassView>('POST', `/classes/${id}/pupils`, { names }),
  changePupil: (id: string, pupil: string, change: { name?: string; free?: boolean; newKey?: boolean }) =>
    send<ClassView>('PATCH', `/classes/${id}/pupils/${pupil}`, change),
  deletePupil: (id: string, pupil: string) => request<ClassView>('DELETE', `/classes/${id}/pupils/${pupil}`),
  progress: (id: string) => request<Progress>('GET', `/classes/${id}/progress`),
  /** Shows the class's devices what the class sees; nothing ends it. */
  setStage: (id: string, stage: StageView | undefined) =>
    request<void>('PUT', `/classes/${id}/stage`, stage ? JSON.stringify(stage) : ''),
  board: (id: string) => request<ClassBoard>('GET', `/classes/${id}/board`),
  putUp: (id: string, up: PutUp) => send<void>('PUT', `/classes/${id}/board`, up),
  makeSet: (id: string, wish: SetWish) => send<TaskSet>('POST', `/classes/${id}/sets`, wish),
  trySet: (id: string, wish: SetWish) => send<DeskSet>('POST', `/classes/${id}/sets/try`, wish),
  endSet: (id: string, ended: boolean) => send<TaskSet>('PATCH', `/sets/${id}`, { ended }),
  deleteSet: (id: string) => request<void>('DELETE', `/sets/${id}`),
  setPaper: (set: string) => request<SetOnPaper>('GET', `/sets/${set}/paper`),
  wall: (set: string) => request<Wall>('GET', `/sets/${set}/wall`),
  replay: (set: string, attempt: string) =>
    request<{ steps: ReplayStep[] }>('GET', `/sets/${set}/attempts/${attempt}/replay`).then((r) => r.steps),
  giveBack: (set: string, attempt: string, word: string) =>
    send<void>('POST', `/sets/${set}/attempts/${attempt}/back`, { word }),
  /** Sets another such task for some children alone, each her own. */
  another: (set: string, task: number, pupils: string[]) =>
    send<TaskSet>('POST', `/sets/${set}/another`, { task, pupils }),
  answered: (set: string, pupil: string) => send<void>('POST', `/sets/${set}/answered/${pupil}`),
};

type Face = Omit<SheetView['tasks'][number], 'answers' | 'views'>;

/** A task as a child's device has it. */
export interface DeskTask extends Face {
  views: Picture[];
  /** A lesson of one free board to lay the answer on. */
  board?: unknown;
  /** The task itself, where the device may mark it while the server is away. */
  task?: Task;
}

/** What a child is told of what she handed in: nothing, or whether it is right, or a question too. */
export interface Verdict {
  right?: boolean;
  /** A question, and the blank that it is of. */
  hint?: string;
  at?: string;
  calls?: boolean;
}

export interface DeskSet {
  id: string;
  title: string;
  help: Help;
  /** The words of the class. */
  words: Vocabulary;
  tasks: DeskTask[];
  done: (Verdict & { task: number; back?: string })[];
}

export interface DeskView {
  people: Pupil[];
  class: string;
  eyes: boolean;
  asks: boolean;
  /** Whether the class's devices follow the stage now. */
  stage: boolean;
  sets: DeskSet[];
}

interface HandIn {
  set: string;
  pupil: string;
  with: string;
  task: number;
  attempt: string;
  ticket: string;
  answer: Record<string, string>;
  trail?: Laid[] | undefined;
  away: number;
  next: string;
}

export const desks = {
  door: (code: string) =>
    send<{ name: string; tiles: Pupil[]; keys: boolean }>('POST', '/desk/door', { code }),
  sit: (code: string, pupil: string, other: string, keys: string[]) =>
    send<void>('POST', '/desk/sit', { code, pupil, with: other, keys }),
  view: () =>
    request<DeskView>('GET', '/desk').then((r) => {
      if (!Array.isArray(r.sets) || !Array.isArray(r.people)) throw notADesk();
      return r;
    }),
  stage: () =>
    request<Partial<StageView>>('GET', '/desk/stage').then((r) =>
      Array.isArray(r.models) ? (r as StageView) : undefined,
    ),
  open: (set: string, attempts: string[]) =>
    send<{ tickets: string[]; pupil: string; with: string }>('POST', '/desk/open', { set, attempts }),
  here: (set: string, task: number, did: boolean, asks?: boolean) =>
    send<void>('POST', '/desk/here', { set, task, did, ...(asks !== undefined && { asks }) }),
  leave: () => send<void>('POST', '/desk/leave'),
  /** Hands an attempt in. Only an answer that names it is an acknowledgement. */
  handIn: (hand: HandIn) =>
    send<{ attempt?: unknown; verdict: Verdict; ticket: string }>('POST', '/handins', hand).then((r) => {
      if (r.attempt !== hand.attempt || typeof r.ticket !== 'string') throw notADesk();
      return { verdict: r.verdict, ticket: r.ticket };
    }),
};

const notADesk = () => new ApiError(0, 'not-ours', 'Something answered in the server’s place.');

/** A name for an attempt: 128 bits by chance. */
export const newAttempt = () => byChance(16);
