// A teacher signs in; again, when her session ended while a page was open.
import { Alert, Button, Input } from 'antd';
import { useState } from 'react';
import { sentence } from '../state/lesson';
import { accounts, type Teacher } from '../state/teacher';
import { Flower } from './Mark';

interface Props {
  done: (teacher: Teacher) => void;
  /** Whose session has ended; what she did meanwhile is kept. */
  again?: Teacher | undefined;
}

export function SignIn({ done, again }: Props) {
  const [name, setName] = useState(again?.name ?? '');
  const [passphrase, setPassphrase] = useState('');
  const [why, setWhy] = useState('');
  const enter = () =>
    void accounts.signIn(name, passphrase).then(done, (error: unknown) => {
      setWhy(sentence(error));
    });
  return (
    <main className={again ? 'sign-in over' : 'sign-in'} aria-label="Sign in">
      <Flower size={64} />
      <h1>Unit Bloom</h1>
      {again && <p>Your session has ended. What you did since is kept, and is saved when you are back.</p>}
      <form
        onSubmit={(e) => {
          e.preventDefault();
          enter();
        }}
      >
        <label className="field">
          Name
          <Input
            size="large"
            autoFocus={!again}
            autoComplete="username"
            maxLength={40}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <label className="field">
          Passphrase
          <Input.Password
            size="large"
            autoFocus={!!again}
            autoComplete="current-password"
            value={passphrase}
            onChange={(e) => setPassphrase(e.target.value)}
          />
        </label>
        <Button
          type="primary"
          size="large"
          htmlType="submit"
          disabled={name.trim() === '' || passphrase === ''}
        >
          Sign in
        </Button>
      </form>
      {why && <Alert type="warning" title={why} />}
      <p className="aside">
        Children do not sign in here: they come in with the code on the board, at{' '}
        <a href="/desk">{location.host}/desk</a>.
      </p>
    </main>
  );
}
