// What a teacher takes out of a lesson: as a page of its own, a link, a table.
import { call } from '../core/core';
import { download } from '../shell/download';
import { fileName } from '../shell/Saving';
import { partOf } from '../shell/later';
import { notify, sentence, useLesson } from '../state/lesson';
import { linkOf } from '../wish/address';

const page = partOf(() => import('../paper/webPage'));
const table = partOf(() => import('../paper/table'));

const said = (work: Promise<void>) => void work.catch((error: unknown) => notify('refusal', sentence(error)));

/** The lesson as one HTML file, to be stepped through anywhere. */
export const takePage = () =>
  said(
    (async () => {
      const { webPage } = await page.fetch();
      download(await webPage(), `${fileName(useLesson.getState().outline.title)}.html`, 'text/html');
    })(),
  );

/** The table of the example that is shown, or else the record, for a spreadsheet. */
export const takeTable = () =>
  said(
    (async () => {
      const { tableNow } = await table.fetch();
      const text = tableNow();
      if (!text) throw new Error('There is no table here, and nothing in the record yet.');
      download(text, `${fileName(useLesson.getState().outline.title)}.csv`, 'text/csv');
    })(),
  );

/** A link that opens the board, or the problem, as one's own; copied where the browser lets it be. */
export const takeLink = () =>
  said(
    (async () => {
      const { handle, outline, frame } = useLesson.getState();
      const scene = outline.scenes.find((s) => s.id === frame.scene);
      const { notation } = call('boardOf', { handle, scene: frame.scene });
      if (!scene?.problem && /\?( \||$)/.test(notation)) {
        throw new Error('Something is covered here. Show it first: a link holds all of the board.');
      }
      const link = linkOf(scene ?? {}, notation);
      // Plain http from another machine has no clipboard: then the link is there to be copied by hand.
      if (navigator.clipboard === undefined) return notify('info', link);
      await navigator.clipboard.writeText(link);
      notify('info', `The link is copied: ${link}`);
    })(),
  );
