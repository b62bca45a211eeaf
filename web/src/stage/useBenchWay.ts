// While a lesson is prepared an example with one model lies in that of its ways in which its pieces
// are largest, as on the stage.
import type { RefObject } from 'react';
import { useSize } from '../board/geometry';
import { views, type Kind } from '../board/views';
import { useLesson } from '../state/lesson';
import { sameWay, useLay } from './lay';

/** How much larger the pieces are in a way that is worth another look. */
const WORTH = 1.1;

export function useBenchWay(stage: RefObject<HTMLElement | null>, composed: boolean) {
  const { w, h } = useSize(stage);
  const handle = useLesson((s) => s.handle);
  const extents = useLesson((s) => s.frame.extents);
  const kind = useLesson((s) => (s.models.length === 1 ? s.models[0]!.kind : undefined));
  const scratch = useLesson((s) => s.frame.scratch);
  const now = extents?.[0];
  let best = now;
  if (!composed && !scratch && now && kind && w > 0) {
    const view = views[kind as Kind];
    const scaleOf = ({ models: [m] }: typeof now) =>
      Math.min((w - 32 - view.side) / (m!.w + view.rim), (h - 2 * view.head) / m!.h, view.largest);
    for (const e of extents) if (scaleOf(e) > WORTH * scaleOf(best!)) best = e;
  }
  useLay(handle, best && now && !sameWay(best, now) ? best : undefined);
}
