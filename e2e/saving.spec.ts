import type { Page, Route } from '@playwright/test';
import { startApp } from './app.mjs';
import {
  add,
  blocks,
  choose,
  expect,
  newLesson,
  lessonOf,
  open,
  saved,
  says,
  sound,
  test,
  type,
  write,
} from './teacher';

// What is left unsent, and who holds a lesson, is told by how a page is opened and closed.
test.use({ anew: true });

test('all is there after a reload, with the scenes and lines that were made', async ({ page }) => {
  await open(page, [blocks({})]);
  await type(page, '57');
  await add(page, 'Bead rack');
  await write(page.getByLabel('Write a line to keep'), '57 = 50 + 7');
  await page.getByLabel('Write a line to keep').press('Enter');
  await saved(page);
  await page.reload();
  // The board that was looked at is there, and the one before it.
  await expect(page.getByRole('region', { name: 'Bead rack, 0' })).toBeVisible();
  await page.getByRole('navigation', { name: 'Scenes and steps' }).getByRole('button').first().click();
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
  await expect(second.locator('.Notices_notice')).toBeVisible();
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
  await expect(page.locator('.Saving_save-state')).toContainText('not saved');
  await context.setOffline(false);
  await saved(page);
  const doc = (await (await page.request.get(`/api/lessons/${id}`)).json()) as {
    lesson: { scenes: { start: unknown }[] };
  };
  expect(JSON.stringify(doc.lesson.scenes[0]!.start)).toContain('"place":"tens","count":4');
});

test('a change in the very moment of a reload is kept, and the lesson opens with it', async ({ page }) => {
  await open(page, [blocks({ ones: 1 })]);
  await saved(page);
  const error = { code: 'full', text: 'The server’s disk is full.' };
  await page.route('**/saves', (route) => route.fulfill({ status: 507, json: { error } }));
  for (let n = 1; n <= 4; n++) {
    await page.getByRole('button', { name: 'Add 1 ten' }).evaluate((button) => {
      (button as HTMLElement).click();
      location.reload();
    });
    await expect(says(page, 'numeral')).toHaveText(String(10 * n + 1));
  }
  await expect(page.getByText('4 changes not saved. The server’s disk is full.')).toBeVisible();
  await page.unroute('**/saves');
  await page.getByRole('button', { name: 'Try again' }).click();
  await saved(page);
  await page.reload();
  await expect(says(page, 'numeral')).toHaveText('41');
});

test('unsent work of a closed tab is sent from the shelf', async ({ page, context }) => {
  const id = await open(page, [blocks({ ones: 1 })]);
  await saved(page);
  await page.route('**/saves', (route) => route.abort());
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(page.locator('.Saving_save-state')).toContainText('not saved');
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
  await expect(page.locator('.Saving_save-state')).toContainText('not saved');
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
  await newLesson(page, 'Tulips by the hundred');
  await expect(page.getByRole('heading', { name: 'What shall the class see first?' })).toBeVisible();
  await page.getByRole('link', { name: 'All lessons' }).click();
  await page.getByRole('button', { name: 'More for Tulips by the hundred' }).click();
  await page.getByRole('menuitem', { name: /^Delete/ }).click();
  await expect(page.getByRole('link', { name: /Tulips/ })).toHaveCount(0);
  await choose(page, 'Files', 'Deleted lessons');
  await page.locator('.Card_card', { hasText: 'Tulips' }).getByRole('button', { name: 'Bring back' }).click();
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

const tens = async (page: Page, id: string) => {
  const doc = (await (await page.request.get(`/api/lessons/${id}`)).json()) as {
    lesson: { scenes: unknown[] };
  };
  return JSON.stringify(doc.lesson.scenes);
};

/**
 * Saves go wrong until the teacher presses a button of the banner, however often the
 * page tries by itself before.
 */
async function untilAsked(page: Page, goWrong: (route: Route) => Promise<void>) {
  await page.evaluate(() =>
    document.addEventListener(
      'pointerdown',
      ({ target }) => {
        if (target instanceof Element && target.closest('.Saving_save-banner'))
          document.documentElement.dataset.asked = 'yes';
      },
      true,
    ),
  );
  await page.route('**/saves', async (route) => {
    const asked = await page.evaluate(() => document.documentElement.dataset.asked);
    await (asked ? route.continue() : goWrong(route));
  });
}

/** What is not our own server's word that it has the work. */
const others = [
  [
    'a sign-in page of the network',
    { status: 200, contentType: 'text/html', body: '<h1>Welcome to the network</h1>' },
  ],
  ['a redirect', { status: 302, headers: { location: '/elsewhere' }, body: '' }],
  ['a proxy that says 403', { status: 403, contentType: 'text/html', body: '<h1>Forbidden</h1>' }],
  ['an answer to something else', { status: 200, contentType: 'application/json', body: '{"rev":99}' }],
  [
    'our own refusal',
    {
      status: 422,
      contentType: 'application/json',
      body: '{"error":{"code":"edit","text":"This change was refused."}}',
    },
  ],
  ['too many requests', { status: 429, contentType: 'text/plain', body: 'slow down' }],
] as const;

test('unsent work stays when the answer is not our own word that it is kept', async ({ page }) => {
  test.setTimeout(180_000);
  const id = await open(page, [blocks({ ones: 2 })]);
  await saved(page);
  for (const [i, [name, answer]] of others.entries())
    await test.step(name, async () => {
      await untilAsked(page, (route) => route.fulfill(answer));
      for (let n = 0; n < 5; n++) await page.getByRole('button', { name: 'Add 1 ten' }).click();
      await expect(page.locator('.Saving_save-state')).toHaveText('5 changes not saved');
      await expect(page.getByText('Saved', { exact: true })).toBeHidden();
      await page.getByRole('button', { name: 'Try again' }).click();
      await saved(page);
      expect(await tens(page, id)).toContain(`"place":"tens","count":${5 * (i + 1)}`);
      await page.reload();
      await expect(says(page, 'numeral')).toHaveText(String(50 * (i + 1) + 2));
      await page.unroute('**/saves');
    });
});

test('unsent work of a lesson that was deleted elsewhere becomes a lesson of its own', async ({
  page,
  context,
}) => {
  const id = await open(page, [blocks({ ones: 1 })]);
  await saved(page);
  await context.setOffline(true);
  for (let n = 0; n < 5; n++) await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(page.locator('.Saving_save-state')).toContainText('not saved');
  expect((await page.request.delete(`/api/lessons/${id}`)).status()).toBe(204);
  await context.setOffline(false);
  await expect(page.getByText(/kept as “Planting day \(unsent work\)” on the shelf/)).toBeVisible();
  // The shelf has the newest first.
  const shelf = (await (await page.request.get('/api/lessons')).json()) as {
    lessons: { id: string; title: string }[];
  };
  expect(shelf.lessons[0]!.title).toBe('Planting day (unsent work)');
  await page.goto(`/lesson/${shelf.lessons[0]!.id}`);
  await expect(says(page, 'numeral')).toHaveText('51');
});

test('a new lesson is made on the device while the network is away', async ({ page, context }) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Show it' })).toBeVisible();
  await context.setOffline(true);
  await newLesson(page, 'Made in the garden');
  await page.getByRole('button', { name: 'Base-ten blocks' }).click();
  await type(page, '24');
  await expect(says(page, 'numeral')).toHaveText('24');
  await expect(page.locator('.Saving_save-state')).toContainText('not saved');
  await context.setOffline(false);
  await saved(page);
  await page.reload();
  await expect(says(page, 'numeral')).toHaveText('24');
});

test('the shelf never takes the work of a tab that lives', async ({ page, context }) => {
  const id = await open(page, [blocks({ ones: 1 })]);
  await saved(page);
  await untilAsked(page, (route) => route.abort());
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(page.locator('.Saving_save-state')).toContainText('not saved');
  const copies = async () => {
    const { lessons } = (await (await page.request.get('/api/lessons')).json()) as {
      lessons: { title: string }[];
    };
    return lessons.filter((l) => l.title.includes('unsent work')).length;
  };
  const before = await copies();
  const shelf = await context.newPage();
  await shelf.goto('/');
  await expect(shelf.getByRole('link', { name: /Planting day/ }).first()).toBeVisible();
  const second = await context.newPage();
  await second.goto(`/lesson/${id}`);
  await expect(second.getByText('Reading only')).toBeVisible();
  await page.getByRole('button', { name: 'Try again' }).click();
  await saved(page);
  expect(await tens(page, id)).toContain('"place":"tens","count":1');
  expect(await copies()).toBe(before);
});

test('without any storage it is said at once, and work is sent all the same', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(globalThis, 'indexedDB', { value: undefined });
  });
  const id = await open(page, [blocks({ ones: 1 })]);
  await expect(page.getByText('This browser keeps nothing on the device.')).toBeVisible();
  await untilAsked(page, (route) => route.abort());
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(page.getByText(/it is only in this page, so do not close it/)).toBeVisible();
  const warned = page.waitForEvent('dialog');
  void page.close({ runBeforeUnload: true });
  await (await warned).dismiss();
  await page.getByRole('button', { name: 'Try again' }).click();
  await saved(page);
  expect(await tens(page, id)).toContain('"place":"tens","count":1');
});

test('unsent work is kept as a copy, or as a file, when the teacher says so', async ({ page }) => {
  await open(page, [blocks({ ones: 4 })]);
  await saved(page);
  await page.route('**/saves', (route) => route.abort());
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(page.locator('.Saving_save-state')).toContainText('not saved');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const file = await (await download).createReadStream();
  let text = '';
  for await (const part of file) text += String(part);
  expect(text).toContain('"tens"');
  await page.getByRole('button', { name: 'Keep as a copy' }).click();
  await expect(page.getByText('Your unsent work is kept beside it')).toBeVisible();
  await expect(says(page, 'numeral')).toHaveText('4');
  await page.getByRole('link', { name: 'Planting day (unsent work)' }).click();
  await expect(says(page, 'numeral')).toHaveText('14');
});

test('after a fault in the core the board is as it was, and work goes on', async ({ page }) => {
  await open(page, [blocks({ ones: 4 })]);
  await page.evaluate(() => {
    const page = globalThis as unknown as { unitbloomCore: (op: string, arg: string) => string };
    const real = page.unitbloomCore;
    let once = true;
    page.unitbloomCore = (op, arg) => {
      if (op !== 'apply' || !once) return real(op, arg);
      once = false;
      return '{"error":{"code":"fault","text":"Something went wrong in the core. The board is as it was."}}';
    };
  });
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(page.getByRole('alert')).toContainText('The board is as it was.');
  await expect(says(page, 'numeral')).toHaveText('4');
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(says(page, 'numeral')).toHaveText('14');
  await saved(page);
});

test('a large scene is undone by a small save', async ({ page }) => {
  // 400,000 points of ink, the most there may be, are read twice: half a minute. `make soak` does it.
  const strokes = process.env.EVERY_SIZE ? 400 : 80;
  test.setTimeout(240_000);
  const patient = { timeout: 100_000 };
  const points = Array.from({ length: 1000 }, (_, k) => [k * 9, k * 3]);
  const ink = Array.from({ length: strokes }, (_, n) => ({
    id: `s${n}`,
    tool: 'pen',
    colour: 'ink',
    width: 1,
    on: {},
    points: points.map(([x, y]) => [x!, y! + n]),
  }));
  const start = { models: [blocks({ ones: 1 })] };
  const id = await lessonOf(page, [{ id: 'a', title: 'Board', start, show: ['numeral'], ink }]);
  await page.goto(`/lesson/${id}`);
  await expect(says(page, 'numeral')).toHaveText('1', patient);
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(says(page, 'numeral')).toHaveText('11', patient);
  await saved(page);
  const sent = page.waitForRequest('**/saves', patient);
  await page.getByRole('button', { name: 'Undo' }).click();
  expect((await sent).postData()!.length).toBeLessThan(1000);
  await saved(page);
  await page.reload();
  await expect(says(page, 'numeral')).toHaveText('1', patient);
});

test('an older answer of the server never takes the place of what was saved since', async ({ page }) => {
  const id = await open(page, [blocks({ ones: 1 })]);
  let reads = 0;
  const kept = page.waitForResponse('**/saves');
  await page.route(
    (url) => url.pathname === `/api/lessons/${id}`,
    async (route) => {
      if (++reads < 2) return route.continue();
      // Read before the save, and there only after it.
      const response = await route.fetch();
      await kept;
      await new Promise((done) => setTimeout(done, 300));
      await route.fulfill({ response });
    },
  );
  await page.reload();
  await expect.poll(() => reads).toBe(2);
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await kept;
  await page.waitForResponse((r) => new URL(r.url()).pathname === `/api/lessons/${id}`);
  await expect(says(page, 'numeral')).toHaveText('11');
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await saved(page);
  await page.unroute((url) => url.pathname === `/api/lessons/${id}`).catch(() => undefined);
  await expect(says(page, 'numeral')).toHaveText('21');
});

test('a core that dies is started again, and the lesson goes on as it was', async ({ page }) => {
  await open(page, [blocks({ tens: 2, ones: 3 })]);
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(says(page, 'numeral')).toHaveText('33');
  // It dies in the middle of an act.
  await page.evaluate(() => {
    const dead = () => {
      throw new WebAssembly.RuntimeError('unreachable');
    };
    Object.assign(globalThis, { unitbloomCore: dead });
  });
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(page.getByText('The core had to start again. The lesson is as it was.')).toBeVisible();
  await expect(says(page, 'numeral')).toHaveText('33');
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(says(page, 'numeral')).toHaveText('43');
  await saved(page);
});

test.describe('a page that cannot be drawn', () => {
  /** Opens what is drawn from answers of a core that talks nonsense. */
  async function breakIt(page: Page) {
    await page.getByRole('button', { name: 'Add next' }).click();
    await page.evaluate(() => Object.assign(globalThis, { unitbloomCore: () => '{"ok":{}}' }) && undefined);
    await page
      .getByRole('dialog')
      .getByRole('button', { name: 'A worked example with options', exact: true })
      .click();
  }

  test('goes on by itself, with all that was done', async ({ page }) => {
    await open(page, [blocks({ tens: 2, ones: 3 })]);
    await page.getByRole('button', { name: 'Add 1 ten' }).click();
    page.removeAllListeners('pageerror');
    await breakIt(page);
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(says(page, 'numeral')).toHaveText('33');
    await page.getByRole('button', { name: 'Add 1 ten' }).click();
    await expect(says(page, 'numeral')).toHaveText('43');
    await saved(page);
  });

  test('says so when it does not, and what was done comes back with it', async ({ page }) => {
    await open(page, [blocks({ tens: 2, ones: 3 })]);
    await page.getByRole('button', { name: 'Add 1 ten' }).click();
    page.removeAllListeners('pageerror');
    await breakIt(page);
    await expect(says(page, 'numeral')).toHaveText('33');
    await breakIt(page);
    await expect(page.getByRole('heading', { name: 'This page has stopped' })).toBeVisible();
    await expect(page.getByText('What was done is kept')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Load the page again' })).toBeFocused();
    await sound(page);
    await page.keyboard.press('Enter');
    await expect(says(page, 'numeral')).toHaveText('33');
  });
});
