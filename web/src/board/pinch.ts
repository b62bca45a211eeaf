// Two fingers on a model: apart it grows, together it shrinks, and both moved
// along take it with them. One finger is the hand's.
import { useLayoutEffect, useRef, type PointerEvent, type RefObject } from 'react';
import type { Point } from './geometry';

/** How far the words make a picture smaller; fingers leave it as large as fits. */
export const SMALLEST = 0.4;
export const LARGEST = 4;

interface Finger extends Point {
  target: Element;
}

interface Hold {
  apart: number;
  zoom: number;
  /** What lay between the fingers at the start, in parts of the drawing's width and height. */
  on: Point;
}

export function usePinch(room: RefObject<HTMLDivElement | null>, zoom: number, setZoom: (z: number) => void) {
  const fingers = useRef(new Map<number, Finger>());
  const hold = useRef<Hold | undefined>(undefined);
  const between = (): Point & { apart: number } => {
    const [a, b] = [...fingers.current.values()];
    if (!a || !b) return { x: 0, y: 0, apart: 1 };
    return {
      x: (a.x + b.x) / 2,
      y: (a.y + b.y) / 2,
      apart: Math.max(20, Math.hypot(a.x - b.x, a.y - b.y)),
    };
  };
  /** Scrolls so that what was between the fingers is still there. */
  const follow = () => {
    if (!hold.current || fingers.current.size !== 2) return;
    const drawn = room.current?.querySelector('.drawing')?.getBoundingClientRect();
    if (!drawn) return;
    const { on } = hold.current;
    const now = between();
    room.current?.scrollBy(drawn.left + on.x * drawn.width - now.x, drawn.top + on.y * drawn.height - now.y);
  };
  useLayoutEffect(follow);

  const onPointerDownCapture = (e: PointerEvent) => {
    if (e.pointerType !== 'touch') return;
    const drawn = room.current?.querySelector('.drawing')?.getBoundingClientRect();
    if (fingers.current.size === 1 && !hold.current && drawn) {
      const [[first, finger]] = [...fingers.current] as [[number, Finger]];
      // The first finger was not a drag after all.
      finger.target.dispatchEvent(
        new window.PointerEvent('pointercancel', { pointerId: first, bubbles: true }),
      );
      fingers.current.set(first, finger);
      fingers.current.set(e.pointerId, { x: e.clientX, y: e.clientY, target: drawingOf(e) });
      const at = between();
      hold.current = {
        apart: at.apart,
        zoom,
        on: { x: (at.x - drawn.left) / drawn.width, y: (at.y - drawn.top) / drawn.height },
      };
    } else if (fingers.current.size === 0) {
      fingers.current.set(e.pointerId, { x: e.clientX, y: e.clientY, target: drawingOf(e) });
    }
    if (hold.current) e.stopPropagation();
  };
  const onPointerMoveCapture = (e: PointerEvent) => {
    const finger = fingers.current.get(e.pointerId);
    if (!finger) return;
    Object.assign(finger, { x: e.clientX, y: e.clientY });
    if (!hold.current || fingers.current.size !== 2) return;
    const wanted = (hold.current.zoom * between().apart) / hold.current.apart;
    setZoom(Math.min(LARGEST, Math.max(1, wanted)));
    follow();
  };
  const onPointerUpCapture = (e: PointerEvent) => {
    fingers.current.delete(e.pointerId);
    if (hold.current) e.stopPropagation();
    if (fingers.current.size === 0) hold.current = undefined;
  };
  return {
    onPointerDownCapture,
    onPointerMoveCapture,
    onPointerUpCapture,
    onPointerCancelCapture: (e: PointerEvent) => {
      fingers.current.delete(e.pointerId);
      if (fingers.current.size === 0) hold.current = undefined;
    },
  };
}

/** The drawing under a finger: the piece itself may be drawn anew while it is held. */
function drawingOf(e: PointerEvent): Element {
  const touched = e.target as Element;
  return touched.closest('svg') ?? touched;
}
