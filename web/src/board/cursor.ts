// Going from piece to piece by keys.
import { useState, type KeyboardEvent } from 'react';
import { call, type Piece } from '../core/core';
import { select, toggle, useLesson, type DrawnModel } from '../state/lesson';
import { clipKey } from './clips';
import { centreOf } from './geometry';

export function useCursor(
  model: DrawnModel,
  index: number,
  enter?: ((piece: number) => boolean) | undefined,
) {
  const [id, setId] = useState(0);
  const [focused, setFocused] = useState(false);
  const at = model.pieces.find((p) => p[0] === id) ?? model.pieces[0];
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === 'a' && (e.ctrlKey || e.metaKey)) {
      select(
        index,
        model.pieces.filter((p) => p[1] !== 'card').map((p) => p[0]),
      );
    } else if (e.key === 'Escape') {
      select(index, []);
    } else if (e.key === ' ' && at) {
      toggle(index, at[0]);
    } else if (e.key === 'Enter' && at && enter?.(at[0])) {
      // The model has acted on the piece.
    } else if (clipKey(e, index)) {
      // It did to the selection what it does everywhere.
    } else if (e.key.startsWith('Arrow')) {
      const next = (nearest(model.pieces, at, e.key) ?? at)?.[0] ?? 0;
      setId(next);
      if (next) tellPiece(index, next);
    } else {
      return;
    }
    setFocused(true);
    e.preventDefault();
    e.stopPropagation();
  };
  return {
    at: focused ? at : undefined,
    onKeyDown,
    onFocus: (e: { target: EventTarget & Element }) => {
      setFocused(e.target.matches(':focus-visible'));
      if (!model.pieces.some((p) => p[0] === id)) setId(model.pieces[0]?.[0] ?? 0);
    },
    onBlur: () => setFocused(false),
  };
}

/** Says what the keys are at, and whether it is chosen. */
function tellPiece(index: number, piece: number) {
  const { handle, selected, selectedModel } = useLesson.getState();
  try {
    const { text } = call('pieceAt', { handle, model: index, piece });
    const chosen = selectedModel === index && selected.has(piece);
    useLesson.setState({ announce: chosen ? `${text} Chosen.` : text });
  } catch {
    // The piece has gone meanwhile: there is nothing to say of it.
  }
}

/** The piece nearest in a direction. */
function nearest(pieces: Piece[], from: Piece | undefined, key: string): Piece | undefined {
  if (!from) return pieces[0];
  const c = centreOf(from);
  let best: Piece | undefined;
  let least = Infinity;
  for (const p of pieces) {
    const q = centreOf(p);
    const along =
      { ArrowRight: q.x - c.x, ArrowLeft: c.x - q.x, ArrowDown: q.y - c.y, ArrowUp: c.y - q.y }[key] ?? 0;
    const aside = key === 'ArrowRight' || key === 'ArrowLeft' ? Math.abs(q.y - c.y) : Math.abs(q.x - c.x);
    if (p[0] === from[0] || along <= 0.5) continue;
    const cost = along + aside * 3;
    if (cost < least) [best, least] = [p, cost];
  }
  return best;
}
