// The shelf begins with a line for what the class shall see; below it are all lessons.
import { useQuery } from '@tanstack/react-query';
import { Alert, Button } from 'antd';
import { useEffect, useRef, useState, type DragEvent } from 'react';
import { useNavigate } from 'react-router';
import { fetchOpened, Dialog, Menu } from '../shell/later';
import { Flower } from '../shell/Mark';
import { names } from '../shell/names';
import { setDark, useDark, useDarkRoom } from '../shell/room';
import { Notices } from '../shell/Notices';
import { loadCore } from '../core/core';
import { sentence } from '../state/lesson';
import { school } from '../state/school';
import { makeLesson } from '../state/session';
import { useLeads } from '../state/teacher';
import { WishLine } from '../wish/WishLine';
import { Account } from './Account';
import { Cards } from './Cards';
import { Chosen } from './Chosen';
import { begin, openFile } from './deeds';
import { SchoolDialog } from './SchoolDialog';
import { ShelfBar } from './ShelfBar';
import css from './ShelfPage.module.css';
import { UnsentWork } from './UnsentWork';
import { useShelf } from './useShelf';

const cx = names(css);

export function ShelfPage() {
  useDarkRoom();
  const dark = useDark();
  const leads = useLeads();
  const shelf = useShelf();
  const navigate = useNavigate();
  const [setting, setSetting] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const words = useQuery({ queryKey: ['school words'], queryFn: school, gcTime: 0 });
  const file = useFile(() => void shelf.again());
  useEffect(() => {
    document.title = 'Lessons – Unit Bloom';
  }, []);
  const pending = shelf.parts.isPending;
  useEffect(() => {
    // The core is fetched while the teacher chooses.
    if (pending) return;
    void loadCore()
      .then(fetchOpened)
      .catch(() => undefined);
  }, [pending]);
  const choose = (id: string) =>
    setChosen((was) => {
      const now = new Set(was);
      if (!now.delete(id)) now.add(id);
      return now;
    });
  const { query, parts, first, lessons } = shelf;
  return (
    <div className={cx(file.over ? 'shelf over' : 'shelf')} {...file.drop}>
      <header className={cx('bar')}>
        <Flower size={38} />
        <h1 className={cx('product')}>Unit Bloom</h1>
        <span className={cx('grow')} />
        <Button type="text" onClick={() => void navigate('/classes')}>
          Classes
        </Button>
        {leads && (
          <Button type="text" onClick={() => setSetting(true)}>
            Words of the school
          </Button>
        )}
        <Menu
          items={[
            { key: 'open', label: 'Open a file', onClick: file.ask },
            {
              key: 'archive',
              label: 'Save all lessons as an archive',
              onClick: () => location.assign('/api/archive'),
            },
            {
              key: 'deleted',
              label: 'Deleted lessons',
              onClick: () => shelf.look({ deleted: true, topic: '', folder: '', q: '' }),
            },
            { key: 'room', label: dark ? 'Light room' : 'Dark room', onClick: () => setDark(!dark) },
          ]}
        >
          <Button type="text">Files</Button>
        </Menu>
        <Button
          onClick={() => void begin().then((id) => navigate(`/lesson/${id}`, { state: { fresh: true } }))}
        >
          Blank lesson
        </Button>
        <Account />
      </header>
      <main>
        <h2 className={cx('asked')}>What shall the class see?</h2>
        <WishLine
          words={words.data?.words}
          label="What shall the class see?"
          verb="Show it"
          autoFocus
          waits={pending}
          take={(_text, _as, wished) =>
            void makeLesson(wished.lesson!).then((id) =>
              navigate(`/lesson/${id}`, { state: { ready: true } }),
            )
          }
        />
        <UnsentWork />
        <ShelfBar shelf={shelf} />
        {parts.isPending && <p role="status">Reading the shelf …</p>}
        {parts.error && (
          <Alert
            type="warning"
            showIcon
            title={sentence(parts.error)}
            action={<Button onClick={() => void parts.refetch()}>Try again</Button>}
          />
        )}
        {shelf.why && (
          <Alert
            type="warning"
            showIcon
            title={`${shelf.why} These lessons are on this device.`}
            action={<Button onClick={() => void parts.refetch()}>Try again</Button>}
          />
        )}
        {first && first.total === 0 && <p className={cx('shelf-empty')}>{nothing(query, first.all)}</p>}
        {lessons.length > 0 && <Cards shelf={shelf} chosen={chosen} choose={choose} />}
      </main>
      {chosen.size > 0 && <Chosen ids={[...chosen]} shelf={shelf} done={() => setChosen(new Set())} />}
      {file.field}
      {setting && (
        <SchoolDialog
          close={() => {
            setSetting(false);
            void words.refetch();
          }}
        />
      )}
      <Notices />
    </div>
  );
}

function nothing(query: { deleted?: boolean; q?: string }, all: number): string {
  if (query.deleted) return 'Nothing was deleted in the last 30 days.';
  if (all > 0) return query.q ? `No lesson says “${query.q}”.` : 'No lesson is here.';
  return 'No lessons yet. Type what the class shall see, and press Enter.';
}

/** Files that are opened, or dropped on the shelf. */
function useFile(changed: () => void) {
  const input = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const [why, setWhy] = useState('');
  const [over, setOver] = useState(false);
  const read = async (file: File) => {
    try {
      const { id } = await openFile(file);
      if (id) void navigate(`/lesson/${id}`);
      else changed();
    } catch (error) {
      setWhy(sentence(error));
    }
  };
  const drop = {
    onDragOver: (e: DragEvent) => {
      if (!e.dataTransfer.types.includes('Files')) return;
      e.preventDefault();
      setOver(true);
    },
    onDragLeave: (e: DragEvent) => {
      if (!e.currentTarget.contains(e.relatedTarget as Node | null)) setOver(false);
    },
    onDrop: (e: DragEvent) => {
      e.preventDefault();
      setOver(false);
      const file = e.dataTransfer.files[0];
      if (file) void read(file);
    },
  };
  const field = (
    <>
      <input
        ref={input}
        type="file"
        accept="application/json,.json,.csv,.txt,.zip"
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
  return { ask: () => input.current?.click(), over, drop, field };
}
