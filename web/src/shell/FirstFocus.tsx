import { useEffect, useRef } from 'react';
import { focusFirst } from './focus';

/** In a dialog: what it asks for first has the focus when it opens. */
export function FirstFocus({ open }: { open: boolean }) {
  const ref = useRef<HTMLSpanElement>(null);
  useEffect(() => (open ? focusFirst(ref.current) : undefined), [open]);
  return <span ref={ref} hidden />;
}
