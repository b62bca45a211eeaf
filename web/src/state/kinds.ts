// Kinds of tasks, by what a teacher calls them: the core says it, for the screens that have it.
import { call } from '../core/core';

/** Their titles, which stay: they are asked for once. */
let titles: Map<string, string> | undefined;

/** Some kinds to choose from, in the order that is given. */
export function kindsToChoose(kinds: readonly string[]) {
  const known = (titles ??= new Map(call('kinds', {}).map((k) => [k.kind, k.title])));
  return kinds.map((value) => ({ value, label: known.get(value) ?? value }));
}
