// The focus goes where the work goes: dialogs can be typed into at once, what closes
// gives the focus back, and the keys of presenting go on whatever was touched.
import {
  add,
  blocks,
  choose,
  counters,
  expect,
  go,
  more,
  newExample,
  open,
  pieces,
  present,
  rack,
  saved,
  test,
  typeThere,
  write,
} from './teacher';
import type { Page } from '@playwright/test';

const focused = (page: Page) =>
  page.evaluate(() => {
    const el = document.activeElement;
    return el === document.body
      ? 'nothing'
      : el?.getAttribute('aria-label') || el?.textContent || el?.tagName;
  });

test('a new lesson is typed at once, spaces too', async ({ page }) => {
  await go(page, '/');
  await expect(page.getByRole('textbox', { name: 'What shall the class see?' })).toBeFocused();
  await page.getByRole('button', { name: 'Blank lesson' }).click();
  await expect(page.getByRole('textbox', { name: 'What shall the class see next?' })).toBeFocused();
  await page.getByLabel('Title of the lesson').click();
  await page.keyboard.type('Typed at once');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Typed at once' })).toBeVisible();
  await saved(page);
});

test('every dialog begins at its first field, by mouse and by keys', async ({ page }) => {
  await open(page, [blocks({ ones: 3 }), rack(2, 3)]);
  const begins: [string, string, RegExp][] = [
    ['More', 'All builds of a number', /Number to build/],
    ['More', 'Slow way and fast way', /Number to lay/],
    ['More', 'Words of the class', /Title/],
  ];
  for (const [menu, word, field] of begins) {
    await choose(page, menu, word);
    await expect(page.getByRole('dialog').getByLabel(field).first()).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
    await expect(page.getByRole('button', { name: menu, exact: true })).toBeFocused();
  }
  await newExample(page);
  await typeThere(page, '58 + 67');
  await expect(page.getByRole('dialog').locator('.ExamplePreview_preview li').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByRole('button', { name: 'Add next' })).toBeFocused();

  await newExample(page);
  await typeThere(page, '8 + 5');
  await expect(page.getByRole('dialog').locator('.ExampleDialog_problem')).toHaveValue('8 + 5');

  // Where the fields come only with what the server says, too.
  await go(page, '/');
  await expect(page.getByRole('heading', { name: 'Lessons' })).toBeVisible();
  await page.route('**/school', async (route) => {
    await page.locator('.ant-modal-footer button:focus').waitFor();
    await route.continue();
  });
  await page.getByRole('button', { name: 'Words of the school' }).click();
  await expect(page.getByRole('dialog').getByRole('combobox').first()).toBeFocused();
});

test('the focus is never lost: after menus, verbs, dialogs and deleting', async ({ page }) => {
  await open(page, [blocks({ ones: 13 })]);
  await page.getByRole('button', { name: 'More', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem', { name: 'Count aloud' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'More', exact: true })).toHaveAttribute(
    'aria-expanded',
    'true',
  );
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'More', exact: true })).toBeFocused();

  const board = page.getByRole('application');
  await board.focus();
  await page.keyboard.press('ControlOrMeta+a');
  await page
    .getByRole('toolbar', { name: '13 selected' })
    .getByRole('button', { name: /^Bundle/ })
    .focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('toolbar', { name: /selected/ })).toBeHidden();
  await expect.poll(() => focused(page)).toMatch(/^Blocks/);

  await add(page, 'Bead rack');
  await page.getByRole('button', { name: 'Change scene 2' }).click();
  await page.getByRole('menuitem', { name: 'Delete scene' }).click();
  await expect.poll(() => focused(page)).toMatch(/^1 Board/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /Bead rack/ })).toBeVisible();
});

test('the keys of presenting go on whatever was touched', async ({ page }) => {
  await open(page, []);
  await newExample(page);
  await typeThere(page, '58 + 67');
  await page.keyboard.press('Enter');
  await present(page);
  const at = page.locator('.Foot_dots [aria-current=step]');
  for (let n = 0; n < 8; n++) await page.keyboard.press('ArrowRight');
  const before = await at.textContent();
  await page.locator('[data-piece]').first().click();
  await expect(
    page
      .getByText('Scratch copy')
      .or(page.getByRole('toolbar', { name: /selected/ }))
      .first(),
  ).toBeVisible();
  for (const key of ['ArrowRight', 'ArrowRight', 'Space', 'Space', 'ArrowRight', 'Space'])
    await page.keyboard.press(key);
  await expect(at).not.toHaveText(before!);
  // The sheet has its own keys: Escape closes it, and presenting goes on.
  const here = await at.textContent();
  const sheet = page.getByRole('dialog', { name: 'More' });
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await expect(sheet).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await expect(at).toHaveText(here!);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await expect(sheet).toBeFocused();
  await sheet.getByLabel('Your turn').focus();
  await page.keyboard.press('ArrowDown');
  await expect(sheet).toBeHidden();
  await expect(at).toHaveText(here!);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Present' })).toBeVisible();
});

test('Escape puts down what is in the hand before it closes a strip, and quits last', async ({ page }) => {
  await open(page, [blocks({ ones: 3 })]);
  await present(page);
  await page.keyboard.press('h');
  await more(page, 'Draw');
  const pen = page.getByRole('button', { name: 'Highlighter' });
  const strip = page.getByLabel(/^Type a number/);
  await expect(pen).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(pen).toBeHidden();
  await expect(strip).toBeVisible();
  await more(page, 'Count aloud');
  await expect(page.getByRole('toolbar', { name: 'Counting aloud' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('toolbar', { name: 'Counting aloud' })).toBeHidden();
  await page.keyboard.press('Escape');
  await expect(strip).toBeHidden();
  await more(page, 'Draw');
  await page.keyboard.press('Escape');
  await more(page, 'Draw');
  await more(page, 'Quit');
  // At the bench the hand is free.
  await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
  await expect(pen).toBeHidden();
});

test('while the board is blank nothing under it can be reached', async ({ page }) => {
  await open(page, [rack(7, 5)]);
  await present(page);
  await page.getByRole('slider').first().focus();
  await page.keyboard.press('b');
  await expect(page.getByRole('button')).toHaveCount(1);
  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: 'Next', exact: true })).toBeVisible();
});

test('what is covered is not in the page at all, and no act tells it', async ({ page }) => {
  await open(page, [blocks({ hundreds: 1, tens: 3, ones: 4 })]);
  await choose(page, 'Cover', 'Cover tens');
  await expect(page.locator('[data-piece]:has(.tone-ten)')).toHaveCount(0);
  await expect(page.locator('[data-piece]')).toHaveCount(5);
  await page.getByRole('button', { name: 'Bundle' }).nth(1).click();
  await expect(page.getByRole('alert')).toContainText('That does not go with what is under the cover');
  await page.getByRole('button', { name: /^tens/ }).click();
  await expect(page.getByRole('toolbar', { name: /selected/ })).toBeHidden();
  await page.getByRole('button', { name: 'Quick look', exact: true }).click();
  await expect(page.locator('[data-piece]')).toHaveCount(8);
  await expect(page.locator('[data-piece]')).toHaveCount(5);
});

test('a covered row, and covered parts, are counted by nobody', async ({ page }) => {
  await open(page, [rack(7, 5), counters(9, { frames: [{ rows: 2, columns: 5 }] })]);
  await choose(page, 'Cover', 'Cover row 2');
  const row = page.getByRole('slider', { name: /Row 2/ });
  await row.focus();
  await page.keyboard.press('ArrowUp');
  await expect(row).toHaveAttribute('aria-valuetext', 'covered');
  await expect(page.locator('[role=status]', { hasText: 'beads' })).toHaveCount(0);
  const tile = page.getByRole('region', { name: /Counters/ });
  await tile.getByRole('button', { name: 'Cover' }).click();
  await page.getByRole('button', { name: 'Cover all' }).click();
  await tile.getByRole('application').focus();
  await page.keyboard.press('ControlOrMeta+a');
  await expect(page.getByText(/selected/)).toHaveCount(0);
  await tile.getByRole('button', { name: 'Set up' }).click();
  await expect(page.getByRole('group', { name: 'First part' })).toContainText('? and ?');
});

test('typing goes on where a field was, and Escape leaves a dialog as it was', async ({ page }) => {
  await open(page, [blocks({ ones: 1 })]);
  await choose(page, 'More', 'Words of the class');
  await expect(page.getByLabel('Title')).toBeFocused();
  await page.keyboard.press('End');
  await page.keyboard.type(' in May');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'Planting day in May' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'More', exact: true })).toBeFocused();
  await write(page.getByLabel(/^Type a number/).first(), '12');
  await page.keyboard.press('Enter');
  await expect(page.locator('.Record_readout.Record_numeral .Record_readout-text')).toHaveText('12');
});

test('a digit typed at a board begins a number there', async ({ page }) => {
  await open(page, [blocks({ ones: 1 }), rack(2, 3)]);
  const numbers = page.getByLabel(/^Type a number/);
  await page.getByRole('slider').first().focus();
  await page.keyboard.type('7');
  await expect(numbers.last()).toHaveValue('7');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('slider').first()).toHaveAttribute('aria-valuenow', '7');
  // Nothing has the focus now: it is the first board's.
  await page.keyboard.type('35');
  await expect(numbers.first()).toHaveValue('35');
  await page.keyboard.press('Enter');
  await expect(pieces(page, 'tens')).toHaveCount(3);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.keyboard.type('4');
  await expect(numbers.first()).toHaveValue('');
});
