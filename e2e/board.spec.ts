import {
  blocks,
  choose,
  counters,
  discs,
  drag,
  expect,
  go,
  lessonOf,
  open,
  rack,
  says,
  settled,
  test,
  type,
  write,
} from './teacher';

test('linked models follow one another, and unlink with a reason when one cannot', async ({ page }) => {
  await open(page, [blocks({ tens: 1, ones: 4 }), rack(3, 0)]);
  await choose(page, 'Arrange', 'Link with the bead rack');
  await expect(page.getByText('Linked: one number')).toHaveCount(2);
  await expect(says(page, 'numeral')).toHaveText(['3', '3']);
  await type(page, '17');
  await expect(says(page, 'numeral')).toHaveText(['17', '17']);
  await page.getByRole('slider', { name: /^Row 1/ }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(says(page, 'numeral')).toHaveText(['16', '16']);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(says(page, 'numeral')).toHaveText(['17', '17']);
  await type(page, '1250');
  await expect(says(page, 'numeral')).toHaveText(['1250', '17']);
  await expect(page.getByRole('alert')).toContainText(
    'could not follow and shows its own number again. 1250 does not fit.',
  );
  await expect(page.getByText('Linked: one number')).toHaveCount(0);
});

test('a kept copy stands beside the model and is not counted', async ({ page }) => {
  await open(page, [blocks({ ones: 13 })]);
  await choose(page, 'Arrange', 'Keep a copy beside it');
  await page.getByRole('button', { name: 'Bundle' }).last().click();
  await expect(says(page, 'unitForm')).toHaveText('1 ten 3 ones');
  await expect(page.getByRole('img', { name: 'Kept copy 1' }).locator('.piece')).toHaveCount(13);
  await page.reload();
  await expect(page.getByRole('img', { name: 'Kept copy 1' }).locator('.piece')).toHaveCount(13);
  await page.getByRole('button', { name: 'Put kept copy 1 away' }).click();
  await expect(page.getByRole('img', { name: 'Kept copy 1' })).toHaveCount(0);
});

test('models change places and share the board by their edge', async ({ page }) => {
  await open(page, [blocks({ ones: 3 }), counters(4)]);
  const edge = page.getByRole('separator');
  const first = page.locator('.Tile_tile').first();
  const before = (await first.boundingBox())!.width;
  const at = (await edge.boundingBox())!;
  await page.mouse.move(at.x + 10, at.y + 300);
  await page.mouse.down();
  await page.mouse.move(at.x + 160, at.y + 300, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => (await first.boundingBox())!.width).toBeGreaterThan(before + 120);
  await edge.focus();
  await page.keyboard.press('ArrowLeft');
  await choose(page, 'Arrange', 'Move right');
  await expect(page.locator('.Tile_tile').first()).toHaveAttribute('aria-label', 'Counters, 4');
});

test('a cover is laid anywhere, moved and resized; a quick look gives nothing away to the read-outs', async ({
  page,
}) => {
  await open(page, [rack(3, 0)], ['numeral', 'missing']);
  await choose(page, 'Cover', 'Cover row 1 right');
  await expect(says(page, 'missing')).toHaveText('3 and ? make 10');
  await expect(says(page, 'numeral')).toHaveText('?');
  await page.getByRole('button', { name: 'Quick look', exact: true }).click();
  await expect(page.locator('.Covers_cover')).toHaveCount(0);
  await expect(says(page, 'numeral')).toHaveText('?');
  await expect(page.locator('.Covers_cover')).toHaveCount(1, { timeout: 3000 });
  await page.locator('.Covers_cover').click();
  await expect(says(page, 'numeral')).toHaveText('3');
  await choose(page, 'Cover', 'A cover to move about');
  const cover = page.locator('.Covers_cover.Covers_free');
  const was = (await cover.boundingBox())!;
  await drag(page, cover, { x: was.x + was.width / 2 + 90, y: was.y + was.height / 2 });
  await expect.poll(async () => (await cover.boundingBox())!.x).toBeGreaterThan(was.x + 60);
  await cover.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => (await cover.boundingBox())!.width).toBeGreaterThan(was.width);
  await page.keyboard.press('Enter');
  await expect(cover).toHaveCount(0);
});

test('ink and notes stay on their model when it moves, and are cleared apart from the pieces', async ({
  page,
}) => {
  await open(page, [blocks({ tens: 2, ones: 3 }), rack(4)]);
  await settled(page);
  await page.getByRole('button', { name: 'Draw' }).click();
  await page.getByRole('toolbar', { name: 'Pens' }).getByRole('button', { name: 'Ring' }).click();
  await settled(page);
  const ten = (await page.locator('[data-piece]').first().boundingBox())!;
  await page.mouse.move(ten.x - 10, ten.y - 10);
  await page.mouse.down();
  await page.mouse.move(ten.x + 50, ten.y + ten.height + 10, { steps: 4 });
  await page.mouse.up();
  await expect(page.locator('svg.ink ellipse')).toHaveCount(1);
  await page.getByRole('toolbar', { name: 'Pens' }).getByRole('button', { name: 'Note' }).click();
  await page.mouse.click(ten.x + 120, ten.y + 60);
  await write(page.getByRole('textbox', { name: 'Note' }), 'two tens');
  await page.keyboard.press('Enter');
  await expect(page.getByText('two tens')).toBeVisible();
  await settled(page);
  const apart = async () => {
    const ring = (await page.locator('svg.ink ellipse').boundingBox())!;
    const piece = (await page
      .locator('.Tile_tile-place:has(.zone.column) [data-piece]')
      .first()
      .boundingBox())!;
    return [Math.round(ring.x - piece.x), Math.round(ring.y - piece.y)];
  };
  const before = await apart();
  await choose(page, 'Arrange', 'Move right');
  await settled(page);
  await page.keyboard.press('Escape');
  await expect(page.locator('.SetUpSide_set-up')).toHaveCount(0);
  await settled(page);
  await expect.poll(apart).toEqual(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await choose(page, 'Clear', 'Ink');
  await expect(page.locator('svg.ink ellipse')).toHaveCount(0);
  await expect(page.getByText('two tens')).toBeVisible();
  await expect(says(page, 'numeral').first()).toHaveText('23');
  await choose(page, 'Clear', 'Pieces');
  await expect(says(page, 'numeral')).toHaveText(['0', '0']);
  await expect(page.getByText('two tens')).toBeVisible();
  await choose(page, 'Clear', 'Everything');
  await page.getByRole('dialog').getByRole('button', { name: 'Clear everything' }).click();
  await expect(page.getByText('two tens')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('two tens')).toBeVisible();
});

test('strokes are rubbed out whole or in part', async ({ page }) => {
  await open(page, [counters(0)]);
  await page.getByRole('button', { name: 'Draw' }).click();
  await settled(page);
  const stroke = async (y: number, x1 = 200, x2 = 700) => {
    await page.mouse.move(x1, y);
    await page.mouse.down();
    await page.mouse.move(x2, y, { steps: 40 });
    await page.mouse.up();
  };
  await stroke(300);
  await expect(page.locator('svg.ink path')).toHaveCount(1);
  const pens = page.getByRole('toolbar', { name: 'Pens' });
  await pens.getByRole('button', { name: 'Rub out a part' }).click();
  await page.mouse.move(450, 270);
  await page.mouse.down();
  await page.mouse.move(450, 330, { steps: 10 });
  await page.mouse.up();
  await expect(page.locator('svg.ink path')).toHaveCount(2);
  await pens.getByRole('button', { name: 'Rub out', exact: true }).click();
  await page.mouse.move(250, 290);
  await page.mouse.down();
  await page.mouse.move(250, 310, { steps: 4 });
  await page.mouse.up();
  await expect(page.locator('svg.ink path')).toHaveCount(1);
});

test('pieces are counted aloud, from the first or on from a part', async ({ page }) => {
  await open(page, [
    {
      kind: 'cubes',
      pieces: [
        { place: 'ones', count: 5, group: 1 },
        { place: 'ones', count: 3, group: 2 },
      ],
    },
  ]);
  await choose(page, 'More', 'Count aloud');
  const bar = page.getByRole('toolbar', { name: 'Counting aloud' });
  await bar.getByRole('button', { name: 'Next one' }).click();
  await bar.getByRole('button', { name: 'Next one' }).click();
  await expect(bar).toContainText('two');
  await expect(page.locator('.piece.lit')).toHaveCount(2);
  await bar.getByRole('button', { name: 'Count on from the first part' }).click();
  await expect(bar).toContainText('five');
  await bar.getByRole('button', { name: 'Count by itself' }).click();
  await expect(bar).toContainText('eight', { timeout: 6000 });
  await bar.getByRole('button', { name: 'Done' }).click();
  await expect(page.locator('.piece.lit')).toHaveCount(0);
});

test('a board that changed is counted afresh, and what is in use goes to no other lesson', async ({
  page,
}) => {
  await open(page, [counters(3)]);
  await choose(page, 'More', 'Count aloud');
  const bar = page.getByRole('toolbar', { name: 'Counting aloud' });
  const next = bar.getByRole('button', { name: 'Next one' });
  await next.click();
  await page.getByRole('button', { name: 'Add 1 berry' }).click();
  await expect(bar).toContainText('zero');
  for (let n = 0; n < 4; n++) await next.click();
  await expect(bar).toContainText('four');
  await expect(next).toBeDisabled();

  await choose(page, 'Arrange', 'Larger');
  await page.getByRole('button', { name: 'Draw' }).click();
  const pens = page.getByRole('toolbar', { name: 'Pens' });
  await expect(pens).toBeVisible();
  const other = await lessonOf(page, [{ id: 'a', title: 'Board', start: { models: [counters(4)] } }]);
  await page.getByRole('link', { name: 'All lessons' }).click();
  await expect(page.getByRole('button', { name: 'Blank lesson' })).toBeVisible();
  await go(page, `/lesson/${other}`);
  await expect(page.locator('[data-piece]')).toHaveCount(4);
  await expect(bar).toBeHidden();
  await expect(pens).toBeHidden();
  const fitted = await page.locator('[data-piece]').first().boundingBox();
  await page.reload();
  await expect(page.locator('[data-piece]')).toHaveCount(4);
  await settled(page);
  expect((await page.locator('[data-piece]').first().boundingBox())!.width).toBeCloseTo(fitted!.width, 0);
});

test('numbers come by chance, and a number is listed in all its builds', async ({ page }) => {
  const id = await open(page, [blocks({})]);
  await page.goto(`/lesson/${id}?seed=5`);
  await choose(page, 'More', 'Numbers by chance');
  const dialog = page.getByRole('dialog');
  await dialog.getByText('Number cards').click();
  await dialog.getByText('3 digits').click();
  await dialog.getByRole('button', { name: 'Draw' }).click();
  const digits = await dialog.locator('.ChanceDialog_thrown b').allTextContents();
  expect(digits).toHaveLength(3);
  await dialog.getByRole('button', { name: /^Build/ }).click();
  await expect(says(page, 'numeral')).toHaveText(String(Number(digits.join(''))));
  await choose(page, 'More', 'All builds of a number');
  await write(page.getByLabel('Number to build'), '37');
  await page.getByRole('button', { name: 'List them' }).click();
  await expect(page.locator('.BuildsDialog_builds li')).toHaveText([
    '3 tens 7 ones',
    '2 tens 17 ones',
    '1 ten 27 ones',
    '37 ones',
  ]);
  await page.getByText('2 tens 17 ones').click();
  await expect(says(page, 'unitForm')).toHaveText('2 tens 17 ones');
});

test('number sentences are judged, filled, and given arrows; two models are compared', async ({ page }) => {
  await open(page, [discs({ hundreds: 4, ones: 8 }), discs({ hundreds: 4, tens: 8 })]);
  const line = page.getByLabel('Write a line to keep');
  await write(line, '400 + ? = 408');
  await page.getByRole('button', { name: 'Fill in the unknown' }).click();
  await expect(line).toHaveValue('400 + 8 = 408');
  await expect(page.locator('.Judged_judged')).toContainText('It fits what the discs show.');
  await line.press('Enter');
  await expect(page.locator('.Judged_standing')).toHaveText('true');
  await write(line, '3 + 4 = 7 + 2 = 9');
  await expect(page.locator('.Judged_judged')).toContainText('3 + 4 is 7, and 7 + 2 is 9.');
  await page.getByRole('button', { name: 'Write it with arrows' }).click();
  await expect(line).toHaveValue('3 + 4 → 7 + 2 → 9');
  await choose(page, 'More', 'Compare the two models');
  await expect(page.getByRole('alert')).toHaveText('408 < 480');
});

test.describe('in a page of its own', () => {
  test.use({ anew: true });

  test('from its first piece on the board stands where it stays', async ({ page }) => {
    await page.addInitScript(() => {
      const places: string[] = [];
      const look = () => {
        const seen = [...document.querySelectorAll('#board [data-piece], .zone.column')].map((e) => {
          const { x, y, width } = e.getBoundingClientRect();
          return `${Math.round(x)} ${Math.round(y)} ${Math.round(width)}`;
        });
        if (seen.length && places.at(-1) !== seen.join(', ')) places.push(seen.join(', '));
        requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
      Object.assign(globalThis, { places });
    });
    for (const [width, height] of [
      [1280, 800],
      [1920, 1080],
      [820, 1180],
      [390, 844],
    ] as const) {
      await page.setViewportSize({ width, height });
      await page.goto('about:blank');
      await open(page, [blocks({ tens: 3, ones: 2 })]);
      await expect(page.getByRole('button', { name: 'Add next' })).toBeVisible();
      await expect(page.getByRole('button', { name: 'Add 1 ten' })).toBeVisible();
      await expect(says(page, 'unitForm')).toHaveText('3 tens 2 ones');
      // A frame that was drawn after all of it is there has been looked at.
      const places = await page.evaluate(async () => {
        for (let i = 0; i < 3; i++) await new Promise(requestAnimationFrame);
        return (globalThis as unknown as { places: string[] }).places;
      });
      expect(places, `${width} × ${height}`).toHaveLength(1);
    }
  });
});
