// What is done with many lessons at once.
import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { names } from '../shell/names';
import { api } from '../state/api';
import { notify, sentence } from '../state/lesson';
import { duplicate, remove, takeAway } from './deeds';
import { FolderDialog } from './FolderDialog';
import css from './ShelfPage.module.css';
import type { Shelf } from './useShelf';

const cx = names(css);

interface Props {
  ids: string[];
  shelf: Shelf;
  done: () => void;
}

export function Chosen({ ids, shelf, done }: Props) {
  const [moving, setMoving] = useState(false);
  const go = useNavigate();
  const after = (deed: Promise<unknown>) =>
    void deed
      .then(shelf.again)
      .then(done)
      .catch((error: unknown) => notify('refusal', sentence(error)));
  return (
    <section className={cx('chosen')} aria-label="Chosen lessons">
      <span role="status">{ids.length === 1 ? '1 lesson chosen' : `${ids.length} lessons chosen`}</span>
      <Button onClick={() => setMoving(true)}>Move to a folder</Button>
      <Button onClick={() => takeAway(ids)}>
        {ids.length === 1 ? 'Save as a file' : 'Save as an archive'}
      </Button>
      <Button onClick={() => after(Promise.all(ids.map(duplicate)))}>Duplicate</Button>
      <Button onClick={() => void go(`/paper?lessons=${ids.join(',')}`)}>Print</Button>
      <Button danger onClick={() => after(Promise.all(ids.map(remove)))}>
        Delete
      </Button>
      <Button onClick={done}>Choose none</Button>
      {moving && (
        <FolderDialog
          folders={shelf.first?.folders.map((f) => f.name) ?? []}
          close={() => setMoving(false)}
          move={(folder) => after(api.move(ids, folder))}
        />
      )}
    </section>
  );
}
