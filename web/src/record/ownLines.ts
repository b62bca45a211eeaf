// Examples that write their line in the record by themselves when they are done, where the
// teacher wants it. It is her choice on this device.
import { useEffect } from 'react';
import { create } from 'zustand';
import { setRecord } from '../state/acts';
import { useLesson } from '../state/lesson';

const KEY = 'unitbloom-own-lines';

function kept(): boolean {
  try {
    return localStorage.getItem(KEY) === 'yes';
  } catch {
    return false;
  }
}

const useChoice = create(() => ({ wanted: kept() }));

export const useOwnLinesWanted = () => useChoice((s) => s.wanted);

export function wantOwnLines(wanted: boolean) {
  useChoice.setState({ wanted });
  try {
    localStorage.setItem(KEY, wanted ? 'yes' : 'no');
  } catch {
    // Without storage it holds for this page.
  }
}

/** While presenting: writes what an example that is done offers. */
export function useOwnLines() {
  const wanted = useOwnLinesWanted();
  const { offers, steps, scene } = useLesson((s) => s.frame);
  const [line] = steps > 0 ? offers : [];
  useEffect(() => {
    if (!wanted || line === undefined) return;
    const { record } = useLesson.getState().outline;
    setRecord([...record, { text: line, scene }]);
  }, [wanted, line, scene]);
}
