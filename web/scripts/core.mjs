// Builds the core for the browser, with Go's own loader beside it.
import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';

const out = 'web/src/core/generated';
mkdirSync(out, { recursive: true });
// Calls are not copied into their callers where no act is slower for it by anything that can be
// measured: a twelfth of the module.
const own = [
  'method',
  'lesson',
  'form',
  'say',
  'sentence',
  'mistake',
  'task',
  'word',
  'chance',
  'door',
  'board',
  'place',
].concat(['pieces', 'rack', 'cubes', 'counters', 'discs'].map((model) => `model/${model}`));
const library =
  'fmt time slices sync sync/... iter cmp unique syscall/... os reflect syscall internal/... io/... errors sort path context strings bytes maps encoding/... math/... unicode/...'.split(
    ' ',
  );
const rare = [...own.map((name) => `unitbloom/core/${name}`), ...library].map(
  (name) => `-gcflags=${name}=-l`,
);
execFileSync(
  'go',
  ['build', '-trimpath', '-ldflags', '-s -w', ...rare, '-o', join(out, 'core.wasm'), './cmd/corewasm'],
  {
    env: { ...process.env, GOOS: 'js', GOARCH: 'wasm' },
    stdio: 'inherit',
  },
);
const root = execFileSync('go', ['env', 'GOROOT'], { encoding: 'utf8' }).trim();
copyFileSync(join(root, 'lib/wasm/wasm_exec.js'), join(out, 'wasm_exec.js'));
