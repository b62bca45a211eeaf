// What the board says back: a refusal in plain sight, and each act announced
// politely to those who listen.
import { Button } from 'antd';
import { useEffect } from 'react';
import { act } from '../state/acts';
import { dismissNotice, useLesson } from '../state/lesson';
import { names } from './names';
import css from './Notices.module.css';

const cx = names(css);

const SHOWN_MS = 7000;

export function Notices() {
  const notice = useLesson((s) => s.notice);
  const announce = useLesson((s) => s.announce);
  useEffect(() => {
    if (!notice) return;
    const timer = setTimeout(dismissNotice, SHOWN_MS);
    return () => clearTimeout(timer);
  }, [notice]);
  return (
    <>
      <div className={cx('sr-only')} role="status" aria-live="polite">
        {announce}
      </div>
      <div role="alert" className={cx('notice-room')}>
        {notice && (
          <button
            key={notice.at}
            type="button"
            className={cx(`notice ${notice.kind}`)}
            onClick={dismissNotice}
          >
            {notice.text}
          </button>
        )}
        {notice?.offer && (
          <Button
            type="primary"
            size="large"
            className={cx('offer')}
            onClick={() => {
              dismissNotice();
              act(notice.offer!.move);
            }}
          >
            {notice.offer.label}
          </Button>
        )}
      </div>
    </>
  );
}
