// The ways to take a picture of the board away, as words to press.
import { useState } from 'react';
import { download } from '../shell/download';
import { fileName } from '../shell/Saving';
import { notify, sentence, useLesson } from '../state/lesson';
import type { Shown } from './parts';
import { boardPng, boardSvg, canCopy, copyPicture } from './picture';

interface Taking {
  label: string;
  onClick: () => void;
}

/** A picture of the board as it now stands, to be kept as a file. */
export async function takePng(beside: Pick<Shown, 'record' | 'written'>) {
  const { models, frame, outline } = useLesson.getState();
  try {
    const png = await boardPng({ models, frame, outline, ...beside, date: new Date() });
    download(png, `${fileName(outline.title)}.png`);
  } catch (error) {
    notify('refusal', sentence(error));
  }
}

export function usePictures(): Taking[] {
  const [beside, setBeside] = useState({ record: false, written: true });
  const shown = (): Shown => {
    const { models, frame, outline } = useLesson.getState();
    return { models, frame, outline, ...beside, date: new Date() };
  };
  const run = (work: (name: string) => Promise<void>) => () =>
    void work(fileName(useLesson.getState().outline.title)).catch((error: unknown) =>
      notify('refusal', sentence(error)),
    );
  return [
    {
      label: 'Board as SVG',
      onClick: run(async (name) => download(await boardSvg(shown()), `${name}.svg`, 'image/svg+xml')),
    },
    { label: 'Board as PNG', onClick: () => void takePng(beside) },
    ...(canCopy()
      ? [
          {
            label: 'Copy the picture',
            onClick: run(async () => {
              await copyPicture(shown());
              notify('info', 'The picture is copied.');
            }),
          },
        ]
      : []),
    {
      label: `${beside.written ? '✓ ' : ''}With the written work`,
      onClick: () => setBeside((x) => ({ ...x, written: !x.written })),
    },
    {
      label: `${beside.record ? '✓ ' : ''}With the record`,
      onClick: () => setBeside((x) => ({ ...x, record: !x.record })),
    },
  ];
}
