// What one key does on a free board: covers, and the counts over columns and beside rows.
import { act } from '../state/acts';
import { useLesson } from '../state/lesson';

/** Covers every model, or shows all again. */
export function coverAll() {
  const { models } = useLesson.getState();
  const covered = models.some((m) => m.covers.length > 0);
  models.forEach((m, model) => {
    if (!covered) act({ kind: 'cover', model, zone: 'all' });
    else if (m.covers.length > 0) act({ kind: 'uncover', model });
  });
}

/** The counts of all models: shown, held back until they are revealed, off, and shown again. */
export function nextCounts() {
  const { models } = useLesson.getState();
  const now = models[0]?.countsShown;
  const next = now === undefined ? 'reveal' : now === 'reveal' ? 'never' : undefined;
  models.forEach((m, model) =>
    act({ kind: 'holdBack', model, readouts: m.held, ...(next && { counts: next }) }),
  );
}
