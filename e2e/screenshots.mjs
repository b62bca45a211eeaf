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

try {
  await visit(async ({ page, shot, scene, lesson }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'How many bulbs' }).waitFor();
    await shot('shelf');
    await lesson('How many bulbs');
    await page.locator('[data-piece]').first().waitFor();
    await shot('blocks');
    await scene('Can we fill a bag');
    await page.getByRole('button', { name: 'Bundle' }).last().click();
    await shot('refusal');
    await scene('Thirteen single bulbs');
    await page.getByRole('button', { name: 'Open mat' }).click();
    await page.waitForTimeout(700);
    await page.locator('[data-piece]').nth(2).click();
    await page.locator('[data-piece]').nth(3).click();
    await shot('mat');
    await page.keyboard.press('Escape');
    await scene('Fourteen bags');
    await page.getByRole('button', { name: 'Sketch' }).click();
    await shot('sketch');
    await scene('One tray');
    await page.getByRole('button', { name: 'Cover', exact: true }).click();
    await page.getByText('Cover tens').click();
    await shot('cover');
    await lesson('Making ten');
    await page.locator('.rack').waitFor();
    await shot('rack');
    await scene('42 on blocks');
    await shot('two-models');
    await lesson('Two deliveries');
    await page
      .getByRole('button', { name: /^Step 6:/ })
      .first()
      .click();
    await shot('example');
    await page.getByRole('button', { name: 'New worked example' }).click();
    await page.getByPlaceholder('146 + 87').fill('58 + 67');
    await shot('new-example');
    await page.keyboard.press('Escape');
    await page
      .getByRole('button', { name: /^Step 3:/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Present' }).click();
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
      await page.waitForTimeout(1500);
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
} finally {
  await browser.close();
  await app.stop();
}
