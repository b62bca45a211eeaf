import { beforeEach, expect, test } from 'vitest';
import { fakeDoor, frameAt } from './door.fake';
import { get, initial, set } from './lesson';
import { back, next, reveal } from './walk';

const positions = [
  frameAt('a', 0, ''),
  frameAt('a', 0, 'asked'),
  frameAt('a', 0, 'moved'),
  frameAt('a', 1, ''),
];

let at: number;

beforeEach(() => {
  set({ ...initial, handle: 7, frame: positions[0]! });
  at = 0;
});

/** A core that walks the positions. */
const walking = () =>
  fakeDoor(({ op }) => {
    at = Math.min(positions.length - 1, Math.max(0, at + (op === 'forward' ? 1 : -1)));
    return positions[at];
  });

test('a press asks the core where it leads, and stands there', () => {
  const asked = walking();
  next();
  expect(asked).toEqual([{ op: 'forward', arg: { handle: 7 } }]);
  expect(get().frame.phase).toBe('asked');
  back();
  expect(asked[1]).toEqual({ op: 'backward', arg: { handle: 7 } });
  expect(get().frame.phase).toBe('');
});

test('revealing goes on until the question is answered, and not further', () => {
  const asked = walking();
  next();
  reveal();
  expect([get().frame.step, get().frame.phase]).toEqual([1, '']);
  reveal();
  expect(asked.length).toBe(3);
});

test('revealing a question that the core does not answer stops', () => {
  const asked = fakeDoor(() => positions[1]);
  set({ frame: positions[1]! });
  reveal();
  expect(asked.length).toBe(2);
});

test('a refusal of the core leaves the class where it is, and is told', () => {
  fakeDoor(() => new Error('This step no longer fits.'));
  next();
  expect(get().frame).toBe(positions[0]);
  expect(get().notice?.text).toBe('This step no longer fits.');
});
