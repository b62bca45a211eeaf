// A show of hands: up to four answers, whose hands are counted unseen until all have chosen.
// They stay in sight until the pieces have decided and the class goes on.
import { Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import { call } from '../core/core';
import { useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './HandsBar.module.css';

const cx = names(css);

const MOST = 4;

export function HandsBar({ close }: { close: () => void }) {
  const [texts, setTexts] = useState(['', '']);
  const [hands, setHands] = useState<number[]>();
  const [shown, setShown] = useState(false);
  const handle = useLesson((s) => s.handle);
  const offered = useMemo(() => call('hands', { handle }).answers, [handle]);
  const answers = texts.map((t) => t.trim()).filter((t) => t !== '');
  if (!hands) {
    return (
      <form
        className={cx('bar-below hands-bar')}
        aria-label="A show of hands"
        onSubmit={(e) => {
          e.preventDefault();
          if (answers.length > 1) setHands(answers.map(() => 0));
        }}
      >
        {texts.map((text, i) => (
          <Input
            key={i}
            aria-label={`Answer ${i + 1}`}
            placeholder={`Answer ${i + 1}`}
            value={text}
            maxLength={40}
            onChange={(e) => setTexts(texts.map((t, k) => (k === i ? e.target.value : t)))}
            onKeyDown={(e) => {
              if (e.key === 'Escape') close();
            }}
            autoComplete="off"
            spellCheck={false}
            autoFocus={i === 0}
          />
        ))}
        {offered.length > 1 && <Button onClick={() => setTexts(offered)}>Offer answers</Button>}
        {texts.length < MOST && <Button onClick={() => setTexts([...texts, ''])}>One more answer</Button>}
        <Button type="primary" htmlType="submit" disabled={answers.length < 2}>
          Who thinks so?
        </Button>
        <Button onClick={close}>Done</Button>
      </form>
    );
  }
  const raise = (i: number, by: number) => setHands(hands.map((n, k) => (k === i ? Math.max(0, n + by) : n)));
  return (
    <section className={cx('bar-below hands-bar')} aria-label="A show of hands">
      {answers.map((answer, i) => (
        <div key={i} className={cx('answer')}>
          <b>{answer}</b>
          {shown ? (
            <output aria-label={`Hands for ${answer}`}>{hands[i]}</output>
          ) : (
            <>
              <Button aria-label={`One hand fewer for ${answer}`} onClick={() => raise(i, -1)}>
                −
              </Button>
              <Button aria-label={`One hand more for ${answer}`} onClick={() => raise(i, 1)}>
                +
              </Button>
            </>
          )}
        </div>
      ))}
      <Button type="primary" onClick={() => setShown(!shown)}>
        {shown ? 'Count on' : 'Show the hands'}
      </Button>
      <Button onClick={close}>Done</Button>
    </section>
  );
}
