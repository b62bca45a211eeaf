import type { Page } from '@playwright/test';
import {
  blocks,
  centre,
  expect,
  fingers,
  go,
  open,
  openScenes,
  pieces,
  present,
  rack,
  says,
  settled,
  sound,
  test,
  type,
  verb,
} from './teacher';

const sizes = {
  small: [320, 640],
  phone: [390, 844],
  laptop: [1280, 800],
  board: [1920, 1080],
  wall: [3840, 2160],
} as const;

/** Every screen and state that a teacher comes by: what brings it up, by its name. */
async function* states(page: Page): AsyncGenerator<string> {
  await go(page, '/');
  await expect(page.getByRole('heading', { name: 'Lessons' })).toBeVisible();
  yield 'the shelf';
  await page.getByRole('textbox', { name: 'What shall the class see?' }).focus();
  await page.keyboard.type('58 + 67');
  await expect(page.getByRole('list', { name: 'Ways to show it' })).toBeVisible();
  yield 'a line understood';
  await page.getByRole('button', { name: 'Files' }).click();
  await expect(page.getByRole('menuitem', { name: 'Deleted lessons' })).toBeVisible();
  yield 'a menu of the shelf';
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Words of the school' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  yield 'the words of the school';
  await open(page, []);
  yield 'an empty lesson';
  const id = await open(page, [blocks({ hundreds: 1, tens: 4, ones: 13 }), rack(6, 8)]);
  await settled(page);
  yield 'two models';
  await pieces(page, 'tens').first().click();
  await expect(page.getByRole('toolbar', { name: /selected/ })).toBeVisible();
  yield 'pieces chosen';
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Set up' }).first().click();
  yield 'a model set up';
  await page.locator('.SetUpSide_set-up').getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await expect(page.getByRole('menuitem', { name: 'Print' })).toBeVisible();
  yield 'the menu of a lesson';
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Draw' }).click();
  yield 'the pens';
  await page.getByRole('button', { name: 'Draw' }).click();
  await page.getByRole('button', { name: 'Add next' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  yield 'what comes next';
  await page.getByRole('dialog').getByRole('button', { name: 'A worked example with options' }).click();
  await expect(page.getByText('Column addition: type')).toBeVisible();
  await page.keyboard.type('58 + 67');
  await expect(page.getByRole('list', { name: 'What the class sees' })).toBeVisible();
  yield 'an example being chosen';
  await page.getByRole('button', { name: 'Add to the lesson' }).click();
  await page.getByRole('button', { name: /^Step 5:/ }).click();
  await settled(page);
  yield 'a step of an example';
  await present(page);
  yield 'presenting';
  while (!(await page.getByRole('button', { name: 'Reveal' }).isEnabled()))
    await page.keyboard.press('ArrowRight');
  await settled(page);
  yield 'a question open';
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await expect(page.getByRole('dialog', { name: 'More' })).toBeVisible();
  yield 'the rest while presenting';
  await go(page, `/lesson/${id}/paper?as=steps`);
  await expect(page.getByRole('region', { name: /^Page 1/ })).toBeVisible();
  yield 'on paper';
  await go(page, `/lesson/${id}/teach`);
  yield 'the teacher’s window';
  await go(page, '/lesson/there-is-none');
  await expect(page.getByText('This lesson does not open')).toBeVisible();
  yield 'a lesson that does not open';
}

// All sizes take minutes: `make soak` goes through them, each begun in its own; every run goes through
// one, and looks at each state on a phone too.
for (const begun of process.env.EVERY_SIZE
  ? (Object.keys(sizes) as (keyof typeof sizes)[])
  : ['laptop' as const])
  test(`axe finds nothing on any screen or state: ${begun}`, async ({ page }) => {
    test.setTimeout(300_000);
    const at = async (size: keyof typeof sizes) => {
      const [width, height] = sizes[size];
      await page.setViewportSize({ width, height });
    };
    await at(begun);
    for await (const state of states(page))
      await test.step(state, async () => {
        await sound(page, state);
        if (begun !== 'laptop') return;
        await at('phone');
        await sound(page, `${state}, on a phone`);
        await at(begun);
        // In the dark nothing has another name or place, and all another colour. What the class sees is never dark.
        if (/\/(present|paper|teach)/.test(page.url()) || state.includes('does not open')) return;
        await page.emulateMedia({ colorScheme: 'dark' });
        await expect(page.locator('html'), state).toHaveAttribute('data-room', 'dark');
        await sound(page, `${state}, in the dark`, ['color-contrast']);
        await page.emulateMedia({ colorScheme: 'light' });
        await expect(page.locator('html')).not.toHaveAttribute('data-room', 'dark');
      });
  });

test('a room is as dark as its device, from one hour to the next, until she chooses', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await go(page, '/');
  await expect(page.locator('html')).toHaveAttribute('data-room', 'dark');
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByRole('menuitem', { name: 'Light room' }).click();
  await expect(page.locator('html')).not.toHaveAttribute('data-room', 'dark');
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Lessons' })).toBeVisible();
  await expect(page.locator('html'), 'what was chosen stands').not.toHaveAttribute('data-room', 'dark');
});

test('a lesson opens with the keys on its board, and a bundle is three away', async ({ page }) => {
  await open(page, [blocks({ ones: 12 })]);
  await settled(page);
  await expect(page.getByRole('application')).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(says(page, 'unitForm')).toHaveText('1 ten 2 ones');
  // From the head of the page there is a way past it.
  const past = page.getByRole('link', { name: 'To the board' });
  await past.focus();
  await expect(past).toBeInViewport();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('application')).toBeFocused();
});

test('what the keys are at, what was done and what was undone is told, each once', async ({ page }) => {
  await open(page, [blocks({ tens: 2, ones: 12 })]);
  await settled(page);
  const told = page.locator('.sr-only[role=status]');
  const board = page.getByRole('application');
  await board.focus();
  await page.keyboard.press('ArrowRight');
  await expect(told).toHaveText('Tens: 2 of 2.');
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowRight');
  await expect(told).toHaveText('Tens: 2 of 2. Chosen.');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Bundle ones' }).click();
  await expect(told).toHaveText('Bundled: 10 ones into 1 ten. 32.');
  // One message for one act: that it is saved is not told as well.
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: /^Sav/ })).toHaveCount(0);
  await page.keyboard.press('ControlOrMeta+z');
  await expect(told).toHaveText('Undone: Bundled: 10 ones into 1 ten. 32.');
  await page.keyboard.press('ControlOrMeta+y');
  await expect(told).toHaveText('Done again: Bundled: 10 ones into 1 ten. 32.');
  // A notice that went is called back.
  await page.getByRole('button', { name: 'Bundle tens' }).click();
  const notice = page.getByRole('alert').getByRole('button');
  await expect(notice).toContainText('3 tens here. A hundred needs 7 more.');
  await notice.click();
  await expect(notice).toHaveCount(0);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Say again what was said' }).click();
  await expect(notice).toContainText('3 tens here. A hundred needs 7 more.');
});

test('nothing is cut off at the side on a phone, a laptop, a board and a wall', async ({ page }) => {
  const wide = () =>
    page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  const size = () =>
    page
      .locator('.columns_zone-count')
      .first()
      .evaluate((e) => parseFloat(getComputedStyle(e).fontSize));
  const each = async (look: (width: number) => Promise<void>) => {
    for (const name of ['phone', 'laptop', 'board', 'wall'] as const) {
      const [width, height] = sizes[name];
      await page.setViewportSize({ width, height });
      await test.step(name, () => look(width));
    }
  };
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, [blocks({ hundreds: 2, tens: 4, ones: 6 })]);
  await expect(pieces(page, 'hundreds')).toHaveCount(2);
  await each(async () => {
    await settled(page);
    await expect.poll(wide).toBe(0);
    const board = (await page.locator('.Tile_room').boundingBox())!;
    for (const piece of await pieces(page, 'hundreds').all()) {
      const box = (await piece.boundingBox())!;
      expect(box.x).toBeGreaterThanOrEqual(board.x);
      expect(box.x + box.width).toBeLessThanOrEqual(board.x + board.width);
    }
  });
  await present(page);
  await each(async (width) => {
    await expect.poll(wide).toBe(0);
    if (width >= 1280) await expect.poll(size).toBeGreaterThanOrEqual((44 * Math.min(width, 1920)) / 1280);
  });
});

test.describe('a touch board', () => {
  test.use({ hasTouch: true });
  test('pieces are tapped and beads pushed by finger', async ({ page }) => {
    await open(page, [blocks({ ones: 12 }), rack(0)]);
    await settled(page);
    await pieces(page, 'ones').nth(3).tap();
    await expect(page.getByRole('toolbar')).toContainText('1 selected');
    await (await verb(page, 'Take away')).tap();
    await expect(says(page, 'numeral').first()).toHaveText('11');
    await page.locator('.rack_rack [data-piece]').nth(6).tap();
    await expect(says(page, 'numeral').nth(1)).toHaveText('7');
    await page.getByRole('button', { name: 'Bundle' }).last().tap();
    await expect(says(page, 'unitForm').first()).toHaveText('1 ten 1 one');
  });
  test('two fingers enlarge the board, and one carries a piece above itself', async ({ page }) => {
    await open(page, [blocks({ tens: 2, ones: 3 })]);
    await settled(page);
    const touch = await fingers(page);
    const size = async () => (await page.locator('.drawing').boundingBox())!.width;
    const before = await size();
    const middle = await centre(pieces(page, 'tens').last());
    await touch('touchStart', [middle]);
    await touch('touchStart', [middle, { x: middle.x + 100, y: middle.y }]);
    await touch('touchMove', [middle, { x: middle.x + 200, y: middle.y }]);
    await touch('touchEnd', []);
    expect((await size()) / before).toBeCloseTo(2, 1);
    const held = await centre(pieces(page, 'tens').last());
    expect(Math.abs(held.x - middle.x), 'what is held stays under the finger').toBeLessThan(8);
    await expect(says(page, 'numeral')).toHaveText('23');
    await expect(page.getByRole('toolbar', { name: /selected/ })).toHaveCount(0);
    await touch('touchStart', [middle, { x: middle.x + 200, y: middle.y }]);
    await touch('touchMove', [middle, { x: middle.x + 20, y: middle.y }]);
    await touch('touchEnd', []);
    expect((await size()) / before, 'never smaller than what fits').toBeCloseTo(1, 1);

    const from = await centre(pieces(page, 'ones').first());
    await touch('touchStart', [from]);
    await touch('touchMove', [{ x: from.x + 30, y: from.y + 30 }]);
    await touch('touchMove', [{ x: from.x + 60, y: from.y + 80 }]);
    const carried = await centre(page.locator('.PieceBoard_chosen [data-piece]'));
    expect(carried.y, 'seen above the finger').toBeLessThan(from.y + 80 - 40);
    await touch('touchEnd', []);
    await expect(says(page, 'numeral')).toHaveText('23');
  });
  test('a stylus draws, and then a finger moves pieces', async ({ page }) => {
    await open(page, [blocks({ tens: 2, ones: 3 })]);
    await settled(page);
    await page.getByRole('button', { name: 'Draw' }).click();
    await page
      .getByRole('toolbar', { name: 'Pens' })
      .getByRole('button', { name: 'Pen', exact: true })
      .click();
    const touch = await fingers(page);
    const at = await centre(pieces(page, 'ones').first());
    const session = await page.context().newCDPSession(page);
    for (const [type, dx] of [
      ['mousePressed', 0],
      ['mouseMoved', 40],
      ['mouseMoved', 80],
      ['mouseReleased', 80],
    ] as const)
      await session.send('Input.dispatchMouseEvent', {
        type,
        x: at.x + dx,
        y: at.y,
        button: 'left',
        buttons: type === 'mouseReleased' ? 0 : 1,
        clickCount: 1,
        pointerType: 'pen',
      });
    const strokes = page.locator('svg.ink path');
    await expect(strokes).toHaveCount(1);
    await touch('touchStart', [at]);
    await touch('touchEnd', []);
    await expect(page.getByRole('toolbar', { name: /selected/ })).toContainText('1 selected');
    await expect(strokes).toHaveCount(1);
  });
  test('what is touched is large enough for a finger', async ({ page }) => {
    await open(page, [blocks({ tens: 4, ones: 12 }), rack(3, 4)]);
    await pieces(page, 'tens').first().tap();
    for (const button of await page
      .locator('.Tile_room button:visible, .Tile_tile-line button:visible')
      .all()) {
      const box = (await button.boundingBox())!;
      const name = (await button.getAttribute('aria-label')) ?? (await button.textContent());
      if (name?.match(/^(tens|ones|taken)/)) continue; // headings, which the whole column stands for
      expect(Math.min(box.width, box.height), name ?? '').toBeGreaterThanOrEqual(40);
    }
  });
});

test('on a phone a number is built, bundled and presented', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, [blocks({})]);
  await type(page, '38');
  await page.getByRole('button', { name: 'Add 1 one' }).click();
  await page.getByRole('button', { name: 'Add 1 one' }).click();
  await page.getByRole('button', { name: 'Bundle' }).last().click();
  await expect(says(page, 'unitForm')).toHaveText('4 tens');
  await present(page);
  await expect(page.getByRole('button', { name: 'More' })).toBeInViewport();
});

test('on a phone a note at the edge is read whole', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const notes = [{ id: 'n', text: 'yesterday fourteen', on: {}, x: 9300, y: 3000 }];
  await openScenes(page, [{ id: 'a', title: 'Board', start: { models: [blocks({ ones: 4 })] }, notes }]);
  const note = (await page.locator('.Notes_note').boundingBox())!;
  expect(note.x).toBeGreaterThan(0);
  expect(note.x + note.width).toBeLessThanOrEqual(391);
});

test('with reduced motion nothing travels', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, [blocks({ ones: 10 })]);
  await page.getByRole('button', { name: 'Bundle' }).last().click();
  const moving = await pieces(page, 'tens').evaluate((e) => getComputedStyle(e).transitionDuration);
  expect(moving).toBe('0s');
});

test('a whole lesson is prepared and taught with keys alone', async ({ page }) => {
  test.setTimeout(120_000);
  const keys = page.keyboard;
  /** Goes on by Tab to what has a name. */
  const tabTo = async (name: string) => {
    const here = () =>
      page.evaluate(() => {
        const at = document.activeElement!;
        return (at.getAttribute('aria-label') ?? at.textContent ?? '').trim();
      });
    for (let i = 0; i < 80; i++) {
      if ((await here()) === name) return;
      await keys.press('Tab');
    }
    throw new Error(`The keys do not come to ${name}.`);
  };
  // Prepared: a worked example, a board after it, and a line for the record.
  await go(page, '/');
  await expect(page.getByRole('textbox', { name: 'What shall the class see?' })).toBeFocused();
  await keys.type('58 + 67');
  await keys.press('Enter');
  await expect(page.getByRole('button', { name: /^Present/ })).toBeFocused();
  await tabTo('Add next');
  await keys.press('Enter');
  await expect(page.getByRole('dialog').getByRole('textbox')).toBeFocused();
  await keys.type('12 ones');
  await keys.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.locator('.Stem_bud')).toHaveCount(2);
  await tabTo('Write a line to keep');
  await keys.type('58 + 67 = 125');
  await keys.press('Enter');
  await expect(page.getByRole('region', { name: 'Lines kept' })).toContainText('58 + 67 = 125');
  // Taught: from the first step to the last, each question open before it is answered.
  await page.locator('.Stem_bud').first().focus();
  await keys.press('Enter');
  await tabTo('Present →');
  await keys.press('Enter');
  const prompt = page.getByRole('region', { name: 'Prompt' });
  await expect(prompt).toBeVisible();
  let asked = 0;
  for (let i = 0; i < 60 && !(await page.locator('.EndBar_end-bar').isVisible()); i++) {
    if (await page.getByRole('button', { name: 'Reveal' }).isEnabled()) {
      asked++;
      await keys.press('r');
    } else await keys.press('ArrowRight');
  }
  expect(asked).toBeGreaterThan(0);
  await expect(page.locator('.EndBar_end-bar')).toBeVisible();
  await keys.press('ArrowRight');
  await settled(page);
  await expect(pieces(page, 'one').or(page.locator('[data-piece]')).first()).toBeVisible();
  // Back, and on paper.
  await keys.press('Escape');
  await expect(page.getByRole('button', { name: /^Present/ })).toBeVisible();
  await tabTo('More');
  await keys.press('Enter');
  await expect(page.getByRole('menuitem', { name: 'Print' })).toBeVisible();
  await keys.press('Escape');
  await expect(page.getByRole('button', { name: 'More', exact: true })).toBeFocused();
});
