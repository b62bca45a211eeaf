// What a step looks at stands in full light while presenting; the rest is dimmed.
import type { Piece, ZoneView } from '../core/core';
import { useLesson, type DrawnModel } from '../state/lesson';
import { centreOf } from './geometry';

/** The zones of a model that the step looks at; nothing when all of it is in full light. */
export function useLight(model: DrawnModel, index: number): ZoneView[] | undefined {
  return useLightOf()(model, index);
}

/** What tells that of each model. */
export function useLightOf() {
  const focus = useLesson((s) => s.frame.focus);
  const whole = useLesson((s) => s.frame.scratch || s.frame.steps === 0);
  return (model: DrawnModel, index: number): ZoneView[] | undefined => {
    if (whole || !focus.zones?.length) return undefined;
    const here = new Set(focus.zones.filter((z) => (z.model ?? 0) === index).map((z) => z.zone));
    const zones = model.zones.filter((z) => here.has(z.id));
    // A step may look at one model alone, or speak of a zone that has gone.
    return zones.length > 0 || here.size === 0 ? zones : undefined;
  };
}

/** Whether a piece lies outside the light. */
export function isDim(light: ZoneView[] | undefined, piece: Piece): boolean {
  if (!light) return false;
  const { x, y } = centreOf(piece);
  return !light.some((z) => x >= z.x && x <= z.x + z.w && y >= z.y && y <= z.y + z.h);
}
