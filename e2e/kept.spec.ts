// Kept on the device: the application starts without the network, and takes up a newer one.
import { blocks, expect, open, pieces, saved, sentTo, test, write } from './teacher';

test.use({ serviceWorkers: 'allow' });

/** Waits until all of the application is on the device, and it answers for this page. */
async function kept(page: import('@playwright/test').Page) {
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.reload();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller?.state)).toBe('activated');
}

test('it starts, opens what is on the device and saves later, without the network', async ({
  page,
  context,
}) => {
  test.setTimeout(120_000);
  await open(page, [blocks({ tens: 4, ones: 6 })]);
  await kept(page);
  await expect(pieces(page, 'tens')).toHaveCount(4);
  await saved(page);
  await context.setOffline(true);
  await page.reload();
  await expect(pieces(page, 'tens')).toHaveCount(4);
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(pieces(page, 'tens')).toHaveCount(5);
  await expect(page.getByText(/1 change not saved/).first()).toBeVisible();
  await page.reload();
  await expect(pieces(page, 'tens')).toHaveCount(5);
  // The shelf, which was never opened with the network, has what is on the device.
  await page.getByRole('link', { name: 'All lessons' }).click();
  await expect(page.getByText('These lessons are on this device.')).toBeVisible();
  await expect(page.locator('.Card_card')).toHaveText(/Planting day/);
  await write(page.getByRole('textbox', { name: 'What shall the class see?' }), '8 + 5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Present/ })).toBeFocused();
  await context.setOffline(false);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible({ timeout: 60_000 });
  // The shell is kept, and never anything that the server knows of lessons.
  const addresses = await page.evaluate(async () => {
    const all: string[] = [];
    for (const name of await caches.keys())
      for (const request of await (await caches.open(name)).keys()) all.push(new URL(request.url).pathname);
    return all;
  });
  expect(addresses).toContain('/index.html');
  expect(addresses.filter((a) => a.startsWith('/api'))).toEqual([]);
});

test('a device’s first lesson is sent in two megabytes, and its next in a twentieth', async ({ page }) => {
  // What is fetched when there is nothing else to do waits, however slow this machine is.
  await page.addInitScript(() => {
    const idle = globalThis.requestIdleCallback.bind(globalThis);
    const rest = new Promise<void>((go) => Object.assign(globalThis, { goOn: go }));
    globalThis.requestIdleCallback = (run) => (void rest.then(() => idle(run)), 0);
  });
  const sent = await sentTo(page);
  await open(page, [blocks({ tens: 4, ones: 6 })]);
  await expect(pieces(page, 'tens')).toHaveCount(4);
  const first = sent();
  expect(first).toBeGreaterThan(1e6);
  expect(first).toBeLessThan(2e6);
  await page.evaluate(() => (globalThis as unknown as { goOn(): void }).goOn());
  await kept(page);
  const before = sent();
  await open(page, [blocks({ tens: 5, ones: 6 })]);
  await expect(pieces(page, 'tens')).toHaveCount(5);
  expect(sent() - before).toBeLessThan(1e5);
});

test('a newer application is taken up when all is saved', async ({ page, context }) => {
  await open(page, [blocks({ ones: 3 })]);
  await kept(page);
  await saved(page);
  // The server answers as one that has a newer build.
  await context.route('**/api/**', async (route) => {
    const response = await route.fetch();
    await route.fulfill({ response, headers: { ...response.headers(), 'x-unitbloom-build': 'newer' } });
  });
  await page.getByRole('button', { name: 'Add 1 one' }).click();
  const reload = page.getByRole('alert').getByRole('button', { name: 'Reload' });
  await expect(reload).toBeEnabled();
  // It takes its room from the bench, whose foot stays in sight.
  expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBe(800);
  await context.unroute('**/api/**');
  await page.evaluate(() => Object.assign(window, { before: true }));
  await reload.click();
  await expect.poll(() => page.evaluate(() => 'before' in window).catch(() => true)).toBe(false);
  await expect(pieces(page, 'ones')).toHaveCount(4);
  await expect(page.getByText('an older Unit Bloom')).toHaveCount(0);
});

test('a child is not asked: her device takes a newer application up by itself, once', async ({
  page,
  context,
}) => {
  await page.goto('/desk');
  await kept(page);
  // The page that is left asks nothing more.
  await page.goto('about:blank');
  // It may go on before the first page has all that belongs to it, and even before that page is asked for: what is
  // asked for tells.
  let loads = 0;
  page.on('request', (r) => {
    if (r.isNavigationRequest()) loads++;
  });
  await context.route('**/api/**', async (route) => {
    const response = await route.fetch();
    await route.fulfill({ response, headers: { ...response.headers(), 'x-unitbloom-build': 'newer' } });
  });
  await page.goto('/desk', { waitUntil: 'commit' });
  await expect.poll(() => loads).toBe(2);
  await expect(page.getByRole('textbox', { name: 'Type the letters on the board.' })).toBeFocused();
  await expect(page.getByText('an older Unit Bloom')).toHaveCount(0);
  // What it took up was no newer: it is left at that.
  expect(loads).toBe(2);
});

test('it can be installed, by its name and mark', async ({ page }) => {
  await page.goto('/');
  const manifest = await page.evaluate(async () => {
    const link = document.querySelector<HTMLLinkElement>('link[rel="manifest"]')!;
    const answer = await fetch(link.href);
    return {
      type: answer.headers.get('content-type'),
      body: (await answer.json()) as { name: string; icons: { src: string }[] },
    };
  });
  expect(manifest.type).toContain('manifest+json');
  expect(manifest.body.name).toBe('Unit Bloom');
  for (const { src } of manifest.body.icons) expect((await page.request.get(src)).ok()).toBe(true);
});
