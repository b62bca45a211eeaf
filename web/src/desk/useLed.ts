import { useState } from 'react';

/** Goes to the blank that a question is asked of, once for each question. */
export function useLed(asked: string | undefined, go: (blank: string) => void) {
  const [was, setWas] = useState<string>();
  if (was === asked) return;
  setWas(asked);
  if (asked) go(asked);
}
