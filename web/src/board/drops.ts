// What a drop means where pieces have places: from column to column they bundle
// or unbundle; on the tray, or off the board, they are taken away.
import { Mark, type Select } from '../core/core';
import { act } from '../state/acts';
import { select, type DrawnModel } from '../state/lesson';
import type { Drop } from './hand';

export function named(d: Drop): Select[] {
  return [{ place: 'ones', ids: d.ids }];
}

/** Takes away, or brings back. True when the drop meant that. */
export function onTray(model: DrawnModel, index: number, d: Drop): boolean {
  const taken = model.zones.find((z) => z.role === 'taken');
  const fromTray = (d.piece[7] & Mark.taken) > 0;
  const off = d.at.y > model.h + 4 || d.at.x > model.w + 4;
  const toTray = off || (!!taken && isUnder(taken, d));
  if (fromTray) {
    if (!toTray) act({ kind: 'restore', model: index, pieces: named(d) });
    return true;
  }
  if (!toTray) return false;
  if (act({ kind: 'take', model: index, pieces: named(d) })) select(index, []);
  return true;
}

/** Pieces lie where they are put. */
export function onMat(index: number, d: Drop) {
  act({
    kind: 'lay',
    model: index,
    pieces: named(d),
    dx: Math.round(d.at.x - d.from.x),
    dy: Math.round(d.at.y - d.from.y),
  });
}

/** A column to the left bundles, one to the right unbundles all the way there. */
export function onColumn(model: DrawnModel, index: number, d: Drop) {
  const columns = model.zones.filter((z) => z.place);
  const at = (x: number) => columns.findIndex((z) => x >= z.x && x < z.x + z.w);
  const [to, from] = [at(d.at.x), at(d.from.x)];
  if (to < 0 || from < 0 || to === from) return;
  const [place, down] = [columns[from]!.place, columns[to]!.place];
  if (!place || !down) return;
  const made = act(
    to < from
      ? { kind: 'bundle', model: index, place, pieces: named(d) }
      : { kind: 'unbundle', model: index, place, pieces: named(d), to: down },
  );
  if (made) select(index, []);
}

const isUnder = (r: { x: number; y: number; w: number; h: number }, d: Drop) =>
  d.at.x >= r.x && d.at.x < r.x + r.w && d.at.y >= r.y && d.at.y < r.y + r.h;

/** The number of the zone of a role under a drop: the 2 of "group 2". */
export function zoneUnder(model: DrawnModel, d: Drop, role: string): number | undefined {
  return model.zones.find((z) => z.role === role && z.number && isUnder(z, d))?.number;
}

/** The cell of a frame under a drop, from 1; 0 for none. */
export function cellUnder(model: DrawnModel, d: Drop): number {
  const cells = model.decor.filter((one) => one.kind === 'cell' || one.kind === 'shaded');
  const cell = cells.find((one) => isUnder(one, d));
  return cell ? cells.filter((one) => one.zone === cell.zone).indexOf(cell) + 1 : 0;
}
