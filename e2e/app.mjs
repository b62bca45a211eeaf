// Starts the built binary on a free port with a database of its own.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const binary = join(dirname(fileURLToPath(import.meta.url)), '../bin/unitbloom');

/** @param {{data?: string, port?: number, flags?: string[]}} [options] */
export async function startApp(options = {}) {
  const folder = options.data ? undefined : mkdtempSync(join(tmpdir(), 'unitbloom-'));
  const data = options.data ?? join(folder ?? '.', 'demo.db');
  const child = spawn(
    binary,
    ['demo', '--data', data, '--port', String(options.port ?? 0), ...(options.flags ?? [])],
    {
      stdio: ['ignore', 'pipe', 'inherit'],
    },
  );
  let said = '';
  const url = await new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`the application ended with ${code}`)));
    child.stdout.on('data', (text) => {
      said += String(text);
      const found = /http:\/\/\S+/.exec(said);
      if (found) resolve(found[0]);
    });
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  return {
    url: String(url),
    data,
    /** What it has said so far, where it was started. */
    said: () => said,
    async stop(signal = 'SIGTERM') {
      child.kill(/** @type {NodeJS.Signals} */ (signal));
      await ended;
      if (folder && signal === 'SIGTERM') rmSync(folder, { recursive: true, force: true });
    },
  };
}
