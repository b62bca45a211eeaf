// What the class sees reaches its devices in its order, whatever the network does with it.
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { StageView } from './classroom';
import { lead } from './followers';
import { emptyFrame, useLesson } from './lesson';

/** What is on its way to the server, with what lets it arrive or fail. */
interface Sent {
  say: string | undefined;
  arrive: () => void;
  fail: () => void;
}
const way: Sent[] = [];
/** What the server has, as it came. */
const arrived: (string | undefined)[] = [];

vi.mock('./classroom', () => ({
  classes: {
    setStage: (_of: string, stage: StageView | undefined) =>
      new Promise<void>((done, no) => {
        const one: Sent = {
          say: stage?.say,
          arrive: () => (way.splice(way.indexOf(one), 1), arrived.push(stage?.say), done()),
          fail: () => (way.splice(way.indexOf(one), 1), no(new Error('offline'))),
        };
        way.push(one);
      }),
  },
}));
let gap: () => void;
vi.mock('./stream', () => ({
  whileShown: (begin: () => () => void) => begin(),
  hear: (_url: string, hears: { gap: () => void }) => ((gap = hears.gap), () => undefined),
}));

const steps = (say: string) =>
  useLesson.setState({ frame: { ...emptyFrame, step: 1, prompt: { ...emptyFrame.prompt, say } } });
const pass = (ms = 100) => vi.advanceTimersByTimeAsync(ms);
const onTheWay = () => way.map((s) => s.say);

beforeEach(() => {
  vi.useFakeTimers();
  way.length = arrived.length = 0;
});
afterEach(() => vi.useRealTimers());

test('no step overtakes another: one is on its way, then the newest', async () => {
  steps('one');
  const stop = lead('bulbs');
  await pass();
  steps('two');
  await pass();
  steps('three');
  await pass();
  expect(onTheWay(), 'the others wait for it').toEqual(['one']);
  way[0]!.arrive();
  await pass();
  expect(onTheWay()).toEqual(['three']);
  way[0]!.arrive();
  await pass();
  expect(onTheWay()).toEqual([]);
  // It says that it is still shown.
  await pass(30_000);
  expect(onTheWay()).toEqual(['three']);
  way[0]!.arrive();
  await pass();
  stop();
  expect(onTheWay()).toEqual([undefined]);
  way[0]!.arrive();
});

test('what did not arrive is sent again, and a server that was started again has all', async () => {
  steps('one');
  const stop = lead('bulbs');
  await pass();
  way[0]!.fail();
  await pass(1000);
  expect(onTheWay()).toEqual([]);
  await pass(1500);
  expect(onTheWay()).toEqual(['one']);
  // A gap that is heard of while something is on its way is not forgotten.
  gap();
  await pass();
  way[0]!.arrive();
  await pass();
  expect(onTheWay()).toEqual(['one']);
  way[0]!.arrive();
  await pass();
  stop();
  way[0]!.arrive();
  expect(arrived).toEqual(['one', 'one', undefined]);
});

test('what ends stays ended, and what is shown after it stays shown', async () => {
  steps('one');
  const stop = lead('bulbs');
  await pass();
  stop();
  // The end is sent at once, for the page may be going. What was on its way comes after it.
  expect(onTheWay()).toEqual(['one', undefined]);
  steps('two');
  const again = lead('bulbs');
  way[1]!.arrive();
  way[0]!.arrive();
  await pass();
  expect(onTheWay(), 'ended once more, and nothing new before').toEqual([undefined]);
  way[0]!.arrive();
  await pass();
  expect(onTheWay()).toEqual(['two']);
  way[0]!.arrive();
  await pass();
  expect(arrived).toEqual([undefined, 'one', undefined, 'two']);
  again();
  steps('three');
  await pass(60_000);
  expect(onTheWay()).toEqual([undefined]);
  way[0]!.arrive();
});
