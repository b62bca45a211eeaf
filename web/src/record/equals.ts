// Sentences under one another have their first =, < or > under one another, so that digits can be compared.
import { widthOf } from '../shell/widthOf';

/** What stands before the sign between both sides of a sentence, and the rest; or nothing, where there is none. */
export function sides(text: string): [string, string] | undefined {
  const at = text.search(/ [=<>≈] /);
  return at < 0 ? undefined : [text.slice(0, at), text.slice(at)];
}

/**
 * How far from its beginning that sign of each line stands, in pixels, with bold letters of a size, and
 * how wide the lines are then; no distance where fewer than two have one.
 */
export function equalsOf(texts: string[], size: number): { equals: number; w: number } {
  const width = (text: string) => widthOf(text, size, true);
  const parts = texts.map(sides);
  const told = parts.filter((p) => p !== undefined);
  const equals = told.length > 1 ? Math.max(...told.map(([left]) => width(left))) : 0;
  const w = Math.max(
    0,
    ...texts.map((text, i) => (equals > 0 && parts[i] ? equals + width(parts[i][1]) : width(text))),
  );
  return { equals, w };
}
