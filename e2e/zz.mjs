import { chromium } from '@playwright/test';
import { startApp } from './app.mjs';
import { launch } from './browser.mjs';
const app = await startApp();
const browser = await chromium.launch(launch);
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: app.url });
const page = await context.newPage();
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
const take = async (n) => {
  await page.getByRole('button', { name: 'Export' }).click();
  const [f] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Board as PNG' }).click(),
  ]);
  await f.saveAs(`/tmp/w/shots/${n}.png`);
};
for (const [i, t] of [
  'Two deliveries',
  'Counters in frames',
  'Ten times as many',
  'Making ten',
  'What is left',
  'Trains of nine',
].entries()) {
  await page.goto('/');
  await page.getByRole('link', { name: t }).click();
  await page.locator('.stem').waitFor();
  await page.waitForTimeout(700);
  const steps = page.locator('[data-step]');
  const n = await steps.count();
  if (n) {
    await steps.nth(n - 1).click();
    await page.waitForTimeout(1500);
  }
  await take(`x${i}`);
}
await context.close();
await browser.close();
await app.stop();
