// What children would have of a set, in a frame of the page where it is chosen: the teacher tries it.
import { useEffect } from 'react';
import type { DeskView } from '../state/classroom';
import { tryDesk, useDesk } from '../state/desk';
import { Desk } from './Desk';

export function TryPage() {
  const there = useDesk((s) => s.status === 'in');
  useEffect(() => {
    const take = ({ origin, source, data }: MessageEvent<DeskView>) => {
      if (origin === location.origin && source === window.parent) tryDesk(data);
    };
    addEventListener('message', take);
    window.parent.postMessage('ready', location.origin);
    return () => removeEventListener('message', take);
  }, []);
  return there ? <Desk /> : <main aria-busy="true" />;
}
