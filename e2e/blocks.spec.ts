import {
  blocks,
  centre,
  drag,
  expect,
  open,
  pieces,
  press,
  says,
  settled,
  test,
  type,
  verb,
  write,
} from './teacher';

test('a typed number stands at once, as digits or as it is said in units', async ({ page }) => {
  await open(page, [blocks({})]);
  await type(page, '146');
  await expect(says(page, 'numeral')).toHaveText('146');
  await expect(pieces(page, 'hundreds')).toHaveCount(1);
  await expect(pieces(page, 'tens')).toHaveCount(4);
  await expect(pieces(page, 'ones')).toHaveCount(6);
  await type(page, '14 tens 6 ones');
  await expect(pieces(page, 'tens')).toHaveCount(14);
  await expect(says(page, 'unitForm')).toHaveText('14 tens 6 ones');
  await type(page, 'lots');
  await expect(page.getByRole('alert')).toContainText('Write it like 14 tens 6 ones');
  await expect(says(page, 'numeral')).toHaveText('146');
});

test('a number is built by hand, one by one or many at once', async ({ page }) => {
  await open(page, [blocks({})]);
  const one = page.getByRole('button', { name: 'Add 1 one' });
  for (let n = 1; n <= 6; n++) {
    await one.click();
    await expect(says(page, 'numeral')).toHaveText(String(n));
  }
  await page.getByRole('button', { name: 'Add several tens' }).click();
  await write(page.getByLabel(/How many tens/), '14');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(says(page, 'numeral')).toHaveText('146');
  await page.getByRole('button', { name: 'Put one of the ones away' }).click();
  await expect(says(page, 'numeral')).toHaveText('145');
  await expect(page.getByRole('status').filter({ hasText: 'put away' })).toHaveText('1 one put away. 145.');
});

test('ten and more ones are bundled, fewer are told how many are missing', async ({ page }) => {
  await open(page, [blocks({ tens: 2, ones: 6 })]);
  const bundle = page.getByRole('button', { name: 'Bundle' }).last();
  await bundle.click();
  await expect(page.getByRole('alert')).toHaveText('6 ones here. A ten needs 4 more.');
  await expect(pieces(page, 'ones')).toHaveCount(6);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  for (const [ones, left] of [
    [10, 0],
    [13, 3],
  ] as const) {
    while ((await pieces(page, 'ones').count()) < ones)
      await page.getByRole('button', { name: 'Add 1 one' }).click();
    await settled(page);
    await bundle.click();
    await expect(pieces(page, 'ones')).toHaveCount(left);
    await expect(pieces(page, 'tens')).toHaveCount(3);
    await expect(page.locator('#board .fresh')).toHaveCount(1);
    await expect(says(page, 'numeral')).toHaveText(String(20 + ones));
    await page.keyboard.press('Control+z');
    await expect(pieces(page, 'ones')).toHaveCount(ones);
    await page.keyboard.press('Control+Shift+z');
    await expect(pieces(page, 'tens')).toHaveCount(3);
    await page.keyboard.press('Control+z');
  }
});

test('pieces are chosen by tap and by ring, taken, crossed out and put back', async ({ page }) => {
  await open(page, [blocks({ tens: 2, ones: 8 })]);
  await settled(page);
  await pieces(page, 'ones').nth(0).click();
  await pieces(page, 'ones').nth(6).click();
  const strip = page.getByRole('toolbar');
  await expect(strip).toContainText('2 selected');
  await strip.getByRole('button', { name: 'Take away' }).click();
  await expect(says(page, 'numeral')).toHaveText('26');
  await expect(page.locator('.zone.taken')).toContainText('taken 2');

  await settled(page);
  // A ring drawn round the two tens.
  const a = (await pieces(page, 'tens').first().boundingBox())!;
  const b = (await pieces(page, 'tens').nth(1).boundingBox())!;
  await page.mouse.move(a.x - 10, a.y - 6);
  await page.mouse.down();
  for (const [x, y] of [
    [b.x + b.width + 8, a.y - 6],
    [b.x + b.width + 8, b.y + b.height + 6],
    [a.x - 10, b.y + b.height + 6],
    [a.x - 10, a.y - 4],
  ] as const)
    await page.mouse.move(x, y, { steps: 6 });
  await page.mouse.up();
  await expect(strip).toContainText('2 selected');
  await strip.getByRole('button', { name: 'Cross out' }).click();
  await expect(says(page, 'numeral')).toHaveText('6');
  await expect(page.locator('#board .strike')).toHaveCount(2);

  await page.locator('.zone.taken .columns_zone-name').click();
  await (await verb(page, 'Put back in play')).click();
  await expect(says(page, 'numeral')).toHaveText('8');
});

test('a ten is opened by dragging it to the ones, and bundled by dragging ten back', async ({ page }) => {
  await open(page, [blocks({ tens: 3, ones: 2 })]);
  await settled(page);
  await drag(page, pieces(page, 'tens').first(), await centre(page.locator('.zone.column').last()));
  await expect(says(page, 'unitForm')).toHaveText('2 tens 12 ones');
  await settled(page);
  await page.getByRole('button', { name: /^ones/ }).click();
  await drag(page, pieces(page, 'ones').first(), await centre(page.locator('.zone.column').first()));
  await expect(says(page, 'unitForm')).toHaveText('3 tens 2 ones');
  await expect(says(page, 'numeral')).toHaveText('32');
});

test('on the open mat pieces lie where they are put until they are tidied', async ({ page }) => {
  await open(page, [blocks({ tens: 1, ones: 3 })]);
  await press(page, 'Open mat');
  await expect(page.getByRole('button', { name: 'Columns', exact: true })).toBeVisible();
  await settled(page);
  const before = (await pieces(page, 'tens').boundingBox())!;
  const from = await centre(pieces(page, 'tens'));
  await drag(page, pieces(page, 'tens'), { x: from.x + 300, y: from.y + 20 });
  await settled(page);
  const after = (await pieces(page, 'tens').boundingBox())!;
  expect(Math.abs(after.x - before.x - 300)).toBeLessThan(4);
  await press(page, 'Tidy');
  await settled(page);
  expect(Math.abs((await pieces(page, 'tens').boundingBox())!.x - before.x)).toBeLessThan(4);
  await press(page, 'Columns');
  await press(page, 'Sketch');
  await expect(says(page, 'numeral')).toHaveText('13');
});

test('all of it by keys', async ({ page }) => {
  await open(page, [blocks({ tens: 1, ones: 12 })]);
  await page.getByRole('application').focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(page.getByRole('toolbar')).toContainText('1 selected');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+a');
  await expect(page.getByRole('toolbar')).toContainText('13 selected');
  await (await verb(page, 'Put away')).focus();
  await page.keyboard.press('Enter');
  await expect(says(page, 'numeral')).toHaveText('0');
});

test('read-outs are shown or held back, and a cover silences them', async ({ page }) => {
  await open(page, [blocks({ hundreds: 3, tens: 1, ones: 2 })], []);
  await page.getByRole('button', { name: 'Choose what is read out' }).click();
  await expect(says(page, 'words')).toHaveText('Show');
  for (const [name, text] of [
    ['Words', 'three hundred and twelve'],
    ['Place-value words', 'three hundred ten two'],
    ['Expanded form', '300 + 10 + 2'],
    ['Number', '312'],
  ] as const) {
    const readOut = page.locator('.Record_readout').filter({ hasText: new RegExp(`^${name}(?! bond)`) });
    await readOut.click();
    await expect(readOut).toContainText(text);
  }
  await page.getByRole('button', { name: 'Cover', exact: true }).click();
  await page.getByText('Cover tens').click();
  await expect(says(page, 'numeral')).toHaveText('?');
  await expect(says(page, 'words')).toHaveText('?');
  await expect(page.getByRole('button', { name: 'tens ?' })).toBeVisible();
  await page.locator('.Covers_cover').click();
  await expect(says(page, 'numeral')).toHaveText('312');
});

test('a selection is put away, copied, cut and pasted by the keys that do so everywhere', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await open(page, [blocks({ tens: 2, ones: 3 })]);
  const board = page.getByRole('application');
  await board.focus();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.press('ControlOrMeta+c');
  await page.keyboard.press('ControlOrMeta+v');
  await expect(says(page, 'numeral')).toHaveText('46');
  await page.keyboard.press('ControlOrMeta+d');
  await expect(says(page, 'numeral')).toHaveText('69');
  await page.keyboard.press('ControlOrMeta+x');
  await expect(says(page, 'numeral')).toHaveText('46');
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.press('Delete');
  await expect(says(page, 'numeral')).toHaveText('0');
  await page.keyboard.press('ControlOrMeta+z');
  await expect(says(page, 'numeral')).toHaveText('46');
  // A sum that was copied elsewhere is built; what is no amount is told so, and changes nothing.
  await page.evaluate(() => navigator.clipboard.writeText('58 + 67'));
  await board.focus();
  await page.keyboard.press('ControlOrMeta+v');
  await expect(says(page, 'numeral')).toHaveText('125');
  await page.evaluate(() => navigator.clipboard.writeText('a list of plants'));
  await page.keyboard.press('ControlOrMeta+v');
  await expect(page.getByRole('alert')).toBeVisible();
  await expect(says(page, 'numeral')).toHaveText('125');
});
