// A dialog that is open, by its name.
import { fetchIdly, fetchOpened, partOf, usePart } from '../shell/later';
import type { DialogName } from './Dialogs';

const dialogs = partOf(() => import('./Dialogs'));

export function fetchDialogs() {
  fetchOpened();
  fetchIdly(dialogs);
}

interface Props {
  name: DialogName | undefined;
  close: () => void;
  /** Opens another in its place. */
  open?: (name: DialogName) => void;
}

export function OpenDialog({ name, close, open = close }: Props) {
  const there = usePart(dialogs, name !== undefined, close);
  return there && name && <there.Dialogs name={name} close={close} open={open} />;
}
