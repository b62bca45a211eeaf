// A dialog that is open, by its name.
import { fetchIdly, fetchOpened, partOf, usePart } from '../shell/later';
import type { DialogName } from './Dialogs';

const dialogs = partOf(() => import('./Dialogs'));

export function fetchDialogs() {
  fetchOpened();
  fetchIdly(dialogs);
}

export function OpenDialog({ name, close }: { name: DialogName | undefined; close: () => void }) {
  const there = usePart(dialogs, name !== undefined, close);
  return there && name && <there.Dialogs name={name} close={close} />;
}
