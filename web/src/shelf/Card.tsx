// A lesson on the shelf: its first board, its title, what it is about and when it was opened.
import { useQuery } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { Face } from '../board/Face';
import { Checkbox, Dialog, Menu } from '../shell/later';
import { names } from '../shell/names';
import { api, type ShelfLine } from '../state/api';
import { notify, sentence } from '../state/lesson';
import { useTeacher } from '../state/teacher';
import css from './Card.module.css';
import { duplicate, remove, rename, takeAway } from './deeds';
import { FolderDialog } from './FolderDialog';
import { ShareDialog } from './ShareDialog';
import type { Shelf } from './useShelf';

const cx = names(css);

interface Props {
  line: ShelfLine;
  shelf: Shelf;
  chosen: boolean;
  /** Whether any lesson is chosen. */
  choosing: boolean;
  choose: (id: string) => void;
}

export function Card({ line, shelf, chosen, choosing, choose }: Props) {
  const [asking, setAsking] = useState<'title' | 'folder' | 'share'>();
  const accounts = useTeacher((s) => s.accounts);
  const deleted = shelf.query.deleted;
  const go = useNavigate();
  const act = (deed: () => Promise<unknown>) => () =>
    void deed()
      .then(shelf.again)
      .catch((error: unknown) => notify('refusal', sentence(error)));
  const copying = [
    {
      key: 'copy',
      label: line.by ? 'Make a copy of my own' : 'Duplicate',
      onClick: act(() => duplicate(line.id)),
    },
    { key: 'file', label: 'Save as a file', onClick: () => takeAway([line.id]) },
  ];
  const print = { key: 'paper', label: 'Print', onClick: () => void go(`/lesson/${line.id}/paper`) };
  const items = line.by
    ? [...(line.shared === 'copy' ? copying : []), print]
    : [
        { key: 'title', label: 'Rename', onClick: () => setAsking('title') },
        ...copying,
        print,
        { key: 'folder', label: 'Move to a folder', onClick: () => setAsking('folder') },
        ...(accounts
          ? [{ key: 'share', label: 'Share with the school', onClick: () => setAsking('share') }]
          : []),
        {
          key: 'delete',
          label: 'Delete (can be brought back for 30 days)',
          danger: true,
          onClick: act(() => remove(line.id)),
        },
      ];
  const text = (
    <>
      <Picture line={line} />
      <span className={cx('title')}>{line.title}</span>
      <span className={cx('about')}>
        {[line.by, line.topics.join(', '), opened(line.openedAt), line.shared && !line.by && 'shared']
          .filter(Boolean)
          .join(' · ')}
      </span>
    </>
  );
  return (
    <li className={cx(`card ${chosen ? 'chosen' : ''} ${choosing ? 'choosing' : ''}`)}>
      {deleted ? (
        <div className={cx('main')}>{text}</div>
      ) : (
        <Link className={cx('main')} to={`/lesson/${line.id}`}>
          {text}
        </Link>
      )}
      {deleted ? (
        <Button className={cx('back')} onClick={act(() => api.restore(line.id))}>
          Bring back
        </Button>
      ) : (
        <>
          {!line.by && (
            <Checkbox
              className={cx('choose')}
              checked={chosen}
              aria-label={`Choose ${line.title}`}
              onChange={() => choose(line.id)}
            />
          )}
          <Menu items={items}>
            <Button type="text" className={cx('small more')} aria-label={`More for ${line.title}`}>
              ⋯
            </Button>
          </Menu>
        </>
      )}
      {asking === 'title' && (
        <TitleDialog
          title={line.title}
          close={() => setAsking(undefined)}
          save={(title) => act(() => rename(line.id, title))()}
        />
      )}
      {asking === 'share' && (
        <ShareDialog
          shared={line.shared ?? ''}
          close={() => setAsking(undefined)}
          share={(shared) => act(() => api.share(line.id, shared))()}
        />
      )}
      {asking === 'folder' && (
        <FolderDialog
          folders={shelf.first?.folders.map((f) => f.name) ?? []}
          close={() => setAsking(undefined)}
          move={(folder) => act(() => api.move([line.id], folder))()}
        />
      )}
    </li>
  );
}

function Picture({ line }: { line: ShelfLine }) {
  const face = useQuery({
    queryKey: ['face', line.id, line.rev],
    queryFn: () => api.face(line.id, line.rev),
    staleTime: Infinity,
  });
  return <span className={cx('picture')}>{face.data && <Face models={face.data} />}</span>;
}

function TitleDialog(props: { title: string; close: () => void; save: (title: string) => void }) {
  const [title, setTitle] = useState(props.title);
  const done = () => {
    if (title.trim() === '') return;
    props.save(title.trim());
    props.close();
  };
  return (
    <Dialog title="Rename" open onCancel={props.close} onOk={done} okText="Save">
      <label className="field">
        Title
        <Input value={title} maxLength={200} onChange={(e) => setTitle(e.target.value)} onPressEnter={done} />
      </label>
    </Dialog>
  );
}

const DAY_MS = 86_400_000;

/** What writes a day, made when it is first wanted: making one takes the browser a while. */
function once<T>(make: () => T): () => T {
  let made: T | undefined;
  return () => (made ??= make());
}
const days = once(() => new Intl.RelativeTimeFormat(undefined, { numeric: 'auto' }));
const near = once(() => new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'long' }));
const far = once(
  () => new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'long', year: 'numeric' }),
);
const weekday = once(() => new Intl.DateTimeFormat(undefined, { weekday: 'long' }));

/** A day as the browser's language writes it: today, Monday, 20 November. */
function opened(at: string): string {
  const then = new Date(at);
  if (Number.isNaN(then.getTime())) return '';
  const midnight = (d: Date) => new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();
  const ago = Math.round((midnight(new Date()) - midnight(then)) / DAY_MS);
  if (ago < 2) return days().format(-Math.max(0, ago), 'day');
  if (ago < 7) return weekday().format(then);
  return (then.getFullYear() === new Date().getFullYear() ? near() : far()).format(then);
}
