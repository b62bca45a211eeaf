// Scenes on the stem: many at once, to another lesson, by finger and by keys.
import type { Page } from '@playwright/test';
import { centre, choose, expect, fingers, go, open, rack, saved, test } from './teacher';

const buds = (page: Page) => page.locator('.Stem_bud');

/** A lesson with a board for each number, on a rack. */
async function boards(page: Page, ...numbers: number[]) {
  const made = await page.request.post('/api/lessons', {
    data: {
      format: 2,
      id: '',
      title: 'Four boards',
      words: {},
      scenes: numbers.map((n) => ({ id: `n${n}`, title: `Number ${n}`, start: { models: [rack(n)] } })),
    },
  });
  await go(page, `/lesson/${((await made.json()) as { id: string }).id}`);
  await expect(buds(page)).toHaveCount(numbers.length);
}

const titles = (page: Page) =>
  buds(page)
    .allTextContents()
    .then((list) => list.map((t) => t.replace(/^\d+ /, '')));

async function of(page: Page, n: number, word: string) {
  await page.getByRole('button', { name: `Change scene ${n}` }).click();
  await page.getByRole('menuitem', { name: word }).click();
}

test('several scenes are chosen, copied and deleted as one act', async ({ page }) => {
  await boards(page, 1, 2, 3, 4);
  await of(page, 1, 'Choose several');
  const bar = page.getByRole('toolbar', { name: 'Chosen scenes' });
  await expect(bar).toContainText('1 chosen');
  await buds(page).nth(2).click();
  await expect(bar).toContainText('2 chosen');
  await bar.getByRole('button', { name: 'Duplicate' }).click();
  await expect
    .poll(() => titles(page))
    .toEqual(['Number 1', 'Number 1', 'Number 2', 'Number 3', 'Number 3', 'Number 4']);
  await page.keyboard.press('Control+z');
  await expect.poll(() => titles(page)).toEqual(['Number 1', 'Number 2', 'Number 3', 'Number 4']);
  // With a key held, without the menu.
  await buds(page)
    .nth(1)
    .click({ modifiers: ['Control'] });
  await buds(page)
    .nth(3)
    .click({ modifiers: ['Control'] });
  await bar.getByRole('button', { name: 'Delete' }).click();
  await expect.poll(() => titles(page)).toEqual(['Number 1', 'Number 3']);
  await page.keyboard.press('Control+z');
  await expect(buds(page)).toHaveCount(4);
  await expect(page.getByRole('button', { name: 'Add next' })).toBeVisible();
});

test('scenes are moved to another lesson, and copied where they are to stay', async ({ page }) => {
  const other = await open(page, [rack(9)]);
  await boards(page, 1, 2, 3);
  await buds(page).nth(1).click();
  await of(page, 2, 'Move to another lesson');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('searchbox', { name: 'Search the lessons' })).toBeFocused();
  await page.keyboard.type('Planting');
  await dialog.getByRole('button', { name: 'Planting day' }).first().click();
  await expect(page.getByText('1 scene moved to “Planting day”.')).toBeVisible();
  await expect.poll(() => titles(page)).toEqual(['Number 1', 'Number 3']);
  await buds(page)
    .first()
    .click({ modifiers: ['Control'] });
  await buds(page)
    .nth(1)
    .click({ modifiers: ['Control'] });
  await page.getByRole('button', { name: 'Move to another lesson' }).click();
  await dialog.getByRole('checkbox', { name: 'They stay here too' }).click();
  await dialog.getByRole('button', { name: 'Planting day' }).first().click();
  await expect(page.getByText('2 scenes copied to “Planting day”.')).toBeVisible();
  await saved(page);
  await expect(buds(page)).toHaveCount(2);
  await go(page, `/lesson/${other}`);
  await expect.poll(() => titles(page)).toEqual(['Board', 'Number 2', 'Number 1', 'Number 3']);
});

test('scenes are put in order by keys', async ({ page }) => {
  await boards(page, 1, 2, 3);
  await buds(page).first().focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(() => titles(page)).toEqual(['Number 2', 'Number 1', 'Number 3']);
});

test.describe('by finger', () => {
  test.use({ hasTouch: true });
  test('a scene is carried along the stem after a rest, and a quick finger only scrolls', async ({
    page,
  }) => {
    await boards(page, 1, 2, 3);
    const touch = await fingers(page);
    const [from, to] = [await centre(buds(page).first()), await centre(buds(page).nth(2))];
    await touch('touchStart', [from]);
    await touch('touchMove', [{ x: from.x + 40, y: from.y }]);
    await touch('touchEnd', []);
    expect(await titles(page)).toEqual(['Number 1', 'Number 2', 'Number 3']);
    await touch('touchStart', [from]);
    await expect(page.locator('.Stem_over')).toHaveCount(1);
    await touch('touchMove', [to]);
    await touch('touchEnd', []);
    await expect.poll(() => titles(page)).toEqual(['Number 2', 'Number 3', 'Number 1']);
    await choose(page, 'Clear', 'Notes'); // the page still answers
  });
});
