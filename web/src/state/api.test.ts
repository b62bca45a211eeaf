import { afterEach, expect, test, vi } from 'vitest';
import { api, ApiError } from './api';

const save = { operation: 'op-1', base: 1, format: 2, edits: [], holder: 'tab' };

function answers(body: BodyInit | null, init: ResponseInit = {}) {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(body, init)));
}

async function refused(work: Promise<unknown>): Promise<ApiError> {
  const error: unknown = await work.then(
    () => undefined,
    (e: unknown) => e,
  );
  expect(error).toBeInstanceOf(ApiError);
  return error as ApiError;
}

afterEach(() => vi.unstubAllGlobals());

test('only our own answer to this operation is an acknowledgement', async () => {
  answers('{"operation":"op-1","rev":2}');
  expect(await api.save('bulbs', save)).toBe(2);
  for (const other of [
    '<!doctype html><title>Sign in to the school network</title>',
    '{"rev":2}',
    '{"operation":"op-2","rev":2}',
    '{"operation":"op-1"}',
    '{"operation":"op-1","rev":"2"}',
    'null',
    '7',
    '',
  ]) {
    answers(other);
    const e = await refused(api.save('bulbs', save));
    expect(e.ours, other).toBe(false);
    expect(e.message).toContain('answered in the server’s place');
  }
});

test('a refusal is ours when it is in our words, and a stranger’s else', async () => {
  for (let status = 400; status < 600; status++) {
    answers('{"error":{"code":"edit","text":"This change was refused."}}', { status });
    expect(await refused(api.save('bulbs', save))).toMatchObject({ status, code: 'edit', ours: true });
    answers('<h1>No</h1>', { status });
    expect(await refused(api.save('bulbs', save))).toMatchObject({ status, code: 'not-ours', ours: false });
  }
});

test('a redirect, a request that breaks off and one that takes too long are none of ours', async () => {
  vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
    expect(init.redirect).toBe('manual');
    return Promise.resolve({ type: 'opaqueredirect', status: 0, ok: false, headers: new Headers() });
  });
  expect(await refused(api.save('bulbs', save))).toMatchObject({ code: 'not-ours', ours: false });
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
  expect(await refused(api.save('bulbs', save))).toMatchObject({ status: 0, code: 'offline' });
  vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
    expect(init.signal).toBeInstanceOf(AbortSignal);
    return Promise.reject(new DOMException('timed out', 'TimeoutError'));
  });
  expect(await refused(api.save('bulbs', save))).toMatchObject({ status: 0, code: 'offline' });
});

test('a lesson is made under the id that this device gave it', async () => {
  answers('{"id":"bulbs-1","title":"Bulbs","rev":1}', { status: 201 });
  expect(await api.make('bulbs-1', {})).toEqual({ id: 'bulbs-1', title: 'Bulbs', rev: 1 });
  answers('{"id":"other","title":"Bulbs","rev":1}', { status: 201 });
  expect((await refused(api.make('bulbs-1', {}))).ours).toBe(false);
});

test('a shelf or a lesson that is not ours is not shown', async () => {
  answers('{"welcome":"to the network"}');
  await refused(api.shelf({}));
  await refused(api.face('bulbs', 1));
  await refused(api.get('bulbs'));
});
