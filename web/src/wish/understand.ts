// What a teacher's line comes to, told by the core.
import { useEffect, useState } from 'react';
import { call, loadCore, type Vocabulary, type Wished } from '../core/core';

/** The lesson that a line comes to and how it was understood, or what is wrong with it. */
export const understand = (text: string, words: Vocabulary, as?: { method: string; model: string }): Wished =>
  call('wish', { text, words, as });

/** Whether the core is there yet; it is fetched when it is wanted. */
export function useCore(wanted: boolean): boolean {
  const [there, setThere] = useState(globalThis.unitbloomCore !== undefined);
  useEffect(() => {
    let gone = false;
    if (!wanted) return;
    void loadCore()
      .then(() => !gone && setThere(true))
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [wanted]);
  return there;
}
