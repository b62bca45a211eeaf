// Presents a lesson from its first step to its last and measures what the class sees.

const empty = { format: 2, id: '', title: 'Measured', words: {}, scenes: [] };

/** Calls the core in the page, as the page itself does. */
function core(page, op, arg) {
  return page.evaluate(([o, a]) => JSON.parse(globalThis.unitbloomCore(o, JSON.stringify(a))), [op, arg]);
}

async function post(url, lesson) {
  const made = await fetch(`${url}/api/lessons`, { method: 'POST', body: JSON.stringify(lesson) });
  return (await made.json()).id;
}

async function begun(page, url) {
  const runs = page.url().startsWith(url) && (await page.evaluate(() => !!globalThis.unitbloomCore));
  if (!runs) {
    await page.goto(url);
    await page.waitForFunction(() => globalThis.unitbloomCore);
  }
  return (await core(page, 'open', { lesson: empty })).ok.handle;
}

/** The methods, as the core lists them. */
export async function methodsOf(page, url) {
  return (await core(page, 'methods', { handle: await begun(page, url) })).ok;
}

/** Makes a lesson of one example and gives its id; nothing where the problem is not shown with that model. */
export async function exampleOf(page, url, method, args, model) {
  return examplesOf(page, url, [{ method, args, model }]);
}

/** Makes a lesson of examples, of methods by their ids or titles, and gives its id; nothing where one cannot be. */
export async function examplesOf(page, url, examples) {
  const handle = await begun(page, url);
  const methods = (await core(page, 'methods', { handle })).ok;
  for (const [i, { method, ...more }] of examples.entries()) {
    const { id } = methods.find((m) => m.id === method || m.title === method);
    const made = await core(page, 'addExample', { handle, id: 'abcdefgh'[i], method: id, ...more });
    if (made.error) return undefined;
  }
  return post(url, (await core(page, 'document', { handle })).ok);
}

/** Presents what stands at an address, and tells what was seen on the way. */
export async function look(page, url, screen, shots, come = (/** @type {string} */ to) => page.goto(to)) {
  // Where things stand is measured, not how they come there.
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.setViewportSize(screen);
  await come(url);
  await page.locator('.stage').waitFor();
  await page.evaluate(() =>
    Promise.all(['400 20px Andika', '700 20px Andika'].map((face) => document.fonts.load(face))),
  );
  // Texts are measured anew when the fonts have come, which a busy page does in its time.
  for (let was, now = ''; now !== was || now === '';) {
    was = now;
    await page.waitForTimeout(150);
    now = JSON.stringify((await page.evaluate(measure)).places);
  }
  const seen = {
    steps: 0,
    moved: 0,
    piece: Infinity,
    larger: Infinity,
    numeral: Infinity,
    room: 0,
    faults: [],
  };
  let first;
  let scene;
  let union;
  let board;
  for (let n = 0; n < 200; n++) {
    const now = await page.evaluate(measure);
    if (now.ended) break;
    if (shots) await page.screenshot({ path: `${shots}-${String(n).padStart(2, '0')}.png` });
    // Another scene is composed anew.
    if (now.scene !== scene) first = now.places;
    scene = now.scene;
    const moved = Object.entries(now.places).filter(([name, at]) => first[name] && differs(first[name], at));
    if (moved.length > 0) seen.moved++;
    for (const [name] of moved) if (!seen.faults.includes(`${name} moved`)) seen.faults.push(`${name} moved`);
    for (const [name, at] of Object.entries(now.places)) first[name] ??= at;
    seen.piece = Math.min(seen.piece, now.piece);
    seen.larger = Math.min(seen.larger, now.larger);
    seen.numeral = Math.min(seen.numeral, now.numeral);
    for (const fault of now.faults) if (!seen.faults.includes(fault)) seen.faults.push(fault);
    board = now.board;
    union = around([union, now.used]);
    seen.steps = n;
    await page.keyboard.press('ArrowRight');
    await page.waitForFunction(() => !document.querySelector('[data-moving]'));
    await page.evaluate(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
    );
  }
  if (union) seen.room = Math.max((union[2] - union[0]) / board[2], (union[3] - union[1]) / board[3]);
  return seen;
}

const differs = (a, b) => a.some((x, i) => Math.abs(x - b[i]) > 1);

function around(rects) {
  const all = rects.filter(Boolean);
  if (all.length === 0) return undefined;
  return [0, 1, 2, 3].map((i) => (i < 2 ? Math.min : Math.max)(...all.map((r) => r[i])));
}

/** In the page: where everything stands, how small the smallest is, and what is wrong. */
function measure() {
  const all = (selector) => [...document.querySelectorAll(`main ${selector}`)];
  const rect = (el) => el.getBoundingClientRect();
  const shown = (el) => rect(el).width > 0 && rect(el).height > 0;
  const board = rect(all('.Composition_board')[0]);
  const places = {};
  all('.drawing').forEach((el, i) => {
    const r = rect(el);
    places[`model ${i + 1}`] = [r.x, r.y, r.width, r.height];
  });
  all('.zone.column').forEach((el, i) => {
    const r = rect(el);
    places[`column ${i + 1}`] = [r.x, r.y, r.width, 0];
  });
  for (const [name, selector] of [
    ['written work', '.WrittenSide_written'],
    ['written method', '.Written_written'],
    ['prompt', '.Cue_cue'],
    ['close-up', '.CloseUp_close-up'],
  ]) {
    const el = all(selector)[0];
    if (el) places[name] = [rect(el).x, rect(el).y, rect(el).width, rect(el).height];
  }
  // What is written stays where it is when more is written.
  for (const [name, selector] of [
    ['line', '.Lines_lines p'],
    ['bond', '.Lines_lines .Beside_bond'],
    ['table', '.Lines_lines table'],
  ])
    all(`.WrittenSide_written ${selector}`).forEach((el, i) => {
      places[`${name} ${i + 1}`] = [rect(el).x, rect(el).y, 0, 0];
    });
  const pieces = all('[data-piece]').filter(shown);
  const sizes = pieces.map((el) => Math.min(rect(el).width, rect(el).height));
  const larger = all('.CloseUp_close-up .piece').map((el) => Math.min(rect(el).width, rect(el).height));
  const numerals = all(
    '.columns_zone-count, .rack_row-count, .zone-badge, .Written_digit:not(.Written_mark), .Lines_lines p, .Lines_lines td, .Beside_bond text',
  ).filter((el) => shown(el) && /\d/.test(el.textContent));
  const faults = [];
  const fault = (text) => faults.includes(text) || faults.push(text);
  const within = (el, name) => {
    const r = rect(el);
    if (r.x < -1 || r.right > globalThis.innerWidth + 1 || r.y < board.y - 2 || r.bottom > board.bottom + 2)
      fault(`${name} cut off`);
  };
  const heads = all('.columns_zone-name').filter(shown);
  heads.forEach((el) => within(el, 'a name'));
  pieces.forEach((el) => within(el, 'a piece'));
  all('.rack_row-count').forEach((el) => within(el, 'a count'));
  all('.Written_digit, .Lines_lines p, .Lines_lines td').forEach((el) => within(el, 'written work'));
  const apart = (list, name) => {
    for (let i = 1; i < list.length; i++) {
      const a = rect(list[i - 1]);
      const b = rect(list[i]);
      if (a.x < b.right - 1 && b.x < a.right - 1 && a.y < b.bottom - 1 && b.y < a.bottom - 1)
        fault(`${name} overlap`);
    }
  };
  apart(heads, 'names');
  apart(all('.rack_row-count'), 'counts');
  for (const el of all('.CloseUp_close-up')) {
    within(el, 'the close-up');
    for (const other of [...pieces, ...heads, ...all('.Written_written, .Lines_lines')])
      apart([el, other], 'the close-up');
  }
  const written = all('.WrittenSide_written')[0];
  if (written) {
    if (written.scrollHeight > written.clientHeight + 2 || written.scrollWidth > written.clientWidth + 2)
      fault('written work scrolls');
    const w = rect(written);
    for (const el of [...pieces, ...heads]) {
      const r = rect(el);
      if (r.right > w.x + 1 && r.x < w.right - 1 && r.bottom > w.y + 1 && r.y < w.bottom - 1)
        fault('pieces under the written work');
    }
  }
  for (const el of all('.Lines_lines td')) {
    if (rect(el).height > 2.2 * parseFloat(globalThis.getComputedStyle(el).fontSize))
      fault('a cell is broken over lines');
  }
  const used = [...pieces, ...heads, ...all('.Written_written, .Lines_lines, .rack_row-count')]
    .filter(shown)
    .map((el) => {
      const r = rect(el);
      return [r.x, r.y, r.right, r.bottom];
    });
  return {
    ended: all('.EndBar_end-bar').length > 0,
    scene: all('h1')[0]?.textContent,
    places,
    piece: Math.min(Infinity, ...sizes),
    larger: Math.min(Infinity, ...larger),
    numeral: Math.min(
      Infinity,
      ...numerals.map(
        (el) => parseFloat(globalThis.getComputedStyle(el).fontSize) * (el.getScreenCTM?.().a ?? 1),
      ),
    ),
    board: [board.x, board.y, board.width, board.height],
    used: used.length
      ? [0, 1, 2, 3].map((i) => (i < 2 ? Math.min : Math.max)(...used.map((r) => r[i])))
      : undefined,
    faults,
  };
}
