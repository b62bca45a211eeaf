// The shelf: all lessons, last changed first.
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Alert, Button, Input } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { call, loadCore, type LineFault } from '../core/core';
import { download } from '../shell/download';
import { sentence } from '../state/lesson';
import { makeLesson, sendAllLeftovers, type Unsent } from '../state/session';
import { api, newId, type ShelfLine } from '../state/api';
import { school } from '../state/school';
import { Dialog, fetchOpened, Menu } from '../shell/later';
import { Flower } from '../shell/Mark';
import { changes, whereKept } from '../shell/Saving';
import { names } from '../shell/names';
import { SchoolDialog } from './SchoolDialog';
import css from './ShelfPage.module.css';

const cx = names(css);

export function ShelfPage() {
  const [deleted, setDeleted] = useState(false);
  const shelf = useQuery({ queryKey: ['lessons', deleted], queryFn: () => api.list(deleted) });
  const [making, setMaking] = useState(false);
  const [setting, setSetting] = useState(false);
  const { unsent, send } = useLeftovers();
  useEffect(() => {
    document.title = 'Lessons – Unit Bloom';
    // The core is fetched while the teacher chooses.
    void loadCore()
      .then(fetchOpened)
      .catch(() => undefined);
  }, []);
  return (
    <div className={cx('shelf')}>
      <header className={cx('bar')}>
        <Flower size={34} />
        <h1 className={cx('product')}>Unit Bloom</h1>
        <span className={cx('grow')} />
        <Button size="large" onClick={() => setSetting(true)}>
          Words of the school
        </Button>
        <ImportButton />
        <Button type="primary" size="large" onClick={() => setMaking(true)}>
          New lesson
        </Button>
      </header>
      <main>
        <UnsentWork unsent={unsent} send={send} />
        <div className={cx('shelf-head')}>
          <h2>{deleted ? 'Deleted lessons' : 'Lessons'}</h2>
          <Button type="link" onClick={() => setDeleted(!deleted)}>
            {deleted ? 'Back to the lessons' : 'Deleted lessons'}
          </Button>
        </div>
        {shelf.isPending && <p role="status">Reading the shelf …</p>}
        {shelf.error && (
          <Alert
            type="warning"
            showIcon
            title={sentence(shelf.error)}
            action={<Button onClick={() => void shelf.refetch()}>Try again</Button>}
          />
        )}
        {shelf.data?.length === 0 && (
          <p className={cx('shelf-empty')}>
            {deleted
              ? 'Nothing was deleted in the last 30 days.'
              : 'No lessons yet. Begin with “New lesson”.'}
          </p>
        )}
        <ul className={cx('cards')}>
          {shelf.data?.map((line) => (
            <Card key={line.id} line={line} deleted={deleted} />
          ))}
        </ul>
      </main>
      {setting && <SchoolDialog close={() => setSetting(false)} />}
      {making && <NewLesson close={() => setMaking(false)} />}
    </div>
  );
}

/** What closed tabs left unsent goes out as soon as the shelf is open; what cannot go is told. */
function useLeftovers() {
  const client = useQueryClient();
  const query = useQuery({
    queryKey: ['unsent'],
    queryFn: async () => {
      const unsent = await sendAllLeftovers();
      await client.invalidateQueries({ queryKey: ['lessons'] });
      return unsent;
    },
  });
  return { unsent: query.data ?? [], send: () => void query.refetch() };
}

/** Work that is only on this device: it can be tried again, or taken away as a file. */
function UnsentWork({ unsent, send }: { unsent: Unsent[]; send: () => void }) {
  return unsent.map((u) => (
    <Alert
      key={u.id}
      type="warning"
      title={`${changes(u.count)} of ${u.title ? `“${u.title}”` : 'a lesson'} not saved. ${u.why}`}
      description={whereKept(u.count, true)}
      action={
        <span className={cx('banner-actions')}>
          <Button onClick={send}>Try again</Button>
          <Link to={`/lesson/${u.id}`}>Open the lesson</Link>
          <Button
            onClick={() =>
              download(JSON.stringify(u.pending, null, 2), `unsent-${u.id}.json`, 'application/json')
            }
          >
            Save as a file
          </Button>
        </span>
      }
    />
  ));
}

function Card({ line, deleted }: { line: ShelfLine; deleted: boolean }) {
  const client = useQueryClient();
  const change = useMutation({
    mutationFn: () => (deleted ? api.restore(line.id) : api.delete(line.id)),
    onSuccess: () => client.invalidateQueries({ queryKey: ['lessons'] }),
  });
  const scenes = line.scenes === 1 ? '1 scene' : `${line.scenes} scenes`;
  const text = (
    <>
      <span className={cx('card-title')}>{line.title}</span>
      <span className={cx('card-objective')}>{line.objective}</span>
      <span className={cx('card-foot')}>{scenes}</span>
    </>
  );
  return (
    <li className={cx('card')}>
      {deleted ? (
        <div className={cx('card-main')}>{text}</div>
      ) : (
        <Link className={cx('card-main')} to={`/lesson/${line.id}`}>
          {text}
        </Link>
      )}
      {deleted ? (
        <Button onClick={() => change.mutate()}>Bring back</Button>
      ) : (
        <Menu
          items={[
            {
              key: 'delete',
              label: 'Delete (can be brought back for 30 days)',
              danger: true,
              onClick: () => change.mutate(),
            },
          ]}
        >
          <Button type="text" className={cx('small card-more')} aria-label={`More for ${line.title}`}>
            ⋯
          </Button>
        </Menu>
      )}
    </li>
  );
}

function ImportButton() {
  const input = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const [why, setWhy] = useState('');
  const read = async (file: File) => {
    try {
      const text = await file.text();
      const { id } = await api.importFile(
        newId(),
        /\.(csv|txt)$/i.test(file.name) ? await listed(file.name, text) : text,
      );
      void navigate(`/lesson/${id}`);
    } catch (error) {
      setWhy(sentence(error));
    }
  };
  return (
    <>
      <Button size="large" onClick={() => input.current?.click()}>
        Open a lesson file
      </Button>
      <input
        ref={input}
        type="file"
        accept="application/json,.json,.csv,.txt"
        hidden
        aria-label="Lesson file"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) void read(file);
        }}
      />
      <Dialog title="The file was not opened" open={why !== ''} footer={null} onCancel={() => setWhy('')}>
        <Alert type="warning" title={why} description="Nothing was changed on the shelf." />
      </Dialog>
    </>
  );
}

/** The lesson of a list of problems, or what is wrong with its lines. */
async function lessonOf(title: string, list: string) {
  await loadCore();
  return call('fromList', { title, list, words: (await school()).words });
}

/** A list of problems in a file, as the file of a lesson. */
async function listed(name: string, list: string) {
  const { lesson, faults } = await lessonOf(name.replace(/\.[^.]*$/, ''), list);
  if (lesson) return JSON.stringify(lesson);
  throw new Error(faults.map((f) => `Line ${f.line}: ${f.why}`).join(' '));
}

function NewLesson({ close }: { close: () => void }) {
  const navigate = useNavigate();
  const [title, setTitle] = useState('');
  const [list, setList] = useState('');
  const [faults, setFaults] = useState<LineFault[]>([]);
  const begin = async () => {
    const name = title.trim() || 'New lesson';
    const made = list.trim() ? await lessonOf(name, list) : undefined;
    if (made?.faults.length) return setFaults(made.faults);
    const { words } = await school();
    const id = await makeLesson(made?.lesson ?? { format: 2, id: '', title: name, words, scenes: [] });
    void navigate(`/lesson/${id}`);
  };
  return (
    <Dialog title="New lesson" open onCancel={close} okText="Begin" onOk={() => void begin()}>
      <label className={cx('field')}>
        Title
        <Input
          size="large"
          value={title}
          maxLength={200}
          onChange={(e) => setTitle(e.target.value)}
          onPressEnter={() => void begin()}
        />
      </label>
      <label className={cx('field')}>
        Problems, one a line, if you have them
        <Input.TextArea
          autoSize={{ minRows: 2, maxRows: 12 }}
          placeholder={'58 + 67\n97 ÷ 4'}
          value={list}
          onChange={(e) => {
            setList(e.target.value);
            setFaults([]);
          }}
          aria-describedby="list-says"
        />
      </label>
      <ul id="list-says" aria-live="polite" className={cx('faults')}>
        {faults.map((f) => (
          <li key={f.line}>
            Line {f.line}: {f.why}
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
