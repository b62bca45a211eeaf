import { chromium } from '@playwright/test';
import { startApp } from './app.mjs';
import { launch } from './browser.mjs';
const app = await startApp();
const browser = await chromium.launch(launch);
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: app.url });
const page = await context.newPage();
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
const shot = (n) => page.screenshot({ path: `/tmp/w/shots/${n}.png` });
const made = await page.request.post('/api/lessons', {
  data: {
    format: 2,
    id: '',
    title: 'By hand',
    objective: 'Ten ones make one ten. Nothing is lost.',
    words: {},
    scenes: [
      {
        id: 'a',
        title: 'How many bulbs?',
        start: {
          models: [
            {
              kind: 'blocks',
              pieces: [
                { place: 'tens', count: 3 },
                { place: 'ones', count: 6 },
              ],
            },
          ],
        },
        show: ['numeral'],
      },
    ],
  },
});
const { id } = await made.json();
await page.goto(`/lesson/${id}`);
await page.getByRole('button', { name: 'New board' }).click();
await page.getByRole('menuitem', { name: 'Objective and words' }).click();
const d = page.getByRole('dialog');
for (const w of ['Bundle', 'Digit', 'More and fewer', 'Remainder', 'Number bond'])
  await d.getByRole('button', { name: w, exact: true }).click();
await d.getByLabel('The word').click();
await page.keyboard.type('tray');
await d.getByLabel('What it means').click();
await page.keyboard.type('A tray holds a hundred bulbs.');
await d.getByLabel('The number').click();
await page.keyboard.type('100');
await page.waitForTimeout(500);
await shot('o1');
await d.getByRole('button', { name: /Add \d+ pages/ }).click();
await page.waitForTimeout(500);
await page.goto(`/lesson/${id}/present`);
await page.getByRole('button', { name: 'Next' }).waitFor();
await page.waitForTimeout(800);
await shot('o2');
for (let i = 0; i < 7; i++) {
  await page.keyboard.press('ArrowRight');
  await page.waitForTimeout(300);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.waitForTimeout(500);
  await shot(`p${i}`);
}
await context.close();
await browser.close();
await app.stop();
