// The board as a picture to take away. What is under a cover or held back is
// not in the file at all.
import andika from '@fontsource/andika/files/andika-latin-400-normal.woff2?url';
import { flushSync } from 'react-dom';
import { createRoot } from 'react-dom/client';
import piecesCss from '../board/pieces.css?inline';
import { StillPieces } from '../board/KeptCopies';
import type { DrawnModel } from '../state/lesson';

const GAP = 40;
const HEAD = 34;
const LINE = 30;
const PAD = 24;

/** The board as a standalone SVG, with its font inside. */
export async function boardSvg(models: DrawnModel[], title: string): Promise<string> {
  const host = document.createElement('div');
  const root = createRoot(host);
  const font = await dataUrl(andika);
  flushSync(() => root.render(<Picture models={models} title={title} font={font} />));
  const text = new XMLSerializer().serializeToString(host.firstElementChild!);
  root.unmount();
  return text;
}

/** The board as a PNG, three pixels to a model unit. */
export async function boardPng(models: DrawnModel[], title: string): Promise<Blob> {
  const svg = await boardSvg(models, title);
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = image.width * 3;
  canvas.height = image.height * 3;
  const context = canvas.getContext('2d')!;
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((done, fail) =>
    canvas.toBlob((b) => (b ? done(b) : fail(new Error('No picture could be made.')))),
  );
}

async function dataUrl(url: string): Promise<string> {
  const blob = await (await fetch(url)).blob();
  return new Promise((done) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.readAsDataURL(blob);
  });
}

function Picture({ models, title, font }: { models: DrawnModel[]; title: string; font: string }) {
  const shown = models.map((m) => m.readouts.filter((r) => r.shown));
  const width = models.reduce((w, m) => w + Math.max(m.w, 240) + GAP, 0) - GAP + 2 * PAD;
  const tallest = Math.max(...models.map((m) => m.h));
  const lines = Math.max(0, ...shown.map((s) => s.length));
  const height = PAD + LINE + HEAD + tallest + 20 + lines * LINE + PAD;
  const lefts = models.map(
    (_, i) => PAD + models.slice(0, i).reduce((w, m) => w + Math.max(m.w, 240) + GAP, 0),
  );
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      className="picture"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
    >
      <style>{`@font-face{font-family:Andika;src:url(${font})}text{font-family:Andika,sans-serif;fill:#22302c}${piecesCss}`}</style>
      <rect width={width} height={height} fill="#FBF8F1" />
      <text x={PAD} y={PAD + 14} fontSize="20">
        {title}
      </text>
      {models.map((m, i) => (
        <g key={i} transform={`translate(${lefts[i]} ${PAD + LINE + HEAD})`}>
          <ModelPicture model={m} />
          {shown[i]!.map((r, n) => (
            <text key={r.id} y={m.h + 40 + n * LINE} fontSize="20">
              {r.label}: {r.text}
            </text>
          ))}
        </g>
      ))}
    </svg>
  );
}

function ModelPicture({ model }: { model: DrawnModel }) {
  const hidden = (x: number, y: number) =>
    model.covers.some((c) => x >= c.x && x < c.x + c.w && y >= c.y && y < c.y + c.h);
  const seen = {
    ...model,
    zones: [],
    decor: model.decor.filter((d) => !d.text || !hidden(d.x + d.w / 2, d.y + d.h / 2)),
    pieces: model.pieces.filter((p) => !hidden(p[2] + p[4] / 2, p[3] + p[5] / 2)),
  };
  return (
    <>
      {model.zones
        .filter((z) => z.one || z.role === 'taken')
        .map((z) => (
          <g key={z.id}>
            <rect x={z.x + 1} y={z.y} width={z.w - 2} height={z.h} fill="#fff" stroke="#d8d0bd" />
            <text x={z.x + z.w / 2} y={z.y - 8} fontSize="15" textAnchor="middle">
              {z.count} {z.label}
            </text>
          </g>
        ))}
      <StillPieces kept={seen} />
      {model.covers.map((c) => (
        <g key={c.index}>
          <rect x={c.x} y={c.y} width={c.w} height={c.h} fill="#d9e5cf" stroke="#22302c" />
          <text x={c.x + c.w / 2} y={c.y + c.h / 2 + 8} fontSize="26" textAnchor="middle">
            ?
          </text>
        </g>
      ))}
    </>
  );
}
