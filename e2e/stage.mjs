// What the class sees, measured: every method's sample on each of its models, presented from
// the first step to the last on four screens. Nothing may change its place or its size on
// the way, be cut off or lie on something else; pieces and numerals are to be large.
//
//   node e2e/stage.mjs [method …] [--screen 1280x800] [--shots folder]
import { chromium } from '@playwright/test';
import { startApp } from './app.mjs';
import { launch } from './browser.mjs';
import { exampleOf, look, methodsOf } from './stage-look.mjs';

const args = process.argv.slice(2);
const option = (name) => {
  const at = args.indexOf(`--${name}`);
  return at < 0 ? undefined : args.splice(at, 2)[1];
};
const shots = option('shots');
const screens = (option('screen') ?? '1280x800,1920x1080,820x1180,390x844').split(',').map((s) => {
  const [width, height] = s.split('x').map(Number);
  return { width, height };
});
const app = await startApp();
const browser = await chromium.launch(launch);
const page = await browser.newPage();
let failing = 0;
const methods = await methodsOf(page, app.url);
try {
  console.log(
    'method, model                     screen      steps  moved  piece  larger  numeral  room  faults',
  );
  for (const m of methods.filter((x) => args.length === 0 || args.includes(x.id))) {
    for (const model of m.models.length > 0 ? m.models : ['']) {
      const id = await exampleOf(page, app.url, m.id, m.sample, model);
      if (!id) continue;
      for (const screen of screens) {
        const seen = await look(
          page,
          `${app.url}/lesson/${id}/present`,
          screen,
          shots && `${shots}/${m.id}-${model}-${screen.width}`,
        );
        if (seen.moved + seen.faults.length > 0) failing++;
        console.log(
          [
            (model ? `${m.id}, ${model}` : m.id).padEnd(32),
            `${screen.width} × ${screen.height}`.padEnd(12),
            String(seen.steps).padStart(5),
            String(seen.moved).padStart(6),
            seen.piece.toFixed(0).padStart(6),
            (seen.larger < Infinity ? seen.larger.toFixed(0) : '').padStart(7),
            seen.numeral.toFixed(0).padStart(8),
            `${(100 * seen.room).toFixed(0)} %`.padStart(6),
            ' ' + seen.faults.join('; '),
          ].join(' '),
        );
      }
    }
  }
} finally {
  await browser.close();
  await app.stop();
}
console.log(`${failing} failing`);
if (failing > 0) process.exitCode = 1;
