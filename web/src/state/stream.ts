// What the server tells, heard once for all the windows of a browser: one of them has the stream
// and passes on what it hears. A browser opens few streams to one server, and a teacher has her
// lesson, the wall and what the class sees in windows of their own.

export interface Hears {
  message: (data: string) => void;
  /** Something may have been missed: all is to be read anew. */
  gap: () => void;
}

type Passed = { data: string } | { open: true };

/**
 * Begins something, and ends it while the page is away: a browser keeps a page for the way back as it
 * was, and with it one of the few connections that it opens to a server. What is `seen` ends while the
 * tab is hidden too. It is begun `again` when the page is back.
 */
export function whileShown(begin: (again: boolean) => () => void, seen = false): () => void {
  const over = new AbortController();
  let [away, again] = [false, false];
  let end: (() => void) | undefined;
  const look = () => {
    const shown = !away && !over.signal.aborted && !(seen && globalThis.document?.hidden);
    if (shown && !end) end = begin(again);
    else if (!shown && end) end = void end();
    again = true;
  };
  const on = (name: string, gone: boolean) =>
    globalThis.addEventListener?.(name, () => ((away = gone), look()), { signal: over.signal });
  on('pagehide', true);
  on('pageshow', false);
  globalThis.document?.addEventListener('visibilitychange', look, { signal: over.signal });
  look();
  return () => {
    over.abort();
    look();
  };
}

/** Listens to a stream until it is called again. */
export function hear(url: string, hears: Hears): () => void {
  return whileShown((again) => {
    const stop = hearNow(url, hears);
    if (again) hears.gap();
    return stop;
  });
}

function hearNow(url: string, { message, gap }: Hears): () => void {
  // On plain http a browser has no locks; then each window listens for itself.
  const locks = globalThis.BroadcastChannel && globalThis.navigator?.locks;
  const name = `unitbloom-stream ${url}`;
  const channel = locks ? new BroadcastChannel(name) : undefined;
  let events: EventSource | undefined;
  /** The window that has the stream opens it; `first` where no other had it before. */
  const open = (first: boolean) => {
    events = new EventSource(url);
    events.onopen = () => {
      if (!first) gap();
      first = false;
      channel?.postMessage({ open: true } satisfies Passed);
    };
    events.onmessage = ({ data }: MessageEvent<string>) => {
      message(data);
      channel?.postMessage({ data } satisfies Passed);
    };
  };
  if (!locks || !channel) {
    open(true);
    return () => events?.close();
  }
  const over = new AbortController();
  channel.onmessage = ({ data }: MessageEvent<Passed>) => ('data' in data ? message(data.data) : gap());
  const keep = (first: boolean) => () => {
    if (over.signal.aborted) return;
    open(first);
    return new Promise<void>((done) => over.signal.addEventListener('abort', () => done()));
  };
  const wait = () => locks.request(name, { signal: over.signal }, keep(false)).catch(() => undefined);
  void locks.request(name, { ifAvailable: true }, (lock) => (lock ? keep(true)() : void wait()));
  return () => {
    events?.close();
    channel.close();
    over.abort();
  };
}
