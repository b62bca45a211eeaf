// On paper and in files: what children get, what is printed, and what opens anywhere.
import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { blocks, choose, expect, go, open, press, sound, test, write } from './teacher';

const line = 'What shall the class see?';
const pages = (page: Page) => page.locator('.PaperPage_page');

/** A lesson of typed lines, on the bench. */
async function lesson(page: Page, ...lines: string[]) {
  await go(page, '/');
  await page.getByRole('textbox', { name: line }).click();
  for (const [i, text] of lines.entries()) {
    if (i > 0) await page.keyboard.press('Shift+Enter');
    await page.keyboard.type(text);
  }
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Present/ })).toBeFocused();
}

/** Nothing that stands on a page reaches over its edge, and no page is empty. */
async function nothingCut(page: Page) {
  const faults = await page.evaluate(() =>
    [...document.querySelectorAll('.PaperPage_page')].flatMap((sheet, n) => {
      const edge = sheet.getBoundingClientRect();
      const foot = sheet.querySelector('footer')!.getBoundingClientRect().top;
      const all = [...sheet.querySelectorAll('.PaperPage_block *')];
      const out = all.filter((e) => {
        const r = e.getBoundingClientRect();
        return r.width > 0 && (r.bottom > foot + 1 || r.right > edge.right - 10 || r.left < edge.left + 10);
      });
      return [
        ...(all.length === 0 ? [`page ${n + 1} is empty`] : []),
        ...out.map(
          (e) => `page ${n + 1}: ${e.tagName} ${e.className.toString()} ${e.textContent!.slice(0, 30)}`,
        ),
      ];
    }),
  );
  expect(faults).toEqual([]);
}

/** As many pages as are seen come out of the printer, of the size that was chosen. */
async function printed(page: Page, width: number) {
  const file = (await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString('latin1');
  expect(file.match(/\/Type\s*\/Page[^s]/g)).toHaveLength(await pages(page).count());
  const boxes = [...file.matchAll(/\/MediaBox\s*\[0 0 ([\d.]+)/g)].map((m) => Number(m[1]));
  for (const points of boxes) expect(points).toBeCloseTo((width / 25.4) * 72, -0.5);
}

test('a sheet for children has all kinds of tasks, and its answers on a page of their own', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await lesson(page, '146', '58 + 67', '402 - 167', '97 ÷ 4', 'bonds,6', 'count,37,10,8');
  await choose(page, 'Print', 'A sheet for children');
  await expect(pages(page).first()).toContainText('What number is it?');
  await page.getByRole('checkbox', { name: 'Turns with dice or cards' }).click();
  for (const head of [
    'What number is it?',
    'Draw each number quickly.',
    'Which number belongs to which picture?',
    'What belongs in the gaps?',
    'Work these out in columns.',
    'Throw 2 dice.',
  ])
    await expect(page.getByRole('main')).toContainText(head);
  // Whose it is, and when.
  await expect(pages(page).first()).toContainText('Name');
  // The answers stand on the last page and on no other, in the order of the tasks.
  const answers = pages(page).last();
  await expect(answers.getByRole('heading')).toHaveText('Answers');
  await expect(answers.getByRole('listitem').first()).toHaveText('146');
  const count = await pages(page).count();
  for (let i = 0; i < count - 1; i++) await expect(pages(page).nth(i)).not.toContainText('Answers');
  const numbered = await page.locator('.PaperPage_page .TaskItems_n').allTextContents();
  expect(numbered.map(Number)).toEqual(numbered.map((_, i) => i + 1));
  // Every task but the turns has a number beside it; the turns are one.
  expect(await answers.getByRole('listitem').count()).toBe(numbered.length + 1);
  await nothingCut(page);
  await printed(page, 210);
  await page.getByRole('radio', { name: 'Letter' }).click();
  await page.getByRole('checkbox', { name: 'Black and white' }).click();
  await nothingCut(page);
  await printed(page, 215.9);
  await sound(page);
});

test('a sheet takes typed problems, tells what it cannot read, and changes its numbers at a press', async ({
  page,
}) => {
  await lesson(page, '146');
  await choose(page, 'Print', 'A sheet for children');
  const main = page.getByRole('main');
  await write(page.getByRole('textbox', { name: 'More problems or numbers' }), '12 + 30');
  await expect(main).toContainText('Work these out in columns.');
  await page.keyboard.press('Enter');
  await page.keyboard.type('hello');
  await expect(page.getByText(/^Line 2: “hello” is not read here/)).toBeVisible();
  const answers = () => pages(page).last().getByRole('listitem').allTextContents();
  const before = await answers();
  await page.getByRole('button', { name: 'Others' }).click();
  await expect.poll(answers).not.toEqual(before);
  // In more forms than one.
  await page.getByRole('combobox', { name: 'Read in which forms' }).click();
  await page.getByTitle('in words').click();
  await page.keyboard.press('Escape');
  await expect(main).toContainText('In words');
  await expect(pages(page).last()).toContainText('one hundred and forty-six');
});

test('a worked example is printed step by step, its answers where they are wanted', async ({ page }) => {
  await lesson(page, '58 + 67');
  await choose(page, 'Print', 'This example, step by step');
  const main = page.getByRole('main');
  await expect(page.getByRole('region', { name: /^Step 1$/ }).locator('visible=true')).toContainText(
    'Build 58.',
  );
  await expect(main).toContainText('Bundle them into a ten.');
  await nothingCut(page);
  await printed(page, 210);
  await page.getByRole('radio', { name: 'Turned over, at the end' }).click();
  const turned = page.getByRole('list', { name: 'Answers, turned over' }).locator('visible=true');
  await expect(turned).toContainText('6. Bundle them into a ten.');
  await page.getByRole('radio', { name: 'For the children to write' }).click();
  await expect(main.locator('.PaperPage_page')).not.toContainText(['Bundle them into a ten.']);
  await nothingCut(page);
  await page.getByRole('radio', { name: 'A board as a poster' }).click();
  await expect(pages(page)).toHaveCount(1);
  await printed(page, 297);
});

test('a lesson as a web page is stepped through without a server', async ({ page, context }, info) => {
  await lesson(page, '58 + 67', '306');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    choose(page, 'Export', 'Lesson as a web page'),
  ]);
  expect(file.suggestedFilename()).toBe('58-67-and-1-more.html');
  const path = info.outputPath('lesson.html');
  await file.saveAs(path);
  expect(readFileSync(path, 'utf8')).not.toMatch(/(src|href)="?https?:/);
  const alone = await context.newPage();
  await alone.route('**/*', (route) =>
    route.request().url().startsWith('file:') ? route.continue() : route.abort(),
  );
  await alone.goto(`file://${path}`);
  const slide = alone.locator('section:visible');
  await expect(slide).toHaveCount(1);
  await expect(slide).toContainText('58 + 67');
  await alone.keyboard.press('ArrowRight');
  await expect(slide).toContainText('Build 58.');
  await expect(slide.locator('svg .piece')).toHaveCount(13);
  await alone.getByRole('button', { name: 'Next' }).click();
  await expect(slide).toContainText('Build 67');
  await alone.keyboard.press('ArrowLeft');
  await expect(slide).toContainText('Build 58.');
  // A question comes without its answer.
  while (!(await slide.locator('.webPage_ask').count())) await alone.keyboard.press(' ');
  await expect(slide.locator('.webPage_answer')).toHaveCount(0);
  await alone.close();
});

test('a link opens a board or a problem as a board of one’s own', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await open(page, [blocks({ hundreds: 1, tens: 3, ones: 12 })]);
  await choose(page, 'Export', 'A link to this board');
  await expect(page.getByText('The link is copied')).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  const own = await context.newPage();
  await own.goto(link);
  await expect(own.locator('#board [data-piece]')).toHaveCount(16);
  await own.close();
  await page.goto(`/open?line=${encodeURIComponent('97 ÷ 4')}`);
  await expect(page.getByRole('button', { name: /^Step 1:/ })).toBeVisible();
  await page.goto('/open?line=hello');
  await expect(page.getByRole('alert')).toContainText(
    'This link does not say what to show. “hello” is not read here.',
  );
  // What is covered is not given away in a link.
  await open(page, [blocks({ tens: 3 })]);
  await press(page, 'Cover');
  await page
    .locator('.ant-popover:visible, .ant-dropdown:visible, .SetUpSide_set-up')
    .getByText(/^(Cover all|All)$/)
    .first()
    .click();
  await choose(page, 'Export', 'A link to this board');
  await expect(page.getByText('Something is covered here.')).toBeVisible();
});

test('a table goes to a spreadsheet, and a list of problems comes from one', async ({ page }) => {
  await lesson(page, 'bonds,6');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    choose(page, 'Export', 'Table or record (CSV)'),
  ]);
  expect(
    readFileSync(await file.path(), 'utf8')
      .split('\r\n')
      .slice(0, 3),
  ).toEqual(['part,part,together', '6,0,6 + 0 = 6', '5,1,5 + 1 = 6']);
  await go(page, '/');
  await page.getByLabel('Lesson file').setInputFiles({
    name: 'week 12.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('column-add,146,87\nshare,97,4\n'),
  });
  await expect(page.getByRole('button', { name: 'week 12', exact: true })).toBeVisible();
  await expect(page.locator('.stem').getByText('97 ÷ 4').first()).toBeVisible();
});

test('several lessons are printed together, from the shelf', async ({ page }) => {
  await go(page, '/');
  for (const title of ['Trains of nine', 'Eight and five']) {
    await page.getByRole('searchbox', { name: 'Search the lessons' }).click();
    await page.keyboard.press('ControlOrMeta+A');
    await page.keyboard.type(title);
    await page.locator('.Card_card', { hasText: title }).hover();
    await page.getByRole('checkbox', { name: `Choose ${title}` }).click();
  }
  await page.getByRole('region', { name: 'Chosen lessons' }).getByRole('button', { name: 'Print' }).click();
  await expect(page.getByRole('heading', { name: 'Trains of nine · Eight and five' })).toBeVisible();
  await expect(page.getByRole('region', { name: /^Page 1/ })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the shelf' }).first().click();
  await expect(page.getByRole('heading', { name: 'Lessons' })).toBeVisible();
});
