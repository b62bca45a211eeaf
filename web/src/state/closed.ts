// Lessons that are not open in this page are changed as the server has them.
import { call, loadCore, type Edit } from '../core/core';
import { api, newId } from './api';

/**
 * Makes edits of a lesson, which are told from how it stands. Another tab that has it open goes before: that
 * is told.
 */
export async function editClosed(id: string, edits: (lesson: unknown) => Edit[]) {
  await loadCore();
  const { rev, lesson } = await api.get(id);
  await api.save(id, {
    operation: newId(),
    base: rev,
    format: call('version', {}).format,
    edits: edits(lesson),
    holder: `closed-${newId()}`,
  });
}
