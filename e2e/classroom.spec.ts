// A class: its door, its children's devices, what they hand in, and what the teacher does with it.
import type { Browser, BrowserContext, Locator, Page } from '@playwright/test';
import { startApp } from './app.mjs';
import { blocks, counters, expect, go, open, present, sentTo, sound, test } from './teacher';

const NAMES = ['Mirren', 'Jorn', 'Evi', 'Mara'];

interface Class {
  id: string;
  code: string;
}

/** What is read on a screen, whatever keeps its words in one line. */
const plain = (text: string) => text.replaceAll('\u00a0', ' ').trim();

/** Makes a class as a teacher does, and opens its door. */
async function makeClass(page: Page, name: string): Promise<Class> {
  await go(page, '/classes');
  await page.getByRole('button', { name: 'New class' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the class' })).toBeFocused();
  await page.keyboard.type(name);
  await page.keyboard.press('Tab');
  await page.keyboard.type(NAMES.join('\n'));
  await page.getByRole('button', { name: 'Make the class' }).click();
  await page.getByRole('button', { name: 'Open the door' }).click();
  const code = await page.locator('.ClassPage_code').innerText();
  return { id: page.url().split('/').at(-1)!, code };
}

/** A class whose door is open, as it stands when a lesson begins; the teacher looks at it. */
async function newClass(page: Page, name: string): Promise<Class> {
  const made = await page.request.post('/api/classes', { data: { name, names: NAMES.join('\n') } });
  expect(made.status(), await made.text()).toBe(201);
  const { id } = (await made.json()) as { id: string };
  const opened = await page.request.patch(`/api/classes/${id}`, { data: { open: true } });
  await go(page, '/classes');
  await page.getByRole('link', { name: new RegExp(name) }).click();
  const { code } = (await opened.json()) as Class;
  await expect(page.locator('.ClassPage_code')).toHaveText(code);
  return { id, code };
}

/** Sets tasks made from boards for a class, as a teacher does; stands at the wall. */
async function setFor(page: Page, name: string, models: object[], kinds: RegExp[]) {
  await open(page, models);
  await setOpen(page, name, kinds);
}

/** Sets tasks of the lesson that is open, only those of the kinds, each once; what else is chosen comes last. */
async function setOpen(
  page: Page,
  name: string,
  kinds: RegExp[],
  choices: (dialog: Locator) => Promise<void> = async () => undefined,
) {
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Set for a class' }).click();
  const dialog = page.getByRole('dialog', { name: 'Set for a class' });
  await choose(dialog, page, 'Class', name);
  for (const label of kinds) {
    const box = dialog.getByRole('checkbox', { name: label });
    if (!(await box.isChecked())) await box.click();
  }
  for (const box of await dialog.getByRole('group', { name: 'To do' }).getByRole('checkbox').all()) {
    const label = (await box.locator('xpath=ancestor::label').innerText()).trim();
    if (!kinds.some((k) => k.test(label)) && (await box.isChecked())) await box.click();
  }
  const few = dialog.getByRole('spinbutton', { name: 'More like each' });
  await few.click();
  await page.keyboard.press('ControlOrMeta+A');
  await page.keyboard.type('0');
  await choices(dialog);
  await dialog.getByRole('button', { name: `Set for ${name}` }).click();
  await page.waitForURL(/\/wall\//);
}

async function choose(dialog: Locator, page: Page, list: string, label: string) {
  const field = dialog.getByRole('combobox', { name: list, exact: true });
  await field.click();
  // A long list is gone through by keys: what is far down is not in the page yet.
  const here = page.locator('.ant-select-dropdown:visible .ant-select-item-option-active');
  await here.waitFor();
  for (let n = 0; n < 40 && !(await here.innerText()).includes(label); n++)
    await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
}

/** A child's own device, at her tile. */
async function device(
  browser: Browser,
  url: string,
  code: string,
  name: string,
  more: Parameters<Browser['newContext']>[0] = {},
): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1024, height: 768 }, ...more });
  const page = await context.newPage();
  await page.goto(`${url}/desk`);
  await comeIn(page, code, name);
  return page;
}

async function comeIn(page: Page, code: string, name: string) {
  await expect(page.getByRole('textbox', { name: 'Type the letters on the board.' })).toBeFocused();
  await page.keyboard.type(code.toLowerCase());
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: new RegExp(name) }).click();
  await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
}

async function lay(page: Page, what: Record<string, number>) {
  for (const [one, n] of Object.entries(what))
    for (let i = 0; i < n; i++) await page.getByRole('button', { name: `Add 1 ${one}` }).click();
}

const handIn = (page: Page) => page.getByRole('button', { name: 'Hand in', exact: true }).click();
const told = (page: Page) => page.locator('.Desk_told');
/** Hands in what is not right twice; pressed again before it is answered, it would be handed in once. */
async function handInTwice(page: Page) {
  await handIn(page);
  await expect(told(page)).toContainText('Not yet.');
  await handIn(page);
}
const group = (page: Page, line: string) =>
  page.locator('.WallPage_group', { has: page.getByText(line, { exact: true }) });

test('a lesson: set, done on three devices, gathered, two put up, given back', async ({
  page,
  browser,
  app,
}) => {
  test.setTimeout(120_000);
  const { id, code } = await makeClass(page, 'Larks');
  await setFor(page, 'Larks', [blocks({ tens: 5, ones: 4 })], [/Show numbers/]);
  await expect(page.getByText('0 of 4 handed in')).toBeVisible();

  const mirren = await device(browser, app.url, code, 'Mirren');
  await expect(mirren.getByRole('heading', { name: 'Show 54 with base-ten blocks.' })).toBeVisible();
  await expect(mirren.getByRole('button', { name: 'Hand in', exact: true })).toBeDisabled();
  await lay(mirren, { ten: 5, one: 4 });
  // Nothing on her board counts for her.
  await expect(mirren.locator('.columns_zone-count')).toHaveCount(0);
  await handIn(mirren);
  await expect(told(mirren)).toContainText('Yes, that is right.');

  // On a phone, another arrangement: right too.
  const evi = await device(browser, app.url, code, 'Evi', { viewport: { width: 390, height: 844 } });
  await lay(evi, { ten: 4, one: 14 });
  await handIn(evi);
  await expect(told(evi)).toContainText('Yes, that is right.');

  // By keys alone, and wrong as if the digits had changed places.
  const jorn = await device(browser, app.url, code, 'Jorn');
  const press = async (name: string, times: number) => {
    await jorn.getByRole('button', { name }).focus();
    for (let i = 0; i < times; i++) await jorn.keyboard.press('Enter');
  };
  await press('Add 1 ten', 4);
  await press('Add 1 one', 5);
  await press('Hand in', 1);
  await expect(told(jorn)).toContainText('Not yet. Look again.');
  await press('Try again', 1);
  await press('Hand in', 1);
  await expect(told(jorn)).toContainText('Not yet. What does each piece count?');
  await expect(told(jorn)).not.toContainText('54');

  // The wall came by itself.
  await expect(page.getByText('3 of 4 handed in')).toBeVisible();
  await expect(group(page, '5 tens 4 ones').getByLabel('Children')).toHaveText('1');
  await expect(group(page, '4 tens 14 ones')).toContainText('Go on');
  const swapped = group(page, '4 tens 5 ones');
  await expect(swapped).toContainText('As if the last two digits had changed places.');
  await expect(page.getByText('Without a device')).toBeVisible();
  // No name stands there until it is asked for.
  await expect(swapped).not.toContainText('Jorn');
  await swapped.getByRole('button', { name: 'who' }).click();
  await expect(swapped).toContainText('Jorn');

  // How he came to it, over both tries: ten by ten, one by one.
  await swapped.getByRole('button', { name: 'Replay' }).click();
  const replay = page.getByRole('dialog', { name: 'How Jorn came to it' });
  await expect(replay.getByText(/[2-9] of 9/)).toBeVisible(); // it plays by itself
  await replay.getByRole('slider').focus();
  await page.keyboard.press('Home');
  await expect(replay.getByText('1 of 9')).toBeVisible();
  await expect(replay.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
  await page.keyboard.press('End');
  await expect(replay.getByText('9 of 9')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(replay).toBeHidden();

  // Two ways side by side on the class's board, without names, then with.
  const board = await page.context().newPage();
  await board.goto(`/class/${id}/board`);
  await expect(board.getByText(code)).toBeVisible();
  for (const line of ['5 tens 4 ones', '4 tens 14 ones'])
    await group(page, line).getByRole('button', { name: 'Put up' }).first().click();
  await expect(board.locator('.Works_work')).toHaveCount(2);
  await expect(board.getByText('Mirren')).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'with names' }).click();
  await expect(board.getByText('Mirren')).toBeVisible();
  await page.getByRole('button', { name: 'Take down' }).first().click();
  await expect(board.getByText(code)).toBeVisible();

  await swapped.getByRole('button', { name: 'Give back' }).click();
  await expect(page.getByRole('textbox', { name: 'A word for her' })).toBeFocused();
  await page.keyboard.press('ControlOrMeta+A');
  await page.keyboard.type('Which of them are the tens?');
  await page.keyboard.press('Enter');
  await expect(told(jorn)).toContainText('Your teacher says: Which of them are the tens?');

  // Eyes up quiets all, and nothing is lost.
  await page.getByRole('button', { name: 'Eyes up' }).click();
  await expect(jorn.getByText('Eyes up!')).toBeVisible();
  await page.getByRole('button', { name: 'Go on', exact: true }).first().click();
  await expect(jorn.locator('[data-piece]')).toHaveCount(9);

  await jorn.getByRole('button', { name: 'I need help' }).click();
  await expect(page.locator('.WallPage_people')).toContainText('Jorn');
  await page.getByRole('button', { name: 'I was there' }).click();
  await expect(jorn.getByRole('button', { name: 'I need help' })).toBeVisible();

  // Evi goes on on paper: what is printed for those without a device is what the others have.
  await page.getByRole('link', { name: /Print it for them/ }).click();
  await expect(page.getByRole('radio', { name: 'Those without a device (1)' })).toBeChecked();
  const sheet = page.getByRole('region', { name: 'Page 1 of 2' });
  await expect(sheet).toContainText('Show 54 with base-ten blocks.');
  await page.goBack();

  // Another like it, for him alone.
  await swapped.getByRole('button', { name: 'Give another' }).click();
  await expect(jorn.getByRole('heading', { name: 'Show 54 with base-ten blocks.' })).toHaveCount(0);
  await expect(jorn.getByRole('heading', { name: /^Show \d+ with base-ten blocks/ })).toBeVisible();
  await expect(mirren.getByRole('heading', { name: 'Show 54 with base-ten blocks.' })).toBeVisible();
});

/** Takes a page from the network and gives it back, its streams too. */
async function cut(context: BrowserContext, away: boolean) {
  await context.setOffline(away);
}

test('without the network work is kept, and handed in when it is back; the next child opens none of it', async ({
  page,
  browser,
  app,
}) => {
  test.setTimeout(120_000);
  const { code } = await newClass(page, 'Wrens');
  await setFor(page, 'Wrens', [blocks({ tens: 2, ones: 3 })], [/Show numbers/]);
  const mirren = await device(browser, app.url, code, 'Mirren');
  await lay(mirren, { ten: 2 });
  const context = mirren.context();
  await cut(context, true);
  await lay(mirren, { one: 3 });
  await handIn(mirren);
  // The device marks it meanwhile.
  await expect(told(mirren)).toContainText(
    'Yes, that is right. Kept. It is handed in when the network is back.',
  );
  await expect(page.getByText('0 of 4 handed in')).toBeVisible();
  await cut(context, false);
  await expect(told(mirren)).toContainText('Yes, that is right.');
  await expect(page.getByText('1 of 4 handed in')).toBeVisible();

  // A draft survives a closed tab; what is handed in survives one without the network.
  const jorn = await device(browser, app.url, code, 'Jorn');
  await lay(jorn, { ten: 3 });
  await expect(jorn.locator('[data-piece]')).toHaveCount(3);
  await jorn.reload();
  await expect(jorn.locator('[data-piece]')).toHaveCount(3);
  // While the answer is on its way nothing is said of a network that is there.
  let answer = () => {};
  const answered = new Promise<void>((go) => (answer = go));
  await jorn.route('**/api/handins', (route) => answered.then(() => route.continue()), { times: 1 });
  await handIn(jorn);
  await expect(told(jorn)).toHaveText(/^It is on its way to your teacher\./);
  // What she does meanwhile stays, and is handed in after it.
  await lay(jorn, { ten: 1 });
  await handIn(jorn);
  answer();
  await expect(told(jorn)).toHaveText(/^Not yet\./);
  await expect(group(page, '4 tens').getByLabel('Children')).toHaveText('1');
  await cut(jorn.context(), true);
  await lay(jorn, { one: 2 });
  await handIn(jorn);
  await expect(told(jorn)).toContainText('Kept.');
  const other = await jorn.context().newPage();
  await jorn.close();
  await cut(other.context(), false);
  await other.goto(`${app.url}/desk`);
  await expect(page.getByText('2 of 4 handed in')).toBeVisible();
  await expect(group(page, '4 tens 2 ones').getByLabel('Children')).toHaveText('1');

  // Another child at the same device begins with an empty board.
  await expect(other.getByRole('heading', { name: 'Jorn' })).toBeVisible();
  await other.context().clearCookies();
  await other.reload();
  await comeIn(other, code, 'Evi');
  await expect(other.getByRole('button', { name: 'Add 1 ten' })).toBeVisible();
  await expect(other.locator('[data-piece]')).toHaveCount(0);
});

test('a tile is taken once; two share a device; a freed tile goes back to the code', async ({
  page,
  browser,
  app,
}) => {
  const { id, code } = await newClass(page, 'Finches');
  const mirren = await device(browser, app.url, code, 'Mirren');
  await expect(mirren.getByText('Your tasks come soon.')).toBeVisible();
  const second = await (await browser.newContext()).newPage();
  await second.goto(`${app.url}/desk?code=${code}`);
  await expect(second.getByRole('button', { name: /Mirren/ })).toBeDisabled();
  await second.getByRole('button', { name: 'We are two' }).click();
  await second.getByRole('button', { name: /Jorn/ }).click();
  await second.getByRole('button', { name: /Evi/ }).click();
  await expect(second.getByText('You are in Finches.')).toBeVisible();
  await go(page, `/class/${id}`);
  await page.getByRole('button', { name: 'More for Mirren' }).click();
  await page.getByRole('menuitem', { name: /Free her tile/ }).click();
  await expect(mirren.getByRole('textbox', { name: 'Type the letters on the board.' })).toBeVisible();
  const wrong = await (await browser.newContext()).newPage();
  await wrong.goto(`${app.url}/desk`);
  await expect(wrong.getByRole('textbox', { name: 'Type the letters on the board.' })).toBeFocused();
  await wrong.keyboard.type('BBBBBB');
  await wrong.keyboard.press('Enter');
  await expect(wrong.getByText('No class has this code now. Look at the board again.')).toBeVisible();
});

test('numbers are read, matched, filled in and worked in columns, with keys and with our pad', async ({
  page,
  browser,
  app,
}) => {
  test.setTimeout(120_000);
  const { code } = await newClass(page, 'Swifts');
  await setFor(page, 'Swifts', [blocks({ tens: 4, ones: 6 })], [/Read/]);
  const child = await device(browser, app.url, code, 'Mara');
  const answer = child.getByRole('textbox').first();
  await child.getByRole('button', { name: '6', exact: true }).click();
  await expect(answer).toBeFocused();
  await child.keyboard.type('4');
  await handIn(child);
  await expect(told(child)).toContainText('Not yet.');
  await child.getByRole('button', { name: 'Take the last one away' }).click();
  await child.getByRole('button', { name: 'Take the last one away' }).click();
  await child.keyboard.type('46');
  await handIn(child);
  await expect(told(child)).toContainText('Yes, that is right.');
  await expect(group(page, '46').getByLabel('Children')).toHaveText('1');

  // A worked example in columns.
  await go(page, '/');
  await page.getByRole('textbox', { name: 'What shall the class see?' }).focus();
  await page.keyboard.type('402 - 167');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Present/ }).waitFor();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Set for a class' }).click();
  const dialog = page.getByRole('dialog', { name: 'Set for a class' });
  await choose(dialog, page, 'Class', 'Swifts');
  for (const label of [/Fill gaps/]) await dialog.getByText(label).click();
  // She tries it first, as a child would have it, and is told what a child is told.
  await dialog.getByRole('button', { name: 'Try it as a child' }).click();
  const tried = page.frameLocator('iframe[title="As a child will see it"]');
  await expect(tried.getByRole('heading', { name: 'Work out 402 − 167.' })).toBeVisible();
  await tried.getByRole('textbox', { name: 'ones, answer' }).click();
  await page.keyboard.type('5');
  await tried.getByRole('button', { name: 'Hand in' }).click();
  await expect(tried.getByRole('status').last()).toContainText('Not yet.');
  await dialog.getByRole('button', { name: 'Back to the choices' }).click();
  await dialog.getByRole('button', { name: 'Set for Swifts' }).click();
  await page.waitForURL(/\/wall\//);
  await expect(child.getByRole('combobox', { name: 'Which tasks' })).toBeVisible();
  await child.reload();
  await expect(child.getByRole('heading', { name: 'Work out 402 − 167.' })).toBeVisible();
  for (const [place, digit] of [
    ['hundreds', '3'],
    ['tens', '6'],
    ['ones', '5'],
  ]) {
    await child.getByRole('textbox', { name: `${place}, answer` }).click();
    await child.keyboard.type(digit!);
  }
  await handIn(child);
  await expect(told(child)).toContainText('Not yet.');
  await expect(page.getByText('402 − 167 = 365')).toBeVisible();
  await expect(page.getByText('1 of 4 handed in')).toBeVisible();
  await expect(page.getByText(/As if the smaller digit/)).toBeVisible();
});

test('axe finds nothing on a class’s screens', async ({ page, browser, app }) => {
  test.setTimeout(180_000);
  await go(page, '/');
  await page.getByRole('button', { name: 'Classes' }).click();
  await page.getByText('Bulb planters').waitFor();
  await sound(page, 'classes');
  await page.getByText('Bulb planters').click();
  const code = await page.locator('.ClassPage_code').innerText();
  await sound(page, 'a class');
  const id = page.url().split('/').at(-1)!;
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: /What the class can/ }).click();
  await expect(page.getByRole('row', { name: /Rosa/ }).getByRole('link', { name: /not yet/ })).toHaveCount(2);
  await sound(page, 'what the class can');
  await page.getByRole('link', { name: 'The class' }).first().click();
  await page.getByRole('link', { name: 'Bags and single bulbs', exact: true }).click();
  await page.locator('.WallPage_group').first().waitFor();
  await page.getByRole('button', { name: 'who' }).first().click();
  await sound(page, 'the wall');
  await page.getByRole('link', { name: /On paper|Print it for them/ }).click();
  await page.getByRole('button', { name: 'Print' }).waitFor();
  await sound(page, 'a set on paper');
  await page.goBack();
  await go(page, `/class/${id}/board`);
  await page.getByText(code).waitFor();
  await sound(page, 'the board with the code');
  for (const size of [
    { width: 390, height: 844 },
    { width: 1024, height: 768 },
  ]) {
    const child = await (await browser.newContext({ viewport: size })).newPage();
    await child.goto(`${app.url}/desk`);
    await child.getByRole('button', { name: 'Come in' }).waitFor();
    await sound(child, 'the door');
    await child.goto(`${app.url}/desk?code=${code}`);
    await child.getByRole('button', { name: size.width < 500 ? /Pim/ : /Ilva/ }).waitFor();
    await sound(child, 'the tiles');
    await child.getByRole('button', { name: size.width < 500 ? /Pim/ : /Ilva/ }).click();
    await child.getByRole('button', { name: 'Add 1 ten' }).waitFor();
    await sound(child, 'a board to lay on');
    for (const what of ['the next', 'one to read', 'another']) {
      await child.getByRole('button', { name: 'The next task' }).click();
      await sound(child, what);
    }
    await child.getByRole('combobox', { name: 'Which tasks' }).selectOption({ label: 'Add in columns' });
    await child.getByRole('heading', { name: /Work out/ }).waitFor();
    await sound(child, 'columns');
    // Nothing is wider than the screen.
    expect(await child.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width);
  }
});

test('your turn: set while presenting, and what is put up comes to the stage', async ({
  page,
  browser,
  app,
}) => {
  test.setTimeout(120_000);
  const { code } = await newClass(page, 'Robins');
  const child = await device(browser, app.url, code, 'Mara');
  await open(page, [blocks({ tens: 3, ones: 2 })]);
  await present(page);
  await page.keyboard.press('t');
  const dialog = page.getByRole('dialog', { name: 'Set for a class' });
  await choose(dialog, page, 'Class', 'Robins');
  for (const label of [/Read numbers/, /Match/, /Fill gaps/]) await dialog.getByText(label).click();
  const [wall] = await Promise.all([
    page.waitForEvent('popup'),
    dialog.getByRole('button', { name: 'Set for Robins' }).click(),
  ]);
  // The class goes on seeing the stage; the child has the task at once.
  await expect(page.locator('[data-piece]').first()).toBeVisible();
  await expect(child.getByRole('heading', { name: 'Show 32 with base-ten blocks.' })).toBeVisible();
  await lay(child, { ten: 2, one: 12 });
  await handIn(child);
  await group(wall, '2 tens 12 ones').getByRole('button', { name: 'Put up' }).click();
  await expect(page.locator('.Works_work')).toHaveCount(1);
  await expect(page.getByText('2 tens 12 ones')).toBeVisible();
  await expect(page.getByText('Mara')).toHaveCount(0);
  await page.getByRole('button', { name: 'Add to our record' }).click();
  await expect(page.getByRole('button', { name: 'In our record' })).toBeDisabled();
  await wall.getByRole('button', { name: 'Take down' }).first().click();
  await expect(page.locator('[data-piece]').first()).toBeVisible();
  await page.keyboard.press('m');
  await expect(page.getByRole('complementary', { name: 'Record' })).toContainText('2 tens 12 ones');
  await page.keyboard.press('m');

  // All answers gather on the stage as they come: how many gave each, and nobody's name.
  await wall.getByRole('button', { name: 'Put all answers up' }).click();
  const answers = page.locator('.Works_answers');
  await expect(answers.getByRole('listitem')).toHaveCount(1);
  const other = await device(browser, app.url, code, 'Jorn');
  await lay(other, { ten: 3, one: 2 });
  await handIn(other);
  await expect(answers.getByRole('listitem')).toHaveCount(2);
  await expect(answers.getByRole('listitem').nth(1)).toContainText('3 tens 2 ones');
  await expect(answers.getByRole('status', { name: 'Children' })).toHaveText(['1', '1']);
  await expect(page.getByText('Jorn')).toHaveCount(0);
  await sound(page);
  // What goes on with the lesson takes it down first; a wall that was loaded again knows of it.
  await wall.reload();
  await expect(wall.getByText('On the class’s board: all answers')).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('[data-piece]')).toHaveCount(5);
  await expect(wall.getByText('On the class’s board: all answers')).toBeHidden();
  await group(wall, '3 tens 2 ones').getByRole('button', { name: 'Put up' }).click();
  await page.getByRole('button', { name: 'Take down' }).click();
  await expect(page.locator('[data-piece]')).toHaveCount(5);
  await group(wall, '3 tens 2 ones').getByRole('button', { name: 'Put up' }).click();
  await expect(page.locator('.Works_work')).toHaveCount(1);
  const lesson = page.url();
  // It is for this lesson: another is not covered by it.
  await open(page, [blocks({ tens: 4 })]);
  await present(page);
  await expect(page.locator('[data-piece]')).toHaveCount(4);

  // The same on paper for those without a device, with their names.
  await go(page, lesson.replace(/\/present.*/, '/paper?as=sheet'));
  const names = page.getByRole('combobox', { name: 'With the names of a class' });
  await names.click();
  await page.locator('.ant-select-item-option', { hasText: 'With the names of Robins' }).click();
  for (const name of NAMES)
    await expect(page.locator('.PaperPage_page b', { hasText: name }).first()).toBeVisible();
});

test('devices follow the stage, without what is held back, until it is their turn', async ({
  page,
  browser,
  app,
}) => {
  test.setTimeout(120_000);
  const { id, code } = await newClass(page, 'Larches');
  const child = await device(browser, app.url, code, 'Jorn');
  await expect(child.getByText('You are in Larches.')).toBeVisible();
  await go(page, '/');
  await page.getByRole('textbox', { name: 'What shall the class see?' }).focus();
  await page.keyboard.type('58 + 67');
  await page.keyboard.press('Enter');
  await present(page);
  await page.keyboard.press('d');
  // The demo's class is at its door too.
  await page
    .getByRole('dialog', { name: 'Which class follows?' })
    .getByRole('button', { name: 'Larches' })
    .click();
  await expect(child.getByText('Jorn: look with the class.')).toBeVisible();
  const prompt = page.getByRole('region', { name: 'Prompt' });
  const words = async () => plain(await prompt.locator('.Cue_cue-say').innerText());
  const digits = (of: Page) =>
    of.getByRole('table', { name: 'Written method' }).getByRole('cell').allInnerTexts();
  const board = child.getByRole('img', { name: 'What the class sees' });
  const places = new Set<string>();
  let asked = 0;
  let checked = 0;
  let open = '';
  for (let n = 0; n < 12; n++) {
    await page.keyboard.press('ArrowRight');
    await expect
      .poll(async () => plain(await child.locator('.Following_said').innerText()).includes(await words()))
      .toBe(true);
    // What is written is written there too, and no digit more: the stage writes it once its pieces are there.
    await expect(async () => expect(await digits(child)).toEqual(await digits(page))).toPass();
    places.add(JSON.stringify(await board.boundingBox()));
    const answer = prompt.locator('.Cue_cue-answer');
    if ((await answer.count()) > 0 && (await answer.getAttribute('aria-hidden')) === 'true') {
      asked++;
      await expect(child.locator('.Following_answer')).toHaveCount(0);
      open = await child.evaluate(() => fetch('/api/desk/stage').then((r) => r.text()));
    } else if (open && (await answer.count()) > 0) {
      // What is answered now was not in what the server had for devices before.
      const said = plain((await answer.textContent())!);
      expect(said).not.toBe('');
      expect(open).not.toContain(JSON.stringify(said).slice(1, -1));
      checked++;
      open = '';
    }
  }
  expect(asked).toBeGreaterThan(1);
  expect(checked).toBeGreaterThan(1);
  expect([...places], 'its board stands still, as the stage does').toHaveLength(1);
  // Whoever comes back is where the class is; on a device that has nothing of ours yet
  // it takes little to be sent, for it needs no core.
  const storageState = await child.context().storageState();
  const context = await browser.newContext({ storageState, viewport: { width: 1024, height: 768 } });
  const back = await context.newPage();
  const sent = await sentTo(back);
  await back.goto(`${app.url}/desk`);
  await expect(back.getByText('Jorn: look with the class.')).toBeVisible();
  expect(sent()).toBeGreaterThan(1e5);
  expect(sent()).toBeLessThan(6e5);
  await context.close();
  await child.reload();
  await expect(child.getByText('Jorn: look with the class.')).toBeVisible();
  // Nor does a server that was killed and started again leave the class without its stage.
  await app.stop('SIGKILL');
  Object.assign(app, await startApp({ data: app.data, port: Number(new URL(app.url).port) }));
  const followed = () =>
    child.evaluate(() =>
      fetch('/api/desk/stage').then(
        (r) => (r.ok ? r.text() : ''),
        () => '',
      ),
    );
  await expect.poll(followed, { timeout: 30_000 }).toContain('"models"');
  await expect(child.getByText('Jorn: look with the class.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(child.getByText('You are in Larches.')).toBeVisible();
  // A page that is gone without a word leaves no device behind.
  await present(page);
  await page.keyboard.press('d');
  await expect(child.getByText('Jorn: look with the class.')).toBeVisible();
  await go(page, `/class/${id}`);
  await expect(child.getByText('You are in Larches.')).toBeVisible();
});

test('a sentence of her own, one of four, quick facts and a reason', async ({ page, browser, app }) => {
  test.setTimeout(120_000);
  const { code } = await newClass(page, 'Terns');
  await go(page, '/');
  await page.getByRole('textbox', { name: 'What shall the class see?' }).focus();
  await page.keyboard.type('402 - 167');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Present/ }).waitFor();
  const kinds = [/Choose one/, /A sentence of her own/, /Quick facts/, /Explain something/];
  await setOpen(page, 'Terns', kinds, async (dialog) => {
    await dialog.getByRole('textbox', { name: 'What is to be explained' }).click();
    await page.keyboard.type('Why is it more than 200?');
    await expect(dialog.getByRole('heading', { name: '4 tasks' })).toBeVisible();
  });
  // On a phone: nothing moves away under a finger when the digits go.
  const child = await device(browser, app.url, code, 'Evi', { viewport: { width: 390, height: 844 } });
  const next = () => child.getByRole('button', { name: 'The next task' }).click();

  await expect(child.getByRole('heading', { name: /Which is the answer to 402 − 167/ })).toBeVisible();
  await child.getByRole('button', { name: '365', exact: true }).click();
  await child.getByRole('textbox', { name: 'I know because …' }).click();
  await child.keyboard.type('7 take away 2 is 5');
  await handIn(child);
  await expect(told(child)).toContainText('Not yet.');
  await child.getByRole('button', { name: '235', exact: true }).click();
  await handIn(child);
  await expect(told(child)).toContainText('Yes, that is right.');
  await expect(page.locator('.WallPage_group')).toContainText('7 take away 2 is 5');

  await next();
  await child.getByRole('textbox', { name: 'My sentence' }).click();
  await child.keyboard.type('9');
  for (const sign of ['plus', '8', 'equals', '1', '7'])
    await child.getByRole('button', { name: sign, exact: true }).click();
  await expect(child.getByRole('textbox', { name: 'My sentence' })).toHaveValue('9 + 8 = 17');
  await child.getByRole('button', { name: 'Done', exact: true }).click();
  for (let i = 0; i < 16; i++)
    await child
      .getByRole('button', { name: /^Add 1/ })
      .first()
      .click();
  await handInTwice(child);
  await expect(told(child)).toContainText('Does your board show your sentence?');
  await child
    .getByRole('button', { name: /^Add 1/ })
    .first()
    .click();
  await handIn(child);
  await expect(told(child)).toContainText('Yes, that is right.');

  await next();
  for (const fact of await child.locator('.TaskLines_sentence').all()) {
    const [a, sign, b] = (await fact.innerText()).trim().split(/\s+/);
    await fact.getByRole('textbox').click();
    await child.keyboard.type(String(sign === '+' ? Number(a) + Number(b) : Number(a) - Number(b)));
  }
  await handIn(child);
  await expect(told(child)).toContainText('Yes, that is right.');

  await next();
  await child.getByRole('button', { name: 'I told my teacher' }).click();
  await handIn(child);
  await expect(told(child)).toContainText('Handed in.');
  await expect(told(child)).not.toContainText('right');
});

test('turns of dice are taken one at a time, and a question leads to the turn that it is of', async ({
  page,
  browser,
  app,
}) => {
  const { code } = await newClass(page, 'Avocets');
  await go(page, '/');
  await page.getByRole('textbox', { name: 'What shall the class see?' }).focus();
  await page.keyboard.type('42');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Present/ }).waitFor();
  await setOpen(page, 'Avocets', [/Turns with dice/], async (dialog) => {
    await dialog.getByRole('spinbutton', { name: 'How many turns' }).click();
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.type('2');
    await expect(dialog.getByRole('heading', { name: 'One task' })).toBeVisible();
    await expect(dialog.getByRole('row')).toHaveCount(3);
  });
  const child = await device(browser, app.url, code, 'Evi');
  await expect(child.getByRole('heading', { name: 'Choose a place for each digit.' })).toBeVisible();
  const names = ['ten', 'one'];
  const take = async (turn: number, more = 0) => {
    await child.getByRole('button', { name: new RegExp(`^Turn ${turn}`) }).click();
    const thrown = (await child.getByRole('img', { name: /^Thrown: / }).getAttribute('aria-label'))!;
    const digits = thrown.replace('Thrown: ', '').split(', ');
    const write = async (form: RegExp, text: string) => {
      await child.getByRole('textbox', { name: form }).click();
      await child.keyboard.type(text);
    };
    for (const d of digits) await child.getByRole('button', { name: d, exact: true }).click();
    await write(/^Tens and ones/, digits.map((d, i) => `${d} ${names[i]}s`).join(' '));
    await write(/^Sum of its parts/, `${digits[0]}0 + ${digits[1]}`);
    for (const [i, d] of digits.entries())
      for (let n = 0; n < Number(d) + (i === 1 ? more : 0); n++)
        await child.getByRole('button', { name: `Add 1 ${names[i]}` }).click();
    return digits.join('');
  };
  const first = await take(1, 1);
  const second = await take(2);
  expect(first[0]).not.toBe(first[1]);
  await expect(child.getByRole('button', { name: `Turn 1 ${first}` })).toBeVisible();
  await handIn(child);
  await expect(told(child)).toContainText('Not yet.');
  await expect(child.getByRole('button', { name: /^Turn 2/ })).toHaveAttribute('aria-pressed', 'true');
  await handIn(child);
  await expect(told(child)).toContainText('Does your board show your number?');
  await sound(child);
  await expect(child.getByRole('button', { name: /^Turn 1/ })).toHaveAttribute('aria-pressed', 'true');
  await child.getByRole('button', { name: 'Put one of the ones away' }).click();
  await handIn(child);
  await expect(told(child)).toContainText('Yes, that is right.');
  await expect(page.locator('.WallPage_group').last()).toContainText(second);
});

test('the last steps of an example, and how one sees what lies there', async ({ page, browser, app }) => {
  test.setTimeout(120_000);
  const { code } = await newClass(page, 'Auks');
  const forMara = async (dialog: Locator) => {
    await expect(dialog.getByRole('heading', { name: 'One task' })).toBeVisible();
    await dialog.getByText('For some children only').click();
    await expect(dialog.getByRole('button', { name: 'Set for Auks' })).toBeDisabled();
    await dialog.getByRole('checkbox', { name: 'Mara' }).click();
  };
  await go(page, '/');
  await page.getByRole('textbox', { name: 'What shall the class see?' }).focus();
  await page.keyboard.type('146 + 87');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Present/ }).waitFor();
  await setOpen(page, 'Auks', [/Do the last steps/], forMara);
  const child = await device(browser, app.url, code, 'Mara');

  await expect(child.getByRole('heading', { name: '146 + 87: do the last step.' })).toBeVisible();
  await expect(child.getByText('Put the tens together', { exact: false })).toBeVisible();
  await child.getByRole('textbox', { name: 'It comes to' }).click();
  await child.keyboard.type('123');
  await child.getByRole('button', { name: 'Bundle tens' }).click();
  await handIn(child);
  await expect(told(child)).toContainText('Not yet.');
  await expect(page.locator('.WallPage_group')).toContainText('As if');
  await child.getByRole('textbox', { name: 'It comes to' }).click();
  await child.keyboard.press('ControlOrMeta+A');
  await child.keyboard.type('233');
  await handIn(child);
  await expect(told(child)).toContainText('Yes, that is right.');

  await open(page, [counters(8, { frames: [{ rows: 2, columns: 5 }] })]);
  await setOpen(page, 'Auks', [/Say how one sees it/], forMara);
  await child.locator('select').selectOption({ index: 0 });
  await expect(child.getByRole('heading', { name: /How do you see how many there are/ })).toBeVisible();
  const write = async (way: string, text: string) => {
    await child.getByRole('textbox', { name: way }).click();
    await child.keyboard.press('ControlOrMeta+A');
    await child.keyboard.type(text);
  };
  await write('Way 1', '5 + 3');
  await write('Way 2', '3 + 5');
  await handInTwice(child);
  await expect(told(child)).toContainText('Where do you see it in another way?');
  // She draws round four of them, and what the line caught is shown.
  const pieces = await Promise.all((await child.locator('[data-piece]').all()).map((p) => p.boundingBox()));
  const [from, to] = [pieces[0]!, pieces[3]!];
  const corners = [
    [from.x - 4, from.y - 4],
    [to.x + to.width + 4, to.y - 4],
    [to.x + to.width + 4, to.y + to.height + 4],
    [from.x - 4, to.y + to.height + 4],
    [from.x - 4, from.y - 4],
  ] as const;
  await child.mouse.move(...corners[0]);
  await child.mouse.down();
  for (const [x, y] of corners) await child.mouse.move(x, y, { steps: 5 });
  await child.mouse.up();
  await expect(child.locator('.WayLayer_way-ring')).toHaveCount(1);
  await write('Way 2', 'double 4');
  await handIn(child);
  await expect(told(child)).toContainText('Yes, that is right.');
  await expect(page.locator('.WallPage_group').first()).toContainText('double 4');
});

test('a tile opens with three pictures, also where another device sits', async ({ page, browser, app }) => {
  const { code } = await newClass(page, 'Owls');
  const first = await device(browser, app.url, code, 'Evi');
  await expect(first.getByText('Your tasks come soon.')).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Picture keys for the tiles' }).click();
  const shown = page.locator('li', { hasText: 'Evi' }).locator('[aria-label^="Key: "]');
  const key = (await shown.getAttribute('aria-label'))!.replace('Key: ', '').split(', ');
  const child = await (await browser.newContext()).newPage();
  await child.goto(`${app.url}/desk?code=${code}`);
  await child.getByRole('button', { name: /Evi/ }).click();
  const tap = async (pictures: string[]) => {
    for (const name of pictures) await child.getByRole('button', { name, exact: true }).click();
  };
  await expect(child.getByText('Tap your three pictures.')).toBeVisible();
  await sound(child);
  // One picture of another kind than hers: not her key, whichever it is.
  await tap([key[0]!, key[1]!, key[2] === 'orange sun' ? 'blue moon' : 'orange sun']);
  await expect(child.getByText('Those are not the pictures of Evi.')).toBeVisible();
  await tap(key);
  await expect(child.getByText('You are in Owls.')).toBeVisible();
  await expect(first.getByRole('textbox', { name: 'Type the letters on the board.' })).toBeVisible();
});

test('what is set meanwhile takes no child from what she has begun', async ({ page, browser, app }) => {
  const { code } = await newClass(page, 'Siskins');
  await setFor(page, 'Siskins', [blocks({ tens: 2, ones: 3 })], [/Show numbers/]);
  const busy = await device(browser, app.url, code, 'Mara');
  await lay(busy, { ten: 1 });
  const idle = await device(browser, app.url, code, 'Evi');
  await expect(idle.getByRole('heading', { name: 'Show 23 with base-ten blocks.' })).toBeVisible();
  await setFor(page, 'Siskins', [blocks({ tens: 6, ones: 1 })], [/Show numbers/]);
  await expect(idle.getByRole('heading', { name: 'Show 61 with base-ten blocks.' })).toBeVisible();
  await expect(busy.getByText('New tasks have come.')).toBeVisible();
  await expect(busy.getByRole('heading', { name: 'Show 23 with base-ten blocks.' })).toBeVisible();
  await lay(busy, { ten: 1, one: 3 });
  await handIn(busy);
  await expect(told(busy)).toContainText('Yes, that is right.');
  await busy.getByRole('button', { name: 'Go to them' }).click();
  await expect(busy.getByRole('heading', { name: 'Show 61 with base-ten blocks.' })).toBeVisible();
  await expect(busy.getByText('New tasks have come.')).toHaveCount(0);
});

test('the windows of a browser hear of a class by one stream', async ({ page, browser, app }) => {
  const { code } = await newClass(page, 'Starlings');
  const streams: string[] = [];
  page.context().on('request', (r) => {
    if (r.url().endsWith('/events') && r.url().includes('/classes/')) streams.push(r.url());
  });
  await page.reload();
  await expect.poll(() => streams.length).toBe(1);
  const second = await page.context().newPage();
  await second.goto(page.url());
  await expect(second.getByRole('heading', { name: 'Starlings' })).toBeVisible();
  // Both see who comes in.
  await device(browser, app.url, code, 'Mara');
  const at = (one: Page, name: string) =>
    one.getByRole('listitem').filter({ hasText: name }).getByText('at a device');
  for (const one of [page, second]) await expect(at(one, 'Mara')).toBeVisible();
  expect(streams).toHaveLength(1);
  // When the one that listens goes, the other does, and misses nothing.
  await go(page, '/');
  await expect.poll(() => streams.length).toBe(2);
  await device(browser, app.url, code, 'Evi');
  await expect(at(second, 'Evi')).toBeVisible();
  await second.close();
});

test('the classes of a year are deleted together, with all that was done in them', async ({ page, app }) => {
  await newClass(page, 'Plovers');
  await newClass(page, 'Knots');
  await go(page, '/classes');
  const year = String(new Date().getFullYear());
  await page.getByRole('button', { name: 'Delete the classes of a year' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('combobox', { name: 'Made in' })).toBeFocused();
  await expect(dialog).toContainText(year);
  await expect(dialog.getByRole('listitem').filter({ hasText: /^Plovers$/ })).toBeVisible();
  await sound(page);
  await dialog.getByRole('button', { name: /^Delete these \d+ classes$/ }).click();
  await expect(page.getByText('No class yet.')).toBeVisible();
  const left = (await (await page.request.get(`${app.url}/api/classes`)).json()) as { classes: unknown[] };
  expect(left.classes).toEqual([]);
});
