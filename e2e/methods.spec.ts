import {
  blocks,
  choose,
  expect,
  go,
  newExample,
  open,
  present,
  press,
  says,
  settled,
  test,
  type,
  write,
} from './teacher';
import { examplesOf } from './stage-look.mjs';
import type { Page } from '@playwright/test';

/** What is chosen, what is typed, and what stands there at the end. */
const problems: Record<string, [method: string, typed: string, end: string][]> = {
  Numbers: [
    ['Build a number', '146', '100 + 40 + 6 = 146'],
    ['Read a number', 'blocks 3h 12o', '300 + 10 + 2 = 312'],
    ['Count in steps', '95, 10, 3', '3125'],
    ['Ten and so many', '13', '10 + 3 = 13'],
    ['More and less', '296 +10 +10 -100', '−100216'],
    ['Compare', '0.5, 0.45', '0.5 > 0.45'],
  ],
  Add: [
    ['Addition facts', '8 + 5', '8 + 5 = 13'],
    ['All pairs of a number', '6', '0 + 6 = 6'],
    ['Snap a train', '9, 5', '9 − 5 = 4'],
    ['Either way round', '6 + 3', '6 + 3 = 3 + 6'],
    ['Column addition', '1999 + 2 + 30', '1999 + 2 + 30 = 2031'],
    ['Find what is missing', '? + 7 = 15', '8 + 7 = 15'],
  ],
  Subtract: [
    ['Subtraction facts', '14 - 6', '14 − 6 = 8'],
    ['What is the difference?', '63, 28', '63 − 28 = 35'],
    ['Column subtraction', '4 002 - 1 567', '4002 − 1567 = 2435'],
    ['A row of problems', '14 - 10, 23 - 10, 35 - 10', '35 − 10 = 25'],
  ],
  Multiply: [
    ['Ten times as much', '3.05 × 10', '3.05 × 10 = 30.5'],
    ['Rows and columns', '7 × 6', '6 × 7 = 42'],
    ['A fact and its unit', '30 × 4', '30 × 4 = 120'],
    ['Column multiplication', '126 × 4', '126 × 4 = 504'],
  ],
  Divide: [
    ['Share out', '97 ÷ 4', '97 ÷ 4 = 24 remainder 1'],
    ['How many groups?', '14 ÷ 4', '14 ÷ 4 = 3 remainder 2'],
  ],
};

async function make(page: Page, operation: string, method: string, typed: string) {
  await newExample(page);
  const dialog = page.getByRole('dialog');
  await dialog.getByText(operation, { exact: true }).click();
  await dialog.getByRole('radio', { name: method }).click();
  await page.keyboard.type(typed);
  await expect(dialog.getByRole('list', { name: 'How it will go' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Add to the lesson' }).click();
  await expect(dialog).toBeHidden();
}

// What is said and written is looked at here; how pieces travel, elsewhere.
test.use({ contextOptions: { reducedMotion: 'reduce' } });

for (const [operation, list] of Object.entries(problems)) {
  test(`${operation.toLowerCase()}: from the typed problem to the last step`, async ({ page, app }) => {
    test.setTimeout(240_000);
    // One goes through the dialog and is walked through, step by step; of the others the last step is
    // looked at. To walk through each is `make stage`.
    const [[method, typed, end], ...others] = list as [(typeof list)[0], ...typeof list];
    const id = await examplesOf(
      page,
      app.url,
      others.map(([name, problem]) => ({ method: name, typed: problem })),
    );
    await go(page, `/lesson/${id}`);
    const here = page.locator('.Stem_scene.Stem_here');
    const last = async () => {
      const place = await page.locator('.Prompt_prompt-place').textContent();
      const steps = Number(place!.split(' of ')[1]);
      expect(steps).toBeGreaterThan(1);
      return steps;
    };
    for (const [i, [, , theirs]] of others.entries()) {
      if (i > 0) await page.locator('.Stem_scene').nth(i).locator('.Stem_bud').click();
      await expect(page.locator('.Stem_scene').nth(i)).toHaveClass(/Stem_here/);
      await here.getByRole('button', { name: new RegExp(`^Step ${await last()}:`) }).click();
      await expect(page.locator('.Lines_lines')).toContainText(theirs);
      await expect(page.locator('.Prompt_misfit-note')).toHaveCount(0);
    }
    await make(page, operation, method, typed);
    const steps = await last();
    const there = here.locator('.Stem_leaf.Stem_now', { hasText: new RegExp(`^${steps}$`) });
    await page.getByRole('button', { name: 'Next', exact: true }).focus();
    for (let n = 0; n < 3 * steps + 2 && (await there.count()) === 0; n++) await page.keyboard.press('Enter');
    await expect(page.locator('.Lines_lines')).toContainText(end);
    await expect(page.locator('.Prompt_misfit-note')).toHaveCount(0);
  });
}

test('a wrong problem is answered under the field with what would fit', async ({ page }) => {
  await open(page, [blocks({})]);
  await newExample(page);
  const dialog = page.getByRole('dialog');
  await dialog.getByText('Divide', { exact: true }).click();
  await write(dialog.locator('.ExampleDialog_problem'), '97 ÷ 0');
  await expect(dialog.getByRole('alert')).toContainText('0 does not fit here. Use 1 to 9.');
  await expect(dialog.getByRole('button', { name: 'Add to the lesson' })).toBeDisabled();
});

test('another like it has other numbers and the same regroupings', async ({ page }) => {
  await open(page, [blocks({})]);
  await make(page, 'Add', 'Column addition', '146 + 87');
  await page.getByRole('button', { name: 'Another like it' }).click();
  await expect(page.locator('.Stem_bud')).toHaveCount(3);
  const title = (await page.locator('.Stem_scene.Stem_here .Stem_bud-title').textContent())!;
  expect(title).toMatch(/^3 \d{3} \+ \d{2}$/);
  expect(title).not.toContain('146 + 87');
  await choose(page, 'More', 'Ten like this, each harder');
  await expect(page.locator('.Stem_bud')).toHaveCount(13);
  await press(page, 'Undo');
  await choose(page, 'More', 'Five like this, each harder');
  await expect(page.locator('.Stem_bud')).toHaveCount(8);
  await expect(page.locator('.Stem_scene.Stem_here .Stem_bud-title')).not.toHaveText(title);
});

test('steps are split, joined and moved, where the moves allow it', async ({ page }) => {
  await open(page, [blocks({})]);
  await make(page, 'Add', 'Column addition', '146 + 87');
  await page.getByRole('button', { name: /^Step 2:/ }).click();
  await settled(page);
  await choose(page, 'Change order', 'Split in two');
  await expect(page.locator('.Prompt_prompt-place')).toHaveText('2 of 13');
  await choose(page, 'Change order', 'Join to the next');
  await expect(page.locator('.Prompt_prompt-place')).toHaveText('2 of 12');
  await page.getByRole('button', { name: /^Step 6:/ }).click();
  await settled(page);
  await choose(page, 'Change order', 'Earlier');
  await expect(page.getByRole('alert')).toContainText('does not fit then');
});

test('the teacher captures an example with her own hands', async ({ page }) => {
  await open(page, [blocks({ ones: 13 })]);
  await choose(page, 'More', 'Capture my own example');
  const bar = page.getByRole('toolbar', { name: 'Capturing' });
  await page.getByRole('button', { name: 'Bundle' }).last().click();
  await write(bar.getByLabel('Say'), 'Ten ones make a ten.');
  await write(bar.getByLabel('Ask', { exact: true }), 'How many ones stay?');
  await write(bar.getByLabel('Answer'), 'Three.');
  await bar.getByRole('button', { name: 'End of step' }).click();
  await page.getByRole('button', { name: 'Add 1 ten' }).click();
  await write(bar.getByLabel('Say'), 'One ten more.');
  await bar.getByRole('button', { name: 'Make the example' }).click();
  await expect(page.locator('.Prompt_prompt-place')).toHaveText('0 of 2');
  await expect(says(page, 'unitForm')).toHaveText('13 ones');
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.locator('.Prompt_prompt')).toContainText('How many ones stay?');
  await expect(page.locator('.Prompt_prompt')).not.toContainText('Three.');
  // The ones have moved, and are not counted for the class.
  await expect(says(page, 'unitForm')).toHaveText('?');
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(says(page, 'unitForm')).toHaveText('1 ten 3 ones');
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(says(page, 'unitForm')).toHaveText('2 tens 3 ones');
});

test('presented, an example plays by itself, and the last step is left to the class', async ({ page }) => {
  await open(page, [blocks({})]);
  await type(page, '3');
  await make(page, 'Numbers', 'Build a number', '40');
  await present(page);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByLabel('Your turn').selectOption('All steps');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.Cue_cue')).toContainText('Your turn.');
  await page.keyboard.press('r');
  await expect(page.locator('.Cue_cue')).toContainText('4 tens.');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByLabel('Goes on').selectOption('Every 4 seconds');
  await expect(page.getByRole('img', { name: 'Step 3 of 6' })).toBeVisible({ timeout: 20_000 });
});

test('what children saw stands with the example, and the slow way beside the fast way', async ({ page }) => {
  await open(page, [blocks({})]);
  await newExample(page);
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'Addition facts' }).click();
  await write(dialog.locator('.ExampleDialog_problem'), '8 + 5');
  await write(dialog.getByLabel('What children saw'), 'two fives and 4');
  const says = dialog.getByRole('status').filter({ hasText: /./ });
  const goes = dialog.getByRole('list', { name: 'How it will go' });
  await expect(says).toContainText('comes to 14, and there are 13.');
  await expect(dialog.getByRole('button', { name: 'Add to the lesson' })).toBeDisabled();
  await write(dialog.getByLabel('What children saw'), '8 and 2 more and 3');
  await expect(goes).toContainText('One of you saw 8 and 2 more and 3.');
  // A story that is not written to its end takes nothing away of what is seen.
  await write(dialog.getByLabel('Story'), '{2');
  await expect(says).toHaveText('Write a short story with at most 2 numbers, each in curly braces.');
  await expect(goes).toContainText('Push 8 on one row and 5 on the other.');
  await write(dialog.getByLabel('Story'), '{2} bees hum, {3} more come');
  await expect(goes).toContainText('8 bees hum, 5 more come. Push 8 on one row');
  await expect(says).toHaveCount(0);
  await page.keyboard.press('Escape');
  await choose(page, 'More', 'Slow way and fast way');
  await write(page.getByLabel('Number to lay'), '37');
  await page.getByRole('button', { name: 'Count the acts' }).click();
  await expect(page.locator('.ActsDialog_acts')).toContainText('one by one37');
  await expect(page.locator('.ActsDialog_acts')).toContainText('by tens10');
  await page.getByRole('button', { name: 'Show both ways' }).click();
  await expect(page.locator('.Stem_bud')).toHaveCount(3);
});

test('a finger along the leaves goes through the steps, and one that waits stops the playing', async ({
  page,
}) => {
  await open(page, [blocks({})]);
  await make(page, 'Add', 'Column addition', '146 + 87');
  const leaf = async (n: number) =>
    (await page.getByRole('button', { name: new RegExp(`^Step ${n}:`) }).boundingBox())!;
  const [from, to] = [await leaf(2), await leaf(6)];
  await page.mouse.move(from.x + 10, from.y + 15);
  await page.mouse.down();
  await page.mouse.move(to.x + 12, to.y + 15, { steps: 12 });
  await page.mouse.up();
  await expect(page.locator('.Prompt_prompt-place')).toHaveText('6 of 12');
  await page.getByRole('button', { name: 'Edit step' }).click();
  // When the question is asked is chosen in a teacher's words.
  await page.getByLabel('When it is asked').press('ArrowDown');
  await page.getByTitle('After: how, or why?').click();
  await page.getByLabel('Played by itself, it waits here').check();
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: 'Edit step' }).click();
  await expect(page.getByLabel('Played by itself, it waits here')).toBeChecked();
  await expect(page.getByTitle('After: how, or why?')).toBeVisible();
});
