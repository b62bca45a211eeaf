// One class: its door, its children, and what was set for it.
import { Alert, Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Dialog, Menu } from '../shell/later';
import { names } from '../shell/names';
import { pictureOf, Sign, signName } from '../shell/Sign';
import { classes, timeOf, type ClassView, type Pupil } from '../state/classroom';
import { notify, sentence } from '../state/lesson';
import { useTeacher } from '../state/teacher';
import css from './ClassPage.module.css';
import { Frame } from './Frame';
import { useClass, useClassEvents } from '../classwork/useClass';

const cx = names(css);

/** Opens what the class sees on a second screen, or in a window beside this one. */
export const openBoard = (id: string) =>
  open(`/class/${id}/board`, 'unitbloom-board', 'popup,width=1280,height=800');

export function ClassPage() {
  const { id = '' } = useParams();
  const view = useClass(id);
  useClassEvents(id);
  const name = view.data?.name;
  useEffect(() => {
    document.title = name ? `${name} – Unit Bloom` : 'Unit Bloom';
  }, [name]);
  if (view.error)
    return (
      <Frame title="A class" back={{ to: '/classes', word: 'Classes' }}>
        <Alert type="warning" showIcon title={sentence(view.error)} />
      </Frame>
    );
  if (!view.data) return <main aria-busy="true" />;
  return <Whole view={view.data} again={() => void view.refetch()} />;
}

function Whole({ view, again }: { view: ClassView; again: () => void }) {
  const [asking, setAsking] = useState<'pupils' | 'name' | 'delete'>();
  const accounts = useTeacher((s) => s.accounts);
  const go = useNavigate();
  const act = (deed: Promise<unknown>) =>
    void deed.then(again).catch((error: unknown) => notify('refusal', sentence(error)));
  const running = view.sets.filter((s) => timeOf(s) !== 'over');
  return (
    <Frame
      title={view.name}
      back={{ to: '/classes', word: 'Classes' }}
      tools={
        <>
          <Menu
            items={[
              {
                key: 'progress',
                label: 'What the class can, and cannot yet',
                onClick: () => void go(`/class/${view.id}/progress`),
              },
              {
                key: 'results',
                label: 'All results as a table (CSV)',
                onClick: () => location.assign(`/api/classes/${view.id}/results`),
              },
              {
                key: 'archive',
                label: 'All work as an archive',
                onClick: () => location.assign(`/api/classes/${view.id}/archive`),
              },
              ...(view.by
                ? []
                : [
                    {
                      key: 'keys',
                      label: view.keys ? 'Tiles without picture keys' : 'Picture keys for the tiles',
                      onClick: () => act(classes.change(view.id, { keys: !view.keys })),
                    },
                    { key: 'name', label: 'Rename the class', onClick: () => setAsking('name') },
                    ...(accounts
                      ? [
                          {
                            key: 'share',
                            label: view.shared
                              ? 'Share it with colleagues no more'
                              : 'Let colleagues look at this class',
                            onClick: () =>
                              act(classes.change(view.id, { shared: view.shared ? '' : 'read' })),
                          },
                        ]
                      : []),
                    {
                      key: 'delete',
                      label: 'Delete the class and its work',
                      danger: true,
                      onClick: () => setAsking('delete'),
                    },
                  ]),
            ]}
          >
            <Button>More</Button>
          </Menu>
          {!view.by && <Button onClick={() => openBoard(view.id)}>The class’s board</Button>}
        </>
      }
    >
      {view.by ? (
        <Alert
          type="info"
          title={`This class is ${view.by}’s. You can look at it; only she sets tasks and lets children in.`}
        />
      ) : (
        <TheDoor view={view} act={act} />
      )}
      {view.shared && !view.by && <p className={cx('hint')}>Colleagues can look at this class.</p>}

      <section aria-label="What is set">
        <h2>Set for this class</h2>
        {view.sets.length === 0 && (
          <p className={cx('hint')}>
            Nothing yet. Open a lesson, and choose “Set for a class” under More: its numbers become tasks.
          </p>
        )}
        <ul className={cx('sets')}>
          {[...running, ...view.sets.filter((s) => timeOf(s) === 'over')].map((s) => (
            <SetLine key={s.id} set={s} of={view.pupils.length} reads={!!view.by} act={act} />
          ))}
        </ul>
      </section>

      <section aria-label="Children">
        <h2>
          Children <small>{view.pupils.length}</small>
        </h2>
        <ul className={cx('pupils')}>
          {view.pupils.map((p) => (
            <PupilTile key={p.id} of={view.id} pupil={p} reads={!!view.by} act={act} />
          ))}
          {!view.by && (
            <li>
              <Button onClick={() => setAsking('pupils')}>Add children</Button>
            </li>
          )}
        </ul>
      </section>

      {asking === 'pupils' && (
        <TextDialog
          title="Add children"
          label="First names or nicknames, one a line"
          rows={6}
          ok="Add"
          close={() => setAsking(undefined)}
          save={(text) => act(classes.addPupils(view.id, text))}
        />
      )}
      {asking === 'name' && (
        <TextDialog
          title="Rename the class"
          label="Name of the class"
          was={view.name}
          ok="Save"
          close={() => setAsking(undefined)}
          save={(name) => act(classes.change(view.id, { name }))}
        />
      )}
      <Dialog
        title={`Delete ${view.name}?`}
        open={asking === 'delete'}
        okText="Delete for good"
        okButtonProps={{ danger: true }}
        onCancel={() => setAsking(undefined)}
        onOk={() =>
          void classes
            .delete(view.id)
            .then(() => go('/classes'))
            .catch((error: unknown) => notify('refusal', sentence(error)))
        }
      >
        The names of {view.pupils.length} children and all that they handed in are gone at once. Nothing
        brings them back. Lessons stay.
      </Dialog>
    </Frame>
  );
}

function TheDoor({ view, act }: { view: ClassView; act: (deed: Promise<unknown>) => void }) {
  return (
    <section className={cx('door')} aria-label="The door">
      <div>
        <h2>The door</h2>
        <p>
          {view.open
            ? `Children type this code at ${location.host}/desk, or take the picture on the board.`
            : 'Closed. Nobody can come in; who is in stays.'}
        </p>
      </div>
      {view.open && <output className={cx('code')}>{view.code}</output>}
      <span className={cx('grow')} />
      <Button
        type={view.open ? 'default' : 'primary'}
        onClick={() => act(classes.change(view.id, { open: !view.open }))}
      >
        {view.open ? 'Close the door' : 'Open the door'}
      </Button>
      <Button onClick={() => act(classes.change(view.id, { newCode: true }))}>New code</Button>
      <Button aria-pressed={view.eyes} onClick={() => act(classes.change(view.id, { eyes: !view.eyes }))}>
        {view.eyes ? 'Go on' : 'Eyes up'}
      </Button>
    </section>
  );
}

function SetLine({
  set,
  of,
  reads,
  act,
}: {
  set: ClassView['sets'][number];
  /** How many children there are in the class. */
  of: number;
  /** Whether it is only looked at. */
  reads: boolean;
  act: (deed: Promise<unknown>) => void;
}) {
  const time = timeOf(set);
  return (
    <li className={cx(time === 'over' ? 'ended' : '')}>
      <Link to={`/class/${set.class}/wall/${set.id}`}>{set.title || 'Tasks'}</Link>
      <span>
        {[
          day.format(new Date(set.createdAt)),
          time === 'waits'
            ? set.only && `for ${set.only.length}`
            : `${set.turnout} of ${set.only?.length ?? of} handed in`,
          set.own && 'own numbers',
          time === 'waits' && `from ${day.format(new Date(set.startsAt!))}`,
          time !== 'over' && set.endedAt && `until ${day.format(new Date(set.endedAt))}`,
          time === 'over' && 'ended',
        ]
          .filter(Boolean)
          .join(' · ')}
      </span>
      <span className={cx('grow')} />
      {!reads && (
        <Button onClick={() => act(classes.endSet(set.id, time !== 'over'))}>
          {time === 'over' ? 'Go on' : 'End'}
        </Button>
      )}
      {time === 'over' && !reads && (
        <Button danger onClick={() => act(classes.deleteSet(set.id))}>
          Delete
        </Button>
      )}
    </li>
  );
}

const day = new Intl.DateTimeFormat(undefined, {
  day: 'numeric',
  month: 'long',
  hour: 'numeric',
  minute: '2-digit',
});

interface PupilProps {
  of: string;
  pupil: Pupil;
  reads: boolean;
  act: (deed: Promise<unknown>) => void;
}

function PupilTile({ of, pupil, reads, act }: PupilProps) {
  const [asking, setAsking] = useState<'name' | 'delete'>();
  return (
    <li className={cx('pupil')}>
      <Sign n={pupil.sign} size={34} />
      <span className={cx('name')}>
        {pupil.name}
        {pupil.here && <small>at a device</small>}
        {pupil.key && <Key of={pupil.key} />}
      </span>
      {!reads && (
        <Menu
          items={[
            { key: 'name', label: 'Rename', onClick: () => setAsking('name') },
            {
              key: 'free',
              label: 'Free her tile for another device',
              disabled: !pupil.here,
              onClick: () => act(classes.changePupil(of, pupil.id, { free: true })),
            },
            ...(pupil.key
              ? [
                  {
                    key: 'key',
                    label: 'Another picture key',
                    onClick: () => act(classes.changePupil(of, pupil.id, { newKey: true })),
                  },
                ]
              : []),
            {
              key: 'delete',
              label: 'Delete with her work',
              danger: true,
              onClick: () => setAsking('delete'),
            },
          ]}
        >
          <Button type="text" aria-label={`More for ${pupil.name}`}>
            ⋯
          </Button>
        </Menu>
      )}
      {asking === 'name' && (
        <TextDialog
          title="Rename"
          label="First name or nickname"
          was={pupil.name}
          ok="Save"
          close={() => setAsking(undefined)}
          save={(name) => act(classes.changePupil(of, pupil.id, { name }))}
        />
      )}
      <Dialog
        title={`Delete ${pupil.name}?`}
        open={asking === 'delete'}
        okText="Delete for good"
        okButtonProps={{ danger: true }}
        onCancel={() => setAsking(undefined)}
        onOk={() => {
          act(classes.deletePupil(of, pupil.id));
          setAsking(undefined);
        }}
      >
        Her name and all that she handed in are gone at once. Nothing brings them back.
      </Dialog>
    </li>
  );
}

/** The three pictures of a key, small, for the teacher to tell. */
function Key({ of }: { of: string }) {
  const pictures = of.split(' ').map((n) => pictureOf(Number(n)));
  return (
    <span className={cx('key')} role="img" aria-label={`Key: ${pictures.map(signName).join(', ')}`}>
      {pictures.map((n, i) => (
        <Sign key={i} n={n} size={22} />
      ))}
    </span>
  );
}

interface TextProps {
  title: string;
  label: string;
  ok: string;
  was?: string;
  rows?: number;
  close: () => void;
  save: (text: string) => void;
}

/** Asks for a text. */
export function TextDialog({ title, label, ok, was = '', rows, close, save }: TextProps) {
  const [text, setText] = useState(was);
  const done = () => {
    if (text.trim() === '') return;
    save(text);
    close();
  };
  return (
    <Dialog title={title} open onCancel={close} okText={ok} onOk={done}>
      <label className="field">
        {label}
        {rows ? (
          <Input.TextArea value={text} rows={rows} onChange={(e) => setText(e.target.value)} />
        ) : (
          <Input value={text} maxLength={300} onChange={(e) => setText(e.target.value)} onPressEnter={done} />
        )}
      </label>
    </Dialog>
  );
}
