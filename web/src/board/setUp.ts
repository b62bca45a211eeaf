// What sets a model up opens beside the board and stays open while it is tried.
import { createContext, useContext } from 'react';
import { create } from 'zustand';
import { onAnotherLesson, useLesson } from '../state/lesson';

interface SetUp {
  /** The model whose set-up is open, and the group that is asked for; all of them without one. */
  open: { index: number; group?: string } | undefined;
  /** How much larger than fitted each model is drawn, by the scene and the model's place in it. */
  zooms: Record<string, number>;
}

export const useSetUp = create<SetUp>(() => ({ open: undefined, zooms: {} }));

/** What opened it, to which the focus goes back. */
let opener: Element | null = null;

/** Closes it by hand: the focus goes back to what opened it. */
export function closeSetUp() {
  useSetUp.setState({ open: undefined });
  if (opener instanceof HTMLElement && opener.isConnected) opener.focus({ preventScroll: true });
}

/** Closes it with the page that it belongs to. */
export const forgetSetUp = () => useSetUp.setState({ open: undefined });

/** Opens a model's set-up at a group, or closes it where it is open at that. */
export function openSetUp(index: number, group?: string) {
  const { open } = useSetUp.getState();
  const same = open?.index === index && open.group === group;
  opener = document.activeElement;
  useSetUp.setState({ open: same ? undefined : { index, ...(group && { group }) } });
}

const zoomed = (scene: string, index: number) => `${scene} ${index}`;

export function useZoom(index: number) {
  const scene = useLesson((s) => s.frame.scene);
  return useSetUp((s) => s.zooms[zoomed(scene, index)] ?? 1);
}

export const setZoom = (index: number, zoom: number) =>
  useSetUp.setState(({ zooms }) => ({
    zooms: { ...zooms, [zoomed(useLesson.getState().frame.scene, index)]: zoom },
  }));

onAnotherLesson(() => useSetUp.setState({ zooms: {} }));

/**
 * Where groups of controls stand: as lists that drop down, as buttons that open the set-up
 * beside the board, or in the set-up itself, which may want one of them alone.
 */
export type Placing = { as: 'lists' } | { as: 'buttons'; index: number } | { as: 'groups'; only?: string };

const placing = createContext<Placing>({ as: 'lists' });

export const PlacingOf = placing.Provider;
export const usePlacing = () => useContext(placing);
