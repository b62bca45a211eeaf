// Pieces and the digits that stand for them light each other.
import { useEffect } from 'react';
import { light, useLesson } from '../state/lesson';

/** Watches which piece is pointed at, and lights it with the digits it belongs to. */
export function PointedAt() {
  const written = useLesson((s) => s.frame.written);
  useEffect(() => {
    if (!written) return;
    const over = (e: Event) => {
      const id = Number(
        (e.target as Element | null)?.closest?.<SVGGElement>('[data-piece]')?.dataset.piece ?? 0,
      );
      const cell = (e.target as Element | null)?.closest?.('[data-cell]');
      if (cell) return;
      light(id ? [id] : []);
    };
    document.addEventListener('pointerover', over);
    return () => document.removeEventListener('pointerover', over);
  }, [written]);
  return null;
}
