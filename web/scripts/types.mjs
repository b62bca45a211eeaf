// Writes the TypeScript types of the core's door from its published schema.
import { readFile, writeFile } from 'node:fs/promises';
import { compile } from 'json-schema-to-typescript';
import { format, resolveConfig } from 'prettier';

const schema = JSON.parse(await readFile('docs/schema/door.schema.json', 'utf8'));
// JSON Schema has no short word for the list that a piece is.
schema.$defs.Pieces.tsType =
  '[id: number, look: string, x: number, y: number, w: number, h: number, part: number, marks: number, text?: string][]';
const target = 'web/src/core/types.gen.ts';
const code = await compile(schema, 'Calls', {
  additionalProperties: false,
  bannerComment: '// Generated from docs/schema/door.schema.json by `make generate`. Do not edit.',
  format: false,
  ignoreMinAndMaxItems: true,
});
const types = await format(code, { ...(await resolveConfig(target)), parser: 'typescript' });
// What is unchanged is not built again.
if (types !== (await readFile(target, 'utf8').catch(() => ''))) await writeFile(target, types);
