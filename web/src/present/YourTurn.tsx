// Your turn: what the class has just seen becomes its tasks, and what is put up comes to the stage.
import { Button, Space } from 'antd';
import { useEffect } from 'react';
import {
  isHere,
  useClassBoard,
  useClassEvents,
  useOwnClasses,
  usePutUp,
  useToday,
} from '../classwork/useClass';
import { isUp } from '../classwork/Works';
import { Dialog, partOf, usePart } from '../shell/later';

const setting = partOf(() => import('../classwork/SetDialog'));

/**
 * Sets tasks, for which the devices leave the stage, and opens the wall in the teacher's own window: the
 * class sees the stage.
 */
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

/** What the teacher has put up for the class that is here for a lesson, and what takes it down. */
export function useUp(lesson: string) {
  const of = useToday((s) => (s.lesson === lesson ? s.of : ''));
  useClassEvents(of);
  const board = useClassBoard(of).data;
  const putUp = usePutUp(of);
  return board && isUp(board) ? { board, takeDown: () => putUp({}) } : undefined;
}

/** Which class is here: the only one whose door is open, or that which is chosen; the last one stands first. */
export function WhichClass({ close, here }: { close: () => void; here: () => void }) {
  const all = useOwnClasses();
  const last = useToday((s) => s.of);
  const open = all.data?.filter((c) => c.open).sort((a, b) => +(b.id === last) - +(a.id === last));
  const only = open?.length === 1 ? open[0]!.id : undefined;
  const choose = (of: string) => {
    isHere(of);
    close();
    here();
  };
  useEffect(() => {
    if (only) choose(only);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [only]);
  if (!open || only) return null;
  return (
    <Dialog title="Which class follows?" open footer={null} onCancel={close}>
      {open.length === 0 && <p>Open the door of a class first, so that its children can come in.</p>}
      <Space orientation="vertical" style={{ display: 'flex' }}>
        {open.map((c) => (
          <Button key={c.id} block size="large" onClick={() => choose(c.id)}>
            {c.name}
          </Button>
        ))}
      </Space>
    </Dialog>
  );
}
