// The showings of this lesson: each can be looked at again and gone on with.
import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useNavigate } from 'react-router';
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import { api } from '../state/api';
import { notify, sentence, useLesson } from '../state/lesson';
import css from './ShowingsDialog.module.css';

const cx = names(css);

const day = new Intl.DateTimeFormat(undefined, { dateStyle: 'full', timeStyle: 'short' });

export function ShowingsDialog({ close }: { close: () => void }) {
  const id = useLesson((s) => s.id);
  const navigate = useNavigate();
  const list = useQuery({ queryKey: ['showings', id], queryFn: () => api.showings(id), gcTime: 0 });
  const drop = async (showing: string) => {
    try {
      await api.delete(showing);
      await list.refetch();
    } catch (error) {
      notify('refusal', sentence(error));
    }
  };
  return (
    <Dialog title="Showings of this lesson" open onCancel={close} footer={null}>
      {list.error && <p role="alert">{sentence(list.error)}</p>}
      {list.data?.length === 0 && (
        <p>
          There is none yet. One is kept when something is done by hand, drawn or written while presenting.
        </p>
      )}
      <ul className={cx('showings')}>
        {list.data?.map((s) => (
          <li key={s.id}>
            <span>{day.format(new Date(s.createdAt))}</span>
            <Button onClick={() => void navigate(`/lesson/${id}/present?showing=${s.id}`)}>Show again</Button>
            <Button
              type="text"
              aria-label={`Delete the showing of ${day.format(new Date(s.createdAt))}`}
              onClick={() => void drop(s.id)}
            >
              Delete
            </Button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
