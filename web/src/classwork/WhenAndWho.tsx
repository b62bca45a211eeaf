// For whom a set is, and from when until when it is there.
import { Checkbox, Input } from 'antd';
import { useState } from 'react';
import { names } from '../shell/names';
import css from './SetDialog.module.css';
import { useClass } from './useClass';

const cx = names(css);

export interface When {
  /** As the fields have it, in the browser's zone; empty for at once, and for until it is ended. */
  from: string;
  until: string;
  /** The children that it is for, of whom none may be chosen yet; all where it is not told. */
  only?: string[] | undefined;
}

export const always: When = { from: '', until: '' };

/** What is told to the server. */
export const timesOf = ({ from, until, only }: When) => ({
  ...(from && { from: new Date(from).toISOString() }),
  ...(until && { until: new Date(until).toISOString() }),
  ...(only && { only }),
});

interface Props {
  of: string;
  when: When;
  change: (when: When) => void;
}

export function WhenAndWho({ of, when, change }: Props) {
  const [timed, setTimed] = useState(false);
  return (
    <fieldset>
      <legend>When, and for whom</legend>
      <Checkbox
        checked={timed}
        onChange={(e) => {
          setTimed(e.target.checked);
          change({ ...when, from: '', until: '' });
        }}
      >
        From and until a time
      </Checkbox>
      {timed && (
        <>
          <label className={cx('more')}>
            From
            <Input
              type="datetime-local"
              value={when.from}
              onChange={(e) => change({ ...when, from: e.target.value })}
            />
          </label>
          <label className={cx('more')}>
            Until
            <Input
              type="datetime-local"
              value={when.until}
              onChange={(e) => change({ ...when, until: e.target.value })}
            />
          </label>
        </>
      )}
      <Checkbox
        checked={when.only !== undefined}
        onChange={(e) => change({ ...when, only: e.target.checked ? [] : undefined })}
      >
        For some children only
      </Checkbox>
      {when.only && <Some of={of} only={when.only} choose={(only) => change({ ...when, only })} />}
    </fieldset>
  );
}

function Some({ of, only, choose }: { of: string; only: string[]; choose: (ids: string[]) => void }) {
  const view = useClass(of);
  return (
    <Checkbox.Group
      className={cx('children')}
      value={only}
      options={(view.data?.pupils ?? []).map((p) => ({ value: p.id, label: p.name }))}
      onChange={choose}
    />
  );
}
