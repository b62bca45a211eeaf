// A server that others can reach: teachers sign in, share with each other, and lose nothing when a
// session ends.
import type { Browser, Page } from '@playwright/test';
import { startApp } from './app.mjs';
import { expect, sound, test as base, typeThere, write } from './teacher';

const ALDER = 'seven damp badgers hum';
const BIRCH = 'nine wet hedgehogs sing';

interface School {
  url: string;
  first: string;
}

const test = base.extend<{ school: School }>({
  // eslint-disable-next-line no-empty-pattern
  school: async ({}, use) => {
    const app = await startApp({ flags: ['--name', 'maths.school'] });
    await expect.poll(app.said).toContain('/welcome#');
    await use({ url: app.url, first: /\/welcome#\w+/.exec(app.said())![0] });
    await app.stop();
  },
});

/** A browser of a teacher's own. */
async function browserOf(browser: Browser): Promise<Page> {
  return (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
}

/** A teacher at a browser of her own, whose account was made from a link's token; her shelf is open. */
async function teacher(
  browser: Browser,
  school: School,
  token: string,
  name: string,
  passphrase: string,
): Promise<Page> {
  const page = await browserOf(browser);
  const made = await page.request.post(`${school.url}/api/account`, { data: { token, name, passphrase } });
  expect(made.status(), await made.text()).toBe(200);
  await page.goto(school.url);
  await expect(page.getByRole('button', { name: `Account of ${name}` })).toBeVisible();
  return page;
}

/** Who has the first account. */
const first = (browser: Browser, school: School) =>
  teacher(browser, school, school.first.split('#')[1]!, 'Ms Alder', ALDER);

async function menu(page: Page, name: string, item: string) {
  await page.getByRole('button', { name: `Account of ${name}` }).click();
  await page.getByRole('menuitem', { name: item, exact: true }).click();
}

/** Alder with the first account, Birch by her link. */
async function two(browser: Browser, school: School): Promise<[Page, Page]> {
  const alder = await first(browser, school);
  const invited = await alder.request.post(`${school.url}/api/links`, { data: {} });
  const { token } = (await invited.json()) as { token: string };
  return [alder, await teacher(browser, school, token, 'Mr Birch', BIRCH)];
}

test('an account is made by a link, used once; signing in takes a name and a passphrase', async ({
  browser,
  school,
}) => {
  const page = await browserOf(browser);
  await page.goto(school.url);
  await expect(page.getByRole('textbox', { name: 'Name' })).toBeFocused();
  await sound(page);
  await page.goto(school.url + school.first);
  await write(page.getByRole('textbox', { name: 'Your name' }), 'Ms Alder');
  expect(page.url(), 'the token is not left in the address').not.toContain('#');
  await write(page.getByLabel('Passphrase'), 'passwordpassword');
  await page.keyboard.press('Enter');
  await expect(page.getByText('found soon by guessing')).toBeVisible();
  await sound(page);
  await write(page.getByLabel('Passphrase'), ALDER);
  await page.keyboard.press('Enter');
  // What was there before there were accounts is hers.
  await expect(page.getByRole('link', { name: /Two deliveries/ })).toBeVisible();
  await menu(page, 'Ms Alder', 'Sign out');
  await expect(page.getByRole('textbox', { name: 'Name' })).toBeFocused();
  await page.keyboard.type('ms alder');
  await page.keyboard.press('Tab');
  await page.keyboard.type('not this one');
  await page.keyboard.press('Enter');
  await expect(page.getByText('do not belong together')).toBeVisible();
  await page.keyboard.press('ControlOrMeta+A');
  await page.keyboard.type(ALDER);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: /Two deliveries/ })).toBeVisible();
  await page.goto(school.url + school.first);
  await expect(page.getByText('This link was used')).toBeVisible();
  // A colleague is invited, and makes her account with the keys alone.
  await page.goto(school.url);
  await menu(page, 'Ms Alder', 'Teachers of the school');
  const dialog = page.getByRole('dialog', { name: 'Teachers of the school' });
  await dialog.getByRole('button', { name: 'Invite a colleague' }).click();
  const birch = await browserOf(browser);
  await birch.goto(await dialog.locator('output').innerText());
  await expect(birch.getByRole('textbox', { name: 'Your name' })).toBeFocused();
  await typeThere(birch, 'Mr Birch');
  await birch.keyboard.press('Tab');
  await typeThere(birch, BIRCH);
  await birch.keyboard.press('Enter');
  await expect(birch.getByRole('button', { name: 'Account of Mr Birch' })).toBeVisible();
});

test('a teacher sees where she is signed in and ends one of it; who leads signs a colleague out', async ({
  browser,
  school,
}) => {
  const [alder, birch] = await two(browser, school);
  const tablet = await browserOf(browser);
  await tablet.goto(school.url);
  await typeThere(tablet, 'Mr Birch');
  await tablet.keyboard.press('Tab');
  await typeThere(tablet, BIRCH);
  await tablet.keyboard.press('Enter');
  await expect(tablet.getByRole('button', { name: 'Account of Mr Birch' })).toBeVisible();
  await menu(birch, 'Mr Birch', 'Where I am signed in');
  const dialog = birch.getByRole('dialog', { name: 'Where I am signed in' });
  await expect(dialog.getByRole('listitem')).toHaveCount(2);
  await expect(dialog.getByText('this one')).toHaveCount(1);
  await sound(birch);
  await dialog.getByRole('button', { name: 'Sign out there' }).click();
  await typeThere(birch, 'not this one');
  await birch.keyboard.press('Enter');
  await expect(dialog.getByText('That is not your passphrase.')).toBeVisible();
  await birch.keyboard.press('ControlOrMeta+A');
  await birch.keyboard.type(BIRCH);
  await birch.keyboard.press('Enter');
  await expect(dialog.getByRole('listitem')).toHaveCount(1);
  await tablet.reload();
  await expect(tablet.getByRole('textbox', { name: 'Name' })).toBeFocused();
  await birch.keyboard.press('Escape');
  await menu(alder, 'Ms Alder', 'Teachers of the school');
  await alder.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(alder.getByText('Mr Birch is signed out everywhere.')).toBeVisible();
  await birch.reload();
  await expect(birch.getByRole('textbox', { name: 'Name' })).toBeFocused();
});

test('a lesson is shared with a colleague, who presents it and copies it, and changes nothing of it', async ({
  browser,
  school,
}) => {
  const [alder, birch] = await two(browser, school);
  await expect(birch.getByText('No lessons yet')).toBeVisible();
  await alder.getByRole('button', { name: 'More for Two deliveries' }).click();
  await alder.getByRole('menuitem', { name: 'Share with the school' }).click();
  await alder.getByRole('button', { name: /To look at/ }).click();
  await expect(alder.getByRole('link', { name: /Two deliveries.*shared/ })).toBeVisible();

  await birch.reload();
  await expect(birch.getByRole('button', { name: 'mine' })).toHaveAttribute('aria-pressed', 'true');
  await birch.getByRole('button', { name: 'from colleagues' }).click();
  await birch.getByRole('link', { name: /Two deliveries.*Ms Alder/ }).click();
  await expect(birch.getByText('This lesson is Ms Alder’s.')).toBeVisible();
  await expect(birch.getByRole('button', { name: 'Make a copy of my own' })).toBeHidden();
  await expect(birch.getByRole('button', { name: 'Add next' })).toBeHidden();
  await birch.getByRole('button', { name: 'Present' }).click();
  await birch.keyboard.press('ArrowRight');
  await birch.keyboard.press('ArrowRight');
  await expect(birch.locator('.Foot_count, .Foot_foot').first()).toBeVisible();
  await birch.goto(school.url);

  await alder.getByRole('button', { name: 'More for Two deliveries' }).click();
  await alder.getByRole('menuitem', { name: 'Share with the school' }).click();
  await alder.getByRole('button', { name: /To copy/ }).click();
  await expect(alder.getByRole('dialog')).toBeHidden();
  await birch.reload();
  await birch.getByRole('button', { name: 'from colleagues' }).click();
  await birch.getByRole('link', { name: /Two deliveries/ }).click();
  const lent = birch.url();
  await birch.getByRole('button', { name: 'Make a copy of my own' }).click();
  await expect(birch.getByText('Saved', { exact: true })).toBeVisible();
  expect(birch.url()).not.toBe(lent);
  await birch.goto(school.url);
  await expect(birch.getByRole('link', { name: /Two deliveries.*a copy/ })).toBeVisible();
  await expect(alder.getByRole('link', { name: /a copy/ })).toBeHidden();
});

test('a class that is shared can be looked at, and not changed', async ({ browser, school }) => {
  const [alder, birch] = await two(browser, school);
  await alder.goto(`${school.url}/classes`);
  await alder.getByRole('link', { name: /Bulb planters/ }).click();
  await alder.getByRole('button', { name: 'More', exact: true }).click();
  await alder.getByRole('menuitem', { name: 'Let colleagues look at this class' }).click();
  await expect(alder.getByText('Colleagues can look at this class.')).toBeVisible();
  await birch.goto(`${school.url}/classes`);
  await birch.getByRole('link', { name: /Bulb planters.*Ms Alder’s/ }).click();
  await expect(birch.getByText('This class is Ms Alder’s.')).toBeVisible();
  await sound(birch);
  for (const name of ['New code', 'Add children', 'End', 'The class’s board'])
    await expect(birch.getByRole('button', { name, exact: true })).toBeHidden();
  await birch.getByRole('link', { name: 'Add in columns' }).click();
  await expect(birch.getByRole('region', { name: 'What was handed in' })).toBeVisible();
  await expect(birch.getByRole('button', { name: 'Put up' })).toBeHidden();
});

test('a session that ends while a lesson is open takes nothing with it', async ({ browser, school }) => {
  const page = await first(browser, school);
  await page.getByRole('link', { name: /How many bulbs/ }).click();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  // Signed out everywhere, from another browser.
  const other = await browserOf(browser);
  await other.goto(school.url);
  await write(other.getByRole('textbox', { name: 'Name' }), 'Ms Alder');
  await write(other.getByLabel('Passphrase'), ALDER);
  await other.keyboard.press('Enter');
  await menu(other, 'Ms Alder', 'Sign out everywhere');
  await expect(other.getByRole('textbox', { name: 'Name' })).toBeFocused();

  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(page.getByText('Your session has ended.')).toBeVisible();
  await sound(page);
  await write(page.getByLabel('Passphrase'), ALDER);
  await page.keyboard.press('Enter');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.locator('.SetUpSide_set-up, .Record_record, aside').first()).toBeVisible();
  await expect(page.getByText('156').first()).toBeVisible();
});

test('what one teacher could not save is not sent by the next at the same browser', async ({
  browser,
  school,
}) => {
  const [alder, birch] = await two(browser, school);
  await birch.context().close();
  await alder.getByRole('link', { name: /How many bulbs/ }).click();
  await expect(alder.getByText('Saved', { exact: true })).toBeVisible();
  await alder.route('**/saves', (route) => route.abort());
  await alder.getByRole('button', { name: 'Add 1 ten' }).click();
  await expect(alder.getByText('1 change not saved').first()).toBeVisible();
  const address = alder.url();
  // She goes, and another signs in.
  await alder.goto(school.url);
  await menu(alder, 'Ms Alder', 'Sign out');
  await alder.unroute('**/saves');
  const sign = async (name: string, passphrase: string) => {
    await write(alder.getByRole('textbox', { name: 'Name' }), name);
    await write(alder.getByLabel('Passphrase'), passphrase);
    await alder.keyboard.press('Enter');
    await expect(alder.getByRole('button', { name: `Account of ${name}` })).toBeVisible();
  };
  await sign('Mr Birch', BIRCH);
  await expect(alder.getByText('No lessons yet')).toBeVisible();
  await alder.goto(address);
  await expect(alder.getByText('There is no such lesson here.')).toBeVisible();
  await alder.goto(school.url);
  await expect(alder.getByText(/unsent/)).toBeHidden();
  await menu(alder, 'Mr Birch', 'Sign out');
  await sign('Ms Alder', ALDER);
  await alder.getByRole('link', { name: /How many bulbs/ }).click();
  await expect(alder.getByText('Saved', { exact: true })).toBeVisible();
  await expect(alder.getByText('156').first()).toBeVisible();
});
