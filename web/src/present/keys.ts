// The keys while presenting go on whatever has the focus: a piece that was pressed, a
// button, a row of beads. What is open over the board has its own: a dialog, a menu, a
// field to type in.
import { useEffect, useRef } from 'react';
import { change } from '../state/acts';

export type KeyActs = Record<string, () => void>;

const own = 'input, textarea, [contenteditable], .ant-modal, .ant-dropdown, .ant-popover, [role=menu]';
const open =
  '.ant-dropdown:not(.ant-dropdown-hidden), .ant-popover:not(.ant-popover-hidden):not(.ant-zoom-big-leave), .ant-modal:not(.ant-zoom-leave)';

/** Whether something over the board is open, whose keys these are; a dialog on its way out has none. */
function isOver(e: KeyboardEvent): boolean {
  const at = e.target instanceof Element ? e.target : document.body;
  if (at.closest(own) && !at.closest('.ant-zoom-leave')) return true;
  return [...document.querySelectorAll(open)].some((el) => el.checkVisibility());
}

export function usePresentingKeys(acts: KeyActs) {
  const now = useRef(acts);
  useEffect(() => {
    now.current = acts;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isOver(e) || e.altKey) return;
      const key = e.key.length === 1 ? e.key.toLowerCase() : e.key;
      if (e.ctrlKey || e.metaKey) {
        if (key !== 'z') return;
        change(e.shiftKey ? 'redo' : 'undo');
      } else if (now.current[key]) {
        now.current[key]();
      } else return;
      e.preventDefault();
      e.stopPropagation();
    };
    // Before the board's own keys.
    addEventListener('keydown', onKey, true);
    return () => removeEventListener('keydown', onKey, true);
  }, []);
}
