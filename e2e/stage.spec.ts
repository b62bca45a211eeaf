import { expect, go, test } from './teacher';
import { exampleOf, look } from './stage-look.mjs';

// Examples of each model and each arrangement; `make stage` measures all. Where pieces are smaller
// than they should be, those of the larger picture are not.
const examples: [method: string, model: string, piece: number, ...args: string[]][] = [
  ['column-add', 'blocks', 17, '146', '87'],
  ['column-add', 'discs', 44, '3.7', '2.85'],
  ['column-subtract', 'blocks', 10, '4002', '1567'],
  ['share', 'discs', 36, '97', '4'],
  ['difference', 'blocks', 26, '28', '63'],
  ['compare', 'discs', 28, '408', '480'],
  ['compare', 'blocks', 8, '4307', '4309'],
  ['add-facts', 'rack', 40, '8', '5'],
  ['add-facts', 'counters', 44, '8', '5'],
  ['unknown', 'counters', 44, '? + 7 = 15'],
  ['snap', 'cubes', 44, '9'],
  ['turn', 'counters', 44, '6', '3'],
  ['array', 'counters', 44, '7', '6'],
];

// Nearly the last of all files, and long: browsers that are done with theirs share it.
test.describe.configure({ mode: 'parallel' });

for (const [method, model, piece, ...args] of examples) {
  test(`the stage stands still for ${method} on ${model}: ${args.join(', ')}`, async ({ page, app }) => {
    const id = await exampleOf(page, app.url, method, args, model);
    expect(id, 'the problem fits').toBeTruthy();
    const come = async () => {
      await go(page, `/lesson/${id}`);
      await go(page, `/lesson/${id}/present`);
      await page.locator('.Composition_board').waitFor();
      await page.keyboard.press('Home');
    };
    for (const screen of [
      { width: 1280, height: 800 },
      { width: 390, height: 844 },
    ]) {
      const seen = await look(page, '', screen, undefined, come);
      expect(seen.steps).toBeGreaterThan(3);
      expect(seen.faults, `${screen.width} wide`).toEqual([]);
      expect(seen.moved).toBe(0);
      if (screen.width === 1280) expect(seen.piece).toBeGreaterThanOrEqual(piece);
      if (screen.width === 1280 && piece < 20) expect(seen.larger).toBeGreaterThanOrEqual(20);
    }
  });
}

test('what the step looks at stands in full light, and a key shows all', async ({ page, app }) => {
  const id = await exampleOf(page, app.url, 'column-add', ['146', '87'], 'blocks');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await go(page, `/lesson/${id}/present`);
  const name = (place: string) => page.locator('.columns_zone-head', { hasText: place });
  const opacity = (place: string) => name(place).evaluate((e) => Number(getComputedStyle(e).opacity));
  const hundred = page.locator('[data-piece]:has(.hundreds)').first();
  await page.locator('.stage').waitFor();
  await expect(async () => {
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('region', { name: 'Prompt' })).toContainText('Bundle them', { timeout: 300 });
  }).toPass();
  // Ten ones become a ten: the hundreds have nothing to do with it.
  await expect(hundred).toHaveClass(/dim/);
  expect(await opacity('hundreds')).toBeLessThan(0.5);
  expect(await opacity('tens')).toBe(1);
  expect(await opacity('ones')).toBe(1);
  await page.keyboard.press('l');
  expect(await opacity('hundreds')).toBe(1);
});

test('sentences have their = under one another, and keep it when a longer one comes', async ({
  page,
  app,
}) => {
  const id = await exampleOf(page, app.url, 'pattern', ['35 - 10', '45 - 10', '105 - 10'], 'blocks');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await go(page, `/lesson/${id}/present`);
  const written = page.getByRole('complementary', { name: 'Written work' });
  const left = written.locator('.Lines_left');
  const until = (sentence: string) =>
    expect(async () => {
      await page.keyboard.press('ArrowRight');
      await expect(written).toContainText(sentence, { timeout: 300 });
    }).toPass();
  const ends = () => left.evaluateAll((all) => all.map((e) => Math.round(e.getBoundingClientRect().right)));
  await page.locator('.stage').waitFor();
  await until('35 − 10 = 25');
  const [first] = await ends();
  await until('105 − 10 = 95');
  expect(await ends()).toEqual([first, first, first]);
  // Digits of one place stand under one another: the shorter sentences begin further in.
  const starts = await left.evaluateAll((all) =>
    all.map((e) => {
      const range = document.createRange();
      range.selectNodeContents(e);
      return Math.round(range.getBoundingClientRect().left);
    }),
  );
  expect(starts[0]).toBeGreaterThan(starts[2]! + 10);
  expect(starts[1]).toBe(starts[0]);
});
