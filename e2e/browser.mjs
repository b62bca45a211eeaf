// Debian's Chromium, as the tests, the pictures and the measurements start it.
import { existsSync } from 'node:fs';

const args = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
const first = (/** @type {string[]} */ paths) => process.env.CHROMIUM ?? paths.find(existsSync);

/** Without what draws windows, which saves a run a fifth of its time. It keeps no compiled code from load to load. */
export const launch = {
  executablePath: first(['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']),
  args,
};

/** The whole browser, as users have it: what takes time is measured in it, and pictures are taken. */
export const whole = { executablePath: first(['/usr/bin/chromium']), args };
