// The passphrase, where the server asks for one.
import { Alert, Button, Input } from 'antd';
import { useState } from 'react';
import { sentence } from '../state/lesson';
import { api } from '../state/api';
import { Flower } from './Mark';

export function SignIn({ done }: { done: () => void }) {
  const [passphrase, setPassphrase] = useState('');
  const [why, setWhy] = useState('');
  const enter = () =>
    void api.signIn(passphrase).then(done, (error: unknown) => {
      setWhy(sentence(error));
    });
  return (
    <main className="centre sign-in">
      <Flower size={64} />
      <h1>Unit Bloom</h1>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          enter();
        }}
      >
        <label className="field">
          Passphrase
          <Input.Password
            size="large"
            autoFocus
            value={passphrase}
            onChange={(e) => setPassphrase(e.target.value)}
          />
        </label>
        <Button type="primary" size="large" htmlType="submit">
          Enter
        </Button>
      </form>
      {why && <Alert type="warning" title={why} />}
    </main>
  );
}
