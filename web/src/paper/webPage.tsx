// A lesson as one page of its own: it opens anywhere, without a server, and is stepped
// through as the class saw it. No answer stands in it before its place.
import andika from '@fontsource/andika/files/andika-latin-400-normal.woff2?url';
import bold from '@fontsource/andika/files/andika-latin-700-normal.woff2?url';
import { flushSync } from 'react-dom';
import { createRoot } from 'react-dom/client';
import besideCss from '../board/Beside.module.css?inline';
import boardCss from '../board/board.css?inline';
import stillCss from '../board/KeptCopies.module.css?inline';
import piecesCss from '../board/pieces.css?inline';
import { call, type Outline, type Panels } from '../core/core';
import { dataUrl } from '../export/picture';
import { Lines } from '../record/Lines';
import linesCss from '../record/Lines.module.css?inline';
import { Written } from '../record/Written';
import writtenCss from '../record/Written.module.css?inline';
import { names } from '../shell/names';
import { isPaper, readTitle, useLesson } from '../state/lesson';
import tokensCss from '../tokens.css?inline';
import { largest, Pictured } from './Pictured';
import css from './webPage.module.css';
import ownCss from './webPage.module.css?inline';

const cx = names(css);

type Panel = Panels['panels'][number];
type Scene = Outline['scenes'][number];

/** The open lesson as the text of an HTML file. */
export async function webPage(): Promise<string> {
  const { handle, outline } = useLesson.getState();
  const host = document.createElement('div');
  const root = createRoot(host);
  const scenes = outline.scenes.map((scene) => ({
    scene,
    panels: call('panels', { handle, scene: scene.id, phases: true }).panels,
  }));
  const fonts = await Promise.all([andika, bold].map(dataUrl));
  flushSync(() =>
    root.render(
      scenes.map(({ scene, panels }) => {
        const room = largest(panels.map((p) => p.board));
        return panels.map((panel, i) => (
          <Slide
            key={`${scene.id} ${i}`}
            outline={outline}
            scene={scene}
            panel={panel}
            room={room}
            of={`${i + 1} / ${panels.length}`}
          />
        ));
      }),
    ),
  );
  const slides = host.innerHTML;
  root.unmount();
  const face = (weight: number, i: number) =>
    `@font-face{font-family:Andika;font-weight:${weight};src:url(${fonts[i]}) format('woff2')}`;
  const styles = [tokensCss, boardCss, piecesCss, stillCss, besideCss, writtenCss, linesCss, ownCss].join(
    '\n',
  );
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escaped(outline.title)}</title>
<style>@layer base, app;${face(400, 0)}${face(700, 1)}
${styles}</style>
</head>
<body class="${cx('page')}">
<main>${slides}</main>
<nav class="${cx('foot')}">
<button type="button" id="back">← Back</button>
<span id="at" role="status"></span>
<button type="button" id="next">Next →</button>
</nav>
<script>${STEPS}</script>
</body>
</html>
`;
}

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

/** Steps through the page; where scripts do not run, all stands there, one below another. */
const STEPS = `
const slides = [...document.querySelectorAll('main > section')];
let at = 0;
function show(i) {
  at = Math.max(0, Math.min(slides.length - 1, i));
  slides.forEach((s, k) => { s.hidden = k !== at; });
  document.getElementById('at').textContent = (at + 1) + ' / ' + slides.length;
  document.getElementById('back').disabled = at === 0;
  document.getElementById('next').disabled = at === slides.length - 1;
  history.replaceState(null, '', '#' + (at + 1));
}
document.getElementById('back').onclick = () => show(at - 1);
document.getElementById('next').onclick = () => show(at + 1);
addEventListener('keydown', (e) => {
  const by = { ArrowRight: 1, PageDown: 1, ' ': 1, ArrowLeft: -1, PageUp: -1 }[e.key];
  if (!by || (e.key === ' ' && e.target instanceof HTMLButtonElement)) return;
  e.preventDefault();
  show(at + by);
});
show((parseInt(location.hash.slice(1), 10) || 1) - 1);
`;

interface SlideProps {
  outline: Outline;
  scene: Scene;
  panel: Panel;
  room: { w: number; h: number };
  of: string;
}

function Slide({ outline, scene, panel, room, of }: SlideProps) {
  const { prompt, board, written, lines } = panel;
  const title = readTitle(scene) || outline.title;
  if (scene.page === 'objective' || scene.page === 'blank') {
    return (
      <section className={cx('slide')} aria-label={title}>
        <h2 className={cx('objective')}>
          {scene.page === 'objective' ? outline.objective || outline.title : ''}
        </h2>
      </section>
    );
  }
  const wrote = (written?.cells.length ?? 0) > 0 || lines.length > 0;
  return (
    <section className={cx('slide')} aria-label={`${title}, ${of}`}>
      <header>
        <h2>{title}</h2>
        <span>{of}</span>
      </header>
      <div className={cx('prompt')}>
        {panel.step === 0 && !panel.phase && scene.problem && <p className={cx('ask')}>{scene.problem}</p>}
        {prompt.say && <p>{prompt.say}</p>}
        {prompt.ask && <p className={cx('ask')}>{prompt.ask}</p>}
        {prompt.answer && <p className={cx('answer')}>{prompt.answer}</p>}
      </div>
      <div className={cx('shown')}>
        {!isPaper(scene.page, board.models) && (
          <Pictured models={board.models} room={room} name={`The board: ${title}`} />
        )}
        {wrote && (
          <div className={cx('work')}>
            {written && <Written work={written} still />}
            {lines.length > 0 && <Lines lines={lines} />}
          </div>
        )}
      </div>
    </section>
  );
}
