import type { Page } from '@playwright/test';
import {
  blocks,
  choose,
  expect,
  newExample,
  open,
  pieces,
  present,
  saved,
  settled,
  test,
  verb,
  write,
} from './teacher';
import { exampleOf } from './stage-look.mjs';

async function makeExample(page: Page, problem: string) {
  await newExample(page);
  const dialog = page.getByRole('dialog');
  await write(dialog.getByLabel(/: type /), problem);
  await dialog.getByRole('button', { name: 'Add to the lesson' }).click();
  await expect(dialog).toBeHidden();
}

const cue = (page: Page) => page.getByRole('region', { name: 'Prompt' });
const digit = (page: Page, cell: string) => page.locator(`[data-cell="${cell}"]`);

test('wrong problems are answered under the field, a right one shows how it will go', async ({ page }) => {
  await open(page, []);
  await newExample(page);
  const dialog = page.getByRole('dialog');
  for (const [typed, says] of [
    ['146 +', 'A column addition needs two to four numbers, like 146 and 87.'],
    ['9999999 + 1', '9999999 and 1 make more than 9999999, the most that is shown here.'],
    ['a + b', '“a” is not a number.'],
  ] as const) {
    await write(dialog.getByLabel(/: type /), typed);
    await expect(dialog.getByRole('alert')).toContainText(says);
    await expect(dialog.getByRole('button', { name: 'Add to the lesson' })).toBeDisabled();
  }
  // What is typed chooses the method, until the teacher does.
  for (const [typed, title] of [
    ['146', 'Build a number'],
    ['97 ÷ 4', 'Share out'],
    ['24 × 3', 'Column multiplication'],
    ['9 = 4 + ?', 'Find what is missing'],
    ['rack 2: 6 8', 'Read a number'],
    ['58 + 67=', 'Column addition'],
  ] as const) {
    await write(dialog.getByLabel(/: type /), typed);
    await expect(dialog.getByText(`${title}: type`)).toBeVisible();
    // A board that is typed is what the class is shown.
    const models = dialog.getByRole('combobox', { name: 'Shown with' });
    if (title === 'Build a number') await expect(models).toBeVisible();
    if (title === 'Read a number') await expect(models).toBeHidden();
  }
  await dialog.getByText('Subtract', { exact: true }).click();
  await dialog.getByRole('radio', { name: 'Subtraction facts' }).click();
  await expect(dialog.getByRole('alert')).toContainText('“Subtraction facts” is for −.');
  await dialog.getByRole('button', { name: 'Take Column addition' }).click();
  await expect(dialog.getByText('Column addition: type')).toBeVisible();
  await write(dialog.getByLabel(/: type /), '58 + 67');
  const steps = dialog.getByRole('list', { name: 'How it will go' }).getByRole('listitem');
  await expect(steps).toHaveCount(12);
  await expect(steps.nth(5)).toContainText('Now there are 15 ones.');
  // The methods are one stop of the keys, and arrows go among them.
  const chosen = dialog.getByRole('radiogroup', { name: 'Method' }).getByRole('radio', { checked: true });
  await chosen.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(chosen).not.toHaveText('Column addition');
  await expect(chosen).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(chosen).toHaveText('Column addition');
  // The class's boards are seen before it is added.
  await expect(dialog.getByRole('list', { name: 'What the class sees' }).locator('svg')).toHaveCount(4);
});

test('boards come after the sentences, which stay where they are; Enter adds what was typed last', async ({
  page,
}) => {
  await open(page, []);
  await newExample(page);
  await expect(page.locator('input:focus')).toBeVisible();
  const stood = page.evaluate(
    () =>
      new Promise<number[]>((done) => {
        const seen = new Set<number>();
        const look = () => {
          const list = document.querySelector('[aria-label="How it will go"]');
          if (list) seen.add(Math.round(list.getBoundingClientRect().y));
          const boards = document.querySelectorAll('[aria-label="What the class sees"] svg').length;
          if (boards === 4) done([...seen]);
          else requestAnimationFrame(look);
        };
        look();
      }),
  );
  await page.keyboard.type('146 + 87');
  expect(await stood).toHaveLength(1);
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('58 + 67');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('button', { name: '1 58 + 67' })).toBeVisible();
});

test('an example is presented with keys alone, forward, back and to its end', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, []);
  await makeExample(page, '146 + 87');
  await saved(page);
  await page.getByRole('button', { name: 'Present' }).focus();
  await page.keyboard.press('Enter');
  await expect(cue(page)).toContainText('146 + 87');

  await page.keyboard.press('ArrowRight');
  await expect(cue(page)).toContainText('Build 146.');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(cue(page)).toContainText('Will 146 + 87 be more or less than 200?');
  await expect(cue(page)).not.toContainText('More');
  await page.keyboard.press('r');
  await expect(cue(page)).toContainText('More: 46 and 87 come to more than 100.');

  const stops: string[] = [];
  const look = async () => {
    await page.waitForTimeout(50);
    return page.evaluate(() => {
      const pieces = [...document.querySelectorAll<SVGGElement>('[data-piece]')];
      const spots = pieces.map(
        (p) => `${p.dataset.piece}@${p.style.transform}${p.querySelector('.strike') ? 'x' : ''}`,
      );
      return [
        ...spots,
        document.querySelector('.Written_written')?.textContent,
        document.querySelector('.Cue_cue-say')?.textContent,
      ].join(' ');
    });
  };
  for (let n = 0; n < 9; n++) {
    await page.keyboard.press(n % 2 ? 'Space' : 'PageDown');
    stops.push(await look());
  }
  await expect(digit(page, 'sum ones')).toHaveText('3');
  await expect(digit(page, 'mark tens')).toHaveText('1');
  for (let n = 7; n >= 0; n--) {
    await page.keyboard.press('ArrowLeft');
    expect(await look(), `back at stop ${n}`).toBe(stops[n]);
  }
  for (let n = 0; n < 30; n++) await page.keyboard.press('ArrowRight');
  await expect(cue(page)).toContainText('We said more than 200, and it is 233.');
  await expect(page.getByText('146 + 87 = 233')).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('This is the end of the lesson.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Begin again' })).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: 'Show the board again' })).toBeVisible();
  await page.keyboard.press('b');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Blank the board');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await expect(page).not.toHaveURL(/present/);
  await expect(page.getByRole('button', { name: /^Step 12/ })).toHaveAttribute('aria-current', 'step');
});

test('pieces are built one place after another, and a key skips the way', async ({ page }) => {
  await open(page, []);
  await makeExample(page, '146 + 87');
  await present(page);
  await expect(cue(page)).toContainText('146 + 87');
  await expect(pieces(page, 'hundreds')).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await expect(pieces(page, 'hundreds')).toHaveCount(1, { timeout: 400 });
  expect(await pieces(page, 'ones').count()).toBe(0);
  await expect(digit(page, 'addend 1 ones')).toHaveCount(0);
  await expect(pieces(page, 'ones')).toHaveCount(6);
  await expect(digit(page, 'addend 1 ones')).toHaveText('6');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(pieces(page, 'ones')).toHaveCount(13, { timeout: 300 });
});

test('written digits and pieces light each other', async ({ page }) => {
  await open(page, []);
  await makeExample(page, '146 + 87');
  await page.getByRole('button', { name: /^Step 6:/ }).click();
  await settled(page);
  await digit(page, 'addend 1 ones').hover();
  await expect(page.locator('.piece.lit')).toHaveCount(6);
  await digit(page, 'mark tens').hover();
  await expect(page.locator('.piece.lit')).toHaveCount(1);
  const lit = (await page.locator('.piece.lit').boundingBox())!;
  const frame = (await page.locator('#board .fresh').boundingBox())!;
  expect(lit.x > frame.x && lit.x + lit.width < frame.x + frame.width, 'in the frame of what is new').toBe(
    true,
  );
  await digit(page, 'sum ones').hover();
  await expect(page.locator('.piece.lit')).toHaveCount(3);
  await pieces(page, 'hundreds').hover();
  await expect(page.locator('.Written_digit.Written_lit')).toHaveCount(1);
  await expect(digit(page, 'addend 1 hundreds')).toHaveClass(/lit/);
});

test('touching the board while presenting makes a scratch copy, offered before it goes', async ({ page }) => {
  await open(page, []);
  await makeExample(page, '38 + 25');
  await page.getByRole('button', { name: /^Step 3:/ }).click();
  await present(page);
  const start = await pieces(page, 'tens').count();
  await page.locator('.columns_zone-name').first().click();
  await (await verb(page, 'Take away')).click();
  await expect(page.getByText('Scratch copy')).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Keep what you did as a step?')).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.ScratchBar_scratch-bar')).toBeHidden();
  await page.keyboard.press('ArrowLeft');
  await expect(pieces(page, 'tens')).toHaveCount(start);

  await page.locator('.columns_zone-name').first().click();
  await (await verb(page, 'Take away')).click();
  await page.getByRole('button', { name: 'Keep in the lesson' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^Step 5:.*made for 63/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /made for 63/ })).toHaveCount(0);
});

test('a step is reworded and taken out, and the class has its own words', async ({ page }) => {
  await open(page, []);
  await makeExample(page, '38 + 25');
  await page.getByRole('button', { name: /^Step 1:/ }).click();
  await page.getByRole('button', { name: 'Edit step' }).click();
  await write(page.getByLabel('Say'), 'Oona carries 38 bulbs, Bram 25.');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Oona carries 38 bulbs, Bram 25.')).toBeVisible();

  await choose(page, 'More', 'Words of the class');
  const about = page.getByRole('dialog');
  await about.getByRole('button', { name: 'Save' }).hover(); // it has come to rest
  await about.getByLabel('For ten into one of the next, we say').press('ArrowDown');
  await page.getByTitle('exchange', { exact: true }).click();
  await about.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: /^Step 6:/ }).click();
  await expect(page.getByText('Exchange them for a ten. 3 stay.')).toBeVisible();
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: /^Step 6:/ }).click();
  await expect(page.getByText('Exchange them for a ten. 3 stay.')).toBeVisible();
});

test('steps taken faster than pieces travel leave each piece in its place', async ({ page }) => {
  await open(page, [blocks({})]);
  await newExample(page);
  const dialog = page.getByRole('dialog');
  await write(dialog.locator('.ExampleDialog_problem'), '264 + 158');
  await dialog.getByRole('button', { name: 'Add to the lesson' }).click();
  await expect(dialog).toBeHidden();
  await present(page);
  for (let n = 0; n < 12; n++) await page.keyboard.press('ArrowRight');
  await settled(page);
  await page.waitForTimeout(600);
  const boxes = await pieces(page, 'tens').evaluateAll((all) =>
    all.map((p) => p.getBoundingClientRect()).map(({ x, y, width }) => ({ x, y, width })),
  );
  expect(boxes).toHaveLength(12);
  for (const [i, a] of boxes.entries())
    for (const b of boxes.slice(i + 1))
      expect(Math.abs(a.y - b.y) > 20 || Math.abs(a.x - b.x) >= a.width - 1).toBe(true);
});

test('a reload and a link come back to the scene and the step, in either page', async ({ page, app }) => {
  const id = await exampleOf(page, app.url, 'column-add', ['146', '87'], 'blocks');
  await page.goto(`/lesson/${id}`);
  await page.getByRole('button', { name: /^Step 4:/ }).click();
  const step = (n: number) => page.getByRole('button', { name: new RegExp(`^Step ${n}(:|$)`) });
  await expect(step(4)).toHaveAttribute('aria-current', 'step');
  await expect(page).toHaveURL(/scene=a&step=4/);
  await page.reload();
  await expect(step(4)).toHaveAttribute('aria-current', 'step');
  await present(page);
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.Cue_cue')).not.toBeEmpty();
  const prompt = await cue(page).innerText();
  const link = page.url();
  await page.reload();
  await expect(cue(page)).toHaveText(prompt, { useInnerText: true });
  expect(page.url()).toBe(link);
  // A step that is not there is where the lesson begins.
  await page.goto(`/lesson/${id}/present?scene=a&step=99`);
  await expect(page.getByRole('button', { name: 'Start' })).toHaveAttribute('aria-current', 'step');
});

test('on the bench an example lies as large as it can, under names of one size', async ({ page, app }) => {
  const id = await exampleOf(page, app.url, 'short-multiply', ['24', '3'], 'blocks');
  await page.goto(`/lesson/${id}?scene=a&step=2`);
  await expect(pieces(page, 'tens')).toHaveCount(6);
  const tops = () =>
    pieces(page, 'tens').evaluateAll(
      (all) => [...new Set(all.map((p) => p.getBoundingClientRect().top))].length,
    );
  await expect.poll(tops, 'three times 2 tens lie beside one another').toBe(1);
  const heads = page.locator('.columns_zone-name, .columns_zone-count');
  const sizes = await heads.evaluateAll((all) => all.map((head) => getComputedStyle(head).fontSize));
  expect(new Set(sizes.filter((_, i) => i % 2 === 0)).size, 'names').toBe(1);
  expect(new Set(sizes.filter((_, i) => i % 2 === 1)).size, 'sums').toBe(1);
  expect(await page.locator('.BenchPage_work').evaluate((w) => w.scrollHeight - w.clientHeight)).toBe(0);
});
