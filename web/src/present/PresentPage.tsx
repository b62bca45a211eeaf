// Presenting gives all to the board: one prompt line, the written work if wanted, ten
// petals for progress.
import { Button } from 'antd';
import { useCallback, useEffect, useRef, useState, type CSSProperties } from 'react';
import { useNavigate, useParams } from 'react-router';
import { takePen } from '../ink/pen';
import { PenBar } from '../ink/PenBar';
import { fetchOpened } from '../shell/later';
import { names } from '../shell/names';
import { Notices } from '../shell/Notices';
import { CountBar, countAloud } from '../stage/CountBar';
import { Stage } from '../stage/Tile';
import { useAddress } from '../stage/useAddress';
import { useComposition } from '../stage/useComposition';
import { openWays, WayBar } from '../stage/WayBar';
import { setPresenting, show } from '../state/acts';
import { useLesson } from '../state/lesson';
import { finishBeats } from '../state/motion';
import { openLesson } from '../state/session';
import { reveal } from '../state/walk';
import { Cue } from './Cue';
import { Foot, PlayMenu } from './Foot';
import { EndBar } from './EndBar';
import { KeyList } from './KeyList';
import { usePresentingKeys } from './keys';
import css from './PresentPage.module.css';
import { ScratchBar } from './ScratchBar';
import { usePlay } from './usePlay';
import { useSteps } from './useSteps';
import { WrittenSide } from './WrittenSide';

const cx = names(css);

export function PresentPage() {
  const { id = '' } = useParams();
  const status = usePresented(id);
  const frame = useLesson((s) => s.frame);
  const scene = useLesson((s) => s.outline.scenes.find((x) => x.id === s.frame.scene));
  const { forward, backward, offered, keep, putAway, ended } = useSteps();
  const { pace, setPace } = usePlay(forward);
  const quit = useQuit(id);
  useAddress(id);
  const [blank, setBlank] = useState(false);
  const [listed, setListed] = useState(false);
  const [written, setWritten] = useState(true);
  /** Whether all stands in full light, not only what the step looks at. */
  const [all, setAll] = useState(false);
  /** How many of the last steps the class says by itself. */
  const [theirs, setTheirs] = useState(0);

  usePresentingKeys({
    ArrowRight: forward,
    PageDown: forward,
    ' ': forward,
    ArrowLeft: backward,
    PageUp: backward,
    r: reveal,
    b: () => setBlank((x) => !x),
    f: toggleFullScreen,
    w: () => setWritten((x) => !x),
    Home: () => scene && show(scene.id, 0),
    Escape: quit,
    l: () => setAll((x) => !x),
    '?': () => setListed(true),
  });

  if (status !== 'open' || !scene) return <main className={cx('present')} aria-busy="true" />;
  if (blank) return <Blank showAgain={() => setBlank(false)} />;
  const yourTurn = theirs > 0 && frame.open && frame.step >= frame.steps - theirs;
  return (
    <main className={cx('present')}>
      <h1 className="sr-only">{scene.title}</h1>
      <Cue title={scene.title} yourTurn={yourTurn} />
      <Composed written={written} all={all} />
      {frame.scratch && <ScratchBar offered={offered} keep={keep} putAway={putAway} />}
      {ended && <EndBar quit={quit} />}
      <PenBar />
      <CountBar />
      <WayBar />
      <Foot>
        <Button onClick={backward}>Back</Button>
        <Button onClick={reveal} disabled={!frame.open}>
          Reveal
        </Button>
        <Button type="primary" onClick={forward} data-focus="">
          Next
        </Button>
        <Button onClick={toggleFullScreen}>Full screen</Button>
        <PlayMenu pace={pace} setPace={setPace} theirs={theirs} setTheirs={setTheirs} />
        <Button onClick={() => takePen('pen')}>Draw</Button>
        <Button onClick={() => countAloud(0)}>Count</Button>
        <Button onClick={openWays}>Ways</Button>
        <Button onClick={() => setListed(true)}>Keys</Button>
        <Button onClick={quit}>Quit</Button>
      </Foot>
      <KeyList open={listed} close={() => setListed(false)} />
      <Notices />
    </main>
  );
}

/** The board and the written work, each where the composition has put it. */
function Composed({ written, all }: { written: boolean; all: boolean }) {
  const ref = useRef<HTMLDivElement>(null);
  const composed = useComposition(ref, written);
  const style = composed && {
    '--unit': composed.unit,
    '--name': `${composed.name}px`,
    '--digit': `${composed.digit}px`,
  };
  return (
    <div
      ref={ref}
      className={cx(`board ${composed?.twoLines ? 'two-lines' : ''} ${all ? '' : 'lighted'}`)}
      style={style as CSSProperties}
      onPointerDown={finishBeats}
    >
      {composed && <Stage composed={composed} />}
      {composed?.work && <WrittenSide at={composed.work} />}
    </div>
  );
}

/** Opens the lesson to be presented, or goes on with the one that is open. */
function usePresented(id: string) {
  const status = useLesson((s) => s.status);
  useEffect(() => {
    if (status === 'open') fetchOpened();
  }, [status]);
  useEffect(() => {
    setPresenting(true);
    const { id: open, status: was, frame: at } = useLesson.getState();
    if (open === id && was === 'open') show(at.scene, at.step, at.phase);
    else void openLesson(id);
    return () => setPresenting(false);
  }, [id]);
  return status;
}

function useQuit(id: string) {
  const navigate = useNavigate();
  return useCallback(() => {
    if (document.fullscreenElement) void document.exitFullscreen();
    void navigate(`/lesson/${id}`);
  }, [id, navigate]);
}

/** Nothing to look at but the teacher. */
function Blank({ showAgain }: { showAgain: () => void }) {
  return (
    <main className={cx('present')}>
      <button
        type="button"
        className={cx('blank')}
        aria-label="Show the board again"
        onClick={showAgain}
        autoFocus
      />
    </main>
  );
}

function toggleFullScreen() {
  if (document.fullscreenElement) void document.exitFullscreen();
  else void document.documentElement.requestFullscreen?.().catch(() => undefined);
}
