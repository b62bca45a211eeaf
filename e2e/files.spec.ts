import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import {
  blocks,
  choose,
  discs,
  expect,
  go,
  open,
  openScenes,
  present,
  rack,
  saved,
  says,
  test,
  verb,
  write,
} from './teacher';

async function take(page: Page, what: string) {
  const [file] = await Promise.all([page.waitForEvent('download'), choose(page, 'Export', what)]);
  return { name: file.suggestedFilename(), path: await file.path() };
}

test('a lesson is taken away and opened again, equal', async ({ page }) => {
  await go(page, '/');
  await write(page.getByRole('searchbox', { name: 'Search the lessons' }), 'two deliveries');
  await page
    .getByRole('link', { name: /Two deliveries/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /^Step 9/ }).first()).toBeVisible();
  const file = await take(page, 'Lesson file');
  expect(file.name).toBe('two-deliveries-adding-in-columns.json');
  await go(page, '/');
  await page.getByLabel('Lesson file').setInputFiles(file.path);
  await expect(page.getByRole('button', { name: /^Step 9/ }).first()).toBeVisible();
  const again = await take(page, 'Lesson file');
  const [a, b] = [file.path, again.path].map(
    (p) => JSON.parse(readFileSync(p, 'utf8')) as Record<string, unknown>,
  );
  expect({ ...b, id: '' }).toEqual({ ...a, id: '' });
});

test('a broken file is refused with the path and the reason', async ({ page }) => {
  await go(page, '/');
  const lesson = {
    format: 1,
    id: '',
    title: 'Broken',
    words: {},
    scenes: [{ id: 'a', title: 'A', start: { models: [{ kind: 'rack', rows: [6, 18] }] } }],
  };
  const send = (text: string) =>
    page
      .getByLabel('Lesson file')
      .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await send(JSON.stringify(lesson));
  await expect(page.getByRole('dialog')).toContainText('scenes[0].start.models[0]');
  await expect(page.getByRole('dialog')).toContainText('18 is not from 0 to 10');
  await page.keyboard.press('Escape');
  await send('{"format":7}');
  await expect(page.getByRole('dialog')).toContainText('from a newer version');
  await page.keyboard.press('Escape');
  await send('not a lesson');
  await expect(page.getByRole('dialog')).toContainText('this is not JSON');
  await go(page, '/');
  await expect(page.getByText('Broken')).toHaveCount(0);
});

test('a word with nothing to show it stands alone in a picture, in lines that fit', async ({ page }) => {
  const meaning = 'Compost is what leaves and peelings become when they lie together for a whole long year.';
  const models = [blocks({})];
  await openScenes(page, [
    { id: 'a', title: 'compost', page: 'word', start: { models }, steps: [{ say: meaning }] },
  ]);
  const drawn = async () => readFileSync((await take(page, 'Board as SVG')).path, 'utf8');
  const word = await drawn();
  expect(word).toMatch(/text-anchor="middle">compost</);
  expect(word).not.toMatch(/>tens<|Base-ten blocks/);
  await page.getByRole('button', { name: /^Step 1/ }).click();
  await expect(page.getByText(meaning)).toBeVisible();
  const told = await drawn();
  const lines = [...told.matchAll(/text-anchor="middle">([^<]+)</g)].map((m) => m[1]);
  expect(lines.length).toBeGreaterThan(1);
  expect(lines.join(' ')).toBe(meaning);
});

test('in a picture charts that are compared, and what is written of them, stand place under place', async ({
  page,
}) => {
  const written = [
    { kind: 'row', heads: ['number'], cells: ['12.5'] },
    { kind: 'row', cells: ['3.45'] },
    { kind: 'bond', whole: '9', parts: ['5', '4'] },
    { kind: 'sentence', text: '12.5 > 3.45' },
  ];
  const models = [discs({ tens: 1, ones: 2 }), discs({ tens: 1, ones: 3 })];
  await openScenes(page, [
    { id: 'a', title: 'A', start: { models }, steps: [{ say: 'Look.', write: written }] },
  ]);
  await page.getByRole('button', { name: /^Step 1/ }).click();
  await expect(page.locator('.Lines_lines')).toContainText('12.5 > 3.45');
  const svg = readFileSync((await take(page, 'Board as SVG')).path, 'utf8');
  const seen = await page.evaluate((text) => {
    const holder = document.body.appendChild(document.createElement('div'));
    holder.innerHTML = text;
    const texts = [...holder.querySelectorAll('text')];
    const of = (word: string) => texts.filter((t) => t.textContent === word);
    const point = (word: string) => {
      const [t] = of(word);
      return t!.getStartPositionOfChar(word.indexOf('.')).x;
    };
    const ones = texts.filter((t) => t.textContent!.startsWith('ones')).map((t) => t.getBoundingClientRect());
    const drawn = {
      points: ['12.5', '3.45'].map(point),
      ones: ones.map(({ x, y }) => ({ x, y })),
      whole: of('9').length,
    };
    holder.remove();
    return drawn;
  }, svg);
  expect(Math.abs(seen.points[0]! - seen.points[1]!)).toBeLessThan(1);
  expect(seen.whole).toBe(1);
  expect(seen.ones).toHaveLength(2);
  expect(Math.abs(seen.ones[0]!.x - seen.ones[1]!.x)).toBeLessThan(1);
  expect(seen.ones[1]!.y).toBeGreaterThan(seen.ones[0]!.y + 100);
});

test('pictures hold what is seen, and nothing that is covered or held back', async ({ page }) => {
  await open(page, [blocks({ hundreds: 1, tens: 4, ones: 6 }), rack(6, 8)], ['unitForm']);
  const whole = readFileSync((await take(page, 'Board as SVG')).path, 'utf8');
  expect(whole).toContain('@font-face');
  expect(whole).toContain('Unit form: 1 hundred 4 tens 6 ones');
  expect(whole).not.toContain('Number: 146');
  expect(whole.match(/class="face ones ?"/g)).toHaveLength(6);
  expect(whole).toMatch(/hundreds <tspan [^>]*>1</);
  expect(whole).not.toContain('class="ring');

  // A ring is part of what is seen.
  await page.getByRole('button', { name: /^tens/ }).first().click();
  await (await verb(page, 'Ring')).click();
  await saved(page);
  expect(readFileSync((await take(page, 'Board as SVG')).path, 'utf8')).toContain('class="ring of-1"');
  await page.getByRole('button', { name: 'Done' }).click();

  await page.getByRole('button', { name: 'Cover', exact: true }).first().click();
  await page.getByText('Cover ones').click();
  await saved(page);
  const covered = readFileSync((await take(page, 'Board as SVG')).path, 'utf8');
  expect(covered.match(/class="face ones ?"/g)).toBeNull();
  expect(covered).not.toContain('6 ones');
  expect(covered).toMatch(/ones <tspan [^>]*>\?</);

  // All that lies on the board, and what stands beside it where that is wanted.
  await write(page.getByLabel('Write a line to keep'), '146 = 100 + 46');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Draw' }).click();
  const pens = page.getByRole('toolbar', { name: 'Pens' });
  await pens.getByRole('button', { name: 'Line' }).click();
  const board = (await page.locator('.drawing').first().boundingBox())!;
  await page.mouse.move(board.x + 20, board.y + 20);
  await page.mouse.down();
  await page.mouse.move(board.x + 160, board.y + 90, { steps: 5 });
  await page.mouse.up();
  await pens.getByRole('button', { name: 'Note' }).click();
  await page.mouse.click(board.x + 40, board.y + 120);
  await page.getByRole('textbox', { name: 'Note' }).pressSequentially('a tray of bulbs');
  await page.keyboard.press('Enter');
  await saved(page);
  const drawn = readFileSync((await take(page, 'Board as SVG')).path, 'utf8');
  expect(drawn).toContain('class="ink-line');
  expect(drawn).toContain('a tray of bulbs');
  expect(drawn).toContain(new Date().toLocaleDateString());
  expect(drawn).toContain('<desc id="picture-text">Base-ten blocks.');
  expect(drawn).not.toContain('146 = 100 + 46');
  await choose(page, 'Export', 'With the record');
  expect(readFileSync((await take(page, 'Board as SVG')).path, 'utf8')).toContain('146 = 100 + 46');

  const png = readFileSync((await take(page, 'Board as PNG')).path);
  expect(png.subarray(1, 4).toString()).toBe('PNG');
  expect(png.readUInt32BE(16), 'wide enough for a worksheet').toBeGreaterThan(1500);
  await expect(says(page, 'unitForm').first()).toHaveText('?');
});

test('nothing is fetched from outside', async ({ page, baseURL }) => {
  const asked: string[] = [];
  page.on('request', (r) => asked.push(r.url()));
  await go(page, '/');
  await write(page.getByRole('searchbox', { name: 'Search the lessons' }), 'two deliveries');
  await page
    .getByRole('link', { name: /Two deliveries/ })
    .first()
    .click();
  await present(page);
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeVisible();
  expect(asked.filter((u) => !u.startsWith(baseURL!) && !u.startsWith('data:'))).toEqual([]);
});

test('a lesson of a newer format is read and presented, and never changed', async ({ page }) => {
  await go(page, '/');
  const file = {
    format: 9,
    title: 'From next year',
    scenes: [
      {
        id: 'a',
        title: 'A',
        start: { models: [{ kind: 'blocks', pieces: [{ place: 'ones', count: 13 }] }] },
      },
      { id: 'b', title: 'B', start: { models: [{ kind: 'something new' }] } },
    ],
  };
  await page.getByLabel('Lesson file').setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(file)),
  });
  await expect(page.getByText('1 board is not shown')).toBeVisible();
  await expect(page.locator('[data-piece]')).toHaveCount(13);
  await page.getByRole('button', { name: 'Bundle' }).last().click();
  await expect(page.getByText('A newer version made this lesson. It is only read here.')).toBeVisible();
  await expect(page.locator('[data-piece]')).toHaveCount(13);
  await expect(page.getByRole('button', { name: 'Take over' })).toHaveCount(0);
});

test('a list of problems becomes a lesson, pasted or from a file', async ({ page }) => {
  await go(page, '/');
  const line = page.getByRole('textbox', { name: 'What shall the class see?' });
  await line.click();
  await page.keyboard.insertText('58 + 67\n12 many\n24 × 3');
  await expect(page.getByText(/^Line 2: /)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Show it' })).toBeDisabled();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.insertText('58 + 67\n97 ÷ 4\n24 × 3');
  await page.getByRole('button', { name: 'Show it' }).click();
  await expect(page.locator('.Stem_bud')).toHaveCount(3);
  await expect(page.getByRole('button', { name: '58 + 67 and 2 more' })).toBeVisible();
  await saved(page);

  await go(page, '/');
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    choose(page, 'Files', 'Open a file'),
  ]);
  await chooser.setFiles({
    name: 'Taking away.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('column-subtract,402,167\n63 - 28\n'),
  });
  await expect(page.locator('.Stem_bud')).toHaveCount(2);
  await expect(page.getByRole('button', { name: 'Taking away' })).toBeVisible();
});
