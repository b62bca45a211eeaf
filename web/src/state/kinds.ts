// Kinds of tasks, by what a teacher calls them: the core says it, for the screens that have it.
import { call } from '../core/core';

/** Some kinds to choose from, in the order that is given. */
export function kindsToChoose(kinds: readonly string[]) {
  const titles = new Map(call('kinds', {}).map((k) => [k.kind, k.title]));
  return kinds.map((value) => ({ value, label: titles.get(value) ?? value }));
}
