// The keys while presenting go on whatever has the focus: a piece that was pressed, a
// button, a row of beads. What is open over the board has its own: a dialog, a menu, a
// field to type in.
import { useEffect, useLayoutEffect, useRef } from 'react';
import { dialog, fields, isDigit, isOver } from '../stage/typing';
import { change } from '../state/acts';

export type KeyActs = Record<string, () => void>;

/** What each key does; a digit begins a number, in the field that `startTyping` puts the focus in. */
export function usePresentingKeys(acts: KeyActs, startTyping?: () => void) {
  const now = useRef({ acts, startTyping });
  // What is seen can be pressed at once: not only when the page has had time for more.
  useLayoutEffect(() => {
    now.current = { acts, startTyping };
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isOver(e) || e.altKey) return;
      const key = e.key.length === 1 ? e.key.toLowerCase() : e.key;
      if (e.ctrlKey || e.metaKey) {
        if (key !== 'z') return;
        change(e.shiftKey ? 'redo' : 'undo');
      } else if (now.current.acts[key]) {
        now.current.acts[key]();
      } else {
        if (isDigit(key)) now.current.startTyping?.();
        return;
      }
      e.preventDefault();
      e.stopPropagation();
    };
    // A field that has no use for it is let go: the keys are the board's again.
    const letGo = (e: KeyboardEvent) => {
      const at = e.target;
      if (e.key !== 'Escape' || e.defaultPrevented || !(at instanceof HTMLElement)) return;
      if (!at.matches(fields) || at.closest(`${dialog}, .ant-popover`)) return;
      document.querySelector<HTMLElement>('main [data-focus]')?.focus();
    };
    // Before the board's own keys.
    addEventListener('keydown', onKey, true);
    addEventListener('keydown', letGo);
    return () => {
      removeEventListener('keydown', onKey, true);
      removeEventListener('keydown', letGo);
    };
  }, []);
}
