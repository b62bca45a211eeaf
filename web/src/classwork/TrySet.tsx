// A set as a child will have it, to be tried before it is set: her screen, in a frame of its own.
import { useEffect, useRef } from 'react';
import type { DeskSet, DeskView } from '../state/classroom';
import { names } from '../shell/names';
import css from './SetDialog.module.css';

const cx = names(css);

export function TrySet({ set, of }: { set: DeskSet; of: string }) {
  const frame = useRef<HTMLIFrameElement>(null);
  useEffect(() => {
    const give = ({ origin, source, data }: MessageEvent<unknown>) => {
      const child = frame.current?.contentWindow;
      if (!child || origin !== location.origin || source !== child || data !== 'ready') return;
      child.postMessage(viewOf(set, of), location.origin);
    };
    addEventListener('message', give);
    return () => removeEventListener('message', give);
  }, [set, of]);
  return <iframe ref={frame} className={cx('tried')} src="/desk/try" title="As a child will see it" />;
}

/** A desk at which nobody sits. */
const viewOf = (set: DeskSet, of: string): DeskView => ({
  people: [{ id: 'child', name: 'A child', sign: 0 }],
  class: of,
  eyes: false,
  asks: false,
  stage: false,
  sets: [set],
});
