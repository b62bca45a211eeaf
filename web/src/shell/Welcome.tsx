// What a link opens: the making of an account, or another passphrase for one.
import { useQuery } from '@tanstack/react-query';
import { Alert, Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { sentence } from '../state/lesson';
import { accounts } from '../state/teacher';
import { Flower } from './Mark';
import { Passphrase } from './Passphrase';

export function Welcome() {
  // The token stands behind the #, which is sent nowhere; it goes from the address at once.
  const [token] = useState(() => location.hash.slice(1));
  useEffect(() => history.replaceState(null, '', '/welcome'), []);
  const link = useQuery({ queryKey: ['link'], queryFn: () => accounts.lookAtLink(token), retry: false });
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [why, setWhy] = useState('');
  const whose = link.data?.name ?? '';
  const enter = () =>
    void accounts.useLink(token, name, passphrase).then(
      () => location.assign('/'),
      (error: unknown) => setWhy(sentence(error)),
    );
  return (
    <main className="sign-in" aria-label="Welcome">
      <Flower size={64} />
      <h1>{whose ? `Welcome back, ${whose}` : 'Welcome to Unit Bloom'}</h1>
      {link.error && <Alert type="warning" title={sentence(link.error)} />}
      {link.data && (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            enter();
          }}
        >
          {!whose && (
            <label className="field">
              Your name, as your colleagues know you
              <Input
                size="large"
                autoFocus
                autoComplete="username"
                maxLength={40}
                value={name}
                onChange={(e) => setName(e.target.value)}
              />
            </label>
          )}
          <Passphrase
            label={whose ? 'New passphrase' : 'Passphrase'}
            value={passphrase}
            change={setPassphrase}
          />
          <Button
            type="primary"
            size="large"
            htmlType="submit"
            disabled={(!whose && name.trim() === '') || passphrase === ''}
          >
            {whose ? 'Set the passphrase' : 'Make my account'}
          </Button>
        </form>
      )}
      {why && <Alert type="warning" title={why} />}
    </main>
  );
}
