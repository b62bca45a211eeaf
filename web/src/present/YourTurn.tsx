// Your turn: what the class has just seen becomes its tasks, and what is put up comes to the stage.
import { useClassBoard, useClassEvents, useToday } from '../classwork/useClass';
import { partOf, usePart } from '../shell/later';
import type { Work } from '../state/classroom';

const setting = partOf(() => import('../classwork/SetDialog'));

/** Sets tasks, for which the devices leave the stage, and opens the wall in the teacher's own window: the class sees the stage. */
export function YourTurn({ close, began }: { close: () => void; began: () => void }) {
  const there = usePart(setting, true, close);
  return (
    there && (
      <there.SetDialog
        close={close}
        then={(of, set) => {
          open(`/class/${of}/wall/${set}`, 'unitbloom-wall', 'popup,width=1280,height=800');
          began();
          close();
        }}
      />
    )
  );
}

const none: Work[] = [];

/** The works that the teacher has put up for the class that is here. */
export function useUp(): Work[] {
  const of = useToday((s) => s.of);
  useClassEvents(of);
  return useClassBoard(of).data?.works ?? none;
}
