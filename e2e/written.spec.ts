import { blocks, expect, newExample, open, settled, test, verb, write } from './teacher';
import type { Page } from '@playwright/test';

// The written work beside the models, and what is found in what lies there.
test.use({ contextOptions: { reducedMotion: 'reduce' } });

async function make(
  page: Page,
  operation: string,
  method: string,
  typed: string,
  fields: Record<string, string> = {},
) {
  await newExample(page);
  const dialog = page.getByRole('dialog');
  await dialog.getByText(operation, { exact: true }).click();
  await dialog.getByRole('radio', { name: method }).click();
  await write(dialog.locator('.ExampleDialog_problem'), typed);
  for (const [label, value] of Object.entries(fields)) await write(dialog.getByLabel(label), value);
  await expect(dialog.getByRole('list', { name: 'How it will go' })).toBeVisible();
  return dialog;
}

async function add(page: Page) {
  await page.getByRole('dialog').getByRole('button', { name: 'Add to the lesson' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
}

const cell = (page: Page, name: string) => page.locator(`[data-cell="${name}"]`);
const step = (page: Page, n: number) => page.getByRole('button', { name: new RegExp(`^Step ${n}:`) });

/** Reads a row of the grid from the largest place down; empty cells are dots. */
const rowOf = (page: Page, row: string) =>
  page
    .locator(`.Written_written :is(.row-${row}, .Written_row-${row}) td:not([data-place='sign'])`)
    .evaluateAll((cells) =>
      cells.map((c) => c.querySelector('.Written_digit:not(.Written_mark)')?.textContent ?? '.').join(''),
    );

/** The step whose words match, shown with what it did. */
async function goTo(page: Page, says: RegExp) {
  const leaf = page
    .locator('.Stem_scene.Stem_here .Stem_leaf')
    .and(page.getByRole('button', { name: says }))
    .first();
  await leaf.click();
  await settled(page);
}

test('a subtraction across two zeros is exchanged on the model and in writing', async ({ page }) => {
  await open(page, [blocks({})]);
  await make(page, 'Subtract', 'Column subtraction', '4 002 - 1 567');
  await add(page);
  await step(page, 5).click();
  await settled(page);
  await expect(cell(page, 'mark thousands')).toHaveText('3');
  await expect(cell(page, 'mark hundreds')).toHaveText('9');
  await expect(cell(page, 'mark tens')).toHaveText('9');
  await expect(cell(page, 'mark ones')).toHaveText('12');
  await expect(page.locator('.Record_readout.unitForm .Record_readout-text')).toHaveText(
    '3 thousands 9 hundreds 9 tens 12 ones',
  );
  await cell(page, 'mark tens').hover();
  await expect(page.locator('.piece.lit')).toHaveCount(9);
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(cell(page, 'mark ones')).toHaveCount(0);
  await expect(page.locator('.Record_readout.unitForm .Record_readout-text')).toHaveText(
    '3 thousands 9 hundreds 10 tens 2 ones',
  );
  await page.locator('.Stem_scene.Stem_here .Stem_leaf').last().click();
  await settled(page);
  expect(await rowOf(page, 'addend-1')).toBe('4002');
  expect(await rowOf(page, 'addend-2')).toBe('1567');
  expect(await rowOf(page, 'sum')).toBe('2435');
  await expect(page.locator('.Lines_lines')).toContainText('4002 − 1567 = 2435');
});

test('a division is written short while the discs are dealt', async ({ page }) => {
  await open(page, [blocks({})]);
  await make(page, 'Divide', 'Share out', '97 ÷ 4');
  await add(page);
  await step(page, 1).click();
  await settled(page);
  expect(await rowOf(page, 'dividend')).toBe('97');
  expect(await rowOf(page, 'quotient')).toBe('..');
  await expect(cell(page, 'dividend ')).toHaveText('4');
  await goTo(page, /left over/);
  await expect(cell(page, 'mark ones')).toHaveText('1');
  expect(await rowOf(page, 'quotient')).toBe('2.');
  await page.locator('.Stem_scene.Stem_here .Stem_leaf').last().click();
  await settled(page);
  expect(await rowOf(page, 'quotient')).toBe('24');
  await expect(page.locator('.zone.group')).toHaveCount(4);
});

test('an array has an area, and children see known facts in it', async ({ page }) => {
  await open(page, [blocks({})]);
  const dialog = await make(page, 'Multiply', 'Rows and columns', '7 × 6', {
    'What children saw': 'five sixes and two sixes',
  });
  await write(dialog.getByLabel('What children saw'), 'five sixes and 6');
  await expect(dialog.getByRole('status').filter({ hasText: /./ })).toContainText(
    'comes to 36, and there are 42.',
  );
  await write(dialog.getByLabel('What children saw'), 'five sixes and two sixes');
  await add(page);
  await goTo(page, /lies in a square/);
  await expect(page.locator('.cell-numeral')).toHaveCount(42);
  await page.locator('.Stem_scene.Stem_here .Stem_leaf').last().click();
  await settled(page);
  await expect(page.locator('.cell-numeral')).toHaveCount(0);
  await expect(page.locator('#board .ring')).toHaveCount(2);
  await expect(page.locator('.Lines_lines')).toContainText('5 × 6 + 2 × 6 = 42');
  await expect(page.locator('.Lines_lines')).toContainText('area: 42 squares');
});

test('what was seen on the rack is ringed there, each way in its turn', async ({ page }) => {
  await open(page, [blocks({})]);
  await make(page, 'Add', 'Addition facts', '8 + 5', { 'What children saw': '8 and 2 more and 3; 10 and 3' });
  await page.getByRole('dialog').getByRole('radio', { name: 'Make ten', exact: true }).click();
  await add(page);
  await goTo(page, /saw 8 and 2 more and 3/);
  await expect(page.locator('#board .ring')).toHaveCount(3);
  await expect(page.locator('.Prompt_prompt')).toContainText('when a group is split');
  await goTo(page, /saw 10 and 3/);
  await expect(page.locator('#board .ring')).toHaveCount(2);
  await expect(page.locator('.Lines_lines .Beside_bond')).toHaveCount(3);
});

test('a row of problems that crosses no ten is offered one that does', async ({ page }) => {
  await open(page, [blocks({})]);
  const dialog = await make(page, 'Subtract', 'A row of problems', '14 - 10, 23 - 10, 35 - 10');
  await dialog.getByRole('button', { name: 'Add 34 − 9' }).click();
  await expect(dialog.locator('.ExampleDialog_problem')).toHaveValue('14 - 10, 23 - 10, 35 - 10, 34 − 9');
  await expect(dialog.getByText('No problem here crosses a ten.')).toBeHidden();
  await add(page);
  await page.locator('.Stem_scene.Stem_here .Stem_leaf').last().click();
  await settled(page);
  await expect(page.locator('.Lines_lines')).toContainText('34 − 9 = 25');
});

test('charts that are compared stand under one another, with a zero where a digit lacks', async ({
  page,
}) => {
  await open(page, [blocks({})]);
  await make(page, 'Numbers', 'Compare', '12.5, 3.45');
  await add(page);
  await step(page, 3).click();
  await settled(page);
  const tenths = page.locator('.zone.column', { hasText: 'tenths' });
  const [above, below] = [(await tenths.first().boundingBox())!, (await tenths.last().boundingBox())!];
  expect(below.y).toBeGreaterThan(above.y + above.height);
  expect(Math.abs(below.x - above.x)).toBeLessThan(2);
  await expect(page.locator('#board .card-digit')).toHaveText(['1', '2', '5', '0', '3', '4', '5']);
  await expect(page.locator('.Lines_lines')).toContainText('12.5 = 12.50');
  // Where they are written, too: point under point.
  const points = await page.locator('.Lines_lines td').evaluateAll((cells) =>
    cells.map((cell) => {
      const digits = document.createRange();
      digits.setStart(cell.firstChild!, cell.textContent!.indexOf('.'));
      digits.setEnd(cell.firstChild!, cell.textContent!.indexOf('.') + 1);
      return Math.round(digits.getBoundingClientRect().x);
    }),
  );
  expect(points).toHaveLength(2);
  expect(Math.abs(points[0]! - points[1]!)).toBeLessThanOrEqual(1);
});

test('a step of an example takes the moves that the teacher makes on the board', async ({ page }) => {
  await open(page, [blocks({})]);
  await make(page, 'Numbers', 'Build a number', '46');
  await add(page);
  await step(page, 2).click();
  await settled(page);
  await page.locator('.columns_zone-name').first().click();
  await (await verb(page, 'Ring')).click();
  await expect(page.locator('#board .ring')).toHaveCount(1);
  await page.getByRole('button', { name: 'Add to step 2' }).click();
  await page.keyboard.press('Escape');
  await step(page, 1).click();
  await settled(page);
  await expect(page.locator('#board .ring')).toHaveCount(0);
  await step(page, 2).click();
  await settled(page);
  await expect(page.locator('#board .ring')).toHaveCount(1);
  await page.reload();
  await step(page, 2).click();
  await settled(page);
  await expect(page.locator('#board .ring')).toHaveCount(1);
});
