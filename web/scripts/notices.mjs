// Gathers the licences of all that is in the program, libraries of Go and of the page
// and fonts, into one text, which `unitbloom licences` prints.
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const isLicence = (name) => /^(licen[cs]e|copying|notice|ofl)/i.test(name);

/** @param {{name: string, dir: string}} part */
function notice({ name, dir }) {
  const files = readdirSync(dir).filter((file) => isLicence(file) && !file.endsWith('.go'));
  const texts = files.map((file) => readFileSync(join(dir, file), 'utf8').trim());
  if (texts.length === 0) texts.push(`Licence: ${declared(name, dir)}. It ships without the text of it.`);
  return `${'─'.repeat(72)}\n${name}\n\n${texts.join('\n\n')}\n`;
}

function declared(name, dir) {
  const { license } = JSON.parse(readFileSync(join(dir, 'package.json'), 'utf8'));
  if (!license) throw new Error(`${name} tells no licence`);
  return license;
}

const modules = execFileSync(
  'go',
  [
    'list',
    '-deps',
    '-f',
    '{{with .Module}}{{if not .Main}}{{.Path}} {{.Version}}|{{.Dir}}{{end}}{{end}}',
    './cmd/unitbloom',
  ],
  { encoding: 'utf8', env: { ...process.env, CGO_ENABLED: '0' } },
);
const ofGo = [...new Set(modules.split('\n').filter(Boolean))].map((line) => {
  const [name, dir] = line.split('|');
  return { name: String(name), dir: String(dir) };
});

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'));
const ofPage = Object.entries(lock.packages)
  .filter(([path, about]) => path !== '' && !about.dev && !path.startsWith('node_modules/@types/'))
  .map(([path, about]) => ({ name: `${path.replace(/^.*node_modules\//, '')} ${about.version}`, dir: path }));

const root = execFileSync('go', ['env', 'GOROOT'], { encoding: 'utf8' }).trim();
const parts = [...ofGo, ...ofPage].toSorted((a, b) => (a.name < b.name ? -1 : 1));
const all = [{ name: 'The Go programming language', dir: root }, ...parts];
writeFileSync('web/dist/notices.txt', all.map(notice).join('\n'));
