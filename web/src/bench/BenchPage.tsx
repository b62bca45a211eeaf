// Preparing and free teaching: header of words, board, record, stem.
import { Alert, Button } from 'antd';
import { useDeferredValue, useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Stage } from '../stage/Tile';
import { useAddress } from '../stage/useAddress';
import { kinds, views, type Kind } from '../board/views';
import { call } from '../core/core';
import { usePictures } from '../export/usePictures';
import { takePen, usePen } from '../ink/pen';
import { PenBar } from '../ink/PenBar';
import { Record } from '../record/Record';
import { Dialog, Menu } from '../shell/later';
import { Flower } from '../shell/Mark';
import { Notices } from '../shell/Notices';
import { saveAsFile, SaveBanner, SaveWord } from '../shell/Saving';
import { beginCapture, CaptureBar } from './CaptureBar';
import { CountBar, countAloud } from '../stage/CountBar';
import { openWays, WayBar } from '../stage/WayBar';
import type { DialogName } from './Dialogs';
import { fetchDialogs, OpenDialog } from './OpenDialog';
import { addSet, Prompt } from './Prompt';
import { act, addBoard, change, dropScratch, edit, setPresenting } from '../state/acts';
import { notify, sentence, useLesson } from '../state/lesson';
import { claim, closeLesson, endShowing, openLesson } from '../state/session';
import { Stem } from './Stem';
import { names } from '../shell/names';
import css from './BenchPage.module.css';

const cx = names(css);

export function BenchPage() {
  const { id = '' } = useParams();
  const status = useLesson((s) => s.status);
  const failure = useLesson((s) => s.failure);
  const title = useLesson((s) => s.outline.title);
  const empty = useLesson((s) => s.outline.scenes.length === 0);
  const [dialog, setDialog] = useState<DialogName>();

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
  useAddress(id);
  useLeave(id);
  useKeys();
  // The pieces come first; what stands round them follows at once.
  const rest = useDeferredValue(status === 'open', false);
  useEffect(() => {
    document.title = title ? `${title} – Unit Bloom` : 'Unit Bloom';
  }, [title]);

  if (status === 'failed') {
    return (
      <main className={cx('centre')}>
        <Alert
          type="warning"
          showIcon
          title="This lesson does not open"
          description={failure}
          action={
            <Button type="primary" onClick={() => void openLesson(id)}>
              Try again
            </Button>
          }
        />
        <p>
          <Link to="/">To the shelf</Link>
        </p>
      </main>
    );
  }
  if (status === 'loading') {
    return (
      <main className={cx('centre')}>
        <p role="status">Opening the lesson …</p>
      </main>
    );
  }
  return (
    <div className={cx('lesson')}>
      {rest ? <Header id={id} onDialog={setDialog} /> : <header className={cx('bar')} />}
      <Banners />
      <main className={cx('desk')}>
        <div className={cx('work')}>
          <Prompt />
          {empty ? <FirstBoard onExample={() => setDialog('example')} /> : <Stage />}
          <PenBar />
          <CountBar />
          <WayBar />
          <CaptureBar />
        </div>
        {rest ? <Record /> : <aside className={cx('record')} />}
      </main>
      {rest ? (
        <Stem onExample={() => setDialog('example')} onOpening={() => setDialog('opening')} />
      ) : (
        <nav className={cx('stem')} />
      )}
      <Notices />
      <OpenDialog name={dialog} close={() => setDialog(undefined)} />
    </div>
  );
}

/** Lets the lesson go on the way to the shelf, but not to presenting it. */
function useLeave(id: string) {
  useEffect(
    () => () => {
      if (!location.pathname.startsWith(`/lesson/${id}`)) closeLesson();
    },
    [id],
  );
}

function useKeys() {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if ((e.target as Element).closest('input, textarea, [contenteditable], .ant-modal')) return;
      const command = e.ctrlKey || e.metaKey;
      if (!command || e.altKey) return;
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

function Header({ id, onDialog }: { id: string; onDialog: (d: DialogName) => void }) {
  const navigate = useNavigate();
  const title = useLesson((s) => s.outline.title);
  const canUndo = useLesson((s) => s.frame.canUndo);
  const canRedo = useLesson((s) => s.frame.canRedo);
  const hasScene = useLesson((s) => s.frame.scene !== '');
  const tool = usePen((s) => s.tool);
  const pictures = usePictures();
  const take = [
    { key: 'json', label: 'Lesson file', onClick: () => saveAsFile(title) },
    ...pictures.map((p) => ({ ...p, key: p.label, disabled: !hasScene })),
  ];
  return (
    <header className={cx('bar')}>
      <Link to="/" className={cx('home-link')} aria-label="All lessons">
        <Flower size={30} />
      </Link>
      <h1>
        <button
          type="button"
          className={cx('title-button')}
          onClick={() => onDialog('about')}
          title="About this lesson"
        >
          {title}
        </button>
      </h1>
      <SaveWord />
      <Button disabled={!canUndo} onClick={() => change('undo')}>
        Undo
      </Button>
      <Button disabled={!canRedo} onClick={() => change('redo')}>
        Redo
      </Button>
      <ClearMenu disabled={!hasScene} />
      <Button
        disabled={!hasScene}
        aria-pressed={tool !== undefined}
        onClick={() => takePen(tool ? undefined : 'pen')}
      >
        Draw
      </Button>
      <MoreMenu disabled={!hasScene} onDialog={onDialog} />
      <Menu
        items={kinds.map((kind) => ({
          key: kind,
          label: views[kind].title,
          onClick: () => act({ kind: 'addModel', of: kind }),
        }))}
      >
        <Button disabled={!hasScene}>Add beside</Button>
      </Menu>
      <Menu items={take}>
        <Button>Export</Button>
      </Menu>
      <Button type="primary" disabled={!hasScene} onClick={() => void navigate(`/lesson/${id}/present`)}>
        Present
      </Button>
    </header>
  );
}

const clearable = { pieces: 'Pieces', ink: 'Ink', notes: 'Notes', record: 'Record' };

/** Four separate things, each cleared alone; all of them only after asking once. */
function ClearMenu({ disabled }: { disabled: boolean }) {
  const [asking, setAsking] = useState(false);
  const clear = (what: string[]) => edit((handle) => call('clear', { handle, what }));
  const items = Object.entries(clearable).map(([key, label]) => ({
    key,
    label,
    onClick: () => clear([key]),
  }));
  return (
    <>
      <Menu
        items={[
          ...items,
          { type: 'divider' as const, key: 'line' },
          { key: 'all', label: 'Everything', danger: true, onClick: () => setAsking(true) },
        ]}
      >
        <Button disabled={disabled}>Clear</Button>
      </Menu>
      <Dialog
        title="Clear everything?"
        open={asking}
        okText="Clear everything"
        okButtonProps={{ danger: true }}
        onCancel={() => setAsking(false)}
        onOk={() => {
          clear(Object.keys(clearable));
          setAsking(false);
        }}
      >
        Pieces, ink, notes and record of this board go. Undo brings them back.
      </Dialog>
    </>
  );
}

function MoreMenu({ disabled, onDialog }: { disabled: boolean; onDialog: (d: DialogName) => void }) {
  const models = useLesson((s) => s.models);
  const handle = useLesson((s) => s.handle);
  const compare = () => {
    try {
      notify('info', call('compare', { handle }).text);
    } catch (error) {
      notify('refusal', sentence(error));
    }
  };
  const made = useLesson((s) => !!s.outline.scenes.find((x) => x.id === s.frame.scene)?.method);
  const items = [
    ...models.map((m, i) => ({
      key: `count ${i}`,
      label: models.length > 1 ? `Count aloud: ${views[m.kind as Kind].title.toLowerCase()}` : 'Count aloud',
      onClick: () => countAloud(i),
    })),
    { key: 'way', label: 'Take in a child’s way', onClick: openWays },
    { key: 'capture', label: 'Capture my own example', onClick: beginCapture },
    {
      key: 'set',
      label: 'Five like this, each harder',
      disabled: !made,
      onClick: () => addSet(5),
    },
    { key: 'chance', label: 'Numbers by chance', onClick: () => onDialog('chance') },
    { key: 'builds', label: 'All builds of a number', onClick: () => onDialog('builds') },
    { key: 'acts', label: 'Slow way and fast way', onClick: () => onDialog('acts') },
    { key: 'compare', label: 'Compare the two models', disabled: models.length < 2, onClick: compare },
    { key: 'showings', label: 'Showings of this lesson', onClick: () => onDialog('showings') },
    { key: 'words', label: 'Words of the class', onClick: () => onDialog('about') },
  ];
  return (
    <Menu items={items}>
      <Button disabled={disabled}>More</Button>
    </Menu>
  );
}

function Banners() {
  const readOnly = useLesson((s) => s.readOnly);
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
      {readOnly && !newer && (
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
function FirstBoard({ onExample }: { onExample: () => void }) {
  return (
    <div className={cx('first-board')}>
      <h2>What shall the class see first?</h2>
      <div className={cx('first-choices')}>
        {kinds.map((kind) => (
          <Button key={kind} size="large" onClick={() => addBoard([kind], views[kind].title)}>
            {views[kind].title}
          </Button>
        ))}
        <Button size="large" type="primary" onClick={onExample}>
          A worked example
        </Button>
      </div>
    </div>
  );
}
