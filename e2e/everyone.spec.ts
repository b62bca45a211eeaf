import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { blocks, expect, open, pieces, rack, says, settled, test, type } from './teacher';

async function sound(page: Page) {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
}

test('axe finds nothing on the shelf and on boards', async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto('/');
  await expect(page.getByText('Two deliveries')).toBeVisible();
  await sound(page);
  await page.getByRole('button', { name: 'New lesson' }).click();
  await settled(page);
  await sound(page);
  await page.keyboard.press('Escape');
  await open(page, []);
  await sound(page);
  await open(page, [blocks({ hundreds: 1, tens: 4, ones: 13 }), rack(6, 8)]);
  await pieces(page, 'tens').first().click();
  await settled(page);
  await sound(page);
});

test('axe finds nothing on worked examples, made and presented', async ({ page }) => {
  test.setTimeout(120_000);
  await open(page, [blocks({ ones: 3 })]);
  await page.getByRole('button', { name: 'New worked example' }).click();
  await page.getByRole('dialog').getByRole('textbox').fill('58 + 67');
  await settled(page);
  await sound(page);
  await page.getByRole('button', { name: 'Add to the lesson' }).click();
  await page.getByRole('button', { name: /^Step 5:/ }).click();
  await settled(page);
  await sound(page);
  await page.getByRole('button', { name: 'Present' }).click();
  await settled(page);
  await sound(page);
});

const boards = { laptop: [1280, 800], phone: [390, 844], board: [1920, 1080], wall: [3840, 2160] } as const;
for (const [name, [width, height]] of Object.entries(boards)) {
  test(`nothing is cut off at the side on a ${name}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await open(page, [blocks({ hundreds: 2, tens: 4, ones: 6 })]);
    const wide = () =>
      page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(await wide()).toBe(0);
    const board = (await page.locator('.room').boundingBox())!;
    for (const piece of await pieces(page, 'hundreds').all()) {
      const box = (await piece.boundingBox())!;
      expect(box.x).toBeGreaterThanOrEqual(board.x);
      expect(box.x + box.width).toBeLessThanOrEqual(board.x + board.width);
    }
    await page.getByRole('button', { name: 'Present' }).click();
    await settled(page);
    expect(await wide()).toBe(0);
    const size = await page
      .locator('.zone-count')
      .first()
      .evaluate((e) => parseFloat(getComputedStyle(e).fontSize));
    if (width >= 1280) expect(size).toBeGreaterThanOrEqual((48 * Math.min(width, 1920)) / 1280);
  });
}

test.describe('a touch board', () => {
  test.use({ hasTouch: true });
  test('pieces are tapped and beads pushed by finger', async ({ page }) => {
    await open(page, [blocks({ ones: 12 }), rack(0)]);
    await settled(page);
    await pieces(page, 'ones').nth(3).tap();
    await expect(page.getByRole('toolbar')).toContainText('1 selected');
    await page.getByRole('toolbar').getByRole('button', { name: 'Take away' }).tap();
    await expect(says(page, 'numeral').first()).toHaveText('11');
    await page.locator('.rack [data-piece]').nth(6).tap();
    await expect(says(page, 'numeral').nth(1)).toHaveText('7');
    await page.getByRole('button', { name: 'Bundle' }).last().tap();
    await expect(says(page, 'unitForm').first()).toHaveText('1 ten 1 one');
  });
  test('what is touched is large enough for a finger', async ({ page }) => {
    await open(page, [blocks({ tens: 4, ones: 12 }), rack(3, 4)]);
    await pieces(page, 'tens').first().tap();
    for (const button of await page.locator('.room button:visible, .tile-line button:visible').all()) {
      const box = (await button.boundingBox())!;
      const name = (await button.getAttribute('aria-label')) ?? (await button.textContent());
      if (name?.match(/^(tens|ones|taken)/)) continue; // headings, which the whole column stands for
      expect(Math.min(box.width, box.height), name ?? '').toBeGreaterThanOrEqual(40);
    }
  });
});

test('on a phone a number is built, bundled and presented', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, [blocks({})]);
  await type(page, '38');
  await page.getByRole('button', { name: 'Add 1 one' }).click();
  await page.getByRole('button', { name: 'Add 1 one' }).click();
  await page.getByRole('button', { name: 'Bundle' }).last().click();
  await expect(says(page, 'unitForm')).toHaveText('4 tens');
  await page.getByRole('button', { name: 'Present' }).click();
  await expect(page.getByRole('button', { name: 'Quit' })).toBeInViewport();
});

test('with reduced motion nothing travels', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, [blocks({ ones: 10 })]);
  await page.getByRole('button', { name: 'Bundle' }).last().click();
  const moving = await pieces(page, 'tens').evaluate((e) => getComputedStyle(e).transitionDuration);
  expect(moving).toBe('0s');
});
