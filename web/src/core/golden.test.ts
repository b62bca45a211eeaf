// The module that browsers run answers the golden corpus byte for byte as the
// native door does.
import { readFileSync } from 'node:fs';
import { beforeAll, expect, test } from 'vitest';

let core: (op: string, arg: string) => string;

beforeAll(async () => {
  // @ts-expect-error Go's loader is a script without types; it defines Go.
  await import('./generated/wasm_exec.js');
  const go = new globalThis.Go();
  const bytes = readFileSync(new URL('./generated/core.wasm', import.meta.url));
  const { instance } = await WebAssembly.instantiate(bytes, go.importObject);
  void go.run(instance);
  core = globalThis.unitbloomCore!;
});

/** Cuts a line of the corpus into its call and answer without parsing the answer anew. */
function parts(line: string) {
  const at = line.indexOf(',"out":');
  const call = JSON.parse(`${line.slice(0, at)}}`) as { op: string; arg: unknown };
  // The argument is sent as the corpus has it, byte for byte.
  const arg = line.slice(line.indexOf(',"arg":') + 7, at);
  return { op: call.op, arg, out: line.slice(at + 7, -1) };
}

// The whole corpus takes its time where others work beside it.
test('the corpus', { timeout: 120_000 }, () => {
  const file = new URL('../../../core/door/testdata/golden.jsonl', import.meta.url);
  const lines = readFileSync(file, 'utf8').trim().split('\n');
  expect(lines.length).toBeGreaterThan(200);
  for (const [n, line] of lines.entries()) {
    const { op, arg, out } = parts(line);
    expect(core(op, arg), `line ${n + 1}: ${op} ${arg.slice(0, 200)}`).toBe(out);
  }
});

test('a wrong call is answered, not thrown', () => {
  expect(JSON.parse(core('nothing', '{}'))).toHaveProperty('error.code', 'unknown-operation');
  expect(JSON.parse(core('apply', 'no JSON'))).toHaveProperty('error.text');
});
