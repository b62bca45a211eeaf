import { blocks, choose, expect, open, rack, says, setUp, settled, test, type, write } from './teacher';

test('beads are pushed by drag and by tap', async ({ page }) => {
  await open(page, [rack(0, 0)], ['numeral', 'rows', 'pushes', 'missing']);
  const bead = (n: number) => page.locator('[data-piece]').nth(n);
  await settled(page);
  const seventh = (await bead(6).boundingBox())!;
  await page.mouse.move(seventh.x + 10, seventh.y + 10);
  await page.mouse.down();
  await page.mouse.move(seventh.x - 500, seventh.y + 10, { steps: 10 });
  await page.mouse.up();
  await expect(says(page, 'numeral')).toHaveText('7');
  await expect(says(page, 'missing')).toHaveText('7 and 3 make 10');
  await settled(page);
  await bead(10 + 4).click();
  await expect(says(page, 'rows')).toHaveText('7 + 5 = 12');
  await settled(page);
  await bead(5).click(); // on the reading side: it and what lies right of it go home
  await expect(says(page, 'rows')).toHaveText('5 + 5 = 10');
  await expect(says(page, 'pushes')).toHaveText('3');
});

test('several rows go in one push', async ({ page }) => {
  await open(page, [rack(0, 0, 0, 0)], ['numeral', 'pushes']);
  await settled(page);
  const first = (await page.locator('[data-piece]').nth(9).boundingBox())!;
  const last = (await page.locator('[data-piece]').nth(39).boundingBox())!;
  await page.mouse.move(first.x + 10, first.y + 10);
  await page.mouse.down();
  await page.mouse.move(first.x - 300, (first.y + last.y) / 2, { steps: 6 });
  await page.mouse.move(first.x - 600, last.y + 10, { steps: 6 });
  await page.mouse.up();
  await expect(says(page, 'numeral')).toHaveText('40');
  await expect(says(page, 'pushes')).toHaveText('1');
});

test('by keys, by typing, and home', async ({ page }) => {
  await open(page, [rack(0, 0, 0, 0, 0)], ['numeral', 'pushes', 'placeWords']);
  const row = page.getByRole('slider', { name: /^Row 2/ });
  await row.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('PageUp');
  await expect(row).toHaveAttribute('aria-valuenow', '6');
  await page.keyboard.press('ArrowRight');
  await expect(says(page, 'numeral')).toHaveText('5');
  await page.getByRole('button', { name: 'Push all home' }).click();
  await expect(says(page, 'pushes')).toHaveText('0');
  await type(page, '42');
  await expect(says(page, 'placeWords')).toHaveText('four ten two');
  await expect(says(page, 'pushes')).toHaveText('2');
  await type(page, '51');
  await expect(page.getByRole('alert')).toContainText('51 needs 6 rows. The rack has 5.');
  await setUp(page);
  await page.getByRole('button', { name: 'Rows: one fewer' }).click();
  await expect(page.getByRole('alert')).toContainText('Row 5 has 2 beads on the reading side.');
  await setUp(page);
  await page.getByRole('button', { name: 'Rows: one more' }).click();
  await type(page, '51');
  await expect(says(page, 'numeral')).toHaveText('51');
});

test('blocks and a rack stand side by side', async ({ page }) => {
  await open(page, [blocks({ tens: 1, ones: 4 })]);
  await choose(page, 'Add beside', 'Bead rack');
  await expect(page.getByRole('region', { name: /Bead rack/ }).first()).toBeVisible();
  await write(page.getByLabel('Type a number for the bead rack'), '14');
  await page.getByLabel('Type a number for the bead rack').press('Enter');
  await expect(says(page, 'numeral')).toHaveText(['14', '14']);
  await page
    .getByRole('region', { name: /Bead rack/ })
    .getByRole('button', { name: 'Set up' })
    .click();
  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(says(page, 'numeral')).toHaveText(['14']);
});
