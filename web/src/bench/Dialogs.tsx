// The dialogs of a lesson: a part of the page of its own, fetched when the board
// stands.
import { SetDialog } from '../classwork/SetDialog';
import { AboutDialog } from './AboutDialog';
import { AddDialog } from './AddDialog';
import { ActsDialog } from './ActsDialog';
import { BuildsDialog } from './BuildsDialog';
import { ChanceDialog } from './ChanceDialog';
import { ExampleDialog } from './ExampleDialog';
import { MoveDialog } from './MoveDialog';
import { OpeningDialog } from './OpeningDialog';

import { ShowingsDialog } from './ShowingsDialog';
import { StepDialog } from './StepDialog';

const dialogs = {
  about: AboutDialog,
  add: AddDialog,
  example: ExampleDialog,
  chance: ChanceDialog,
  builds: BuildsDialog,
  acts: ActsDialog,
  step: StepDialog,
  opening: OpeningDialog,
  showings: ShowingsDialog,
  move: MoveDialog,
  set: SetDialog,
};

export type DialogName = keyof typeof dialogs;

interface Props {
  name: DialogName;
  close: () => void;
  open: (name: DialogName) => void;
}

export function Dialogs({ name, close, open }: Props) {
  const Dialog = dialogs[name];
  return <Dialog close={close} open={open} />;
}
