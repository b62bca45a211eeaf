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
