// Names the build by its contents and lays gzip and brotli forms beside every
// file that gets smaller, so that the server never compresses at run time.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

const dist = 'web/dist';
const page = join(dist, 'index.html');
const html = readFileSync(page, 'utf8').replace(/ *<meta name="build".*\n/, '');
const build = createHash('sha256').update(html).digest('hex').slice(0, 16);
writeFileSync(join(dist, 'build.txt'), `${build}\n`);
// A page that was kept on a device knows which build it is of.
writeFileSync(page, html.replace('<head>\n', `<head>\n    <meta name="build" content="${build}" />\n`));
for (const entry of readdirSync(dist, { recursive: true })) {
  const file = join(dist, entry);
  if (!statSync(file).isFile() || !/\.(js|css|html|wasm|svg|txt|webmanifest)$/.test(file)) continue;
  const content = readFileSync(file);
  const forms = {
    gz: gzipSync(content, { level: 9 }),
    // In a window of 16 MB the core is a tenth smaller at 10 than at 9, and another thirtieth
    // at 11, which takes half a minute: it is sent more often than it is built.
    br: brotliCompressSync(content, {
      params: {
        [constants.BROTLI_PARAM_QUALITY]: 11,
        [constants.BROTLI_PARAM_LGWIN]: 24,
        [constants.BROTLI_PARAM_SIZE_HINT]: content.length,
      },
    }),
  };
  for (const [suffix, body] of Object.entries(forms)) {
    if (body.length < content.length) writeFileSync(`${file}.${suffix}`, body);
  }
}
