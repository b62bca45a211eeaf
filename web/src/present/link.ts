// Two windows of one browser: what the class sees, and what its teacher sees. They are kept
// together without the server. The class's window holds the lesson; the teacher's window is
// told where it is, and says what was pressed.
import { useEffect, useRef, useState } from 'react';
import type { Outline } from '../core/core';
import { stageOf } from '../state/followers';
import { useLesson, type LessonState } from '../state/lesson';

type Frame = LessonState['frame'];

/** What the teacher's window is told. */
export interface Told {
  outline: Outline;
  /** The boards as the class sees them, without what is covered. */
  models: LessonState['models'];
  frame: Pick<Frame, 'scene' | 'step' | 'steps' | 'phase' | 'open' | 'secrets' | 'prompt'>;
}

/** What is pressed in the teacher's window. */
export type Press = 'forward' | 'backward' | 'reveal';

type Message =
  | { kind: 'told'; told: Told }
  | { kind: 'gone' }
  | { kind: 'here' }
  | { kind: 'press'; press: Press }
  | { kind: 'aside'; scene: string; text: string };

/** How often the teacher's window says that it is there, and how long it is taken to be, in milliseconds. */
const HERE_MS = 1500;
const LOST_MS = 5000;

const channelOf = (lesson: string) =>
  globalThis.BroadcastChannel ? new BroadcastChannel(`unitbloom-class-${lesson}`) : undefined;

/** In the class's window: tells the teacher's where the class is. True while there is one. */
export function useTeachersWindow(
  lesson: string,
  acts: Record<Press, () => void> & { aside: (scene: string, text: string) => void },
): boolean {
  const [linked, setLinked] = useState(false);
  const now = useRef(acts);
  useEffect(() => {
    now.current = acts;
  });
  useEffect(() => {
    const channel = channelOf(lesson);
    if (!channel) return;
    let lost: ReturnType<typeof setTimeout>;
    let there = false;
    const tell = () => {
      const now = useLesson.getState();
      const { outline, frame, status } = now;
      if (status !== 'open') return;
      const { scene, step, steps, phase, open, secrets, prompt } = frame;
      const told: Told = {
        outline,
        models: stageOf(now).models,
        frame: { scene, step, steps, phase, open, secrets, prompt },
      };
      channel.postMessage({ kind: 'told', told } satisfies Message);
    };
    const linkTo = (now: boolean) => {
      there = now;
      setLinked(now);
    };
    channel.onmessage = ({ data }: MessageEvent<Message>) => {
      if (data.kind === 'press') now.current[data.press]();
      if (data.kind === 'aside') now.current.aside(data.scene, data.text);
      if (data.kind !== 'here') return;
      clearTimeout(lost);
      lost = setTimeout(() => linkTo(false), LOST_MS);
      linkTo(true);
      tell();
    };
    const stop = useLesson.subscribe((s, was) => {
      const other = s.frame !== was.frame || s.outline !== was.outline || s.models !== was.models;
      if (there && other) tell();
    });
    const leave = () => channel.postMessage({ kind: 'gone' } satisfies Message);
    addEventListener('pagehide', leave);
    return () => {
      leave();
      stop();
      clearTimeout(lost);
      removeEventListener('pagehide', leave);
      channel.close();
    };
  }, [lesson]);
  return linked;
}

/** In the teacher's window: where the class is, while its window is open, and what to press. */
export function useClassWindow(lesson: string) {
  const [told, setTold] = useState<Told>();
  const channel = useRef<BroadcastChannel>(undefined);
  useEffect(() => {
    const own = channelOf(lesson);
    channel.current = own;
    if (!own) return;
    own.onmessage = ({ data }: MessageEvent<Message>) => {
      if (data.kind === 'told') setTold(data.told);
      if (data.kind === 'gone') setTold(undefined);
    };
    const here = () => own.postMessage({ kind: 'here' } satisfies Message);
    here();
    const timer = setInterval(here, HERE_MS);
    return () => {
      clearInterval(timer);
      own.close();
    };
  }, [lesson]);
  const send = (message: Message) => channel.current?.postMessage(message);
  return {
    told,
    press: (press: Press) => send({ kind: 'press', press }),
    aside: (scene: string, text: string) => send({ kind: 'aside', scene, text }),
  };
}
