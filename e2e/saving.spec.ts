import { startApp } from './app.mjs';
import { blocks, choose, expect, open, saved, says, test, type, write } from './teacher';

test('all is there after a reload, with the scenes and lines that were made', async ({ page }) => {
  await open(page, [blocks({})]);
  await type(page, '57');
  await page.getByRole('button', { name: 'New board' }).click();
  await page.getByRole('menuitem', { name: 'Bead rack', exact: true }).click();
  await write(page.getByLabel('Write a line to keep'), '57 = 50 + 7');
  await page.getByLabel('Write a line to keep').press('Enter');
  await saved(page);
  await page.reload();
  await expect(says(page, 'numeral')).toHaveText('57');
  await expect(page.getByText('57 = 50 + 7')).toBeVisible();
  await expect(page.getByRole('button', { name: /Bead rack/ })).toBeVisible();
  await expect(page.getByText('Reading only')).toBeHidden();
});

test('the second tab reads until it takes over, and follows the first', async ({ page, context }) => {
  const id = await open(page, [blocks({ ones: 3 })]);
  const second = await context.newPage();
  await second.goto(`/lesson/${id}`);
  await expect(second.getByText('Reading only')).toBeVisible();
  await second.getByRole('button', { name: 'Add 1 one' }).click();
  await expect(second.locator('.notice')).toBeVisible();
  await expect(says(second, 'numeral')).toHaveText('3');

  await page.getByRole('button', { name: 'Add 1 one' }).click();
  await saved(page);
  await expect(says(second, 'numeral')).toHaveText('4');

  await second.getByRole('button', { name: 'Take over', exact: true }).click();
  await expect(page.getByText('Reading only')).toBeVisible();
  await second.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(says(second, 'numeral')).toHaveText('14');
  await expect(says(page, 'numeral')).toHaveText('14');
  await second.close();
  await expect(page.getByText('Reading only')).toBeHidden();
  await page.getByRole('button', { name: 'Add 1 one' }).click();
  await expect(says(page, 'numeral')).toHaveText('15');
  await saved(page);
});

test('work goes on while the network is cut, and is sent when it is back', async ({ page, context }) => {
  const id = await open(page, [blocks({ ones: 1 })]);
  await saved(page);
  await context.setOffline(true);
  for (let n = 0; n < 5; n++) await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(says(page, 'numeral')).toHaveText('41');
  await expect(page.locator('.save-state')).toContainText('not saved');
  await context.setOffline(false);
  await saved(page);
  const doc = (await (await page.request.get(`/api/lessons/${id}`)).json()) as {
    lesson: { scenes: { start: unknown }[] };
  };
  expect(JSON.stringify(doc.lesson.scenes[0]!.start)).toContain('"place":"tens","count":4');
});

test('unsent work of a closed tab is sent from the shelf', async ({ page, context }) => {
  const id = await open(page, [blocks({ ones: 1 })]);
  await saved(page);
  await page.route('**/saves', (route) => route.abort());
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(page.locator('.save-state')).toContainText('not saved');
  await page.close();
  const later = await context.newPage();
  await later.goto('/');
  await expect(later.getByRole('heading', { name: 'Lessons', exact: true })).toBeVisible();
  await expect
    .poll(async () => JSON.stringify(await (await later.request.get(`/api/lessons/${id}`)).json()))
    .toContain('"place":"tens","count":1');
});

test('unsent work that meets a newer lesson becomes a copy beside it', async ({ page, context }) => {
  const id = await open(page, [blocks({ ones: 1 })]);
  await saved(page);
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(page.locator('.save-state')).toContainText('not saved');
  // Meanwhile another device takes over and adds a hundred.
  await page.request.post(`/api/lessons/${id}/hold`, { data: { holder: 'elsewhere', take: true } });
  const save = await page.request.post(`/api/lessons/${id}/saves`, {
    data: {
      operation: 'elsewhere-1',
      holder: 'elsewhere',
      base: 1,
      edits: [{ kind: 'play', scene: 'a', moves: [{ kind: 'place', amount: '1 hundred' }] }],
    },
  });
  expect(save.status()).toBe(200);
  await context.setOffline(false);
  await expect(page.getByText('Your unsent work is kept beside it')).toBeVisible();
  await expect(says(page, 'numeral')).toHaveText('101');
  await page.getByRole('link', { name: 'Planting day (unsent work)' }).click();
  await expect(says(page, 'numeral')).toHaveText('11');
});

test('a killed server loses nothing', async ({ browser }) => {
  const app = await startApp();
  const page = await browser.newPage({ baseURL: app.url });
  await open(page, [blocks({ ones: 2 })]);
  await type(page, '33');
  await saved(page);
  await app.stop('SIGKILL');
  await page.getByRole('button', { name: 'Add 1 one' }).click();
  await expect(says(page, 'numeral')).toHaveText('34');
  const again = await startApp({ data: app.data, port: Number(new URL(app.url).port) });
  await saved(page);
  await page.reload();
  await expect(says(page, 'numeral')).toHaveText('34');
  await page.close();
  await again.stop();
});

test('lessons are deleted and brought back', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New lesson' }).click();
  await write(page.getByLabel('Title'), 'Tulips by the hundred');
  await page.getByLabel('Title').press('Enter');
  await expect(page.getByRole('heading', { name: 'What shall the class see first?' })).toBeVisible();
  await page.getByRole('link', { name: 'All lessons' }).click();
  await page.getByRole('button', { name: 'More for Tulips by the hundred' }).click();
  await page.getByRole('menuitem', { name: /^Delete/ }).click();
  await expect(page.getByRole('link', { name: /Tulips/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Deleted lessons' }).click();
  await page.locator('.card', { hasText: 'Tulips' }).getByRole('button', { name: 'Bring back' }).click();
  await page.getByRole('button', { name: 'Back to the lessons' }).click();
  await expect(page.getByRole('link', { name: /Tulips/ })).toBeVisible();
});

test('lists that did not come while the network was away are said, and open when it is back', async ({
  page,
}) => {
  await page.route('**/assets/opened-*.js', (route) => route.abort());
  await open(page, [blocks({ ones: 2 })]);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('has not come yet, and the network is away');
  await page.unroute('**/assets/opened-*.js');
  await choose(page, 'More', 'Count aloud');
  await expect(page.getByRole('toolbar', { name: 'Counting aloud' })).toBeVisible();
});
