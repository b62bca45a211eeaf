// The module that browsers run answers the golden files byte for byte as the
// native door does.
import { readdirSync, readFileSync } from 'node:fs';
import { beforeAll, expect, test } from 'vitest';

const golden = new URL('../../../core/door/testdata/golden/', import.meta.url);
const bytes = readFileSync(new URL('./generated/core.wasm', import.meta.url));

let core: (op: string, arg: string) => string;

beforeAll(async () => {
  // @ts-expect-error Go's loader is a script without types; it defines Go.
  await import('./generated/wasm_exec.js');
  const go = new globalThis.Go();
  const { instance } = await WebAssembly.instantiate(bytes, go.importObject);
  void go.run(instance);
  core = globalThis.unitbloomCore!;
});

interface Call {
  op: string;
  arg: string;
  out: string;
}

/** Cuts a line into its call and answer without parsing the answer anew. */
function parts(line: string): Call {
  const at = line.indexOf(',"out":');
  const { op } = JSON.parse(`${line.slice(0, at)}}`) as { op: string };
  // The argument is sent as the file has it, byte for byte.
  return { op, arg: line.slice(line.indexOf(',"arg":') + 7, at), out: line.slice(at + 7, -1) };
}

/** Each file has a door of its own; here one module has them all, so that its handles count on. */
let handles = 0;
const numbered = (text: string, from: number, to: number) =>
  text.replace(`"handle":${from}`, `"handle":${to}`);

const folders = readdirSync(golden);

// All of them take their time where others work beside them.
test.each(folders)('%s', { timeout: 120_000 }, (folder) => {
  const files = readdirSync(new URL(`${folder}/`, golden));
  expect(files.length).toBeGreaterThan(0);
  for (const file of files) {
    const lines = readFileSync(new URL(`${folder}/${file}`, golden), 'utf8').trim().split('\n');
    const opens = lines.some((line) => line.startsWith('{"op":"open"'));
    if (opens) handles++;
    for (const [n, line] of lines.entries()) {
      const { op, arg, out } = parts(line);
      const answer = core(op, numbered(arg, 1, handles));
      expect(numbered(answer, handles, 1), `${folder}/${file}, line ${n + 1}: ${op} ${arg.slice(0, 200)}`).toBe(out);
    }
  }
});

test('there are files for every model', () => {
  for (const kind of ['blocks', 'rack', 'counters', 'cubes', 'discs', 'board']) expect(folders).toContain(kind);
});

test('a wrong call is answered, not thrown', () => {
  expect(JSON.parse(core('nothing', '{}'))).toHaveProperty('error.code', 'unknown-operation');
  expect(JSON.parse(core('apply', 'no JSON'))).toHaveProperty('error.text');
});
