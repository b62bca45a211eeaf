// Children's devices follow the stage: what is drawn and said on it is sent to the class, and
// nothing of what is held back.
import { classes, type StageView } from './classroom';
import { isPaper, readTitle, useLesson, type LessonState } from './lesson';
import { hear, whileShown } from './stream';

/** How often the stage is sent at most, in milliseconds; how soon again when that failed. */
const [SENT_MS, AGAIN_MS] = [60, 2000];

/** How often the server is told that the page still shows the stage, in milliseconds. */
const HERE_MS = 30_000;

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

/** The end of the last stage that was shown, when something of it was still on its way. */
let before: Promise<unknown> = Promise.resolve();

/**
 * Shows the stage to a class's devices until it is called again. One at a time is on its way, so that
 * none overtakes another; what comes meanwhile is sent when that has arrived, the newest alone.
 */
export function lead(of: string): () => void {
  // A page that is closed leaves nobody waiting; one that comes back shows itself again.
  return whileShown(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let [sent, over] = ['', false];
    let sending: Promise<void> | undefined;
    const end = () => classes.setStage(of, undefined).catch(() => undefined);
    const sendAll = async () => {
      await before;
      for (;;) {
        const stage = stageOf(useLesson.getState());
        const text = JSON.stringify(stage);
        if (over || text === sent) return;
        sent = text;
        try {
          await classes.setStage(of, stage);
        } catch {
          sent = '';
          return soon(AGAIN_MS);
        }
      }
    };
    const send = () => {
      timer = undefined;
      sending ??= sendAll().finally(() => (sending = undefined));
    };
    const soon = (pause: number) => {
      if (!over) timer ??= setTimeout(send, pause);
    };
    const anew = () => {
      sent = '';
      send();
    };
    const stop = useLesson.subscribe((s, was) => {
      if (s.frame !== was.frame || s.models !== was.models) soon(SENT_MS);
    });
    // A server that was started again knows of no stage.
    const quit = hear(`/api/classes/${of}/events`, { message: () => undefined, gap: anew });
    const here = setInterval(anew, HERE_MS);
    send();
    return () => {
      over = true;
      stop();
      quit();
      clearTimeout(timer);
      clearInterval(here);
      // At once, for the page may be going; and again after what may arrive later.
      before = Promise.all([end(), sending?.then(end)]);
    };
  });
}
