// Who is signed in, and what she does with her account and the school's.
import { Alert, Button, Input } from 'antd';
import { useState } from 'react';
import { Dialog, Menu } from '../shell/later';
import { Passphrase } from '../shell/Passphrase';
import { notify, sentence } from '../state/lesson';
import { accounts, useTeacher } from '../state/teacher';
import { DeedsDialog } from './DeedsDialog';
import { SessionsDialog } from './SessionsDialog';
import { TeachersDialog } from './TeachersDialog';

export function Account() {
  const teacher = useTeacher((s) => s.teacher);
  const [asking, setAsking] = useState<'passphrase' | 'sessions' | 'teachers' | 'deeds'>();
  if (!teacher) return null;
  const leave = (everywhere: boolean) =>
    void accounts
      .signOut(everywhere)
      .then(() => location.assign('/'))
      .catch((error: unknown) => notify('refusal', sentence(error)));
  const close = () => setAsking(undefined);
  return (
    <>
      <Menu
        items={[
          ...(teacher.lead
            ? [
                { key: 'teachers', label: 'Teachers of the school', onClick: () => setAsking('teachers') },
                { key: 'deeds', label: 'What was done', onClick: () => setAsking('deeds') },
              ]
            : []),
          { key: 'passphrase', label: 'Another passphrase', onClick: () => setAsking('passphrase') },
          { key: 'sessions', label: 'Where I am signed in', onClick: () => setAsking('sessions') },
          { key: 'out', label: 'Sign out', onClick: () => leave(false) },
          { key: 'everywhere', label: 'Sign out everywhere', onClick: () => leave(true) },
        ]}
      >
        <Button type="text" aria-label={`Account of ${teacher.name}`}>
          {teacher.name}
        </Button>
      </Menu>
      {asking === 'passphrase' && <PassphraseDialog close={close} />}
      {asking === 'sessions' && <SessionsDialog close={close} />}
      {asking === 'teachers' && <TeachersDialog me={teacher.id} close={close} />}
      {asking === 'deeds' && <DeedsDialog close={close} />}
    </>
  );
}

function PassphraseDialog({ close }: { close: () => void }) {
  const [old, setOld] = useState('');
  const [fresh, setFresh] = useState('');
  const [why, setWhy] = useState('');
  const save = () =>
    void accounts
      .setPassphrase(old, fresh)
      .then(() => {
        notify('info', 'The new passphrase holds. Your other browsers are signed out.');
        close();
      })
      .catch((error: unknown) => setWhy(sentence(error)));
  return (
    <Dialog
      title="Another passphrase"
      open
      onCancel={close}
      onOk={save}
      okText="Save"
      okButtonProps={{ disabled: old === '' || fresh === '' }}
    >
      <label className="field">
        Passphrase until now
        <Input.Password
          autoComplete="current-password"
          value={old}
          onChange={(e) => setOld(e.target.value)}
        />
      </label>
      <Passphrase label="New passphrase" value={fresh} change={setFresh} />
      {why && <Alert type="warning" title={why} />}
    </Dialog>
  );
}
