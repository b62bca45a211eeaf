// The school's teachers: who they are, links for new ones and for lost passphrases, and the end of
// an account.
import { useQuery } from '@tanstack/react-query';
import { Alert, Button } from 'antd';
import { useState } from 'react';
import { Checkbox, Dialog } from '../shell/later';
import { names } from '../shell/names';
import { notify, sentence } from '../state/lesson';
import { accounts, type Teacher } from '../state/teacher';
import css from './TeachersDialog.module.css';

const cx = names(css);

/** A link that was made, with what it is for. */
interface Made {
  link: string;
  says: string;
}

export function TeachersDialog({ me, close }: { me: string; close: () => void }) {
  const all = useQuery({ queryKey: ['teachers'], queryFn: accounts.all, gcTime: 0 });
  const [lead, setLead] = useState(false);
  const [made, setMade] = useState<Made>();
  const [ending, setEnding] = useState<Teacher>();
  const [why, setWhy] = useState('');
  const act = async (deed: () => Promise<void>) => {
    setWhy('');
    try {
      await deed();
    } catch (error) {
      setWhy(sentence(error));
    }
  };
  const invite = (link: { for?: string; lead?: boolean }, says: string) =>
    act(async () => setMade({ link: await accounts.invite(link), says }));
  const end = (teacher: Teacher) =>
    act(async () => {
      await accounts.end(teacher.id);
      setEnding(undefined);
      await all.refetch();
    });
  const signOut = (says: string, id?: string) =>
    act(async () => {
      await accounts.signOutOf(id);
      notify('info', says);
    });
  return (
    <Dialog title="Teachers of the school" width={640} open footer={null} onCancel={close}>
      <ul className={cx('teachers')}>
        {all.data?.map((t) => (
          <li key={t.id}>
            <span className={cx('name')}>
              {t.name}
              {t.lead && <small>may invite</small>}
            </span>
            {t.id !== me && (
              <>
                <Button
                  onClick={() =>
                    void invite({ for: t.id }, `Give it to ${t.name} only: it sets another passphrase.`)
                  }
                >
                  Lost the passphrase
                </Button>
                <Button onClick={() => void signOut(`${t.name} is signed out everywhere.`, t.id)}>
                  Sign out
                </Button>
                <Button danger onClick={() => setEnding(t)}>
                  End
                </Button>
              </>
            )}
          </li>
        ))}
      </ul>
      <div className={cx('invite')}>
        <Button
          type="primary"
          onClick={() => void invite({ lead }, 'Give it to one colleague: it makes one account.')}
        >
          Invite a colleague
        </Button>
        <Checkbox checked={lead} onChange={(e) => setLead(e.target.checked)}>
          who may invite others too
        </Checkbox>
      </div>
      <Button className={cx('everybody')} onClick={() => void signOut('Everybody but you is signed out.')}>
        Sign everybody out but me
      </Button>
      {made && (
        <div className={cx('made')} role="status">
          <p>{made.says} It works once, within a week.</p>
          <output>{made.link}</output>
          <Button onClick={() => void navigator.clipboard.writeText(made.link)}>Copy the link</Button>
        </div>
      )}
      {ending && (
        <Alert
          type="warning"
          title={`End the account of ${ending.name}?`}
          description="Lessons and classes that are there become yours. Nothing of them is lost."
          action={
            <>
              <Button danger onClick={() => void end(ending)}>
                End it
              </Button>{' '}
              <Button onClick={() => setEnding(undefined)}>No</Button>
            </>
          }
        />
      )}
      {why && <Alert type="warning" title={why} />}
    </Dialog>
  );
}
