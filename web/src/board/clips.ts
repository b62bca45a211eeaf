// What is copied, cut and pasted on a board, and the keys that do to a selection what they do
// everywhere.
import type { ClipboardEvent, KeyboardEvent } from 'react';
import { call } from '../core/core';
import { act } from '../state/acts';
import { notify, select, useLesson } from '../state/lesson';

/** What is on the clipboard when it came from a board, beside its text. */
const PIECES = 'application/x-unitbloom-pieces';

/** The selected pieces of a model; none when another's are selected. */
function chosen(index: number): number[] {
  const { selected, selectedModel } = useLesson.getState();
  return selectedModel === index ? [...selected] : [];
}

/** What is selected, as it can be typed. */
function formOf(index: number): string {
  const ids = chosen(index);
  if (ids.length === 0) return '';
  return call('selection', { handle: useLesson.getState().handle, model: index, ids }).form;
}

function putAway(index: number) {
  const ids = chosen(index);
  if (ids.length > 0 && act({ kind: 'remove', model: index, pieces: [{ place: 'ones', ids }] }))
    select(index, []);
}

/** Delete puts the selection away, Control D puts as much beside it. Says whether it was one of those. */
export function clipKey(e: KeyboardEvent, index: number): boolean {
  if (e.key === 'Delete' || e.key === 'Backspace') putAway(index);
  else if (e.key.toLowerCase() === 'd' && (e.ctrlKey || e.metaKey)) {
    const form = formOf(index);
    if (form) act({ kind: 'place', model: index, amount: form });
  } else return false;
  return true;
}

/** Copy, cut and paste: pieces come beside what is there, a number or a sum that was typed elsewhere is built. */
export function clips(index: number) {
  const copy = (e: ClipboardEvent) => {
    const form = formOf(index);
    if (!form) return false;
    e.clipboardData.setData('text/plain', form);
    e.clipboardData.setData(PIECES, form);
    e.preventDefault();
    return true;
  };
  return {
    onCopy: (e: ClipboardEvent) => void copy(e),
    onCut: (e: ClipboardEvent) => {
      if (copy(e)) putAway(index);
    },
    onPaste: (e: ClipboardEvent) => {
      const amount = e.clipboardData.getData('text/plain').trim();
      if (amount === '') return;
      e.preventDefault();
      if (amount.length > 60) notify('refusal', 'Paste a number or a sum, like 146 or 6 + 8.');
      else if (e.clipboardData.getData(PIECES) === amount) act({ kind: 'place', model: index, amount });
      else act({ kind: 'build', model: index, amount });
    },
  };
}
