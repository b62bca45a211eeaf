// What changes with every key, once no key has come for a moment: for what is too costly to be
// made for each of them.
import { useEffect, useState } from 'react';

const SETTLES_MS = 150;

export function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), SETTLES_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}
