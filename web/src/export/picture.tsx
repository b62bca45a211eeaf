// The board as a picture to take away: all that is on it, with title and date and a text
// that describes it. What is under a cover or held back is not in the file at all.
import andika from '@fontsource/andika/files/andika-latin-400-normal.woff2?url';
import { flushSync } from 'react-dom';
import { createRoot } from 'react-dom/client';
import piecesCss from '../board/pieces.css?inline';
import { views, type Kind } from '../board/views';
import type { Outline } from '../core/core';
import { Mark } from '../ink/strokes';
import { widthOf } from '../shell/widthOf';
import { isPaper, readTitle } from '../state/lesson';
import { Column, partsBeside } from './beside';
import { GAP, NoteSheet, tiles, toldOf, type Shown } from './parts';

const PAD = 28;
const HEAD = 48;
/** What a page without a board tells: its letters, and how wide its lines are at most. */
const TOLD = 34;
const WIDEST = 900;
/** What ink on the board itself is measured in: ten-thousandths of it. */
const BOARD = 10_000;

/** The board as a standalone SVG, with its font inside. */
export async function boardSvg(shown: Shown): Promise<string> {
  const host = document.createElement('div');
  const root = createRoot(host);
  const font = await dataUrl(andika);
  flushSync(() => root.render(<Picture shown={shown} font={font} />));
  const text = new XMLSerializer().serializeToString(host.firstElementChild!);
  root.unmount();
  return text;
}

/** Pixels of a PNG to one of the SVG. */
const FINE = 2;

/** The board as a PNG, fine enough for a worksheet. */
export async function boardPng(shown: Shown): Promise<Blob> {
  const svg = await boardSvg(shown);
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = image.width * FINE;
  canvas.height = image.height * FINE;
  const context = canvas.getContext('2d')!;
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((done, fail) =>
    canvas.toBlob((b) => (b ? done(b) : fail(new Error('No picture could be made.')))),
  );
}

/** Whether this browser lets a page copy a picture: not on plain http. */
export const canCopy = () => typeof ClipboardItem !== 'undefined' && navigator.clipboard !== undefined;

/** Copies the picture, to be put in where it is wanted. */
export async function copyPicture(shown: Shown) {
  await navigator.clipboard.write([new ClipboardItem({ 'image/png': boardPng(shown) })]);
}

/** A file of the application as it is written into another. */
export async function dataUrl(url: string): Promise<string> {
  const blob = await (await fetch(url)).blob();
  return new Promise((done) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.readAsDataURL(blob);
  });
}

/** What is to be seen, in words, for those who do not see it. */
function described({ models, outline, frame, record, date }: Shown): string {
  const said = models.map((m) => {
    const name = m.title || views[m.kind as Kind].title;
    const counts = m.zones.filter((z) => z.count && !z.side).map((z) => `${z.label} ${z.count}`);
    const told = toldOf(m).map((r) => `${r.label}: ${r.text}`);
    return [`${name}.`, ...counts, ...told].join(' ');
  });
  const notes = frame.notes.map((n) => n.text);
  const lines = record ? outline.record.map((l) => l.text) : [];
  return [...said, ...notes, ...lines, date.toLocaleDateString()].join('\n');
}

/** What a page without a board tells. */
function toldOn({ outline, frame }: Shown, scene: Outline['scenes'][number] | undefined): string {
  if (scene?.page === 'objective') return outline.objective || outline.title;
  return scene?.page === 'word' ? frame.prompt.say || scene.title : '';
}

/** A text in lines that are no wider. */
function folded(text: string, size: number, width: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ').filter(Boolean)) {
    const longer = lines.length ? `${lines.at(-1)} ${word}` : word;
    if (lines.length && widthOf(longer, size) <= width) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}

function Picture({ shown, font }: { shown: Shown; font: string }) {
  const { models, frame, outline, date } = shown;
  const scene = outline.scenes.find((s) => s.id === frame.scene);
  const paper = isPaper(scene?.page, models);
  const told = paper ? folded(toldOn(shown, scene), TOLD, WIDEST) : [];
  const drawn = tiles(paper ? [] : models, frame);
  const beside = partsBeside(shown);
  const titles = new Set([outline.title, readTitle(scene)].filter(Boolean));
  const title = [...titles].join(' – ');
  // Charts that are compared stand under one another, as the class sees them.
  const under = models.every((m) => m.kind === models[0]!.kind && views[m.kind as Kind].under);
  const lengthOf = (some: typeof drawn) => some.reduce((sum, t) => sum + (under ? t.h : t.w) + GAP, 0);
  const along = lengthOf(drawn) - GAP;
  const across = drawn.map((t) => (under ? t.w : t.h));
  const board = {
    w: Math.max(
      480,
      widthOf(title, 26) + 170,
      ...told.map((line) => widthOf(line, TOLD)),
      ...(under ? across : [along]),
    ),
    h: Math.max(200, ...(under ? [along] : across)),
  };
  const sideWidth = beside.reduce((w, part) => w + part.w + GAP, 0);
  const width = board.w + sideWidth + 2 * PAD;
  const height = PAD + HEAD + Math.max(board.h, ...beside.map((part) => part.h)) + PAD;
  const at = (i: number) => {
    const before = lengthOf(drawn.slice(0, i));
    return under ? `0 ${before}` : `${before} 0`;
  };
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      className="picture"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-labelledby="picture-title picture-text"
    >
      <title id="picture-title">{title}</title>
      <desc id="picture-text">
        {[...told, described(paper ? { ...shown, models: [] } : shown)].join(' ')}
      </desc>
      <style>{`@font-face{font-family:Andika;src:url(${font})}text{font-family:Andika,sans-serif;fill:#22302c}${piecesCss}`}</style>
      <rect width={width} height={height} fill="#FBF8F1" />
      <text x={PAD} y={PAD + 18} fontSize="26">
        {title}
      </text>
      <text x={width - PAD} y={PAD + 18} fontSize="18" textAnchor="end">
        {date.toLocaleDateString()}
      </text>
      <g transform={`translate(${PAD} ${PAD + HEAD})`}>
        {told.map((line, i) => (
          <text key={i} x={board.w / 2} y={board.h / 2 + i * 46} fontSize={TOLD} textAnchor="middle">
            {line}
          </text>
        ))}
        {drawn.map((tile, i) => (
          <g key={i} transform={`translate(${at(i)})`}>
            {tile.drawing}
          </g>
        ))}
        {frame.ink
          .filter((s) => s.on.model === undefined)
          .map((s) => (
            <Mark
              key={s.id}
              {...s}
              points={s.points.map((p) => [(p[0]! * board.w) / BOARD, (p[1]! * board.h) / BOARD] as const)}
            />
          ))}
        {frame.notes
          .filter((n) => n.on.model === undefined)
          .map((n) => (
            <NoteSheet key={n.id} text={n.text} x={(n.x * board.w) / BOARD} y={(n.y * board.h) / BOARD} />
          ))}
      </g>
      {beside.map((part, i) => (
        <g
          key={i}
          transform={`translate(${PAD + board.w + GAP + beside.slice(0, i).reduce((x, p) => x + p.w + GAP, 0)} ${PAD + HEAD})`}
        >
          <Column part={part} />
        </g>
      ))}
    </svg>
  );
}
