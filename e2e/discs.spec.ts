import { choose, discs, drag, expect, open, says, settled, setUp, test, type, verb, write } from './teacher';

const decimals = { bottom: 'hundredths', cards: true };

test('the whole number goes × 10 while the point stays, from a start row above', async ({ page }) => {
  await open(page, [discs({ ones: 3, hundredths: 5 }, decimals)], ['numeral']);
  await setUp(page, 'Shift digits');
  const point = page.locator('#board .point circle');
  const before = (await point.boundingBox())!;
  await page.getByRole('button', { name: '× 10', exact: true }).click();
  await expect(says(page, 'numeral')).toHaveText('30.5');
  await settled(page);
  expect(Math.abs((await point.boundingBox())!.x - before.x)).toBeLessThan(2);
  await expect(page.locator('[data-piece] .card-digit')).toHaveText(['3', '0', '5']);
  await expect(page.locator('#board .copied')).toHaveCount(8);
  await page.getByRole('button', { name: '÷ 1000' }).click();
  await expect(page.getByRole('alert')).toContainText('The tenths cannot go ÷ 1000');
  await expect(says(page, 'numeral')).toHaveText('30.5');
  await page.getByRole('button', { name: 'Put the start row away' }).click();
  await expect(page.locator('#board .copied')).toHaveCount(0);
});

test('discs are bundled and unbundled between columns, a hundred to ones in two stages', async ({ page }) => {
  await open(page, [discs({ hundreds: 1, tens: 2, ones: 13 })]);
  await page.getByRole('button', { name: 'Bundle' }).last().click();
  await expect(says(page, 'unitForm')).toHaveText('1 hundred 3 tens 3 ones');
  await settled(page);
  await page.locator('[data-piece]').first().click();
  await (await verb(page, 'Unbundle into ones')).click();
  await expect(says(page, 'unitForm')).toHaveText('3 tens 103 ones');
  await page.getByRole('button', { name: 'Undo' }).click();
  await settled(page);
  const ten = page.locator('[data-piece]').nth(1);
  const ones = (await page.locator('.zone.column').nth(2).boundingBox())!;
  await drag(page, ten, { x: ones.x + ones.width / 2, y: ones.y + ones.height / 2 });
  await expect(says(page, 'unitForm')).toHaveText('1 hundred 2 tens 13 ones');
});

test('steps cross tens, columns appear when they are needed, words name them', async ({ page }) => {
  await open(page, [discs({ hundreds: 9, tens: 9, ones: 9 })], ['numeral', 'words']);
  await setUp(page, 'More or less');
  await page.getByRole('button', { name: 'ones: one more' }).click();
  await expect(says(page, 'numeral')).toHaveText('1000');
  await expect(page.getByRole('button', { name: 'thousands 1' })).toBeVisible();
  await page.getByRole('button', { name: 'ones: one fewer' }).click();
  await expect(says(page, 'numeral')).toHaveText('999');
  await choose(page, 'More', 'Words of the class');
  await write(
    page.getByLabel('Everyday names of the columns, from the ones up'),
    'bulbs, bags, trays, crates',
  );
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.locator('.columns_zone-unit').last()).toHaveText('bulbs');
});

test('discs are shared place by place on tracks', async ({ page }) => {
  await open(page, [discs({ hundreds: 7, tens: 2, ones: 6 }, { groups: 3 })], ['shared']);
  await setUp(page, 'Share');
  await page.getByRole('button', { name: 'Share the hundreds' }).click();
  await expect(says(page, 'shared')).toHaveText('3 groups of 200, 126 left over');
  await page.getByRole('button', { name: 'Share the tens' }).click();
  await expect(page.getByRole('alert')).toContainText('2 tens left here. One for each of 3 groups needs 3.');
  await page.getByRole('button', { name: 'Gather again' }).click();
  await expect(says(page, 'shared')).toHaveText('3 groups of 0, 726 left over');
});

test('dots, rows for addends, and digit cards alone', async ({ page }) => {
  await open(page, [discs({})], ['numeral', 'bond']);
  await type(page, '146 + 87');
  await expect(says(page, 'bond')).toHaveText('233 = 146 + 87');
  await choose(page, 'Show as', 'Plain dots');
  await expect(page.locator('[data-piece] .worth')).toHaveCount(0);
  await setUp(page, 'Chart');
  await page.getByRole('button', { name: 'Join the rows' }).click();
  await expect(says(page, 'bond')).toHaveText('–');
  await write(page.getByLabel('Digit cards alone'), '40.50');
  await page.getByRole('button', { name: 'Lay' }).click();
  await expect(page.locator('[data-piece] .card-digit')).toHaveText(['4', '0', '5', '0']);
  await expect(says(page, 'numeral')).toHaveText('0');
});

test.describe('by finger and by keys', () => {
  test.use({ hasTouch: true });
  test('a number is built, a disc shifted', async ({ page }) => {
    await open(page, [discs({ ones: 4 })], ['numeral']);
    await page.getByRole('button', { name: 'Add 1 ten' }).tap();
    await expect(says(page, 'numeral')).toHaveText('14');
    await settled(page);
    await page.locator('svg.pieces').first().focus();
    await page.keyboard.press(' ');
    await (await verb(page, '× 10')).focus();
    await page.keyboard.press('Enter');
    await expect(says(page, 'numeral')).toHaveText('23');
  });
});

test('digit cards alone shift with their zeros, and the first start stays', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, [discs({})], []);
  await setUp(page, 'Chart');
  await write(page.getByLabel('Digit cards alone'), '120');
  await page.keyboard.press('Enter');
  const cards = page.locator('[data-piece] .card-digit');
  await expect(cards).toHaveText(['1', '2', '0']);
  await page.keyboard.press('Escape');
  await setUp(page, 'Shift digits');
  await page.getByRole('button', { name: '÷ 10', exact: true }).click();
  await page.getByRole('button', { name: '÷ 10', exact: true }).click();
  await expect(cards).toHaveText(['1', '2', '0']);
  await expect(page.locator('#board .point')).toBeVisible();
  await expect(page.locator('#board .start-digit')).toHaveText(['1', '2', '0']);
  await expect(page.getByRole('alert')).toHaveText('Which zeros need not be written?');
  await page.getByRole('button', { name: 'Put away zeros that need not be written' }).click();
  await expect(cards).toHaveText(['1', '2']);
});
