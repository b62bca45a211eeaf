// Names the build by its contents and lays gzip and brotli forms beside every
// file that gets smaller, so that the server never compresses at run time.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

const dist = 'web/dist';
writeFileSync(
  join(dist, 'build.txt'),
  createHash('sha256')
    .update(readFileSync(join(dist, 'index.html')))
    .digest('hex')
    .slice(0, 16) + '\n',
);
for (const entry of readdirSync(dist, { recursive: true })) {
  const file = join(dist, entry);
  if (!statSync(file).isFile() || !/\.(js|css|html|wasm|svg|txt)$/.test(file)) continue;
  const content = readFileSync(file);
  const forms = {
    gz: gzipSync(content, { level: 9 }),
    br: brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }),
  };
  for (const [suffix, body] of Object.entries(forms)) {
    if (body.length < content.length) writeFileSync(`${file}.${suffix}`, body);
  }
}
