// The short strip of words that a selection carries. It offers what is
// possible; what is not can be asked, and says why.
import { Button } from 'antd';
import { useMemo } from 'react';
import { call, Mark, type Piece, type Selection, type Verb } from '../core/core';
import { WordMenu } from './controls';
import { act } from '../state/acts';
import { notify, select, useLesson, type DrawnModel } from '../state/lesson';
import { names } from '../shell/names';
import css from './SelectionStrip.module.css';

const cx = names(css);

const nothing: Selection = { text: '', verbs: [], form: '' };

export function SelectionStrip({ model, index }: { model: DrawnModel; index: number }) {
  const selected = useLesson((s) => s.selected);
  const on = useLesson((s) => s.selectedModel);
  const handle = useLesson((s) => s.handle);
  const { text, verbs } = useMemo<Selection>(
    () =>
      on === index && selected.size > 0
        ? call('selection', { handle, model: index, ids: [...selected] })
        : nothing,
    // A move may change what is possible though the selection stays.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [selected, on, index, handle, model],
  );
  if (verbs.length === 0) return null;
  return (
    <div className={cx('strip')} role="toolbar" aria-label={text}>
      <span className={cx('strip-count')}>{text}</span>
      {verbs
        .filter((v) => v.ok || v.move.kind === 'bundle')
        .map((v) => (
          <Button
            key={v.label}
            aria-disabled={!v.ok}
            className={cx(v.ok ? '' : 'not-now')}
            onClick={() => (v.ok ? act(v.move) && done(v, index) : notify('refusal', v.why ?? ''))}
          >
            {v.label}
          </Button>
        ))}
      <Button onClick={() => select(index, alike(model, selected))}>All like these</Button>
      {verbs.some((v) => !v.ok && v.move.kind !== 'bundle') && (
        <WordMenu
          label="Why not"
          words={verbs
            .filter((v) => !v.ok && v.move.kind !== 'bundle')
            .map((v) => ({ label: v.label, run: () => notify('refusal', v.why ?? '') }))}
        />
      )}
      <Button type="text" onClick={() => select(index, [])}>
        Done
      </Button>
    </div>
  );
}

/** All pieces that look like those selected. */
function alike(model: DrawnModel, selected: ReadonlySet<number>) {
  const kind = (p: Piece) => `${p[1]} ${p[7] & Mark.alternate} ${p[7] & (Mark.taken | Mark.crossed)}`;
  const kinds = new Set(model.pieces.filter((p) => selected.has(p[0])).map(kind));
  return model.pieces.filter((p) => kinds.has(kind(p))).map((p) => p[0]);
}

/** After most verbs the pieces have a new standing; the selection is over. */
function done(v: Verb, index: number) {
  if (v.move.kind !== 'ring') select(index, []);
}
