// A lesson by hand, given whole while presenting; what is done belongs to the showing.
import { exampleOf } from './stage-look.mjs';
import {
  add,
  blocks,
  counters,
  expect,
  go,
  more,
  lessonOf,
  newExample,
  open,
  pieces,
  present,
  says,
  settled,
  test,
  verb,
  write,
} from './teacher';

test('a lesson by hand: build, hold back, cover, look, reveal, write, the next number', async ({ page }) => {
  await open(page, [blocks({ tens: 1, ones: 3 })]);
  await present(page);
  // The strip comes when it is wanted: for whoever types a number, too. It is built at once.
  const strip = page.getByRole('region', { name: 'By hand' });
  await expect(strip).toBeHidden();
  await page.keyboard.press('h');
  await expect(strip).toBeVisible();
  await page.keyboard.press('h');
  await expect(strip).toBeHidden();
  await page.keyboard.type('36');
  await expect(strip.getByLabel(/^Type a number/)).toHaveValue('36');
  await page.keyboard.press('Enter');
  await expect(pieces(page, 'tens')).toHaveCount(3);
  await page.getByRole('button', { name: 'Add 1 one' }).click();
  await expect(pieces(page, 'ones')).toHaveCount(7);
  await page.keyboard.press('Control+z');
  await expect(pieces(page, 'ones')).toHaveCount(6);
  // Counts are held back, and all is covered; a look lasts two seconds.
  const counts = page.locator('.columns_zone-count');
  await page.keyboard.press('c');
  await expect(counts).toHaveText(['?', '?']);
  await page.keyboard.press('v');
  await expect(page.locator('[data-piece]')).toHaveCount(0);
  await page.keyboard.press('q');
  await expect(page.locator('[data-piece]')).toHaveCount(9);
  await expect(page.locator('[data-piece]')).toHaveCount(0, { timeout: 8000 });
  // Reveal shows one after another what is held back.
  await page.keyboard.press('r');
  await expect(page.locator('[data-piece]')).toHaveCount(9);
  await expect(counts).toHaveText(['?', '?']);
  await page.keyboard.press('r');
  await expect(counts).toHaveText(['3', '6']);
  await expect(page.getByRole('button', { name: 'Reveal' })).toBeDisabled();
  // It is written in the record, from what the core offers or by hand.
  await page.keyboard.press('m');
  const record = page.getByRole('complementary', { name: 'Record' });
  await record.getByRole('button', { name: 'Write 3 tens 6 ones = 36' }).click();
  await write(record.getByLabel('Write a line to keep'), '36 = 30 + ?');
  await page.keyboard.press('Enter');
  await record.getByRole('button', { name: 'Fill in' }).click();
  await expect(record.getByRole('button', { name: 'Change 36 = 30 + 6' })).toBeVisible();
  // The next number loses the pieces alone, and is a new question.
  await page.keyboard.type('58');
  await page.keyboard.press('Enter');
  await expect(pieces(page, 'tens')).toHaveCount(5);
  await expect(counts).toHaveText(['?', '?']);
  await expect(record.getByRole('listitem')).toHaveCount(2);
  // A number after a sum that needs more room is as large as one before it.
  const one = () => pieces(page, 'ones').first().boundingBox();
  const large = (await one())!.height;
  // The addends of a sum lie beside one another where rows would be small.
  await write(strip.getByLabel(/^Type a number/), '38 + 25');
  await page.keyboard.press('Enter');
  await expect(pieces(page, 'ones')).toHaveCount(13);
  await expect.poll(async () => (await one())!.height).toBeGreaterThan(0.9 * large);
  await write(strip.getByLabel(/^Type a number/), '138 + 225 + 346');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await one())!.height).toBeLessThan(0.8 * large);
  await write(strip.getByLabel(/^Type a number/), '38');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await one())!.height).toBeCloseTo(large, 0);
  // Escape lets a field go, then closes what is open, then quits; no other field takes the keys.
  await record.getByLabel('Write a line to keep').click();
  await strip.getByLabel(/^Type a number/).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Next', exact: true })).toBeFocused();
  await expect(strip).toBeVisible();
  await page.keyboard.press('b');
  await expect(record).toBeHidden();
  await page.keyboard.press('b');
  await expect(record).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(strip).toBeHidden();
  await page.keyboard.press('Escape');
  await expect(record).toBeHidden();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Present' })).toBeVisible();
});

test('another class finds the lesson as it was prepared; a showing can be shown again and kept', async ({
  page,
}) => {
  await open(page, [blocks({ tens: 1, ones: 3 })]);
  await present(page);
  await page.keyboard.press('h');
  await write(page.getByLabel(/^Type a number/), '28');
  await page.keyboard.press('Enter');
  await expect(pieces(page, 'ones')).toHaveCount(8);
  const link = page.url();
  // A reload goes on with the showing, once it has come to the server.
  await page.waitForTimeout(500);
  await page.reload();
  await expect(pieces(page, 'ones')).toHaveCount(8);
  expect(page.url()).toBe(link);
  await page.keyboard.press('Escape');
  await expect(says(page, 'numeral')).toHaveText('13');

  await present(page);
  await expect(pieces(page, 'ones')).toHaveCount(3);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Showings of this lesson' }).click();
  await expect(page.getByRole('button', { name: 'Show again' })).toHaveCount(1);
  await page.getByRole('button', { name: 'Show again' }).click();
  await expect(pieces(page, 'ones')).toHaveCount(8);
  await more(page, 'Keep this board in the lesson');
  await expect(page.getByText('The board is kept in the lesson.')).toBeVisible();
  await more(page, 'Start this board again');
  await expect(pieces(page, 'ones')).toHaveCount(8);
  await page.keyboard.press('Escape');
  await expect(says(page, 'numeral')).toHaveText('28');
  await page.waitForTimeout(500);
  await page.reload();
  await expect(says(page, 'numeral')).toHaveText('28');
});

test('one key changes the numbers of an example and keeps its method', async ({ page }) => {
  await open(page, []);
  await newExample(page);
  await write(page.getByRole('dialog').getByLabel(/: type /), '146 + 87');
  await page.keyboard.press('Enter');
  await present(page);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('n');
  const bar = page.getByRole('form', { name: 'Other numbers' });
  await expect(bar.getByRole('textbox')).toBeFocused();
  await page.keyboard.type('97 +');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toBeVisible();
  await write(bar.getByRole('textbox'), '97 + 5');
  await page.keyboard.press('Enter');
  await expect(bar).toBeHidden();
  await expect(page.locator('.Cue_cue')).toHaveText('97 + 5');
  for (let n = 0; n < 30; n++) await page.keyboard.press('ArrowRight');
  await settled(page);
  await expect(page.getByText('97 + 5 = 102').first()).toBeVisible();
  // An example writes its line when it is done, if that is wanted.
  await page.keyboard.press('m');
  const record = page.getByRole('complementary', { name: 'Record' });
  await record.getByLabel('Examples write their line').check();
  await expect(record.getByRole('button', { name: 'Change 97 + 5 = 102' })).toBeVisible();
  await page.locator('.Foot_petals').click();
  await page.keyboard.press('Escape'); // the record closes first
  await page.keyboard.press('Escape');
  await expect(page.locator('.Stem_bud-title', { hasText: '146 + 87' })).toBeVisible();
});

test('what stayed and what changed is lit by place, and told when it is asked', async ({ page }) => {
  await open(page, [counters(6)]);
  const line = page.getByLabel('Write a line to keep');
  for (const text of ['46 − 10 = 36', '36 − 10 = 26', '3 + 4 = 7 + 2 = 9']) {
    await write(line, text);
    await page.keyboard.press('Enter');
  }
  // A chain that is false is not kept: its arrows are offered.
  await expect(page.getByRole('alert')).toContainText('Write it with arrows');
  await page.getByRole('button', { name: 'Write it with arrows', exact: true }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'What stayed, what changed?' }).click();
  await expect(page.locator('.Kept_changed')).toHaveText(['4', '3', '3', '2']);
  await expect(page.getByText('The ones stayed.')).toBeHidden();
  await page.getByRole('button', { name: 'Tell what was noticed' }).click();
  await expect(page.getByText('The ones stayed. The tens went down by 1.')).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  // Lines are put in another order and taken out, each by itself.
  await page.getByRole('button', { name: 'Change 36 − 10 = 26' }).click();
  await expect(page.getByText('thirty-six minus ten equals twenty-six')).toBeVisible();
  await page.getByRole('button', { name: 'One line up' }).click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  const lines = page.getByRole('region', { name: 'Lines kept' }).getByRole('listitem');
  await expect(lines.first()).toContainText('36 − 10 = 26');
  await page.getByRole('button', { name: 'Change 36 − 10 = 26' }).click();
  await page.getByRole('button', { name: 'Remove 36 − 10 = 26' }).click();
  await expect(lines).toHaveCount(1);
});

test('a lesson opens with its objective and its words, each met, told and said together', async ({
  page,
}) => {
  await open(page, [blocks({ tens: 1, ones: 3 })]);
  await add(page, 'Objective and words');
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Remainder', exact: true }).click();
  await write(dialog.getByLabel('The word'), 'tray');
  await write(dialog.getByLabel(/^What it means/), 'A tray holds a hundred bulbs.');
  await write(dialog.getByLabel(/^The number/), '100');
  await dialog.getByRole('button', { name: 'Add 3 pages' }).click();
  await expect(dialog).toBeHidden();
  await present(page);
  await expect(page.getByRole('list', { name: 'Words of this lesson' }).getByRole('listitem')).toHaveText([
    'Remainder',
    'tray',
  ]);
  const cue = page.getByRole('region', { name: 'Prompt' });
  await page.keyboard.press('ArrowRight');
  await expect(cue).toHaveText('Remainder');
  await expect(page.locator('[data-piece]')).toHaveCount(14);
  await page.keyboard.press('ArrowRight');
  await expect(cue).toContainText('The remainder is left over');
  await expect(cue).not.toContainText('Say it with me.');
  await page.keyboard.press('ArrowRight');
  await expect(cue).toContainText('Say it with me.');
  await page.keyboard.press('ArrowRight');
  await expect(cue).toHaveText('tray');
  // The model of a card is live.
  await page.getByRole('button', { name: 'hundreds' }).click();
  await (await verb(page, 'Unbundle into tens')).click();
  await expect(pieces(page, 'tens')).toHaveCount(10);
});

test('the teacher’s window has the answer, what comes next, notes and Next; the class’s stays clean', async ({
  page,
  context,
}) => {
  await open(page, []);
  await newExample(page);
  await write(page.getByRole('dialog').getByLabel(/: type /), '146 + 87');
  await page.keyboard.press('Enter');
  await present(page);
  const [teacher] = await Promise.all([context.waitForEvent('page'), more(page, 'The teacher’s window')]);
  const cue = page.getByRole('region', { name: 'Prompt' });
  const now = teacher.getByRole('region', { name: 'Now' });
  await expect(now).toContainText('The beginning');
  const next = teacher.getByRole('button', { name: 'Next', exact: true });
  for (let n = 0; n < 3; n++) await next.click();
  await expect(page.getByRole('button', { name: 'Reveal' })).toBeEnabled();
  // What the class looks at is before her too.
  const seen = now.getByRole('img', { name: 'What the class sees' });
  await settled(page);
  await expect(seen.locator('.piece')).toHaveCount(await page.locator('[data-piece]').count());
  // She has the answer that the class does not have.
  await expect(now).toContainText('Held back');
  const answer = (await now.locator('.TeachPage_answer').innerText()).replace('Held back', '').trim();
  await expect(cue).not.toContainText(answer);
  await teacher.keyboard.press('r');
  await expect(cue).toContainText(answer);
  await expect(teacher.getByRole('region', { name: 'What comes next' })).not.toBeEmpty();
  await expect(teacher.getByRole('timer')).toBeVisible();
  await write(teacher.getByLabel('My notes'), 'Ask Mirren first.');
  await teacher.getByRole('heading', { level: 1 }).click();
  // What the class sees has nothing to press while she has her window.
  await page.mouse.move(300, 300);
  await expect(page.locator('.Foot_resting')).toBeVisible({ timeout: 10_000 });
  await page.keyboard.press('Escape');
  await expect(teacher.getByText('The class’s window is not open.')).toBeVisible();
  await present(page);
  await expect(teacher.getByLabel('My notes')).toHaveValue('Ask Mirren first.');
});

test('hands are counted unseen until all have chosen, and stay in sight until the class goes on', async ({
  page,
}) => {
  await open(page, [counters(6)]);
  await present(page);
  await page.keyboard.press('s');
  const hands = page.locator('.HandsBar_hands-bar');
  await expect(hands.getByLabel('Answer 1')).toBeFocused();
  await page.keyboard.type('12');
  await hands.getByLabel('Answer 2').click();
  await page.keyboard.type('21');
  await page.keyboard.press('Enter');
  for (let n = 0; n < 3; n++) await hands.getByRole('button', { name: 'One hand more for 12' }).click();
  await hands.getByRole('button', { name: 'One hand more for 21' }).click();
  await expect(hands).not.toContainText('3');
  await hands.getByRole('button', { name: 'Show the hands' }).click();
  await expect(hands.getByLabel('Hands for 12')).toHaveText('3');
  await expect(hands.getByLabel('Hands for 21')).toHaveText('1');
});

test('a show of hands is offered the answer among what mistakes give', async ({ page, app }) => {
  const id = await exampleOf(page, app.url, 'column-subtract', ['402', '167'], 'discs');
  await go(page, `/lesson/${id}/present`);
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeVisible();
  await page.keyboard.press('s');
  const hands = page.locator('.HandsBar_hands-bar');
  await hands.getByRole('button', { name: 'Offer answers' }).click();
  await hands.getByRole('button', { name: 'Who thinks so?' }).click();
  await expect(hands.locator('b')).toHaveText(['235', '245', '345', '365']);
});

test('a look without counting lasts two seconds, and can be had again', async ({ page, app }) => {
  const id = await exampleOf(page, app.url, 'add-facts', ['8', '5'], 'rack');
  await go(page, `/lesson/${id}/present`);
  const cue = page.getByRole('region', { name: 'Prompt' });
  const covered = page.getByRole('button', { name: 'Look again' });
  for (let n = 0; n < 12 && !(await cue.innerText()).includes('without counting'); n++) {
    await page.keyboard.press('ArrowRight');
    await settled(page);
  }
  await expect(cue).toContainText('What do you see without counting?');
  await expect(covered).toBeVisible({ timeout: 6000 });
  await page.keyboard.press('q');
  await expect(covered).toBeHidden();
  await expect(covered).toBeVisible({ timeout: 6000 });
  await page.keyboard.press('r');
  await expect(covered).toBeHidden();
});

test('who presents before the lesson is open gets there, however often', async ({ page }) => {
  const board = (id: string) => ({ id, title: 'Board', start: { models: [blocks({ ones: 3 })] } });
  const lessons = [await lessonOf(page, [board('a')]), await lessonOf(page, [board('b')])];
  // A stream that nobody reads any more would keep its connection, of which a browser has six.
  for (let n = 0; n < 12; n++) {
    await go(page, `/lesson/${lessons[n % 2]!}`);
    await go(page, `/lesson/${lessons[n % 2]!}/present`);
    await expect(page.locator('.Composition_board')).toBeVisible();
    expect(new URL(page.url()).pathname).toBe(`/lesson/${lessons[n % 2]!}/present`);
  }
});

test('a lesson that does not open says so while presenting too', async ({ page }) => {
  await go(page, '/lesson/nothing-here/present');
  await expect(page.getByRole('alert')).toContainText('This lesson does not open');
  await page.getByRole('link', { name: 'To the shelf' }).click();
  await expect(page.getByRole('textbox', { name: 'What shall the class see?' })).toBeVisible();
});
