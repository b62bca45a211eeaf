// Presenting gives all to the board: one prompt line, the written work if
// wanted, ten petals for progress.
import { Button } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { Words } from '../board/controls';
import { Stage } from '../stage/Tile';
import { change, dropScratch, setPresenting, show } from '../state/acts';
import { useLesson } from '../state/lesson';
import { finishBeats } from '../state/motion';
import { openLesson } from '../state/session';
import { Dialog, fetchOpened } from '../shell/later';
import { takePen } from '../ink/pen';
import { PenBar } from '../ink/PenBar';
import { CountBar, countAloud } from '../stage/CountBar';
import { back, next, useReveal } from '../state/walk';
import { Lines } from '../record/Lines';
import { Written } from '../record/Written';
import { Flower } from '../shell/Mark';
import { Notices } from '../shell/Notices';
import { usePresentingKeys } from './keys';
import { names } from '../shell/names';
import css from './PresentPage.module.css';

const cx = names(css);

const keyList = [
  ['→, Space, Page Down', 'Next'],
  ['←, Page Up', 'Back'],
  ['R', 'Reveal the answer'],
  ['B', 'Blank the board, and back'],
  ['F', 'Full screen'],
  ['W', 'Written work, shown or not'],
  ['Home', 'To the start of the scene'],
  ['Esc', 'Quit, where it stands'],
  ['?', 'This list'],
] as const;

export function PresentPage() {
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const status = useLesson((s) => s.status);
  const frame = useLesson((s) => s.frame);
  const scene = useLesson((s) => s.outline.scenes.find((x) => x.id === s.frame.scene));
  const { revealed, reveal } = useReveal();
  const [blank, setBlank] = useState(false);
  const [list, setList] = useState(false);
  const [writtenShown, setWrittenShown] = useState(true);
  const [offer, setOffer] = useState(false);
  const [pace, setPace] = useState(0);
  const [theirs, setTheirs] = useState(0);

  // What was written last is seen, however much there is.
  const latest = useRef<HTMLElement>(null);
  useEffect(() => {
    if (status === 'open') fetchOpened();
  }, [status]);
  useEffect(() => {
    const side = latest.current;
    if (side) side.scrollTop = side.scrollHeight;
  }, [frame.lines, frame.written]);

  useEffect(() => {
    setPresenting(true);
    const { id: open, status: was, frame: at } = useLesson.getState();
    if (open === id && was === 'open') show(at.scene, at.step, at.asked);
    else void openLesson(id);
    return () => setPresenting(false);
  }, [id]);

  const quit = useCallback(() => {
    if (document.fullscreenElement) void document.exitFullscreen();
    void navigate(`/lesson/${id}`);
  }, [id, navigate]);

  const forward = useCallback(() => {
    const scratch = useLesson.getState().frame.scratch;
    // A touched board is offered once, then put away.
    if (scratch && !offer) return setOffer(true);
    if (scratch) dropScratch();
    setOffer(false);
    next();
  }, [offer]);

  const backward = useCallback(() => {
    setOffer(false);
    if (useLesson.getState().frame.scratch) dropScratch();
    else back();
  }, []);

  usePresentingKeys({
    ArrowRight: forward,
    PageDown: forward,
    ' ': forward,
    ArrowLeft: backward,
    PageUp: backward,
    r: reveal,
    b: () => setBlank((x) => !x),
    f: toggleFullScreen,
    w: () => setWrittenShown((x) => !x),
    Home: () => scene && show(scene.id, 0, false),
    Escape: quit,
    '?': () => setList(true),
  });

  // Played by itself, a question waits as long as a step.
  useEffect(() => {
    if (!pace || (frame.prompt.pause && !frame.asked)) return;
    const timer = setTimeout(forward, pace * 1000);
    return () => clearTimeout(timer);
  }, [pace, frame, forward]);

  if (status !== 'open' || !scene) return <main className={cx('present')} aria-busy="true" />;
  const number = frame.asked ? frame.step + 1 : frame.step;
  const yourTurn = theirs > 0 && frame.asked && frame.step >= frame.steps - theirs && !revealed;
  const petals = frame.steps === 0 ? 10 : Math.floor((10 * frame.step) / frame.steps);
  if (blank) {
    return (
      <main className={cx('present')}>
        <button
          type="button"
          className={cx('blank')}
          aria-label="Show the board again"
          onClick={() => setBlank(false)}
          autoFocus
        />
      </main>
    );
  }
  return (
    <main className={cx('present')}>
      <h1 className={cx('sr-only')}>{scene.title}</h1>
      <section className={cx('cue')} aria-live="polite" aria-label="Prompt">
        {number === 0 ? (
          <p className={cx('cue-say')}>{scene.title}</p>
        ) : (
          <>
            <p className={cx('cue-say')}>{yourTurn ? 'Your turn.' : frame.prompt.say}</p>
            {frame.prompt.ask && (
              <p className={cx('cue-ask')}>{yourTurn ? 'What comes next?' : frame.prompt.ask}</p>
            )}
            {frame.prompt.ask && (
              <p className={cx(`cue-answer ${revealed ? '' : 'held'}`)} aria-hidden={!revealed}>
                {revealed ? frame.prompt.answer : '\u00a0'}
              </p>
            )}
          </>
        )}
      </section>
      <div className={cx('present-board')} onPointerDown={finishBeats}>
        <Stage presenting />
        {writtenShown && (frame.written || frame.lines.length > 0) && (
          <aside ref={latest} className={cx('present-written')} aria-label="Written work">
            {frame.written && <Written work={frame.written} />}
            {frame.lines.length > 0 && <Lines lines={frame.lines} />}
          </aside>
        )}
      </div>
      {frame.scratch && (
        <div className={cx(`scratch-bar ${offer ? 'offered' : ''}`)} role="status">
          <span>{offer ? 'Keep what you did as a step?' : 'Scratch copy'}</span>
          <Button onClick={() => change('undo')}>Undo</Button>
          <Button
            onClick={() => {
              setOffer(false);
              change('keepScratch');
            }}
          >
            Keep as a step
          </Button>
          <Button
            onClick={() => {
              dropScratch();
              if (offer) next();
              setOffer(false);
            }}
          >
            {offer ? 'Put away and go on' : 'Put away'}
          </Button>
        </div>
      )}
      <PenBar />
      <CountBar />
      <footer className={cx('present-foot')}>
        <span className={cx('petals')} role="img" aria-label={`Step ${frame.step} of ${frame.steps}`}>
          <Flower filled={petals} size={44} />
        </span>
        <ol className={cx('dots')} aria-label="Steps">
          {Array.from({ length: frame.steps + 1 }, (_, n) => (
            <li key={n}>
              <button
                type="button"
                className={cx(n === frame.step ? 'now' : n < frame.step ? 'done' : '')}
                aria-label={n === 0 ? 'Start' : `Step ${n}`}
                aria-current={n === frame.step ? 'step' : undefined}
                onClick={() => show(scene.id, n, false)}
              >
                {n === 0 ? '•' : n}
              </button>
            </li>
          ))}
        </ol>
        <Button onClick={backward}>Back</Button>
        <Button onClick={reveal} disabled={revealed || !frame.prompt.ask}>
          Reveal
        </Button>
        <Button type="primary" onClick={forward}>
          Next
        </Button>
        <Button onClick={toggleFullScreen}>Full screen</Button>
        <Words
          label="Play"
          words={[
            ...[4, 7, 12].map((s) => ({
              label: `By itself, every ${s} seconds`,
              on: pace === s,
              run: () => setPace(s),
            })),
            { label: 'By hand', on: pace === 0, run: () => setPace(0) },
            'line',
            { label: 'Your turn: the last step', on: theirs === 1, run: () => setTheirs(1) },
            { label: 'Your turn: the last two', on: theirs === 2, run: () => setTheirs(2) },
            { label: 'Your turn: all steps', on: theirs === 500, run: () => setTheirs(500) },
            { label: 'No turns', on: theirs === 0, run: () => setTheirs(0) },
          ]}
        />
        <Button onClick={() => takePen('pen')}>Draw</Button>
        <Button onClick={() => countAloud(0)}>Count</Button>
        <Button onClick={() => setList(true)}>Keys</Button>
        <Button onClick={quit}>Quit</Button>
      </footer>
      <Dialog title="Keys while presenting" open={list} onCancel={() => setList(false)} footer={null}>
        <dl className={cx('keys')}>
          {keyList.map(([key, what]) => (
            <div key={key}>
              <dt>{key}</dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
      <Notices />
    </main>
  );
}

function toggleFullScreen() {
  if (document.fullscreenElement) void document.exitFullscreen();
  else void document.documentElement.requestFullscreen?.().catch(() => undefined);
}
