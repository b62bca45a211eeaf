// Preparing and free teaching: header of words, board, record, stem.
import { Alert, Button } from 'antd';
import { useDeferredValue, useEffect, useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { Stage } from '../stage/Tile';
import { isDigit, isOver, startTyping } from '../stage/typing';
import { useAddress } from '../stage/useAddress';
import { call } from '../core/core';
import { takePen, usePen } from '../ink/pen';
import { PenBar } from '../ink/PenBar';
import { Record } from '../record/Record';
import { Flower } from '../shell/Mark';
import { Notices } from '../shell/Notices';
import { NotOpened } from '../shell/NotOpened';
import { SkipLink } from '../shell/SkipLink';
import { SaveBanner, SaveWord } from '../shell/Saving';
import { CaptureBar } from './CaptureBar';
import { CountBar } from '../stage/CountBar';
import { WayBar } from '../stage/WayBar';
import { choosing } from './chosen';
import type { DialogName } from './Dialogs';
import { fetchDialogs, OpenDialog } from './OpenDialog';
import { Prompt } from './Prompt';
import { change, dropScratch, edit, setPresenting } from '../state/acts';
import { notify, sentence, useLesson } from '../state/lesson';
import { claim, closeLesson, copyOpen, endShowing, openLesson } from '../state/session';
import { Stem } from './Stem';
import { AddChoices } from './AddDialog';
import { MoreMenu } from './MoreMenu';
import { SetUpSide } from './SetUpSide';
import { Title } from './Title';
import { OnPaper, useDarkRoom } from '../shell/room';
import { names } from '../shell/names';
import css from './BenchPage.module.css';

const cx = names(css);

export function BenchPage() {
  const { id = '' } = useParams();
  // Of another lesson nothing stays that was begun in this one.
  return <Bench key={id} id={id} />;
}

function Bench({ id }: { id: string }) {
  const status = useLesson((s) => s.status);
  const title = useLesson((s) => s.outline.title);
  const empty = useLesson((s) => s.outline.scenes.length === 0);
  const [dialog, setDialog] = useState<DialogName>();
  // The address goes on with the scene and the step; how it was come to is known at first only.
  const { state } = useLocation() as { state: Come | null };
  const [come] = useState(state ?? {});

  useEffect(() => {
    setPresenting(false);
    // Coming back from presenting, the lesson stands where it was left.
    const { id: open, status: was } = useLesson.getState();
    if (open === id && was === 'open') endShowing();
    else void openLesson(id);
  }, [id]);
  useEffect(() => {
    if (status === 'open') fetchDialogs();
  }, [status]);
  useDarkRoom();
  useAddress(id);
  useLeave(id);
  useKeys();
  // The pieces come first, where they are going to stay; what stands round them follows at once.
  const rest = useDeferredValue(status === 'open', false);
  useEffect(() => {
    document.title = title ? `${title} – Unit Bloom` : 'Unit Bloom';
  }, [title]);

  if (status === 'failed') return <NotOpened again={() => void openLesson(id)} />;
  if (status === 'loading') {
    return (
      <main className={cx('centre')}>
        <p role="status">Opening the lesson …</p>
      </main>
    );
  }
  return (
    <div className={cx('lesson')}>
      {rest ? <Header id={id} come={come} onDialog={setDialog} /> : <header className={cx('bar bar-room')} />}
      <Banners />
      <main className={cx('desk')}>
        <div className={cx('work')}>
          <Prompt />
          {empty ? (
            <FirstBoard open={setDialog} />
          ) : (
            <OnPaper>
              <Stage />
            </OnPaper>
          )}
          <PenBar />
          <CountBar />
          <WayBar />
          <CaptureBar />
        </div>
        <SetUpSide />
        {rest ? <Record /> : <aside className={cx('record record-room')} />}
      </main>
      {rest ? <Stem open={setDialog} /> : <nav className={cx('stem stem-room')} />}
      <Notices />
      <OpenDialog name={dialog} close={() => setDialog(undefined)} open={setDialog} />
    </div>
  );
}

/** Lets the lesson go on the way to the shelf, but not to presenting it. */
function useLeave(id: string) {
  useEffect(
    () => () => {
      choosing(undefined);
      if (!location.pathname.startsWith(`/lesson/${id}`)) closeLesson();
    },
    [id],
  );
}

function useKeys() {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isOver(e) || e.altKey) return;
      const command = e.ctrlKey || e.metaKey;
      if (!command) {
        if (isDigit(e.key)) startTyping(e.target);
        return;
      }
      const key = e.key.toLowerCase();
      if (key === 'z') change(e.shiftKey ? 'redo' : 'undo');
      else if (key === 'y') change('redo');
      else return;
      e.preventDefault();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
}

/** How a lesson was come to: ready to be presented, or begun with nothing in it. */
interface Come {
  ready?: boolean;
  fresh?: boolean;
}

function Header({ id, come, onDialog }: { id: string; come: Come; onDialog: (d: DialogName) => void }) {
  const navigate = useNavigate();
  const canUndo = useLesson((s) => s.frame.canUndo);
  const canRedo = useLesson((s) => s.frame.canRedo);
  const hasScene = useLesson((s) => s.frame.scene !== '');
  const tool = usePen((s) => s.tool);
  const present = () => void navigate(`/lesson/${id}/present`);
  return (
    <header className={cx('bar')}>
      <SkipLink />
      <Link to="/" className={cx('home-link')} aria-label="All lessons">
        <Flower size={30} />
      </Link>
      <h1>
        <Title fresh={come.fresh ?? false} />
      </h1>
      <SaveWord />
      <Button type="text" disabled={!canUndo} onClick={() => change('undo')}>
        Undo
      </Button>
      <Button type="text" disabled={!canRedo} onClick={() => change('redo')}>
        Redo
      </Button>
      <Button
        disabled={!hasScene}
        aria-pressed={tool !== undefined}
        onClick={() => takePen(tool ? undefined : 'pen')}
      >
        Draw
      </Button>
      <MoreMenu hasScene={hasScene} onDialog={onDialog} />
      <Button
        type="primary"
        disabled={!hasScene}
        autoFocus={come.ready ?? false}
        onClick={present}
        onKeyDown={(e) => {
          // A lesson that is ready begins as it goes on.
          if (e.key === 'ArrowRight') present();
        }}
      >
        Present →
      </Button>
    </header>
  );
}

/** Says whose lesson this is, and makes a copy of it where that is allowed. */
function BorrowedBanner({ by, copy }: { by: string; copy: boolean }) {
  const navigate = useNavigate();
  const take = () =>
    void copyOpen()
      .then((id) => navigate(`/lesson/${id}`))
      .catch((error: unknown) => notify('refusal', sentence(error)));
  return (
    <Alert
      type="info"
      title={`This lesson is ${by}’s. You can look at it and present it.`}
      action={copy && <Button onClick={take}>Make a copy of my own</Button>}
    />
  );
}

function Banners() {
  const readOnly = useLesson((s) => s.readOnly);
  const borrowed = useLesson((s) => s.borrowed);
  const newer = useLesson((s) => s.outline.newer);
  const scratch = useLesson((s) => s.frame.scratch);
  const step = useLesson((s) => s.frame.step);
  const copy = useLesson((s) => s.copy);
  return (
    <div className={cx('banners')}>
      <SaveBanner />
      {newer && (
        <Alert
          type="info"
          title={
            newer.unread === 0
              ? 'A newer version made this lesson. Here you can read and present it; nothing of it is changed.'
              : `A newer version made this lesson. Here you can read and present it; ${newer.unread === 1 ? '1 board is' : `${newer.unread} boards are`} not shown.`
          }
        />
      )}
      {borrowed && <BorrowedBanner by={borrowed.by} copy={borrowed.shared === 'copy'} />}
      {readOnly && !newer && !borrowed && (
        <Alert
          type="info"
          title="This lesson is open in another tab. Here you can read it."
          action={<Button onClick={() => void claim(true)}>Take over</Button>}
        />
      )}
      {copy && (
        <Alert
          type="warning"
          closable={{ closeIcon: true, onClose: () => useLesson.setState({ copy: undefined }) }}
          title={
            <>
              The lesson had changed meanwhile. Your unsent work is kept beside it as{' '}
              <Link to={`/lesson/${copy.id}`}>{copy.title}</Link>.
            </>
          }
        />
      )}
      {scratch && (
        <Alert
          type="info"
          title="You are on a scratch copy. The example is unchanged."
          action={
            <span className={cx('banner-actions')}>
              {step > 0 && (
                <Button onClick={() => edit((handle) => call('keepScratch', { handle, into: true }))}>
                  Add to step {step}
                </Button>
              )}
              <Button onClick={() => change('keepScratch')}>Keep as a step</Button>
              <Button onClick={dropScratch}>Put the copy away</Button>
            </span>
          }
        />
      )}
    </div>
  );
}

/** A lesson without scenes: what to begin with. */
function FirstBoard({ open }: { open: (d: DialogName) => void }) {
  return (
    <div className={cx('first-board')}>
      <h2>What shall the class see first?</h2>
      <AddChoices open={open} />
    </div>
  );
}
