import {
  centre,
  choose,
  counters,
  drag,
  expect,
  open,
  present,
  says,
  settled,
  setUp,
  test,
  type,
  verb,
  write,
} from './teacher';

const tens = { frames: [{ rows: 2, columns: 5 }] };

test('typed counters fill the frame, what does not fit stays beside, a tap turns one over', async ({
  page,
}) => {
  await open(page, [counters(0, tens)], ['numeral', 'colours', 'empty']);
  await type(page, '8 + 5');
  await expect(says(page, 'numeral')).toHaveText('13');
  await expect(says(page, 'colours')).toHaveText('8 + 5 = 13');
  await expect(says(page, 'empty')).toHaveText('0 more makes 10');
  await settled(page);
  const frame = (await page.locator('.frame-cell').first().boundingBox())!;
  const last = (await page.locator('[data-piece]').nth(12).boundingBox())!;
  expect(last.y).toBeGreaterThan(frame.y + frame.height * 2);
  await page.locator('[data-piece]').first().click();
  await expect(says(page, 'colours')).toHaveText('7 + 6 = 13');
  await page.getByRole('button', { name: 'Add 1 mint' }).click();
  await expect(says(page, 'numeral')).toHaveText('14');
});

test('a counter that is let go over a frame goes into the cell there', async ({ page }) => {
  const frames = { frames: [...tens.frames, ...tens.frames] };
  await open(page, [counters(0, frames)], ['numeral']);
  await type(page, '13');
  await settled(page);
  const cell = (n: number) => centre(page.locator('.frame-cell').nth(n));
  const lies = (n: number) => centre(page.locator('[data-piece]').nth(n));
  await drag(page, page.locator('[data-piece]').last(), await cell(16));
  await settled(page);
  const [at, want] = [await lies(12), await cell(16)];
  expect(Math.hypot(at.x - want.x, at.y - want.y)).toBeLessThan(2);
  await drag(page, page.locator('[data-piece]').last(), await cell(4));
  await expect(page.getByRole('alert')).toHaveText('Frame 1 has room for 0 more, not for 1.');
  await expect(says(page, 'numeral')).toHaveText('13');
  await page.getByRole('button', { name: 'Undo' }).click();
  await settled(page);
  const home = await cell(12);
  expect(Math.abs((await lies(12)).x - home.x)).toBeLessThan(2);
});

test('parts go over one by one, change places, and stand in all ways', async ({ page }) => {
  await open(page, [counters(6, { frames: [{ rows: 1, columns: 6 }] })], ['colours', 'numeral']);
  await setUp(page, 'Parts');
  const less = page.getByRole('button', { name: 'First part: one fewer' });
  await less.click();
  await expect(says(page, 'colours')).toHaveText('5 + 1 = 6');
  await less.click();
  await expect(says(page, 'colours')).toHaveText('4 + 2 = 6');
  await page.getByRole('button', { name: 'Swap the parts' }).click();
  await expect(says(page, 'colours')).toHaveText('2 + 4 = 6');
  await page.getByRole('button', { name: 'All ways with both colours' }).click();
  await expect(page.locator('#board .mat-caption')).toHaveText(['5 + 1', '4 + 2', '3 + 3', '2 + 4', '1 + 5']);
  await page.getByRole('button', { name: 'Undo' }).click();
  await setUp(page, 'Parts');
  await page.getByRole('button', { name: 'All ways as counters', exact: true }).click();
  await expect(page.locator('#board .mat-caption')).toHaveCount(7);
  await page.getByRole('button', { name: 'Undo' }).click();
  await setUp(page, 'Parts');
  await page.getByRole('button', { name: 'All ways beside it', exact: true }).click();
  await expect(page.locator('figure .mat-caption')).toHaveCount(7);
  await expect(says(page, 'numeral')).toHaveText('6');
});

test('counters are shared round by round, gathered, and made into groups of a size', async ({ page }) => {
  await open(page, [counters(14)], ['shared', 'numeral']);
  await setUp(page, 'Groups');
  for (let n = 0; n < 4; n++) await page.getByRole('button', { name: 'Groups: one more' }).click();
  await page.getByRole('button', { name: 'Deal one', exact: true }).click();
  await expect(says(page, 'shared')).toHaveText('1, 0, 0, 0, and 13 left over');
  await page.getByRole('button', { name: 'Undo' }).click();
  await setUp(page, 'Groups');
  await page.getByRole('button', { name: 'Deal one round' }).click();
  await expect(says(page, 'shared')).toHaveText('4 groups of 1, 10 left over');
  await page.getByRole('button', { name: 'Share all' }).click();
  await expect(says(page, 'shared')).toHaveText('4 groups of 3, 2 left over');
  await page.getByRole('button', { name: 'Share all' }).click();
  await expect(page.getByRole('alert')).toHaveText('2 left. One for each of 4 groups needs 4.');
  await page.getByRole('button', { name: 'Groups: one more' }).click();
  await expect(says(page, 'numeral')).toHaveText('14');
  await page.getByRole('button', { name: 'Gather again' }).click();
  await expect(says(page, 'shared')).toHaveText('5 groups of 0, 14 left over');
  await write(page.getByLabel('Groups of'), '4');
  await page.getByRole('button', { name: 'Make them' }).click();
  await expect(says(page, 'shared')).toHaveText('3 groups of 4, 2 left over');
});

test('an array is set, split, turned and grown', async ({ page }) => {
  await open(page, [counters(0)], ['array', 'numeral']);
  await setUp(page, 'Frames');
  await write(page.getByLabel('Rows', { exact: true }), '7');
  await write(page.getByLabel('Columns', { exact: true }), '6');
  await page.getByRole('button', { name: 'Full array' }).click();
  await expect(says(page, 'array')).toHaveText('7 rows of 6: 7 × 6 = 42');
  const shade = page.getByRole('button', { name: 'Shade after rows: one more' });
  for (let n = 0; n < 5; n++) await shade.click();
  await expect(says(page, 'array')).toContainText('7 × 6 = 5 × 6 + 2 × 6');
  await expect(page.locator('#board .frame-cell.shaded')).toHaveCount(12);
  await page.getByRole('button', { name: 'Turn on its side' }).click();
  await expect(says(page, 'array')).toContainText('6 rows of 7');
  await page.getByRole('button', { name: 'Rows of the first frame: one more' }).click();
  await expect(says(page, 'numeral')).toHaveText('49');
  await page.getByRole('button', { name: 'Count along the edge' }).click();
  await expect(page.locator('#board .mat-caption')).toHaveText(['7', '14', '21', '28', '35', '42', '49']);
});

test('shapes change together, the unit is renamed, and lines of five are made after a scatter', async ({
  page,
}) => {
  await open(page, [counters(8)], ['counted', 'numeral']);
  await choose(page, 'Show as', 'Snail');
  await expect(says(page, 'counted')).toHaveText('8 snails');
  await setUp(page, 'Unit');
  await write(page.getByLabel('Each counter is one of these'), 'thousands');
  await page.getByRole('button', { name: 'Rename' }).click();
  await expect(says(page, 'counted')).toHaveText('8 thousands');
  await expect(says(page, 'numeral')).toHaveText('8000');
  await choose(page, 'Show as', 'Scatter');
  await choose(page, 'Show as', 'Lines of five');
  await settled(page);
  const rows = await page
    .locator('[data-piece]')
    .evaluateAll((all) => new Set(all.map((e) => Math.round(e.getBoundingClientRect().y))).size);
  expect(rows).toBe(2);
});

test.describe('by finger and by keys', () => {
  test.use({ hasTouch: true });
  test('counters are turned, moved into a group and taken away', async ({ page }) => {
    await open(page, [counters(6, { groups: 2 })], ['colours', 'shared', 'numeral']);
    await settled(page);
    await page.locator('[data-piece]').nth(1).tap();
    await expect(says(page, 'colours')).toHaveText('5 + 1 = 6');
    await drag(page, page.locator('[data-piece]').nth(0), await centre(page.locator('.zone.group').nth(1)));
    await expect(says(page, 'shared')).toHaveText('0, 1, and 5 left over');
    await page.locator('svg.pieces').first().focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press(' ');
    await expect(page.getByRole('toolbar', { name: /selected/ })).toContainText('1 selected');
    await (await verb(page, 'Take away')).tap();
    await expect(says(page, 'numeral')).toHaveText('5');
  });
});

test('a story stands on the board, and tells what lies there; before a class nothing of it is cut off', async ({
  page,
}) => {
  await open(page, [counters(5, tens)], []);
  const parts = await setUp(page, 'Parts');
  const field = parts.getByRole('textbox', { name: 'A story, its numbers in curly braces' });
  await field.click();
  await page.keyboard.type('{4} snails sit on the leaf, {1} bees fly');
  await page.keyboard.press('Enter');
  const told = page.locator('.Beside_beside');
  await expect(told).toHaveText('4 snails sit on the leaf, 1 bee flies.');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await page.getByRole('button', { name: 'Redo' }).click();
  await parts.getByRole('button', { name: 'First part: one fewer' }).click();
  await expect(told).toHaveText('3 snails sit on the leaf, 2 bees fly.');
  await present(page);
  await expect(told).toHaveText('3 snails sit on the leaf, 2 bees fly.');
  const cells = page.locator('.frame-cell');
  const room = (await page.locator('.stage').boundingBox())!;
  const text = (await told.locator('p').boundingBox())!;
  const last = (await cells.last().boundingBox())!;
  expect((await cells.first().boundingBox())!.y).toBeGreaterThanOrEqual(room.y);
  expect(text.y).toBeGreaterThanOrEqual(last.y + last.height);
  expect(text.y + text.height).toBeLessThanOrEqual(room.y + room.height);
  expect(text.height, 'in one line, wider than the frame').toBeLessThan(100);
});
