import { defineConfig } from '@playwright/test';
import { launch } from './browser.mjs';

export default defineConfig({
  testDir: '.',
  outputDir: './results',
  timeout: 60_000,
  expect: { timeout: 15_000 },
  // Two keep two cores busy for four fifths of the time: now and then each waits for a piece to arrive.
  workers: 3,
  forbidOnly: true,
  // A run that nobody watches names what failed at its end, and gives a busy machine a second try;
  // what needed it is listed as flaky.
  reporter: [[process.env.CI ? 'dot' : 'line']],
  retries: process.env.CI ? 1 : 0,
  // What a service worker keeps is tested where it is meant: elsewhere requests are to be seen.
  use: {
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: launch,
    screenshot: 'only-on-failure',
  },
});
