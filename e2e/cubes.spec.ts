import { choose, drag, expect, open, says, settled, setUp, test, train, type, verb } from './teacher';

test('a train is typed in parts, snapped after a cube, and joined by dragging', async ({ page }) => {
  await open(page, [train()], ['numeral', 'bond', 'sentences']);
  await type(page, '5 + 4');
  await expect(says(page, 'bond')).toHaveText('9 = 5 + 4');
  await expect(says(page, 'sentences')).toHaveText('5 + 4 = 9; 4 + 5 = 9; 9 − 5 = 4; 9 − 4 = 5');
  await settled(page);
  await page.locator('[data-piece]').nth(2).click();
  await (await verb(page, 'Snap after')).click();
  await expect(says(page, 'bond')).toHaveText('9 = 3 + 6');
  await settled(page);
  const end = (await page.locator('[data-piece]').nth(2).boundingBox())!;
  await drag(page, page.locator('[data-piece]').nth(5), { x: end.x + 20, y: end.y + 20 });
  await expect(page.locator('.zone.train')).toHaveCount(1);
  await expect(says(page, 'numeral')).toHaveText('9');
  await expect(page.locator('svg.Beside_bond')).toHaveCount(0);
  await choose(page, 'Arrange', 'Number bond on the board');
  await expect(page.locator('svg.Beside_bond')).toContainText('9');
});

test('towers of ten, snaps at random, and the longest train first', async ({ page }) => {
  await open(page, [train()], ['numeral', 'unitForm', 'tenOnes']);
  await type(page, '13');
  await choose(page, 'Train 1', 'Make a tower of ten');
  await expect(says(page, 'unitForm')).toHaveText('1 ten 3 ones');
  await expect(says(page, 'tenOnes')).toHaveText('13 = 10 + 3');
  await choose(page, 'Trains', 'Open a tower');
  await expect(says(page, 'unitForm')).toHaveText('13 ones');
  await choose(page, 'Trains', 'Longest train first');
  await expect(page.locator('.zone-badge').first()).toHaveText('10');
  await choose(page, 'Train 1', 'Snap at random');
  await expect(page.locator('.zone.train')).toHaveCount(3);
  await expect(says(page, 'numeral')).toHaveText('13');
  await setUp(page, 'New train');
  await page.locator('.panel').getByRole('button', { name: '7', exact: true }).click();
  await expect(says(page, 'numeral')).toHaveText('20');
});

test.describe('by finger and by keys', () => {
  test.use({ hasTouch: true });
  test('cubes are coloured and taken away', async ({ page }) => {
    await open(page, [train(6)], ['numeral', 'bond']);
    await settled(page);
    await page.locator('[data-piece]').nth(4).tap();
    // The chosen cube now lies last, on the layer that is dragged.
    await page.locator('[data-piece]').nth(4).tap();
    await (await verb(page, 'Colour 3')).tap();
    await expect(says(page, 'bond')).toHaveText('6 = 4 + 2');
    await page.locator('svg.pieces').first().focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press(' ');
    await (await verb(page, 'Take away')).focus();
    await page.keyboard.press('Enter');
    await expect(says(page, 'numeral')).toHaveText('5');
    await page.keyboard.press('Control+z');
    await expect(says(page, 'numeral')).toHaveText('6');
  });
});
