// What the server tells, heard once for all the windows of a browser: one of them has the stream
// and passes on what it hears. A browser opens few streams to one server, and a teacher has her
// lesson, the wall and what the class sees in windows of their own.

export interface Hears {
  message: (data: string) => void;
  /** Something may have been missed: all is to be read anew. */
  gap: () => void;
}

type Passed = { data: string } | { open: true };

/** Listens to a stream until it is called again. */
export function hear(url: string, { message, gap }: Hears): () => void {
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
