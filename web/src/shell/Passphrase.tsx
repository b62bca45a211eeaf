// A new passphrase, with what makes a good one.
import { Input } from 'antd';

interface Props {
  label: string;
  value: string;
  change: (text: string) => void;
}

export function Passphrase({ label, value, change }: Props) {
  return (
    <label className="field">
      {label}
      <Input.Password
        size="large"
        autoComplete="new-password"
        maxLength={200}
        value={value}
        onChange={(e) => change(e.target.value)}
      />
      <small>
        At least ten letters. A few words that nobody would put together are easy to keep in mind.
      </small>
    </label>
  );
}
