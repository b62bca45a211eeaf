// What of the shelf is looked for: topics, folders, words, and in which order.
import { Button, Input } from 'antd';
import { names } from '../shell/names';
import { Select } from '../shell/later';
import css from './ShelfBar.module.css';
import type { Shelf } from './useShelf';

const cx = names(css);

const ORDERS = [
  { value: 'opened', label: 'Last opened' },
  { value: 'title', label: 'By title' },
  { value: 'topic', label: 'By topic' },
];

export function ShelfBar({ shelf }: { shelf: Shelf }) {
  const { query, look, first } = shelf;
  const chip = (label: string, on: boolean, press: () => void) => (
    <li key={label}>
      <button type="button" className={cx('chip')} aria-pressed={on} onClick={press}>
        {label}
      </button>
    </li>
  );
  const all = !query.topic && !query.folder && !query.others;
  const others = first?.others ?? 0;
  return (
    <div className={cx('shelf-bar')}>
      <h2>{query.deleted ? 'Deleted lessons' : 'Lessons'}</h2>
      {!query.deleted && (
        <ul className={cx('chips')} aria-label="Topics and folders">
          {chip(others > 0 || query.others ? 'mine' : 'all', all, () =>
            look({ topic: '', folder: '', others: false }),
          )}
          {(others > 0 || query.others) &&
            chip('from colleagues', !!query.others, () =>
              look({ others: !query.others, topic: '', folder: '' }),
            )}
          {first?.topics.map((t) =>
            chip(t.name, query.topic === t.name, () =>
              look({ topic: query.topic === t.name ? '' : t.name, folder: '' }),
            ),
          )}
          {first?.folders.map((f) =>
            chip(`❏ ${f.name}`, query.folder === f.name, () =>
              look({ folder: query.folder === f.name ? '' : f.name, topic: '' }),
            ),
          )}
        </ul>
      )}
      <span className={cx('grow')} />
      {query.deleted && <Button onClick={() => look({ deleted: false })}>Back to the lessons</Button>}
      {!query.deleted && (
        <>
          <span className={cx('order')}>
            <Select
              aria-label="Order of the lessons"
              value={query.sort ?? 'opened'}
              options={ORDERS}
              onChange={(sort) => look({ sort: sort as 'opened' })}
            />
          </span>
          <Input
            className={cx('search')}
            type="search"
            aria-label="Search the lessons"
            placeholder="Search"
            value={query.q ?? ''}
            maxLength={200}
            allowClear
            onChange={(e) => look({ q: e.target.value })}
          />
        </>
      )}
    </div>
  );
}
