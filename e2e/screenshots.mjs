// The pictures of docs/screenshots, made from the demo lessons.
import { chromium } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { startApp } from './app.mjs';
import { launch } from './browser.mjs';

const folder = 'docs/screenshots';
mkdirSync(folder, { recursive: true });
const app = await startApp();
const browser = await chromium.launch(launch);

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
    await page.getByRole('link', { name: title }).click();
    await page.locator('.stem').waitFor();
  };
  await run({ page, shot, scene, lesson });
  await context.close();
}

/** A ring round the tens, and a note beside them. */
async function draw(page) {
  const tens = await page.locator('.zone.column', { hasText: 'tens' }).boundingBox();
  const pens = page.getByRole('toolbar', { name: 'Pens' });
  await pens.getByRole('button', { name: 'berry' }).click();
  await pens.getByRole('button', { name: 'Ring' }).click();
  await page.mouse.move(tens.x + 8, tens.y + 4);
  await page.mouse.down();
  await page.mouse.move(tens.x + tens.width - 8, tens.y + tens.height - 10, { steps: 6 });
  await page.mouse.up();
  await pens.getByRole('button', { name: 'Note' }).click();
  await page.mouse.click(tens.x + tens.width * 0.42, tens.y + tens.height * 0.62);
  await page.getByRole('textbox', { name: 'Note' }).pressSequentially('fourteen bags of ten');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Draw' }).click();
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
    await page.getByRole('button', { name: 'Present' }).click();
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: 'A child’s way' }).click();
    for (const [said, name] of [
      ['8 and 2 more and 3', 'Mirren'],
      ['two fives and 3', 'Tavi'],
    ]) {
      await page.getByLabel('What was seen').click();
      await page.keyboard.type(said);
      await page.getByLabel('Whose way').click();
      await page.keyboard.type(name);
      await page.keyboard.press('Enter');
    }
    await shot('ways');
    await page.getByRole('button', { name: 'Done' }).click();
    await page.keyboard.press('Escape');
    await lesson('Counters in frames');
    await page.locator('[data-piece]').first().waitFor();
    await shot('counters');
    await scene('14 bulbs for 4 beds');
    await page.getByRole('button', { name: 'Set up', exact: true }).click();
    await page.getByRole('button', { name: 'Share all' }).click();
    await page.waitForTimeout(2200);
    await page.mouse.click(900, 700);
    await shot('groups');
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
    await lesson('How many bulbs');
    await scene('Fourteen bags');
    await page.waitForTimeout(500);
    await page.getByRole('button', { name: 'Draw' }).click();
    await page.waitForTimeout(600);
    await draw(page);
    await shot('ink');
    await lesson('What is left');
    await page
      .getByRole('button', { name: /^Step 5:/ })
      .first()
      .click();
    await page.waitForTimeout(2500);
    await shot('example');
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
    await page.getByRole('button', { name: 'Next', exact: true }).waitFor();
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
    await page.getByRole('button', { name: 'Next', exact: true }).waitFor();
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
} finally {
  await browser.close();
  await app.stop();
}
