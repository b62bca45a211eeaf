// The shelf: a line becomes a lesson, and any lesson is found again among many.
import { blocks, choose, expect, go, open, present, saved, settled, test, write } from './teacher';

const line = 'What shall the class see?';

test('58 + 67 is presented in four acts from the first page', async ({ page }) => {
  await go(page, '/');
  await expect(page.getByRole('textbox', { name: line })).toBeFocused();
  await page.keyboard.type('58 + 67');
  await expect(page.getByText('Column addition on base-ten blocks').first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Present/ })).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await settled(page);
  await expect(page.getByRole('region', { name: 'Prompt' })).toContainText('Build 58.');
});

test('a line is shown in another way at a press, and what says nothing is told', async ({ page }) => {
  await go(page, '/');
  const field = page.getByRole('textbox', { name: line });
  await write(field, '8 and 6 on a rack');
  const ways = page.getByRole('list', { name: 'Ways to show it' });
  await expect(ways.getByRole('button', { pressed: true })).toHaveText('Free board: bead rack');
  await expect(ways.locator('svg').first()).toBeVisible();
  await field.click();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('150 on a rack');
  await expect(page.getByText('Whole numbers to 100 fit on the bead rack.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Show it' })).toBeDisabled();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('8 and 6');
  await ways.getByRole('button', { name: 'Free board: counters' }).click();
  await expect(page.getByRole('region', { name: /Counters/ })).toBeVisible();
  await expect(page.locator('#board [data-piece]')).toHaveCount(14);
  // The number is the teacher's: before the class nothing tells it.
  await present(page);
  await expect(page.getByRole('region', { name: 'Prompt' })).toHaveText('');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Board');
});

test('a problem is typed as it is said', async ({ page }) => {
  await go(page, '/');
  await write(page.getByRole('textbox', { name: line }), '14 take away 6');
  await expect(page.getByText('Subtraction facts on bead rack').first()).toBeVisible();
  await page.keyboard.press('Enter');
  await present(page);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('region', { name: 'Prompt' })).toContainText('14');
});

test('lessons are named, copied, filed, found, chosen and deleted from the shelf', async ({ page }) => {
  await go(page, '/');
  await write(page.getByRole('textbox', { name: line }), '402 − 167');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Present/ })).toBeFocused();
  await saved(page);
  await page.getByRole('link', { name: 'All lessons' }).click();

  const card = (title: string) => page.locator('.Card_card', { has: page.getByText(title, { exact: true }) });
  const of = async (title: string, word: string) => {
    await card(title)
      .getByRole('button', { name: `More for ${title}` })
      .click();
    await page.getByRole('menuitem', { name: word }).click();
  };
  // What was opened last comes first, with its picture and what it is about.
  await expect(page.locator('.Card_card').first()).toContainText('402 − 167');
  await expect(card('402 − 167').locator('svg').first()).toBeVisible();
  await expect(card('402 − 167')).toContainText('subtraction · today');
  await of('402 − 167', 'Rename');
  await expect(page.getByRole('dialog').getByLabel('Title')).toBeFocused();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('Frost in the shed');
  await page.keyboard.press('Enter');
  await of('Frost in the shed', 'Duplicate');
  await expect(card('Frost in the shed, a copy')).toBeVisible();

  const search = page.getByRole('searchbox', { name: 'Search the lessons' });
  await search.click();
  await page.keyboard.type('402-167 frost');
  await expect(page.locator('.Card_card')).toHaveCount(2);
  await of('Frost in the shed', 'Move to a folder');
  await page.keyboard.type('Winter');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('button', { name: '❏ Winter' }).click();
  await expect(page.locator('.Card_card')).toHaveCount(1);
  await page.getByRole('button', { name: 'all', exact: true }).click();
  await expect(page.locator('.Card_card')).toHaveCount(2);

  for (const title of ['Frost in the shed', 'Frost in the shed, a copy']) {
    await page.getByRole('checkbox', { name: `Choose ${title}`, exact: true }).check();
  }
  const many = page.getByRole('region', { name: 'Chosen lessons' });
  await expect(many).toContainText('2 lessons chosen');
  const [archive] = await Promise.all([
    page.waitForEvent('download'),
    many.getByRole('button', { name: 'Save as an archive' }).click(),
  ]);
  const path = await archive.path();
  await many.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText('No lesson says “402-167 frost”.')).toBeVisible();

  // The archive brings both back.
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    choose(page, 'Files', 'Open a file'),
  ]);
  const { readFileSync } = await import('node:fs');
  await chooser.setFiles({ name: 'lessons.zip', mimeType: 'application/zip', buffer: readFileSync(path) });
  await expect(page.locator('.Card_card')).toHaveCount(2);
});

test('a file that is dropped on the shelf is opened', async ({ page }) => {
  await go(page, '/');
  const dropped = await page.evaluateHandle(() => {
    const data = new DataTransfer();
    data.items.add(new File(['58 + 67\n97 ÷ 4'], 'Two problems.txt', { type: 'text/plain' }));
    return data;
  });
  await page.locator('.ShelfPage_shelf').dispatchEvent('drop', { dataTransfer: dropped });
  await expect(page.getByRole('button', { name: 'Two problems' })).toBeVisible();
  await expect(page.locator('.Stem_bud')).toHaveCount(2);
});

test('of many lessons only those in sight are in the page, and the rest come as they are wanted', async ({
  page,
}) => {
  const doc = { format: 2, id: '', words: {}, scenes: [] };
  for (let n = 0; n < 140; n++) {
    await page.request.post('/api/lessons', { data: { ...doc, title: `Row ${n} of the long bed` } });
  }
  await go(page, '/');
  await write(page.getByRole('searchbox', { name: 'Search the lessons' }), 'long bed');
  await expect(page.locator('.Card_card').first()).toContainText('of the long bed');
  expect(await page.locator('.Card_card').count()).toBeLessThan(60);
  const last = page.getByText('Row 0 of the long bed', { exact: true });
  for (let n = 0; n < 40 && !(await last.isVisible()); n++) {
    await page.mouse.wheel(0, 1600);
    await page.waitForFunction(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(true)))),
    );
  }
  await expect(last).toBeVisible();
  expect(await page.locator('.Card_card').count()).toBeLessThan(60);
  // Under a dialog it stays where it is.
  await page.evaluate(() => window.scrollTo(0, 0));
  await page.getByRole('button', { name: 'Words of the school' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  for (const x of [20, 640]) {
    await page.mouse.move(x, 400);
    await page.mouse.wheel(0, 900);
    await page.waitForFunction(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(true)))),
    );
  }
  expect(await page.evaluate(() => window.scrollY)).toBe(0);
  // A press while the page still scrolls is a press.
  const pressed = await page.evaluate(async () => {
    scrollBy(0, -40);
    for (let n = 0; n < 3; n++) await new Promise(requestAnimationFrame);
    return getComputedStyle(document.querySelector('.Cards_cards > *')!).pointerEvents;
  });
  expect(pressed).toBe('auto');
});

test('what sets a model up stays open beside the board while it is tried', async ({ page }) => {
  await go(page, '/');
  await write(page.getByRole('textbox', { name: line }), '146');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Set up', exact: true }).click();
  const side = page.getByRole('complementary', { name: 'Set up the base-ten blocks' });
  await side.getByRole('button', { name: 'Coloured by addend' }).click();
  await side.getByRole('button', { name: 'Columns up to thousands' }).click();
  await expect(side.getByRole('button', { name: 'Columns up to thousands' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  // Nothing of it lies over the pieces.
  const edge = (await side.boundingBox())!.x;
  for (const piece of await page.locator('#board [data-piece]').all()) {
    const box = (await piece.boundingBox())!;
    expect(box.x + box.width).toBeLessThanOrEqual(edge);
  }
  await page.keyboard.press('Escape');
  await expect(side).toBeHidden();
  await expect(page.getByRole('button', { name: 'Set up', exact: true })).toBeFocused();
});

test('scenes are copied, dragged and moved by keys along the stem', async ({ page }) => {
  await open(page, [blocks({ tens: 1 })]);
  await write(page.getByLabel(/^Type a number/), '34');
  await page.keyboard.press('Enter');
  const titles = page.locator('.Stem_bud-title');
  await page.getByRole('button', { name: 'Change scene 1' }).click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(titles).toHaveText(['1 Board', '2 Board']);
  await page.getByRole('button', { name: 'Change scene 2' }).click();
  await page.getByRole('menuitem', { name: 'Rename' }).click();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('The copy');
  await page.getByRole('button', { name: 'Rename' }).click();
  await expect(titles).toHaveText(['1 Board', '2 The copy']);
  await page.locator('.Stem_bud').nth(1).dragTo(page.locator('.Stem_bud').nth(0));
  await expect(titles).toHaveText(['1 The copy', '2 Board']);
  await page.locator('.Stem_bud').nth(0).focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(titles).toHaveText(['1 Board', '2 The copy']);
  await expect(page.locator('.Stem_bud').nth(1)).toBeFocused();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(titles).toHaveText(['1 The copy', '2 Board']);
});
