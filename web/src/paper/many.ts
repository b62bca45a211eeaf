// Several lessons on paper together: their scenes as one lesson of this page alone.
import { call, loadCore } from '../core/core';
import { api } from '../state/api';
import { openLoose } from '../state/session';

/** The name under which they are open. */
export const MANY = 'many';

/** As many scenes as a lesson has at most. */
const MOST_SCENES = 200;

interface File {
  title: string;
  scenes: { id: string }[];
}

/** A lesson in the form of this page's core, whatever form it was kept in. */
function ofToday(lesson: unknown): File {
  const { handle } = call('open', { lesson });
  const file = call('document', { handle }) as unknown as File;
  call('close', { handle });
  return file;
}

export async function openMany(ids: string[]) {
  const kept = await Promise.all(ids.map((id) => api.get(id)));
  await loadCore();
  const files = kept.map(({ lesson }) => ofToday(lesson));
  const scenes = files.flatMap((file, i) =>
    file.scenes.map((s) => ({ ...s, id: `${i}-${s.id}`.slice(0, 64) })),
  );
  const [first] = files;
  await openLoose(MANY, {
    ...first,
    title: files
      .map((f) => f.title)
      .join(' · ')
      .slice(0, 200),
    record: [],
    scenes: scenes.slice(0, MOST_SCENES),
  });
}
