// Debian's Chromium, as the tests, the pictures and the measurements start it.
import { existsSync } from 'node:fs';

export const launch = {
  executablePath: process.env.CHROMIUM ?? ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
