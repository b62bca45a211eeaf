import { blocks, expect, more, open, present, rack, saved, test, write } from './teacher';

const told = (page: import('@playwright/test').Page) => page.getByRole('list', { name: 'Children’s ways' });

test('a child’s way is taken in while presenting: typed, drawn round, and kept', async ({ page }) => {
  await open(page, [rack(8, 5)], []);
  await present(page);
  await more(page, /child’s way/);
  // The field has the focus at once: she types while the child speaks.
  await page.keyboard.type('8 and 2 more and 3');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Mirren');
  await page.keyboard.press('Enter');
  await expect(told(page).getByRole('listitem')).toHaveText(/Mirren.*8 \+ 2 \+ 3 = 13/);
  await expect(page.locator('.WayLayer_way-ring')).toHaveCount(3);
  await expect(page.getByLabel('What was seen'), 'for the next child').toBeFocused();
  // A second way is drawn: the five of each row; what is outside is the third part.
  const beads = page.locator('[data-piece]');
  // The board has made room for what is told beside it.
  let before = '';
  await expect
    .poll(async () => {
      const was = before;
      before = JSON.stringify(await beads.first().boundingBox());
      return was === before;
    })
    .toBe(true);
  for (const row of [0, 1]) {
    const first = (await beads.nth(row * 10).boundingBox())!;
    const last = (await beads.nth(row * 10 + 4).boundingBox())!;
    const [l, t, r, b] = [first.x - 3, first.y - 3, last.x + last.width + 3, last.y + last.height + 3];
    await page.mouse.move(l, t);
    await page.mouse.down();
    for (const [x, y] of [
      [r, t],
      [r, b],
      [l, b],
      [l, t + 2],
    ] as const)
      await page.mouse.move(x, y, { steps: 5 });
    await page.mouse.up();
  }
  await page.getByRole('button', { name: 'Take in' }).click();
  await expect(told(page).getByRole('listitem').nth(1)).toHaveText(/5 \+ 5 \+ 3 = 13/);
  // The first in other words, and one that is not there, are told and not taken in.
  const said = page.getByLabel('What was seen');
  await write(said, '3, 2 and 8');
  await said.press('Enter');
  await expect(page.getByRole('alert')).toContainText('stands there already');
  await write(said, '8 and 4');
  await said.press('Enter');
  await expect(page.getByRole('alert')).toContainText('comes to 12, and there are 13');
  await expect(told(page).getByRole('listitem')).toHaveCount(2);
  // Under a rack they stand beside one another, and the beads stay large.
  await expect.poll(async () => (await beads.first().boundingBox())!.width).toBeGreaterThanOrEqual(40);
  const [one, other] = await Promise.all(
    [0, 1].map((i) => told(page).getByRole('listitem').nth(i).boundingBox()),
  );
  expect(other!.x).toBeGreaterThan(one!.x + one!.width);
  await page.getByRole('button', { name: 'Take all off' }).click();
  await expect(told(page)).toHaveCount(0);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.keyboard.press('Escape');
  // The lesson is as it was prepared; what was said is in the showing.
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Write a line to keep')).toBeVisible();
  await expect(page.getByText('Mirren: 8 + 2 + 3 = 13')).toBeHidden();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Showings of this lesson' }).click();
  await page.getByRole('button', { name: 'Show again' }).click();
  await page.getByRole('button', { name: 'Next', exact: true }).waitFor();
  await page.keyboard.press('m');
  await expect(page.getByText('Mirren: 8 + 2 + 3 = 13')).toBeVisible();
});

test('a list is gone through with one key, and a refusal offers what would do', async ({ page }) => {
  await open(page, [rack(0, 0)], []);
  const field = page.getByLabel(/^Type a number/);
  await write(field, '8 + 6 + 4');
  await field.press('Enter');
  await expect(page.getByText('8 + 6 + 4 needs 3 rows. The rack has 2.')).toBeVisible();
  await page.getByRole('button', { name: 'Take 3 rows' }).click();
  await expect(page.getByRole('slider')).toHaveCount(3);
  await expect(page.getByRole('slider').nth(2)).toHaveAttribute('aria-valuenow', '4');
  await write(field, '9 + 4, 24');
  await field.press('Enter');
  await expect(page.getByRole('slider').first()).toHaveAttribute('aria-valuenow', '9');
  await present(page);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('slider').first()).toHaveAttribute('aria-valuenow', '10');
  await expect(page.getByRole('slider').nth(2)).toHaveAttribute('aria-valuenow', '4');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('slider').first()).toHaveAttribute('aria-valuenow', '9');
});

test('ways are taken in at the bench too, where pieces count one each', async ({ page }) => {
  await open(page, [blocks({ tens: 1, ones: 3 })]);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Take in a child’s way' }).click();
  await page.keyboard.type('10 and 3');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('where each piece counts one');
});
