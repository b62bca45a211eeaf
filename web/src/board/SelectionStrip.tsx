// The short strip of words that a selection carries. It offers what is
// possible; what is not can be asked, and says why.
import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { call, Mark, type Piece, type Selection, type Verb } from '../core/core';
import { WordMenu } from './controls';
import { act } from '../state/acts';
import { select, useLesson, type DrawnModel } from '../state/lesson';
import { names } from '../shell/names';
import { widthOf } from '../shell/widthOf';
import css from './SelectionStrip.module.css';

const cx = names(css);

const nothing: Selection = { text: '', verbs: [], form: '' };

interface Props {
  model: DrawnModel;
  index: number;
  /** How much room there is, in pixels: what does not fit stands in a list. */
  room: number;
  /** Whether it stands in the place of the model's line, or over the foot of its room. */
  inLine: boolean;
}

/** The letters of the strip, and what a button has round its own, in pixels. */
const LETTERS = 16;
const ROUND = 36;
/** What its list and Done take, with the rim of the strip. */
const REST = 215;

export function SelectionStrip({ model, index, room, inLine }: Props) {
  const selected = useLesson((s) => s.selected);
  const on = useLesson((s) => s.selectedModel);
  const handle = useLesson((s) => s.handle);
  const [why, setWhy] = useState('');
  const { text, verbs } = useMemo<Selection>(
    () =>
      on === index && selected.size > 0
        ? call('selection', { handle, model: index, ids: [...selected] })
        : nothing,
    // A move may change what is possible though the selection stays.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [selected, on, index, handle, model],
  );
  // Why something cannot be done is of the pieces that it was asked for.
  const [asked, setAsked] = useState(selected);
  if (asked !== selected) {
    setAsked(selected);
    setWhy('');
  }
  if (verbs.length === 0) return null;
  const run = (v: Verb) => () => {
    if (!v.ok) setWhy(v.why ?? '');
    else if (act(v.move)) done(v, index);
  };
  // What can be done comes first; that ten of a kind could be bundled is always told.
  const likely = [...verbs.filter((v) => v.ok), ...verbs.filter((v) => !v.ok && v.move.kind === 'bundle')];
  const fitting = (room: number) => {
    let left = room;
    return likely.filter((v, i) => {
      left -= widthOf(v.label, LETTERS) + ROUND;
      return i === 0 || left >= 0;
    });
  };
  // Verbs go before the count, which the eye sees by itself.
  const counted = fitting(room - REST - widthOf(text, LETTERS));
  const first = fitting(room - REST);
  const told = why !== '' || counted.length === first.length;
  const rest = verbs.filter((v) => !first.includes(v));
  return (
    <div className={cx(inLine ? 'strip in-line' : 'strip')} role="toolbar" aria-label={text}>
      <span className={cx(`strip-count ${why ? 'why' : told ? '' : 'sr-only'}`)} role="status">
        {why || text}
      </span>
      {!why &&
        first.map((v) => (
          <Button key={v.label} aria-disabled={!v.ok} className={cx(v.ok ? '' : 'not-now')} onClick={run(v)}>
            {v.label}
          </Button>
        ))}
      <WordMenu
        label="Other verbs"
        words={[
          ...rest.filter((v) => v.ok).map((v) => ({ label: v.label, run: run(v) })),
          { label: 'All like these', run: () => select(index, alike(model, selected)) },
          ...rest
            .filter((v) => !v.ok)
            .map((v) => ({ label: `Why not: ${v.label.toLowerCase()}?`, run: run(v) })),
        ]}
      />
      <Button type="text" onClick={() => (why ? setWhy('') : select(index, []))}>
        {why ? 'Back' : 'Done'}
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
