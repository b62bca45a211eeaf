// The short strip of words that a selection carries. It offers what is
// possible; what is not can be asked, and says why.
import { Button } from 'antd';
import { useMemo } from 'react';
import { call, type PageMove, type Verb } from '../core/core';
import { act, notify, select, useLesson, type DrawnModel } from '../lesson/store';

export function SelectionStrip({ model, index }: { model: DrawnModel; index: number }) {
  const selected = useLesson((s) => s.selected);
  const on = useLesson((s) => s.selectedModel);
  const handle = useLesson((s) => s.handle);
  const verbs = useMemo<Verb[]>(
    () =>
      on === index && selected.size > 0 ? call('verbs', { handle, model: index, ids: [...selected] }) : [],
    // A move may change what is possible though the selection stays.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [selected, on, index, handle, model],
  );
  if (verbs.length === 0) return null;
  return (
    <div className="strip" role="toolbar" aria-label={`${selected.size} selected`}>
      <span className="strip-count">{selected.size} selected</span>
      {verbs
        .filter((v) => v.ok || v.move.kind === 'bundle')
        .map((v) => (
          <Button
            key={v.label}
            aria-disabled={!v.ok}
            className={v.ok ? '' : 'not-now'}
            onClick={() =>
              v.ok ? act(v.move as PageMove) && done(v, index) : notify('refusal', v.why ?? '')
            }
          >
            {v.label}
          </Button>
        ))}
      <Button type="text" onClick={() => select(index, [])}>
        Done
      </Button>
    </div>
  );
}

/** After most verbs the pieces have a new standing; the selection is over. */
function done(v: Verb, index: number) {
  if (v.move.kind !== 'ring') select(index, []);
}
