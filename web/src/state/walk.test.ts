import { beforeEach, expect, test } from 'vitest';
import { fakeDoor, frameAt, openFake } from './door.fake';
import { get, initial, set } from './lesson';
import { back, next } from './walk';

const scenes = { a: ['asks', 'says', 'asks'], b: ['says'] } as const;

beforeEach(() => {
  set(initial);
  openFake({ a: [...scenes.a], b: [...scenes.b] });
  fakeDoor(({ arg }) => {
    const scene = arg.scene as 'a' | 'b';
    return frameAt(scene, arg.step as number, arg.asked as boolean, scenes[scene].length);
  });
  set({ frame: frameAt('a', 0, false, 3) });
});

const where = () => {
  const { scene, step, asked } = get().frame;
  return `${scene}${step}${asked ? '?' : ''}`;
};

function walked(step: () => void, times: number) {
  return Array.from({ length: times }, () => {
    step();
    return where();
  });
}

test('forward goes by the question of a step, and from scene to scene', () => {
  expect(walked(next, 7)).toEqual(['a0?', 'a1', 'a2', 'a2?', 'a3', 'b0', 'b1']);
});

test('there is nothing after the last step and nothing before the first', () => {
  set({ frame: frameAt('b', 1, false, 1) });
  expect(walked(next, 2)).toEqual(['b1', 'b1']);
  set({ frame: frameAt('a', 0, false, 3) });
  expect(walked(back, 2)).toEqual(['a0', 'a0']);
});

test('back goes exactly the way that forward came', () => {
  const there = [where(), ...walked(next, 7)];
  expect(walked(back, 7)).toEqual(there.slice(0, -1).reverse());
});

test('a refusal of the core leaves the class where it is, and is told', () => {
  fakeDoor(() => new Error('This step no longer fits.'));
  next();
  expect(where()).toBe('a0');
  expect(get().notice?.text).toBe('This step no longer fits.');
});

test('a scene that is gone is not walked', () => {
  set({ frame: frameAt('gone', 1, false, 3) });
  const asked = fakeDoor(() => undefined);
  next();
  back();
  expect(asked).toEqual([]);
});
