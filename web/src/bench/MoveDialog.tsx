// Scenes go to another lesson: which one, and whether they stay here too.
import { useQuery } from '@tanstack/react-query';
import { Alert, Button, Checkbox, Input } from 'antd';
import { useDeferredValue, useState } from 'react';
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import { api } from '../state/api';
import { sentence, useLesson } from '../state/lesson';
import { choosing, sendScenes, useChosen } from './chosen';
import css from './MoveDialog.module.css';

const cx = names(css);

/** As many as are looked through at a glance. */
const MOST = 12;

export function MoveDialog({ close: shut }: { close: () => void }) {
  const ids = useChosen((s) => s.ids) ?? [];
  const here = useLesson((s) => s.id);
  const close = () => {
    // One scene was asked about alone; of several the choice stands.
    if (ids.length === 1) choosing(undefined);
    shut();
  };
  const [q, setQ] = useState('');
  const [stay, setStay] = useState(false);
  const [why, setWhy] = useState('');
  const sought = useDeferredValue(q);
  const shelf = useQuery({
    queryKey: ['lessons to move to', sought],
    queryFn: () => api.shelf({ q: sought, most: MOST + 1, sort: 'opened' }),
  });
  const lessons = (shelf.data?.lessons ?? []).filter((l) => l.id !== here).slice(0, MOST);
  const go = (to: { id: string; title: string }) =>
    void sendScenes(ids, to, stay).then(
      () => {
        choosing(undefined);
        shut();
      },
      (error: unknown) => setWhy(sentence(error)),
    );
  return (
    <Dialog
      title={
        ids.length === 1 ? 'Move the scene to another lesson' : `Move ${ids.length} scenes to another lesson`
      }
      open
      footer={null}
      onCancel={close}
    >
      <Input
        type="search"
        aria-label="Search the lessons"
        placeholder="Search"
        value={q}
        maxLength={200}
        onChange={(e) => setQ(e.target.value)}
      />
      <Checkbox checked={stay} onChange={(e) => setStay(e.target.checked)}>
        They stay here too
      </Checkbox>
      {(why || shelf.error) && <Alert type="warning" title={why || sentence(shelf.error)} />}
      <ul className={cx('lessons')} aria-label="Lessons">
        {lessons.map((l) => (
          <li key={l.id}>
            <Button block onClick={() => go(l)}>
              {l.title}
            </Button>
          </li>
        ))}
      </ul>
      {shelf.data && lessons.length === 0 && <p>No other lesson{q && ` says “${q}”`}.</p>}
    </Dialog>
  );
}
