// Where a lesson is stands in the address: scene, steps that are over, and the phase of the
// next, and the showing. A reload, a link and the back button come back to it.
import { useEffect, useRef } from 'react';
import { useLocation, useSearchParams } from 'react-router';
import { show } from '../state/acts';
import { useLesson } from '../state/lesson';

export function useAddress(id: string) {
  const here = useLesson((s) => s.id === id && s.status === 'open');
  const { scene, step, phase } = useLesson((s) => s.frame);
  const showing = useLesson((s) => s.showing);
  const [params, setParams] = useSearchParams();
  const { pathname } = useLocation();
  /** The lesson that was opened at its address, which is written from then on. */
  const opened = useRef<string>(undefined);
  const write = (at: { scene: string; step: number; phase: string }) => {
    // A page that is being left no longer writes: it would call back the one who goes.
    if (location.pathname !== pathname) return;
    const next = new URLSearchParams(params);
    next.set('scene', at.scene);
    next.set('step', String(at.step));
    if (at.phase) next.set('phase', at.phase);
    else next.delete('phase');
    if (showing) next.set('showing', showing);
    else next.delete('showing');
    if (next.toString() !== params.toString()) setParams(next, { replace: true });
  };
  useEffect(() => {
    if (!here || !scene) return;
    if (opened.current === id) return write({ scene, step, phase });
    opened.current = id;
    const wanted = params.get('scene');
    const { outline, frame } = useLesson.getState();
    const there = outline.scenes.find((x) => x.id === wanted);
    const steps = Number(params.get('step') ?? 0);
    if (!there || !Number.isInteger(steps) || steps < 0 || steps > there.steps.length)
      return write({ scene, step, phase });
    const then = params.get('phase') ?? '';
    if (frame.scene !== wanted || frame.step !== steps || frame.phase !== then) show(there.id, steps, then);
    // Written when it changes, and not when it is the address that does.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [here, id, scene, step, phase, showing]);
}
