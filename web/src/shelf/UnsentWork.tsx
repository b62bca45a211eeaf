// Work that is only on this device: it can be tried again, or taken away as a file.
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Alert, Button } from 'antd';
import { Link } from 'react-router';
import { names } from '../shell/names';
import { changes, whereKept } from '../shell/Saving';
import { sendAllLeftovers } from '../state/session';
import { takeUnsent } from './deeds';
import css from './ShelfPage.module.css';

const cx = names(css);

/** What closed tabs left unsent goes out as soon as the shelf is open; what cannot go is told. */
export function UnsentWork() {
  const client = useQueryClient();
  const query = useQuery({
    queryKey: ['unsent'],
    queryFn: async () => {
      const unsent = await sendAllLeftovers();
      await client.invalidateQueries({ queryKey: ['lessons'] });
      return unsent;
    },
  });
  return (query.data ?? []).map((u) => (
    <Alert
      key={u.id}
      type="warning"
      title={`${changes(u.count)} of ${u.title ? `“${u.title}”` : 'a lesson'} not saved. ${u.why}`}
      description={whereKept(u.count, true)}
      action={
        <span className={cx('banner-actions')}>
          <Button onClick={() => void query.refetch()}>Try again</Button>
          <Link to={`/lesson/${u.id}`}>Open the lesson</Link>
          <Button onClick={() => takeUnsent(u.id, u.pending)}>Save as a file</Button>
        </span>
      }
    />
  ));
}
