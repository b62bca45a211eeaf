// What was done in the school, as the server wrote it down: by whom, what, with which thing. The log
// has ids only; what a thing is called is told as long as it is there, and of children nothing.
import { useQuery } from '@tanstack/react-query';
import { Alert } from 'antd';
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import { sentence } from '../state/lesson';
import { accounts, type Deed } from '../state/teacher';
import css from './DeedsDialog.module.css';

const cx = names(css);

/** How many are shown. */
const SHOWN = 200;

export function DeedsDialog({ close }: { close: () => void }) {
  const deeds = useQuery({ queryKey: ['deeds'], queryFn: accounts.deeds, gcTime: 0 });
  const teachers = useQuery({ queryKey: ['teachers'], queryFn: accounts.all, gcTime: 0 });
  const nameOf = (id: string) => teachers.data?.find((t) => t.id === id)?.name ?? 'somebody who is gone';
  const wrong = deeds.error ?? teachers.error;
  return (
    <Dialog title="What was done" width={720} open footer={null} onCancel={close}>
      {wrong && <Alert type="warning" title={sentence(wrong)} />}
      <ol className={cx('deeds')}>
        {deeds.data?.slice(0, SHOWN).map((d, i) => (
          <li key={i}>
            <time dateTime={d.at}>{when.format(new Date(d.at))}</time>
            <span>{said(d, nameOf)}</span>
          </li>
        ))}
      </ol>
      {deeds.data?.length === 0 && <p>Nothing yet.</p>}
    </Dialog>
  );
}

const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** The things of deeds, as a teacher calls them. */
const THINGS: Record<string, string> = {
  lesson: 'the lesson',
  class: 'the class',
  pupil: 'a child',
  set: 'tasks',
};

const DID: Record<string, string> = {
  looked: 'looked at',
  made: 'made the account of',
  ended: 'ended the account of',
};

function said(d: Deed, nameOf: (id: string) => string): string {
  const who = d.teacher ? nameOf(d.teacher) : 'Nobody who was signed in';
  if (d.did === 'refused')
    return `A wrong passphrase for ${d.id ? nameOf(d.id) : 'a name that is not there'}`;
  if (d.did === 'invited')
    return d.id ? `${who} made a link for the passphrase of ${nameOf(d.id)}` : `${who} invited a colleague`;
  if (d.did === 'set a passphrase') return `${d.id ? nameOf(d.id) : who} set another passphrase`;
  if (d.did === 'made' && d.teacher === d.id) return `${who} made an account`;
  if (d.did === 'signed out' && d.of) return `${who} signed ${d.id ? nameOf(d.id) : 'everybody else'} out`;
  const verb = DID[d.did] ?? d.did;
  if (!d.of) return `${who} ${verb}`;
  if (d.of === 'teacher') return `${who} ${verb} ${nameOf(d.id ?? '')}`;
  const what = d.title ? `“${d.title}”` : d.of === 'pupil' ? '' : `${d.id ?? ''}, which is gone`;
  return `${who} ${verb} ${THINGS[d.of] ?? d.of} ${what}`.trim();
}
