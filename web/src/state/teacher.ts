// Teachers: signing in, links for accounts, and the school's others.
import { create } from 'zustand';
import { onSignedOut, request } from './api';
import { lessonsKept } from './device';
import { setWho } from './who';

export interface Teacher {
  id: string;
  name: string;
  /** Whether she may invite others. */
  lead: boolean;
}

interface SignedIn {
  /** Whether teachers sign in here at all; not known before the server has said so. */
  accounts: boolean | undefined;
  teacher: Teacher | undefined;
  /** Whether the session has ended while a page was open. */
  ended: boolean;
}

export const useTeacher = create<SignedIn>(() => ({ accounts: undefined, teacher: undefined, ended: false }));

/** Whether something is for those who lead: everyone does where nobody signs in. */
export const useLeads = () => useTeacher((s) => s.accounts === false || !!s.teacher?.lead);

/** What a link is for. */
export interface LinkView {
  /** Whose passphrase it sets; empty for a new account. */
  name: string;
  lead: boolean;
}

/** A browser in which a teacher is signed in. */
export interface SessionView {
  id: string;
  /** What it says it is: Firefox on Windows; empty where it says nothing. */
  browser: string;
  createdAt: string;
  seenAt: string;
  /** Whether it is this one. */
  here: boolean;
}

/** One thing that was done, by ids. */
export interface Deed {
  at: string;
  teacher?: string;
  did: string;
  of?: string;
  id?: string;
  /** What a lesson, a class or tasks are called, while they are there. */
  title?: string;
}

const send = <T>(method: string, path: string, body: unknown) =>
  request<T>(method, path, JSON.stringify(body));

/** Takes in who is signed in. What the browser keeps to be read without the network goes with another. */
async function take(teacher: Teacher | undefined, accounts = true) {
  if (setWho(teacher?.id ?? '')) await lessonsKept.clear().catch(() => undefined);
  useTeacher.setState({ accounts, teacher, ended: false });
}

export const accounts = {
  /** Asks who is signed in. Somebody who is no more keeps what is hers on this device. */
  look: async () => {
    const s = await request<{ accounts: boolean; teacher?: Teacher }>('GET', '/session');
    if (s.teacher || !s.accounts) await take(s.teacher, s.accounts);
    else useTeacher.setState({ accounts: true, teacher: undefined });
    return s;
  },
  signIn: async (name: string, passphrase: string) => {
    const { teacher } = await send<{ teacher: Teacher }>('POST', '/session', { name, passphrase });
    await take(teacher);
    return teacher;
  },
  signOut: async (everywhere = false) => {
    await request<void>('DELETE', `/session${everywhere ? '?everywhere=1' : ''}`);
    await lessonsKept.clear().catch(() => undefined);
    useTeacher.setState({ teacher: undefined, ended: false });
  },
  sessions: () => request<{ sessions: SessionView[] }>('GET', '/sessions').then((r) => r.sessions),
  endSession: (id: string, passphrase: string) => send<void>('POST', `/sessions/${id}/end`, { passphrase }),
  /** Signs a colleague out everywhere; without one, everybody but who asks for it. */
  signOutOf: (id?: string) => request<void>('DELETE', id ? `/teachers/${id}/sessions` : '/sessions'),
  lookAtLink: (token: string) => send<LinkView>('POST', '/link', { token }),
  useLink: async (token: string, name: string, passphrase: string) => {
    const { teacher } = await send<{ teacher: Teacher }>('POST', '/account', { token, name, passphrase });
    await take(teacher);
  },
  setPassphrase: (old: string, fresh: string) => send<void>('PUT', '/passphrase', { old, new: fresh }),
  all: () => request<{ teachers: Teacher[] }>('GET', '/teachers').then((r) => r.teachers),
  /** Makes a link: for an account, or for the passphrase of a teacher. */
  invite: (link: { for?: string; lead?: boolean }) =>
    send<{ token: string }>('POST', '/links', link).then((r) => `${location.origin}/welcome#${r.token}`),
  end: (id: string) => request<void>('DELETE', `/teachers/${id}`),
  deeds: () => request<{ deeds: Deed[] }>('GET', '/deeds').then((r) => r.deeds),
};

onSignedOut(() => {
  if (useTeacher.getState().teacher) useTeacher.setState({ ended: true });
});
