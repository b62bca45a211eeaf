// This tab's name, and which tabs live. The name survives a reload, but not a
// duplicate of the tab: it lies in the session's storage only while the page is away.
import { newId } from './api';

const KEY = 'unitbloom-tab';

function take(): string {
  try {
    const kept = sessionStorage.getItem(KEY);
    sessionStorage.removeItem(KEY);
    return kept ?? newId();
  } catch {
    return newId();
  }
}

export const tabId = take();

globalThis.addEventListener?.('pagehide', () => {
  try {
    sessionStorage.setItem(KEY, tabId);
  } catch {
    // Without storage a reload is a new tab.
  }
});

type Call = { ask: string } | { here: string };

const channel = globalThis.BroadcastChannel ? new BroadcastChannel('unitbloom-tabs') : undefined;
const waiting = new Map<string, () => void>();

channel?.addEventListener('message', (e: MessageEvent<Call>) => {
  if ('ask' in e.data && e.data.ask === tabId) channel.postMessage({ here: tabId } satisfies Call);
  if ('here' in e.data) waiting.get(e.data.here)?.();
});

/** How long a tab has to answer, in milliseconds; also one in the background answers at once. */
const ANSWER_MS = 700;

/** Whether another tab lives. What a living tab has not sent yet is its own to send. */
export function isAlive(tab: string): Promise<boolean> {
  if (!channel || tab === tabId) return Promise.resolve(false);
  return new Promise((resolve) => {
    const timer = setTimeout(() => done(false), ANSWER_MS);
    const done = (alive: boolean) => {
      clearTimeout(timer);
      waiting.delete(tab);
      resolve(alive);
    };
    waiting.set(tab, () => done(true));
    channel.postMessage({ ask: tab } satisfies Call);
  });
}
