// What stands between this page and the server: said in plain words, with what can be
// done about it.
import { Button } from 'antd';
import { call } from '../core/core';
import { download } from './download';
import { useLesson } from '../state/lesson';
import { keepAsCopy, sendAgain } from '../state/session';
import { names } from './names';
import css from './Saving.module.css';

const cx = names(css);

/** "Saved" is said only when the server has acknowledged everything. */
export function SaveWord() {
  const save = useLesson((s) => s.save);
  const readOnly = useLesson((s) => s.readOnly);
  const word = readOnly
    ? 'Reading only'
    : save.unsent === 0
      ? 'Saved'
      : save.why === undefined
        ? 'Saving…'
        : `${changes(save.unsent)} not saved`;
  const state = save.unsent === 0 ? 'saved' : save.why === undefined ? 'saving' : 'waiting';
  return (
    // Each act is told once: that it is saved is told where it is not.
    <span className={cx(`save-state ${state}`)} role={state === 'waiting' ? 'status' : undefined}>
      {word}
    </span>
  );
}

export const changes = (n: number) => (n === 1 ? '1 change' : `${n} changes`);

/** Where work that is not saved is kept, as a sentence. */
export function whereKept(n: number, kept: boolean): string {
  const [they, are] = n === 1 ? ['it', 'is'] : ['they', 'are'];
  return kept
    ? `Until ${they} can be sent, ${they} ${are} kept on this device.`
    : `This device keeps nothing: ${they} ${are} only in this page, so do not close it.`;
}

/** Why changes are not saved, and what can be done: shown as long as it stands. */
export function SaveBanner() {
  const save = useLesson((s) => s.save);
  const title = useLesson((s) => s.outline.title);
  const stuck = save.unsent > 0 && save.why !== undefined;
  if (!stuck && save.kept) return null;
  if (!stuck) {
    return (
      <div className={cx('save-banner')} role="status">
        <span>This browser keeps nothing on the device. Leave this page only when it says Saved.</span>
      </div>
    );
  }
  return (
    <div className={cx('save-banner')} role="status">
      <span>
        <b>{changes(save.unsent)} not saved.</b> {save.why} {whereKept(save.unsent, save.kept)}
      </span>
      <span className={cx('banner-actions')}>
        <Button onClick={sendAgain}>Try again</Button>
        <Button onClick={() => void keepAsCopy()}>Keep as a copy</Button>
        <Button onClick={() => saveAsFile(title)}>Save as a file</Button>
      </span>
    </div>
  );
}

/** The whole lesson as this page has it, as a file. */
export function saveAsFile(title: string) {
  const lesson = call('document', { handle: useLesson.getState().handle });
  download(JSON.stringify(lesson, null, 2), `${fileName(title)}.json`, 'application/json');
}

export const fileName = (title: string) =>
  (title || 'lesson')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase();
