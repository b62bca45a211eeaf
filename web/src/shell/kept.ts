// The application itself is kept on the device by a service worker, so that it starts without
// the network; nothing of a lesson is in it. Where a browser has none, as on plain http from
// another machine, all else works as ever.

const workers = (): ServiceWorkerContainer | undefined =>
  navigator.serviceWorker as ServiceWorkerContainer | undefined;

/** Keeps the application on the device. */
export function keepOnDevice() {
  if (import.meta.env.PROD)
    workers()
      ?.register('/sw.js')
      .catch(() => undefined);
}

/** How long a newer application may take to come, in milliseconds. */
const COMING_MS = 20_000;

/** Takes up the newer application that the server has. */
export async function takeUpNew() {
  const container = workers();
  const kept = await container?.getRegistration();
  if (container && kept) {
    const taken = new Promise<void>((done) =>
      container.addEventListener('controllerchange', () => done(), { once: true }),
    );
    const late = new Promise<void>((done) => setTimeout(done, COMING_MS));
    await kept.update().catch(() => undefined);
    const next = kept.waiting ?? (await installed(kept.installing));
    // It waits for the older one's last page to go, unless it is told not to.
    next?.postMessage({ type: 'SKIP_WAITING' });
    if (next) await Promise.race([taken, late]);
  }
  location.reload();
}

/** The worker once it has all that it keeps. */
async function installed(worker: ServiceWorker | null): Promise<ServiceWorker | null> {
  if (!worker || worker.state === 'installed') return worker;
  return new Promise((done) => {
    worker.addEventListener('statechange', () => {
      if (worker.state === 'installed') done(worker);
      if (worker.state === 'redundant') done(null);
    });
  });
}
