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
    words: {},
    record: [
      { text: '46 − 10 = 36', scene: 'a' },
      { text: '36 − 10 = 26', scene: 'a' },
    ],
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
await page.goto(`/lesson/${id}/present`);
await page.getByRole('button', { name: 'Next' }).waitFor();
await page.waitForTimeout(800);
await page.keyboard.press('m');
await page.waitForTimeout(500);
await shot('r1');
await page.getByLabel('Write a line to keep').click();
await page.keyboard.type('26 - 10 = ?');
await page.keyboard.press('Enter');
await page.keyboard.type('85 ÷ 4 = 21 r 1');
await page.keyboard.press('Enter');
await page.getByRole('button', { name: /What stayed/ }).click();
await page.waitForTimeout(300);
await page.getByRole('checkbox').nth(0).click();
await page.getByRole('checkbox').nth(3).click();
await page.waitForTimeout(300);
await page.getByRole('button', { name: 'Tell what was noticed' }).click();
await page.waitForTimeout(500);
await shot('r2');
await context.close();
await browser.close();
await app.stop();
