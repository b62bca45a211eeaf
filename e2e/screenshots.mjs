// The pictures of docs/screenshots, made from the demo lessons.
import { chromium } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { startApp } from './app.mjs';
import { whole } from './browser.mjs';

const folder = 'docs/screenshots';
mkdirSync(folder, { recursive: true });
const app = await startApp();
const browser = await chromium.launch(whole);

/** Runs in a page of its own, and keeps the pictures that are taken in it. */
async function visit(run, viewport = { width: 1280, height: 800 }, extra = {}) {
  const context = await browser.newContext({ viewport, baseURL: app.url, ...extra });
  const page = await context.newPage();
  const shot = async (name, options = {}) => {
    await page.mouse.move(2, 2);
    await page.waitForTimeout(1000);
    await page.screenshot({ path: `${folder}/${name}.png`, ...options });
  };
  const scene = (name) => page.getByRole('button', { name, exact: false }).first().click();
  const lesson = async (title) => {
    await page.goto('/');
    // Only cards in sight are there: what was opened meanwhile may stand above it.
    await page.getByRole('searchbox', { name: 'Search the lessons' }).pressSequentially(title);
    await page.getByRole('link', { name: title }).click();
    await page.locator('.stem').waitFor();
  };
  await run({ page, shot, scene, lesson });
  await context.close();
}

/** A child's device at her tile, by the code. */
async function atDesk(page, code, name) {
  await page.goto(`/desk?code=${code}`);
  await page.getByRole('button', { name: new RegExp(name) }).click();
  await page.getByRole('button', { name: 'Add 1 ten' }).waitFor();
}

try {
  await visit(async ({ page, shot, scene, lesson }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'How many bulbs' }).waitFor();
    await page.locator('.Card_card svg').nth(7).waitFor();
    await shot('shelf');
    await page.getByRole('textbox', { name: 'What shall the class see?' }).pressSequentially('14 − 6');
    await page.getByRole('list', { name: 'Ways to show it' }).waitFor();
    await shot('wish');
    await lesson('How many bulbs');
    await page.locator('[data-piece]').first().waitFor();
    await shot('blocks');
    await scene('Fourteen bags');
    await page.getByRole('button', { name: 'Sketch' }).click();
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Print' }).click();
    await page.getByRole('menuitem', { name: 'A sheet for children' }).click();
    await page.getByRole('region', { name: /^Page 1/ }).waitFor();
    await shot('paper');
    await lesson('Making ten');
    await page.locator('.rack_rack').waitFor();
    await shot('rack');
    await lesson('Counters in frames');
    await page.locator('[data-piece]').first().waitFor();
    await shot('counters');
    await lesson('Trains of nine');
    await page.locator('[data-piece]').first().waitFor();
    await shot('cubes');
    await lesson('Ten times as many');
    await page.locator('[data-piece]').first().waitFor();
    await page.getByRole('button', { name: 'Shift digits' }).click();
    await page.getByRole('button', { name: '× 10', exact: true }).click();
    await page.waitForTimeout(900);
    await page.mouse.click(900, 700);
    await shot('discs');
    await lesson('Two deliveries');
    await page.getByRole('button', { name: 'Add next' }).click();
    await page.getByRole('button', { name: 'A worked example with options' }).click();
    await page.locator('.ExampleDialog_problem').click({ clickCount: 3 });
    await page.keyboard.type('58 + 67');
    await shot('new-example');
    await page.keyboard.press('Escape');
    await page
      .getByRole('button', { name: /^Step 4:/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Present' }).click();
    await page.locator('.Composition_board').waitFor();
    await page.keyboard.press('ArrowRight');
    await shot('present-ask');
    await page.keyboard.press('ArrowRight');
    await page.waitForTimeout(1200);
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.waitForTimeout(1200);
    await shot('present-step');
  });
  await visit(
    async ({ page, shot, lesson }) => {
      await lesson('Two deliveries');
      await page.getByRole('button', { name: '264 + 158', exact: false }).first().click();
      await page.getByRole('button', { name: 'Present' }).click();
      await page.locator('.Composition_board').waitFor();
      for (let n = 0; n < 13; n++) await page.keyboard.press('ArrowRight');
      await page.waitForTimeout(4000);
      await shot('present-large');
    },
    { width: 1920, height: 1080 },
  );
  await visit(
    async ({ page, shot, lesson }) => {
      await lesson('How many bulbs');
      await page.locator('[data-piece]').first().waitFor();
      await page.getByRole('button', { name: 'Fourteen bags' }).click();
      await shot('phone', { fullPage: true });
    },
    { width: 390, height: 844 },
    { hasTouch: true },
  );
  await visit(async ({ page, shot, lesson }) => {
    await lesson('How many bulbs');
    await page.locator('[data-piece]').first().waitFor();
    await page.getByRole('button', { name: 'Add next' }).click();
    await page.getByRole('button', { name: 'Objective and words' }).click();
    await page.getByRole('region', { name: 'Words for 7-8' }).getByRole('button').nth(4).click();
    await page.getByRole('button', { name: 'Add 2 pages' }).click();
    await page.getByRole('button', { name: 'Present' }).click();
    await page.locator('.Composition_board').waitFor();
    for (let n = 0; n < 3; n++) await page.keyboard.press('ArrowRight');
    await shot('word');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('h');
    await page.keyboard.press('m');
    await page.getByLabel(/^Type a number/).click();
    await page.keyboard.type('46');
    await page.keyboard.press('Enter');
    await page.getByLabel('Write a line to keep').click();
    for (const line of ['26 + 10 = 36', '36 + 10 = 46', '46 + 10 = ?']) {
      await page.keyboard.type(line);
      await page.keyboard.press('Enter');
    }
    await shot('by-hand');
  });
  // A class: the wall, a child at her desk, work put up.
  let code = '';
  await visit(async ({ page, shot, lesson }) => {
    await page.goto('/classes');
    await page.getByRole('link', { name: /Bulb planters/ }).click();
    code = await page.locator('.ClassPage_code').innerText();
    const of = page.url();
    await page.getByRole('link', { name: 'Bags and single bulbs' }).click();
    await page.locator('.WallPage_group').nth(3).waitFor();
    await shot('wall');
    for (const line of ['1 hundred 4 tens 6 ones', '14 tens 6 ones', '1 hundred 6 tens 4 ones'])
      await page
        .locator('.WallPage_group', { has: page.getByText(line, { exact: true }) })
        .getByRole('button', { name: 'Put up' })
        .click();
    await page.goto(`${of}/board`);
    await page.locator('.Works_work').nth(2).waitFor();
    await shot('put-up');
    await lesson('Two deliveries');
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Set for a class' }).click();
    await page
      .getByRole('region', { name: 'As a child will see it' })
      .getByRole('listitem')
      .first()
      .waitFor();
    await shot('set');
  });
  await visit(
    async ({ page, shot }) => {
      await atDesk(page, code, 'Pim');
      for (const [one, n] of [
        ['hundred', 1],
        ['ten', 3],
        ['one', 16],
      ])
        for (let i = 0; i < n; i++) await page.getByRole('button', { name: `Add 1 ${one}` }).click();
      for (let i = 0; i < 2; i++) {
        await page.getByRole('button', { name: 'Hand in', exact: true }).click();
        await page.getByText('Not yet.').waitFor();
        if (i === 0) await page.getByRole('button', { name: 'Try again' }).click();
      }
      await page.getByText('Are there ten of any?').waitFor();
      await shot('desk');
    },
    { width: 1024, height: 768 },
    { hasTouch: true },
  );
} finally {
  await browser.close();
  await app.stop();
}
