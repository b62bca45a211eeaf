// A child's screen: the code, her tile, and then her task, her board, one press to hand in.
import { useEffect } from 'react';
import { openDesk, useDesk } from '../state/desk';
import { Notices } from '../shell/Notices';
import { Desk } from './Desk';
import { Door } from './Door';

export { TryPage } from './TryPage';

export function DeskPage() {
  const status = useDesk((s) => s.status);
  useEffect(() => {
    document.title = 'My tasks – Unit Bloom';
    void openDesk();
  }, []);
  return (
    <>
      {status === 'out' && <Door />}
      {status === 'in' && <Desk />}
      {status === 'loading' && <main aria-busy="true" />}
      <Notices />
    </>
  );
}
