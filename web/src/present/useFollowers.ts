// Children's devices follow the stage: what is drawn and said on it is sent to the class, and
// nothing of what is held back.
import { useEffect } from 'react';
import { useToday } from '../classwork/useClass';
import { classes, type StageView } from '../state/classroom';
import { isPaper, readTitle, useLesson, type LessonState } from '../state/lesson';
import { hear } from '../state/stream';

/** How often the stage is sent at most, in milliseconds. */
const SENT_MS = 60;

/** The stage as the class sees it now. */
export function stageOf({ frame, models, outline }: LessonState): StageView {
  const scene = outline.scenes.find((s) => s.id === frame.scene);
  const begun = frame.step > 0 || frame.phase !== '';
  return {
    title: begun ? '' : readTitle(scene),
    say: begun ? frame.prompt.say : '',
    ask: begun ? frame.prompt.ask : '',
    answer: begun && frame.prompt.ask && !frame.open ? frame.prompt.answer : '',
    models: isPaper(scene?.page, models) ? [] : models,
    written: frame.written,
    lines: frame.lines.flatMap((l) => (l.text ? [l.text] : [])),
  };
}

/** Sends the stage to the class's devices while they follow it. */
export function useFollowers(on: boolean) {
  const of = useToday((s) => s.of);
  useEffect(() => {
    if (!on || !of) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let sent = '';
    const send = () => {
      timer = undefined;
      const stage = stageOf(useLesson.getState());
      const text = JSON.stringify(stage);
      if (text === sent) return;
      sent = text;
      void classes.setStage(of, stage).catch(() => (sent = ''));
    };
    send();
    const stop = useLesson.subscribe((s, was) => {
      if (s.frame !== was.frame || s.models !== was.models) timer ??= setTimeout(send, SENT_MS);
    });
    const anew = () => {
      sent = '';
      send();
    };
    // A server that was started again knows of no stage.
    const quit = hear(`/api/classes/${of}/events`, { message: () => undefined, gap: anew });
    const end = () => void classes.setStage(of, undefined).catch(() => undefined);
    // A page that is closed leaves nobody waiting; one that comes back shows itself again.
    const back = ({ persisted }: PageTransitionEvent) => {
      if (persisted) anew();
    };
    addEventListener('pagehide', end);
    addEventListener('pageshow', back);
    return () => {
      stop();
      quit();
      clearTimeout(timer);
      removeEventListener('pagehide', end);
      removeEventListener('pageshow', back);
      end();
    };
  }, [on, of]);
}
