// What the server tells, heard once for all the windows of a browser: one of them has the stream
// and passes on what it hears. A browser opens few streams to one server, and a teacher has her
// lesson, the wall and what the class sees in windows of their own.

export interface Hears {
  message: (data: string) => void;
  /** Something may have been missed: all is to be read anew. */
  gap: () => void;
  /** Nothing is heard now. */
  lost?: () => void;
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

/** How soon a stream that was refused is asked for again, in milliseconds: twice as long each time, to a most. */
const [AGAIN_MS, MOST_AGAIN_MS] = [4000, 64_000];

/**
 * Opens a stream, until it is called again. A browser opens one that broke off anew, but none that was
 * refused, as by a server that is full or by something in its place: that is done here. After each gap
 * all is read anew, at first too if something was `missed`.
 */
export function openStream(url: string, { message, gap, lost }: Hears, missed = false): () => void {
  let events: EventSource;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let pause = AGAIN_MS;
  const open = () => {
    events = new EventSource(url);
    events.onopen = () => {
      pause = AGAIN_MS;
      if (missed) gap();
      missed = true;
    };
    events.onmessage = ({ data }: MessageEvent<string>) => message(data);
    events.onerror = () => {
      missed = true;
      lost?.();
      if (events.readyState !== EventSource.CLOSED) return;
      timer = setTimeout(() => {
        // Whoever may hear no more learns why where it asks; that may end this stream.
        gap();
        if (timer !== undefined) open();
      }, pause);
      pause = Math.min(2 * pause, MOST_AGAIN_MS);
    };
  };
  open();
  return () => {
    clearTimeout(timer);
    timer = undefined;
    events.close();
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
  if (!locks) return openStream(url, { message, gap });
  const channel = new BroadcastChannel(name);
  const pass = (passed: Passed) => channel.postMessage(passed);
  let close: (() => void) | undefined;
  /** The window that has the stream opens it; `first` where no other had it before. */
  const open = (first: boolean) => {
    const hears = {
      message: (data: string) => (message(data), pass({ data })),
      gap: () => (gap(), pass({ open: true })),
    };
    close = openStream(url, hears, !first);
  };
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
    close?.();
    channel.close();
    over.abort();
  };
}
