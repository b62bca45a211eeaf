// Presenting gives all to the board: one prompt line, the written work if wanted, ten
// petals for progress. What is done by hand is written to a showing of the lesson.
import { useCallback, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { glance } from '../board/glance';
import { useToday } from '../classwork/useClass';
import { takePng } from '../export/usePictures';
import { takePen } from '../ink/pen';
import { PenBar } from '../ink/PenBar';
import { fetchOpened } from '../shell/later';
import { names } from '../shell/names';
import { Notices } from '../shell/Notices';
import { NotOpened } from '../shell/NotOpened';
import { CloseUp } from '../stage/CloseUp';
import { CountBar, countAloud } from '../stage/CountBar';
import { Composition } from '../stage/Composition';
import { startTyping } from '../stage/typing';
import { useAddress } from '../stage/useAddress';
import { openWays } from '../stage/drawing';
import { WayBar } from '../stage/WayBar';
import { setPresenting, show } from '../state/acts';
import { lead } from '../state/followers';
import { readTitle, useLesson } from '../state/lesson';
import { beginShowing, openLesson } from '../state/session';
import { reveal } from '../state/walk';
import { Cue } from './Cue';
import { coverAll, nextCounts } from './deeds';
import { EndBar } from './EndBar';
import { Foot } from './Foot';
import { HandsBar } from './HandsBar';
import { HandStrip } from './HandStrip';
import { KeyList } from './KeyList';
import { useBars } from './useBars';
import { usePresentingKeys } from './keys';
import { useTeachersWindow } from './link';
import { More, type Deeds } from './More';
import { NumbersBar } from './NumbersBar';
import css from './PresentPage.module.css';
import { RecordSide } from './RecordSide';
import { ScratchBar } from './ScratchBar';
import { clearRecord, keepBoard, keepRecord, noteAside, startAgain } from './showing';
import { useOwnLines } from '../record/ownLines';
import { UpOnStage } from './UpOnStage';
import { usePlay } from './usePlay';
import { useUp, WhichClass, YourTurn } from './YourTurn';
import { useSteps } from './useSteps';
import { WrittenSide } from './WrittenSide';

const cx = names(css);

/** What is seen beside the board, or in which light: each on or off. */
const seenAtFirst = {
  blank: false,
  listed: false,
  written: true,
  all: false,
  hand: false,
  numbers: false,
  record: false,
  hands: false,
  set: false,
  followed: false,
  which: false,
};

export function PresentPage() {
  const { id = '' } = useParams();
  // Of another lesson nothing stays that was turned on in this one.
  return <Presenting key={id} id={id} />;
}

function Presenting({ id }: { id: string }) {
  const status = usePresented(id);
  const frame = useLesson((s) => s.frame);
  const scene = useLesson((s) => s.outline.scenes.find((x) => x.id === s.frame.scene));
  const showing = useLesson((s) => s.showing);
  const hasModels = useLesson((s) => s.models.length > 0);
  const { forward: onward, backward: back, offered, keep, putAway, ended } = useSteps();
  const [seen, setSeen] = useState(seenAtFirst);
  const putUp = useUp(id);
  const up = seen.blank ? undefined : putUp;
  // Children's work on the stage comes down before the lesson goes on.
  const forward = up?.takeDown ?? onward;
  const backward = up?.takeDown ?? back;
  const answer = up?.takeDown ?? reveal;
  const { pace, setPace } = usePlay(onward, !up);
  const quit = useQuit(id);
  const closeBar = useBars();
  useAddress(id);
  useOwnLines();
  /** How many of the last steps the class says by itself. */
  const [theirs, setTheirs] = useState(0);

  const linked = useTeachersWindow(id, { forward, backward, reveal: answer, aside: noteAside });

  const { of: today, lesson } = useToday();
  const shown = seen.followed && !seen.blank;
  useEffect(() => (shown && today ? lead(today) : undefined), [shown, today]);
  const turn = (what: keyof typeof seenAtFirst) => () => setSeen((x) => ({ ...x, [what]: !x[what] }));
  const open = (['numbers', 'hand', 'record'] as const).find((what) => seen[what]);
  const free = frame.steps === 0;
  const made = scene?.method !== undefined;
  const groups: Deeds[] = [
    {
      title: 'With the class',
      deeds: [
        { word: 'Build and change by hand', key: 'H', run: turn('hand'), on: seen.hand, off: !free },
        { word: 'Draw', run: () => takePen('pen') },
        { word: 'Count aloud', run: () => countAloud(0) },
        { word: 'A child’s way', run: openWays },
        { word: 'A show of hands', key: 'S', run: turn('hands'), on: seen.hands },
        { word: 'Your turn: set for a class', key: 'T', run: turn('set') },
        {
          word: 'Children’s devices follow',
          key: 'D',
          run: lesson === id || seen.followed ? turn('followed') : turn('which'),
          on: seen.followed,
        },
        { word: 'Other numbers', key: 'N', run: turn('numbers'), on: seen.numbers, off: !made },
      ],
    },
    {
      title: 'This showing',
      deeds: [
        { word: 'The teacher’s window', run: () => openTeachersWindow(id) },
        { word: 'Picture of the board', run: () => void takePng(seen) },
        { word: 'Start this board again', run: startAgain, off: !showing },
        { word: 'Clear the record', run: clearRecord, off: !showing },
        { word: 'Keep this board in the lesson', run: keepBoard, off: !showing },
        { word: 'Keep the record in the lesson', run: keepRecord, off: !showing },
      ],
    },
    {
      title: 'Hidden and seen',
      deeds: [
        { word: 'Cover all, or show it', key: 'V', run: coverAll, off: !free },
        { word: 'Look for two seconds', key: 'Q', run: glance, off: !free && !frame.prompt.glimpse },
        { word: 'Counts: on, held, off', key: 'C', run: nextCounts, off: !free },
        { word: 'Our record', key: 'M', run: turn('record'), on: seen.record },
        { word: 'Written work', key: 'W', run: turn('written'), on: seen.written },
        { word: 'All in full light', key: 'L', run: turn('all'), on: seen.all },
      ],
    },
    {
      title: 'Going on',
      deeds: [
        { word: 'To the start', key: 'Home', run: () => scene && show(scene.id, 0) },
        { word: 'Blank the board', key: 'B', run: turn('blank') },
        { word: 'Full screen', key: 'F', run: toggleFullScreen },
        { word: 'Keys', key: '?', run: turn('listed') },
        { word: 'Quit', key: 'Esc', run: quit },
      ],
    },
  ];
  const byKey = Object.fromEntries(
    groups.flatMap((g) => g.deeds).flatMap((d) => (d.key && !d.off ? [[keyOf(d.key), d.run]] : [])),
  );
  // The digit itself goes into the field.
  const openAndType = () => {
    flushSync(() => setSeen((x) => ({ ...x, hand: true })));
    startTyping();
  };
  usePresentingKeys(
    {
      ...byKey,
      ArrowRight: forward,
      PageDown: forward,
      ' ': forward,
      ArrowLeft: backward,
      PageUp: backward,
      r: answer,
      // What is open closes first.
      Escape: up?.takeDown ?? closeBar ?? (open ? turn(open) : quit),
    },
    free && hasModels && !up ? openAndType : undefined,
  );

  if (status === 'failed') return <NotOpened again={() => void openLesson(id)} />;
  if (status !== 'open' || !scene) return <main className={cx('present')} aria-busy="true" />;
  if (seen.blank) return <Blank showAgain={turn('blank')} />;
  if (up) return <UpOnStage {...up} />;
  const yourTurn = theirs > 0 && frame.open && frame.step >= frame.steps - theirs;
  return (
    <main className={cx('present')} data-keys="">
      <h1 className="sr-only">{readTitle(scene) || 'Board'}</h1>
      <Cue title={readTitle(scene)} yourTurn={yourTurn} />
      <div className={cx('middle')}>
        <Composition written={seen.written} all={seen.all} building={free && seen.hand}>
          {({ work, rows, laid, bonds, equals, columns, closeUp }) => (
            <>
              {work && <WrittenSide at={work} row={laid.row} {...{ rows, bonds, equals, columns }} />}
              {closeUp && <CloseUp at={closeUp} />}
            </>
          )}
        </Composition>
        {seen.record && <RecordSide />}
      </div>
      {frame.scratch && <ScratchBar offered={offered} keep={keep} putAway={putAway} />}
      <div>
        <PenBar />
        <CountBar />
        <WayBar />
        {seen.hands && <HandsBar key={`${frame.scene} ${frame.step}`} close={turn('hands')} />}
        {seen.numbers && made && <NumbersBar close={turn('numbers')} />}
        {seen.hand && free && <HandStrip />}
      </div>
      <Foot
        forward={forward}
        backward={backward}
        clean={linked}
        end={ended && <EndBar toRecord={() => setSeen((x) => ({ ...x, record: true }))} quit={quit} />}
      >
        <More
          groups={groups}
          steps={!free}
          pace={pace}
          setPace={setPace}
          theirs={theirs}
          setTheirs={setTheirs}
        />
      </Foot>
      {seen.which && (
        <WhichClass
          close={() => setSeen((x) => ({ ...x, which: false }))}
          here={() => setSeen((x) => ({ ...x, followed: true }))}
        />
      )}
      {seen.set && (
        <YourTurn
          close={() => setSeen((x) => ({ ...x, set: false }))}
          began={() => setSeen((x) => ({ ...x, followed: false }))}
        />
      )}
      <KeyList open={seen.listed} close={turn('listed')} groups={groups} />
      <Notices />
    </main>
  );
}

/** A key as the browser names it. */
const keyOf = (shown: string) =>
  shown === 'Esc' ? 'Escape' : shown.length === 1 ? shown.toLowerCase() : shown;

/** Opens the lesson to be presented, or goes on with the one that is open; then its showing. */
function usePresented(id: string) {
  const status = useLesson((s) => s.status);
  const [params] = useSearchParams();
  const wanted = useRef(params.get('showing') ?? undefined);
  useEffect(() => {
    if (status === 'open') fetchOpened();
  }, [status]);
  useEffect(() => {
    setPresenting(true);
    const { id: open, status: was, frame: at } = useLesson.getState();
    if (open === id && was === 'open') {
      show(at.scene, at.step, at.phase);
      void beginShowing(wanted.current);
    } else void openLesson(id, wanted.current);
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

/** On a second screen, where there is one. */
const openTeachersWindow = (id: string) =>
  open(`/lesson/${id}/teach`, 'unitbloom-teacher', 'popup,width=1100,height=760');

function toggleFullScreen() {
  if (document.fullscreenElement) void document.exitFullscreen();
  else void document.documentElement.requestFullscreen?.().catch(() => undefined);
}
