// What is drawn round pieces, part by part, while it is asked how somebody sees them.
import { create } from 'zustand';
import { onAnotherScene } from '../state/lesson';

interface Drawing {
  open: boolean;
  /** The model that was drawn on, and the pieces inside each line. */
  model: number;
  drawn: number[][];
}

export const useDrawing = create<Drawing>(() => ({ open: false, model: 0, drawn: [] }));

export const openWays = () => useDrawing.setState({ open: true, drawn: [] });

/** One more line is drawn round pieces; on another model it begins anew. */
export function drawRound(model: number, ids: number[]) {
  const { model: before, drawn } = useDrawing.getState();
  useDrawing.setState({ model, drawn: model === before ? [...drawn, ids] : [ids] });
}

export const closeWays = () => useDrawing.setState({ open: false, drawn: [] });

// What is drawn is drawn round pieces of one board.
onAnotherScene(closeWays);
