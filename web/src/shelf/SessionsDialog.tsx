// Where a teacher is signed in: each browser, since when, and the end of one of them.
import { useQuery } from '@tanstack/react-query';
import { Alert, Button, Input } from 'antd';
import { useState } from 'react';
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import { sentence } from '../state/lesson';
import { accounts, type SessionView } from '../state/teacher';
import css from './SessionsDialog.module.css';

const cx = names(css);

export function SessionsDialog({ close }: { close: () => void }) {
  const all = useQuery({ queryKey: ['sessions'], queryFn: accounts.sessions, gcTime: 0 });
  const [ending, setEnding] = useState<SessionView>();
  return (
    <Dialog title="Where I am signed in" width={560} open footer={null} onCancel={close}>
      {all.error && <Alert type="warning" title={sentence(all.error)} />}
      <ul className={cx('sessions')}>
        {all.data?.map((one) => (
          <li key={one.id}>
            <span className={cx('browser')}>
              {one.browser || 'A browser'}
              <small>
                since {when.format(new Date(one.createdAt))}, used {when.format(new Date(one.seenAt))}
              </small>
            </span>
            {one.here ? (
              <span className={cx('here')}>this one</span>
            ) : (
              <Button onClick={() => setEnding(one)}>Sign out there</Button>
            )}
          </li>
        ))}
      </ul>
      {ending && (
        <Proof
          key={ending.id}
          of={ending}
          done={() => {
            setEnding(undefined);
            void all.refetch();
          }}
        />
      )}
    </Dialog>
  );
}

const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** The passphrase, before another browser is signed out. */
function Proof({ of, done }: { of: SessionView; done: () => void }) {
  const [passphrase, setPassphrase] = useState('');
  const [why, setWhy] = useState('');
  const end = () =>
    void accounts
      .endSession(of.id, passphrase)
      .then(done)
      .catch((error: unknown) => setWhy(sentence(error)));
  return (
    <form
      className={cx('proof')}
      onSubmit={(e) => {
        e.preventDefault();
        end();
      }}
    >
      <label className="field">
        Your passphrase, to sign out in {of.browser || 'that browser'}
        <Input.Password
          autoFocus
          autoComplete="current-password"
          value={passphrase}
          onChange={(e) => setPassphrase(e.target.value)}
        />
      </label>
      <Button type="primary" htmlType="submit" disabled={passphrase === ''}>
        Sign out there
      </Button>
      {why && <Alert type="warning" title={why} />}
    </form>
  );
}
