import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { beforeAll, expect, test, vi } from 'vitest';
import { device, lessonsKept, patient } from './device';

// What the first version left on a device: two saves of a lesson without a format or
// a tab, and the lesson as the tab had it, under the lesson's name alone.
beforeAll(async () => {
  const old = await openDB('unitbloom', 1, {
    upgrade(d) {
      d.createObjectStore('pending', { keyPath: 'key', autoIncrement: true }).createIndex('lesson', 'lesson');
      d.createObjectStore('documents');
    },
  });
  for (const base of [1, 2]) {
    await old.add('pending', {
      lesson: 'bulbs',
      operation: `old-${base}`,
      base,
      edits: [{ kind: 'play', scene: 'a', moves: [{ kind: 'place', amount: '1 ten' }] }],
    });
  }
  await old.put('documents', { format: 1, title: 'Bulbs' }, 'bulbs');
  old.close();
});

test('an outbox of the first version opens', async () => {
  const left = await device.of('bulbs');
  expect(left.map((p) => [p.operation, p.base, p.format, p.tab])).toEqual([
    ['old-1', 1, undefined, undefined],
    ['old-2', 2, undefined, undefined],
  ]);
  expect(await device.document('bulbs', undefined)).toEqual({ format: 1, title: 'Bulbs' });
  await device.drop(left[0]!.key!);
  expect(await device.all()).toHaveLength(1);
});

test('each tab has its own picture of a lesson', async () => {
  await device.putDocument('bulbs', 'one', { title: 'One' });
  await device.putDocument('bulbs', 'two', { title: 'Two' });
  expect(await device.document('bulbs', 'one')).toEqual({ title: 'One' });
  await device.dropDocument('bulbs', 'one');
  expect(await device.document('bulbs', 'one')).toBeUndefined();
  expect(await device.document('bulbs', 'two')).toEqual({ title: 'Two' });
});

test('saves come back in the order in which they were made', async () => {
  for (const n of [5, 3, 4]) {
    await device.add({ lesson: 'seeds', tab: 't', operation: `${n}`, base: n, edits: [], format: 2 });
  }
  expect((await device.of('seeds')).map((p) => p.operation)).toEqual(['5', '3', '4']);
});

test('the lessons that were seen last can be opened without the network', async () => {
  for (let n = 0; n < 63; n++)
    await lessonsKept.put({ id: `l${n}`, rev: n, lesson: { title: `${n}` }, at: n });
  await lessonsKept.put({ id: 'l5', rev: 9, lesson: { title: 'five' }, at: 100 });
  const all = await lessonsKept.all();
  expect(all).toHaveLength(60);
  expect(all.slice(0, 2).map((l) => l.id)).toEqual(['l5', 'l62']);
  expect(await lessonsKept.get('l5')).toMatchObject({ rev: 9, lesson: { title: 'five' } });
  expect(await lessonsKept.get('l0')).toBeUndefined();
  await lessonsKept.drop('l5');
  expect(await lessonsKept.get('l5')).toBeUndefined();
});

test('a storage that never answers is not waited for for ever', async () => {
  vi.useFakeTimers();
  const waited = expect(patient(new Promise(() => undefined))).rejects.toThrow('does not answer');
  await vi.advanceTimersByTimeAsync(5000);
  await waited;
  vi.useRealTimers();
});
