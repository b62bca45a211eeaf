// A teacher's classes, and a new one from a pasted list of names.
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Alert, Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { Dialog, Select } from '../shell/later';
import { names } from '../shell/names';
import { classes, type ClassLine } from '../state/classroom';
import { api } from '../state/api';
import { notify, sentence } from '../state/lesson';
import { useLeads } from '../state/teacher';
import { setSchool } from '../state/school';
import css from './ClassesPage.module.css';
import { Frame } from './Frame';
import { useClasses } from '../classwork/useClass';

const cx = names(css);

export function ClassesPage() {
  const all = useClasses();
  const leads = useLeads();
  const [making, setMaking] = useState(false);
  const [ending, setEnding] = useState(false);
  const own = all.data?.filter((c) => !c.by) ?? [];
  useEffect(() => {
    document.title = 'Classes – Unit Bloom';
  }, []);
  return (
    <Frame
      title="Classes"
      back={{ to: '/', word: 'Lessons' }}
      tools={
        <Button type="primary" onClick={() => setMaking(true)}>
          New class
        </Button>
      }
    >
      {all.error && <Alert type="warning" showIcon title={sentence(all.error)} />}
      {all.data?.length === 0 && (
        <p className={cx('empty')}>
          No class yet. Paste a list of first names, and children come in with a code, without accounts.
        </p>
      )}
      <ul className={cx('classes')}>
        {all.data?.map((c) => (
          <li key={c.id}>
            <Link to={`/class/${c.id}`} className={cx(c.open && !c.by ? 'card open' : 'card')}>
              <strong>{c.name}</strong>
              <span>{c.by ? `${c.by}’s class` : c.open ? <Code of={c} /> : 'The code is closed'}</span>
            </Link>
          </li>
        ))}
      </ul>
      {leads && <Keeping />}
      {own.length > 0 && (
        <Button type="text" className={cx('year')} onClick={() => setEnding(true)}>
          Delete the classes of a year
        </Button>
      )}
      {ending && <YearDialog own={own} close={() => setEnding(false)} />}
      {making && <NewClass close={() => setMaking(false)} />}
    </Frame>
  );
}

const Code = ({ of }: { of: ClassLine }) => (
  <>
    The code <b>{of.code}</b> lets in now
  </>
);

const KEPT = [
  { value: 0, label: 'until it is deleted' },
  { value: 31, label: 'for a month' },
  { value: 93, label: 'for three months' },
  { value: 366, label: 'for a year' },
];

/** How long what children did is kept, in the whole school. */
function Keeping() {
  const school = useQuery({ queryKey: ['school'], queryFn: api.school });
  const [asked, setAsked] = useState<number>();
  if (!school.data) return null;
  const now = school.data.keepWork ?? 0;
  const set = (keepWork: number) =>
    void setSchool({ ...school.data, keepWork })
      .then(() => school.refetch())
      .catch((error: unknown) => notify('refusal', sentence(error)));
  const shorter = (days: number) => days > 0 && (now === 0 || days < now);
  return (
    <label className={cx('keeping')}>
      What children did is kept
      <Select
        aria-label="What children did is kept"
        value={String(now)}
        options={KEPT.map((k) => ({ value: String(k.value), label: k.label }))}
        onChange={(days) => (shorter(Number(days)) ? setAsked(Number(days)) : set(Number(days)))}
      />
      <Dialog
        title="Remove what is older?"
        open={asked !== undefined}
        okText="Remove it"
        okButtonProps={{ danger: true }}
        onCancel={() => setAsked(undefined)}
        onOk={() => {
          set(asked!);
          setAsked(undefined);
        }}
      >
        What children of all classes handed in longer ago is removed at once, and from then on by itself.
        Nothing brings it back.
      </Dialog>
    </label>
  );
}

/** Deletes a teacher's classes that were made in one year: when it is over, or a child's work may stay no longer. */
function YearDialog({ own, close }: { own: ClassLine[]; close: () => void }) {
  const client = useQueryClient();
  const yearOf = (c: ClassLine) => new Date(c.createdAt).getFullYear();
  const years = [...new Set(own.map(yearOf))].toSorted();
  const [year, setYear] = useState(years[0]!);
  const [why, setWhy] = useState('');
  const those = own.filter((c) => yearOf(c) === year);
  const remove = async () => {
    try {
      for (const c of those) await classes.delete(c.id);
      close();
    } catch (error) {
      setWhy(sentence(error));
    }
    void client.invalidateQueries({ queryKey: ['classes'] });
  };
  return (
    <Dialog
      title="Delete the classes of a year"
      open
      onCancel={close}
      okText={those.length === 1 ? 'Delete this class' : `Delete these ${those.length} classes`}
      okButtonProps={{ danger: true }}
      onOk={() => void remove()}
    >
      <label className="field">
        Made in
        <Select
          aria-label="Made in"
          value={String(year)}
          options={years.map((y) => ({ value: String(y), label: String(y) }))}
          onChange={(y) => setYear(Number(y))}
        />
      </label>
      <ul className={cx('those')}>
        {those.map((c) => (
          <li key={c.id}>{c.name}</li>
        ))}
      </ul>
      <p>Their children and all that they did are removed at once. Nothing brings them back.</p>
      {why && <Alert type="warning" title={why} />}
    </Dialog>
  );
}

function NewClass({ close }: { close: () => void }) {
  const [name, setName] = useState('');
  const [list, setList] = useState('');
  const [why, setWhy] = useState('');
  const go = useNavigate();
  const make = async () => {
    try {
      const made = await classes.make(name, list);
      void go(`/class/${made.id}`);
    } catch (error) {
      setWhy(sentence(error));
    }
  };
  return (
    <Dialog
      title="New class"
      open
      onCancel={close}
      okText="Make the class"
      okButtonProps={{ disabled: name.trim() === '' }}
      onOk={() => void make()}
    >
      <label className="field">
        Name of the class
        <Input value={name} maxLength={40} onChange={(e) => setName(e.target.value)} />
      </label>
      <label className="field">
        First names or nicknames, one a line
        <Input.TextArea
          value={list}
          rows={8}
          placeholder={'Mirren\nJorn\nEvi'}
          onChange={(e) => setList(e.target.value)}
        />
      </label>
      <p>Nothing else is kept of a child but her name here and her work. Both can be deleted at any time.</p>
      {why && <Alert type="warning" title={why} />}
    </Dialog>
  );
}
