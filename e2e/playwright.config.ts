import { defineConfig } from '@playwright/test';
import { launch } from './browser.mjs';

export default defineConfig({
  testDir: '.',
  outputDir: './results',
  timeout: 60_000,
  expect: { timeout: 15_000 },
  workers: 2,
  forbidOnly: true,
  reporter: [['line']],
  use: { viewport: { width: 1280, height: 800 }, launchOptions: launch, screenshot: 'only-on-failure' },
});
