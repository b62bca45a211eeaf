// What the tests do as a teacher would, by role and name; the application they do it in, and
// the browser profile, one of each for a worker.
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  test as base,
  chromium,
  expect,
  type BrowserContext,
  type Locator,
  type Page,
} from '@playwright/test';
import axe, { type RunOptions } from 'axe-core';
import { startApp } from './app.mjs';
import { launch } from './browser.mjs';

export { expect };

interface App {
  url: string;
  data: string;
  stop(signal?: string): Promise<void>;
}

interface Worker {
  app: App;
  profile: BrowserContext;
  /** The page that the test before left, for the next to go on in. */
  left: { page?: Page };
}

export const test = base.extend<{ anew: boolean }, Worker>({
  /** Whether a test wants a page of its own, as one who opens the application: what it does to it stays with it. */
  anew: [false, { option: true }],
  // eslint-disable-next-line no-empty-pattern
  left: [async ({}, use) => use({}), { scope: 'worker' }],
  app: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const app = (await startApp()) as App;
      await use(app);
      await app.stop();
    },
    { scope: 'worker' },
  ],
  profile: [
    async ({ app }, use) => {
      const folder = mkdtempSync(join(tmpdir(), 'unitbloom-profile-'));
      const profile = await chromium.launchPersistentContext(folder, {
        ...launch,
        args: [...launch.args, '--renderer-process-limit=1'],
        viewport: { width: 1280, height: 800 },
        serviceWorkers: 'block',
        baseURL: app.url,
      });
      await keepTheCore(profile.pages()[0]!, app);
      await use(profile);
      await profile.close();
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ app }, use) => use(app.url),
  // Each test finds a browser that keeps nothing but the files of the application: to load them
  // anew for each is a third of the time. A touch screen or a service worker wants a browser of
  // its own.
  context: async ({ context, profile, app, left, hasTouch, serviceWorkers }, use) => {
    if (hasTouch || serviceWorkers !== 'block') return use(context);
    await use(profile);
    // The first page stays: with the last one its window would be closed, and another is costly.
    const [first, ...others] = profile.pages();
    await Promise.all(others.filter((p) => p !== left.page).map((p) => p.close()));
    const session = await profile.newCDPSession(first!);
    await session.send('Storage.clearDataForOrigin', { origin: app.url, storageTypes: STORED });
    await session.detach();
    await Promise.all([profile.clearCookies(), profile.clearPermissions(), profile.setOffline(false)]);
    await profile.unrouteAll();
  },
  // A test goes on in the page that the one before it left, as a teacher from lesson to lesson: to load
  // it anew is a third of the time, and what one lesson leaves to the next is seen.
  page: async ({ context, profile, left, anew, contextOptions: { reducedMotion = null } }, use, info) => {
    const shared = context === profile && !anew;
    if (context === profile && anew) await left.page?.close();
    const page = (shared && left.page) || (await context.newPage());
    if (context === profile) delete left.page;
    await page.emulateMedia({ reducedMotion, colorScheme: null });
    const faults: string[] = [];
    page.on('pageerror', (e) => faults.push(e.message));
    await use(page);
    expect(faults, 'nothing went wrong in the page').toEqual([]);
    if (!shared || info.status !== info.expectedStatus || page.isClosed()) return;
    page.removeAllListeners();
    await page.unrouteAll();
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.evaluate(() => (localStorage.clear(), sessionStorage.clear()));
    left.page = page;
  },
});

/**
 * A page that stays holds the compiled core, and the pages of tests run in its process: compiled for
 * each of them, it is a sixth of a run.
 */
async function keepTheCore(page: Page, { url }: App) {
  await page.goto(`${url}/healthz`);
  const core = readdirSync('web/dist/assets').find((name) => name.endsWith('.wasm'));
  await page.evaluate(async (file) => {
    Object.assign(globalThis, { core: await WebAssembly.compileStreaming(fetch(file)) });
  }, `/assets/${core}`);
}

/** What a test may leave in a browser. */
const STORED = 'cookies,local_storage,indexeddb,cache_storage,service_workers,file_systems';

/** Nothing that axe knows of stands in anybody's way; or of some of its rules. */
export async function sound(page: Page, where = '', rules?: string[]) {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(axe.source);
  const options: RunOptions = {
    runOnly: rules ?? ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
    resultTypes: ['violations'],
  };
  const { violations } = await page.evaluate((o) => axe.run(document, o), options);
  const found = violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
  expect(found, where).toEqual([]);
}

/** Counts what is sent to a page from now on, in bytes, as it goes over the wire. */
export async function sentTo(page: Page): Promise<() => number> {
  const wire = await page.context().newCDPSession(page);
  await wire.send('Network.enable');
  let bytes = 0;
  wire.on('Network.loadingFinished', (e) => (bytes += e.encodedDataLength));
  return () => bytes;
}

type Scene = { id: string; title: string; start: { models: object[] }; [more: string]: unknown };

export const blocks = (counts: Record<string, number>): object => ({
  kind: 'blocks',
  pieces: Object.entries(counts).map(([place, count]) => ({ place, count })),
});
export const rack = (...rows: number[]): object => ({ kind: 'rack', rows });
export const counters = (count: number, more: object = {}): object => ({
  kind: 'counters',
  ...more,
  pieces: count ? [{ place: 'ones', count }] : [],
});
export const train = (...parts: number[]): object => ({
  kind: 'cubes',
  pieces: parts.map((count, i) => ({ place: 'ones', count, part: i + 1, group: 1 })),
});
export const discs = (counts: Record<string, number>, more: object = {}): object => ({
  kind: 'discs',
  top: 'hundreds',
  bottom: 'ones',
  ...more,
  pieces: Object.entries(counts).map(([place, count]) => ({ place, count })),
});

const side = (page: Page) => page.locator('.SetUpSide_set-up');

/** Opens what sets a model up, beside the board: all of it, or one group, which comes back. */
export async function setUp(page: Page, group?: string): Promise<Locator> {
  const here = group ? side(page).getByRole('group', { name: group, exact: true }).first() : side(page);
  if (await here.isVisible()) return here;
  const line = page.locator('.ModelLine_model-line');
  const act = line.getByRole('button', { name: group ?? 'Set up', exact: true }).first();
  await line.first().waitFor();
  await ((await act.isVisible()) ? act : line.getByRole('button', { name: 'Set up' }).first()).click();
  await expect(here).toBeVisible();
  return here;
}

/** Presses a control of a model, which may stand in its set-up. */
export async function press(page: Page, word: string) {
  const there = page.getByRole('button', { name: word, exact: true }).first();
  if (!(await there.isVisible())) await setUp(page);
  await there.click();
}

/** A verb of the strip of what is chosen, which may stand in its list. */
export async function verb(page: Page, word: string): Promise<Locator> {
  const strip = page.getByRole('toolbar', { name: /selected/ });
  const there = strip.getByRole('button', { name: word, exact: true });
  await strip.waitFor();
  if (await there.isVisible()) return there;
  await strip.getByRole('button', { name: 'Other verbs' }).click();
  return page.getByRole('menuitem', { name: word, exact: true });
}

const nested = ['Clear', 'Export', 'Print', 'Add beside'];
const listed = ['More', 'Change order', 'Train 1', 'Files'];

/** Presses a word of a list that drops down, or of a group in a model's set-up. */
export async function choose(page: Page, menu: string, word: string) {
  if (!nested.includes(menu) && !listed.includes(menu)) {
    await (await setUp(page, menu)).getByRole('button', { name: word, exact: true }).click();
    return;
  }
  const button = nested.includes(menu) ? 'More' : menu;
  await page.getByRole('button', { name: button, exact: true }).first().click();
  if (nested.includes(menu))
    await page.locator('.ant-dropdown-menu-submenu-title', { hasText: menu }).click();
  const item = page
    .locator('.ant-dropdown:visible, .ant-dropdown-menu-submenu-popup:visible, .ant-popover:visible')
    .last()
    .getByText(word, { exact: true });
  await item.click();
}

/** Opens what comes next in a lesson and takes one of its choices. */
export async function add(page: Page, what: string) {
  await page.getByRole('button', { name: 'Add next' }).click();
  await page.getByRole('dialog').getByRole('button', { name: what, exact: true }).click();
}

/** The dialog of worked examples, from a lesson with boards or one without. */
export async function newExample(page: Page) {
  const first = page.getByRole('button', { name: 'A worked example with options' });
  if (await page.getByRole('heading', { name: 'What shall the class see first?' }).isVisible())
    await first.click();
  else await add(page, 'A worked example with options');
}

/** A lesson with nothing in it, begun on the shelf and given a title. */
export async function newLesson(page: Page, title: string) {
  await page.getByRole('button', { name: 'Blank lesson' }).click();
  await write(page.getByLabel('Title of the lesson'), title);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: title, exact: true })).toBeVisible();
}

/** Opens a new lesson with these models on its one board. */
export async function open(page: Page, models: object[], show = ['numeral', 'unitForm']): Promise<string> {
  return openScenes(page, models.length ? [{ id: 'a', title: 'Board', start: { models }, show }] : []);
}

/** Opens a new lesson with these scenes. */
export async function openScenes(page: Page, scenes: Scene[]): Promise<string> {
  const id = await lessonOf(page, scenes);
  await go(page, `/lesson/${id}`);
  await expect(page.getByRole('button', { name: 'Planting day' })).toBeVisible();
  return id;
}

/** Goes to a page of the application as a link in it does, where one stands; else it is loaded. */
export async function go(page: Page, path: string) {
  if (!page.url().startsWith('http') || new URL(page.url()).pathname === path) {
    await page.goto(path);
    return;
  }
  await page.evaluate((to) => {
    document.querySelector('#root .whole > *')?.setAttribute('data-left', '');
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  await expect(page.locator('[data-left]')).toHaveCount(0);
}

/** Makes a lesson of these scenes and gives its id. */
export async function lessonOf(page: Page, scenes: Scene[]): Promise<string> {
  const made = await page.request.post('/api/lessons', {
    data: { format: 2, id: '', title: 'Planting day', words: {}, scenes },
  });
  expect(made.status(), await made.text()).toBe(201);
  return ((await made.json()) as { id: string }).id;
}

/** A read-out's text. */
export const says = (page: Page, id: string): Locator =>
  page.locator(`.Record_readout:is(.${id}, .Record_${id}) .Record_readout-text`);

/** Types into a field as a person does: clicks into it, and presses keys in place of what stands there. */
export async function write(field: Locator, text: string) {
  await field.click();
  await field.press('ControlOrMeta+a');
  await field.page().keyboard.type(text);
}

/** Types into whatever has the focus, which must be a field. */
export async function typeThere(page: Page, text: string) {
  await expect(page.locator('input:focus, textarea:focus')).toBeVisible();
  await page.keyboard.type(text);
}

export async function type(page: Page, number: string) {
  const field = page.getByLabel(/^Type a number/).first();
  await write(field, number);
  await field.press('Enter');
}

/** The pieces of a look that lie on the board. */
export const pieces = (page: Page, tone: string): Locator => page.locator(`[data-piece]:has(.${tone})`);

/** Begins to present what is open, and waits until the class's screen stands. */
export async function present(page: Page) {
  await page.getByRole('button', { name: /^Present/ }).click();
  // The bench has a Next of its own, and is there until the stage is.
  await page.locator('main[data-keys]').waitFor();
  await expect(page.getByRole('button', { name: 'Next', exact: true })).toBeVisible();
  await settled(page);
}

/** While presenting: opens the place for the rest and presses a word there. */
export async function more(page: Page, word: string | RegExp) {
  await page.getByRole('button', { name: 'More', exact: true }).click();
  const sheet = page.locator('.ant-popover:visible').last();
  await sheet.getByRole('button', { name: word }).click();
}

export async function saved(page: Page) {
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
}

/** Waits until no piece travels and no board is on the way. */
export async function settled(page: Page) {
  // Asked at each frame: a test that waits is asked again later and later.
  await page.waitForFunction(
    () =>
      !document.querySelector('[data-moving]') &&
      !document.getAnimations().some((a) => {
        const { target } = a.effect as KeyframeEffect;
        return a.playState === 'running' && target?.closest('[data-piece]');
      }),
  );
}

export async function drag(page: Page, from: Locator, to: { x: number; y: number }) {
  const box = (await from.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 8 });
  await page.mouse.up();
}

export async function centre(of: Locator) {
  const box = (await of.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

/** Real fingers on the glass, as many as there are points. */
export async function fingers(page: Page) {
  const session = await page.context().newCDPSession(page);
  return (type: 'touchStart' | 'touchMove' | 'touchEnd', touchPoints: { x: number; y: number }[]) =>
    session.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: touchPoints.map((p, id) => ({ ...p, id })),
    });
}
