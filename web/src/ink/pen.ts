// Which pen is in the hand; none when the pieces are touched as usual.
import { create } from 'zustand';
import type { Stroke } from '../core/core';
import { onAnotherLesson } from '../state/lesson';

export type Tool = Stroke['tool'] | 'rub' | 'rubPart' | 'note';

interface Pen {
  tool: Tool | undefined;
  colour: Stroke['colour'];
  width: 1 | 2 | 3;
  /** Whether a stylus has been seen: then it draws, and a finger moves. */
  stylus: boolean;
}

export const usePen = create<Pen>(() => ({ tool: undefined, colour: 'ink', width: 2, stylus: false }));

/** Takes a pen into the hand, or puts it away. */
export const takePen = (tool: Tool | undefined) => usePen.setState({ tool });

// In another lesson the pieces are touched as usual.
onAnotherLesson(() => takePen(undefined));
