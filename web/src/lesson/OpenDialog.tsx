// A dialog that is open, by its name.
import { lazy, Suspense } from 'react';
import type { DialogName } from './Dialogs';

const load = () => import('./Dialogs');
const Dialogs = lazy(load);

/** Fetches the dialogs while nobody waits, so that they are there without the network too. */
export function fetchDialogs() {
  const idle = globalThis.requestIdleCallback ?? ((run: () => void) => setTimeout(run, 500));
  idle(() => void load().catch(() => undefined));
}

export function OpenDialog({ name, close }: { name: DialogName | undefined; close: () => void }) {
  if (!name) return null;
  return (
    <Suspense fallback={null}>
      <Dialogs name={name} close={close} />
    </Suspense>
  );
}
