// Eight classes of thirty on one server: each child's device speaks as the page does, drops out
// and comes back at random; the server is killed in the middle and started again. Nothing may
// be lost or doubled, and every wall is true. It sends traffic to this machine only, and ends
// by itself.
import { Buffer } from 'node:buffer';
import { execFileSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApp } from './app.mjs';

const CLASSES = 8;
const CHILDREN = 30;
const TRIES = 2;
/** How long a child works at a task, in milliseconds: all of it passes in about a minute. */
const WORKS = 9000;

const folder = mkdtempSync(join(tmpdir(), 'unitbloom-classroom-'));
const data = join(folder, 'classroom.db');
const port = 20_000 + Math.floor(Math.random() * 20_000);
let app = await startApp({ data, port });
const url = app.url;
const wait = (ms) => new Promise((resume) => setTimeout(resume, ms));
const name = () => randomBytes(16).toString('hex');
const p95 = (list) => list.toSorted((a, b) => a - b)[Math.floor(list.length * 0.95)] ?? 0;
const ms = (n) => `${n.toFixed(1)} ms`;

/** One request of a device with cookies of its own. */
async function ask(jar, method, path, body) {
  const response = await fetch(url + path, {
    method,
    headers: { Cookie: [...jar].map(([k, v]) => `${k}=${v}`).join('; ') },
    body: body && JSON.stringify(body),
    signal: globalThis.AbortSignal.timeout(20_000),
  });
  for (const set of response.headers.getSetCookie()) {
    const [pair] = set.split(';');
    jar.set(...pair.split('='));
  }
  const answer = response.status === 204 ? undefined : await response.json();
  if (!response.ok) throw Object.assign(new Error(answer.error.text), { status: response.status });
  return answer;
}

/** Tries again until the server is there. */
async function surely(run) {
  for (;;) {
    try {
      return await run();
    } catch (error) {
      if (error.status && error.status < 500 && error.status !== 429) throw error;
      await wait(300 + Math.random() * 700);
    }
  }
}

const teacher = new Map();
const lesson = {
  format: 2,
  id: '',
  title: 'Bags',
  words: {},
  scenes: [
    {
      id: 'a',
      title: 'Bags',
      start: {
        models: [
          {
            kind: 'blocks',
            pieces: [
              { place: 'tens', count: 5 },
              { place: 'ones', count: 4 },
            ],
          },
        ],
      },
    },
  ],
};

const classes = [];
for (let c = 0; c < CLASSES; c++) {
  const names = Array.from({ length: CHILDREN }, (_, i) => `Child ${c}-${i}`).join('\n');
  const made = await ask(teacher, 'POST', '/api/classes', { name: `Class ${c}`, names });
  await ask(teacher, 'PATCH', `/api/classes/${made.id}`, { open: true });
  const set = await ask(teacher, 'POST', `/api/classes/${made.id}/sets`, {
    title: 'Show it',
    lesson,
    kinds: ['build', 'read'],
    more: 1,
    help: 'right',
  });
  const { pupils } = await ask(teacher, 'GET', `/api/classes/${made.id}`);
  classes.push({ ...made, set: set.id, pupils });
}

/** What was handed in and acknowledged: attempt by attempt. */
const kept = new Map();
const handIns = [];
/** How long after a step on the stage each device had it. */
const followed = [];
let stepped = 0;
let streams = 0;
let drops = 0;

/** Listens until it is cut; tells when an event came. */
function listen(jar, tell) {
  const cut = new globalThis.AbortController();
  void (async () => {
    while (!cut.signal.aborted) {
      try {
        const response = await fetch(`${url}/api/desk/events`, {
          headers: { Cookie: [...jar].map(([k, v]) => `${k}=${v}`).join('; ') },
          signal: cut.signal,
        });
        streams++;
        for await (const chunk of response.body) if (Buffer.from(chunk).includes('data: stage')) tell();
      } catch {
        if (!cut.signal.aborted) await wait(500 + Math.random() * 1000);
      }
    }
  })();
  return () => cut.abort();
}

/** A device has what the class sees now: it came with the event. */
function follows() {
  followed.push(performance.now() - stepped);
}

async function child(of, pupil) {
  await wait(Math.random() * 12_000);
  const jar = new Map();
  await surely(() => ask(jar, 'POST', '/api/desk/door', { code: of.code }));
  await surely(() => ask(jar, 'POST', '/api/desk/sit', { code: of.code, pupil: pupil.id }));
  let stop = listen(jar, follows);
  const view = await surely(() => ask(jar, 'GET', '/api/desk'));
  const { tasks } = view.sets[0];
  const attempts = tasks.map(name);
  const { tickets } = await surely(() => ask(jar, 'POST', '/api/desk/open', { set: of.set, attempts }));
  for (let task = 0; task < tasks.length; task++) {
    let [attempt, ticket] = [attempts[task], tickets[task]];
    for (let n = 0; n < TRIES; n++) {
      await wait(WORKS * Math.random());
      if (Math.random() < 0.2) {
        // It drops out, and comes back.
        drops++;
        stop();
        await wait(1500 * Math.random());
        stop = listen(jar, follows);
      }
      await surely(() => ask(jar, 'POST', '/api/desk/here', { set: of.set, task, did: true }));
      const answer = tasks[task].board
        ? { board: `blocks ${4 + Math.floor(Math.random() * 2)}t ${4 + Math.floor(Math.random() * 2)}o` }
        : { number: String(40 + Math.floor(Math.random() * 5)) };
      const next = name();
      const body = { set: of.set, pupil: pupil.id, with: '', task, attempt, ticket, answer, away: 0, next };
      const told = await surely(async () => {
        const start = performance.now();
        const got = await ask(jar, 'POST', '/api/handins', body);
        handIns.push(performance.now() - start);
        return got;
      });
      // Some are sent twice, as when an answer is lost on its way.
      if (Math.random() < 0.1) await surely(() => ask(jar, 'POST', '/api/handins', body));
      kept.set(attempt, { set: of.set, pupil: pupil.id, task, at: kept.size });
      [attempt, ticket] = [next, told.ticket];
    }
  }
  stop();
}

const memory = () =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid()}/status`, 'utf8'))?.[1] ?? 0) / 1024;
const pid = () =>
  execFileSync('pgrep', ['-f', `demo --data ${data}`], { encoding: 'utf8' })
    .trim()
    .split('\n')[0];

let most = 0;
const watching = globalThis.setInterval(() => {
  try {
    most = Math.max(most, memory());
  } catch {
    // it is being started again
  }
}, 1000);

const all = Promise.all(classes.flatMap((c) => c.pupils.map((p) => child(c, p))));
await wait(25_000);
const before = handIns.length;
await app.stop('SIGKILL');
await wait(1000);
app = await startApp({ data, port });
// Each class follows ten steps on its stage while all work.
await wait(4000);
const { models } = await ask(
  teacher,
  'GET',
  `/api/lessons/${(await ask(teacher, 'GET', '/api/lessons?most=1')).lessons[0].id}/face`,
);
for (let n = 0; n < 10; n++) {
  stepped = performance.now();
  const stage = JSON.stringify({ title: '', say: `Step ${n}`, ask: '', answer: '', models, lines: [] });
  await Promise.all(
    classes.map((c) => fetch(`${url}/api/classes/${c.id}/stage`, { method: 'PUT', body: stage })),
  );
  await wait(900);
}
await all;
globalThis.clearInterval(watching);

// Every wall is true: the last hand-in of each child and task, each once.
let wrong = 0;
const walls = [];
for (const c of classes) {
  const start = performance.now();
  const wall = await ask(teacher, 'GET', `/api/sets/${c.set}/wall`);
  walls.push(performance.now() - start);
  wall.tasks.forEach((task, n) => {
    const there = task.groups.flatMap((g) => g.who);
    const last = new Map();
    for (const [attempt, k] of kept) if (k.set === c.set && k.task === n) last.set(k.pupil, attempt);
    if (there.length !== new Set(there).size || there.length !== last.size) wrong++;
    for (const attempt of last.values()) if (!there.includes(attempt)) wrong++;
  });
}
const results = await (await fetch(`${url}/api/classes/${classes[0].id}/results`)).text();
const rows = results.trim().split('\n').length - 1;
const expected = [...kept.values()].filter((k) => k.set === classes[0].set).length;
await app.stop();
rmSync(folder, { recursive: true, force: true });

const figure = (what, measured, budget) =>
  console.log(`${what.padEnd(64)} ${String(measured).padStart(26)}   ${budget}`);
figure(
  `${CLASSES * CHILDREN} devices, ${kept.size} hand-ins, ${drops} drops, one kill`,
  `${streams} streams`,
  '',
);
figure('hand-in, with its flush', `p95 ${ms(p95(handIns))}`, 'p95 ≤ 50 ms');
figure(
  `a step on the stage, on each of ${Math.round(followed.length / 10)} devices`,
  `p95 ${ms(p95(followed))}`,
  'p95 ≤ 100 ms',
);
figure('a wall of thirty children and four tasks', `p95 ${ms(p95(walls))}`, '≤ 2 s');
figure('memory of the server, at most', `${most.toFixed(0)} MB`, '≤ 300 MB');
figure('hand-ins lost, doubled or on no wall', String(wrong + Math.abs(rows - expected)), '0');
figure('hand-ins before the kill', String(before), '');
process.exitCode = wrong + Math.abs(rows - expected) > 0 ? 1 : 0;
