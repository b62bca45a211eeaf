import { blocks, expect, open, present, test, type } from './teacher';

const digit = (page: import('@playwright/test').Page, cell: string) => page.locator(`[data-cell="${cell}"]`);

test('the written method stands beside a free board and follows the hand', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, [blocks({})], []);
  await page.getByRole('button', { name: 'Choose what is read out' }).click();
  await page.getByRole('button', { name: /Written method/ }).click();
  await type(page, '146 + 87');
  await expect(digit(page, 'addend 1 hundreds')).toHaveText('1');
  await expect(digit(page, 'addend 2 ones')).toHaveText('7');
  await expect(digit(page, 'sum ones')).toHaveCount(0);
  await page
    .getByRole('button', { name: /^Bundle/ })
    .last()
    .click();
  await expect(digit(page, 'mark tens')).toHaveText('1');
  await expect(digit(page, 'sum ones')).toHaveText('3');
  // The ten that became one is looped, and not crossed out as what is taken is.
  await expect(page.locator('#board .loop')).not.toHaveCount(0);
  await expect(page.locator('#board .strike')).toHaveCount(0);
  await present(page);
  await expect(digit(page, 'mark tens')).toBeVisible();
  // It is put away and comes again without leaving the stage.
  await page.keyboard.press('h');
  for (const shown of [false, true]) {
    await page.getByRole('button', { name: 'Arrange' }).click();
    await page.getByRole('menuitem', { name: /written method follows/ }).click();
    await expect(digit(page, 'mark tens')).toBeVisible({ visible: shown });
  }
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(digit(page, 'mark tens')).toHaveCount(0);
  await page.getByRole('button', { name: 'Choose what is read out' }).click();
  await page.getByRole('button', { name: /Written method/ }).click();
  await expect(page.getByRole('table', { name: 'Written method' })).toHaveCount(0);
});
