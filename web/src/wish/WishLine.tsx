// One line for what the class shall see. What it was understood as is said and shown, with
// the other ways to show it; Enter takes it.
import { Button, Input } from 'antd';
import { useDeferredValue, useId, useMemo, useState } from 'react';
import { Face } from '../board/Face';
import { loadCore, type Vocabulary, type Wished } from '../core/core';
import { names } from '../shell/names';
import { sentence } from '../state/lesson';
import { school } from '../state/school';
import { understand, useCore } from './understand';
import css from './WishLine.module.css';

const cx = names(css);

export type Way = { method: string; model: string };

interface Props {
  words: Vocabulary | undefined;
  /** What the line is taken for, and in which of the ways. */
  take: (text: string, as: Way | undefined, wished: Wished) => void;
  /** What stands on its button. */
  verb: string;
  /** What it asks for, above it. */
  label: string;
  autoFocus?: boolean;
  /** What else comes first. */
  waits?: boolean;
}

export function WishLine({ words, take, verb, label, autoFocus, waits = false }: Props) {
  const [text, setText] = useState('');
  const [as, setAs] = useState<Way>();
  const there = useCore(!waits || text !== '');
  const sought = useDeferredValue(text);
  const said = useId();
  const wished = useMemo(() => {
    if (!there || !words || sought.trim() === '') return undefined;
    try {
      return understand(sought, words, as);
    } catch (error) {
      return { why: sentence(error) };
    }
  }, [there, words, sought, as]);
  const granted = wished && 'lesson' in wished ? wished : undefined;
  const faults = wished && 'faults' in wished ? wished.faults : [];
  const go = (way = as) => {
    if (text.trim() === '') return;
    const run = (of: Vocabulary) => {
      const now = understand(text, of, way);
      if (now.lesson) take(text, way, now);
    };
    if (there && words) return run(words);
    // Enter was pressed before all was there: it is not forgotten.
    void loadCore()
      .then(async () => run(words ?? (await school()).words))
      .catch(() => undefined);
  };
  const lines = text.split('\n').length;
  return (
    <section className={cx('wish')} aria-label={label}>
      <form
        className={cx('line')}
        onSubmit={(e) => {
          e.preventDefault();
          go();
        }}
      >
        <Input.TextArea
          variant="borderless"
          className={cx('text')}
          autoSize={{ minRows: 1, maxRows: 8 }}
          aria-label={label}
          aria-describedby={said}
          placeholder="58 + 67, 146, 97 ÷ 4, 8 and 6 on a rack …"
          value={text}
          maxLength={20_000}
          spellCheck={false}
          autoFocus={autoFocus}
          onChange={(e) => {
            setText(e.target.value);
            setAs(undefined);
          }}
          onKeyDown={(e) => {
            if (e.key !== 'Enter' || e.shiftKey || e.nativeEvent.isComposing) return;
            e.preventDefault();
            go();
          }}
        />
        <Button type="primary" size="large" htmlType="submit" disabled={!granted}>
          {verb}
        </Button>
      </form>
      <div id={said} aria-live="polite" className={cx('said')}>
        {granted &&
          (granted.as.label || `${lines > 1 ? 'A list of' : 'A lesson of'} ${granted.lesson!.scenes.length}`)}
        {wished && 'why' in wished && wished.why}
        {faults.length > 0 && (
          <ul className={cx('faults')}>
            {faults.map((f) => (
              <li key={f.line}>
                {lines > 1 && `Line ${f.line}: `}
                {f.why}
              </li>
            ))}
          </ul>
        )}
      </div>
      {granted && granted.as.label && (
        <ul className={cx('ways')} aria-label="Ways to show it">
          {[granted.as, ...granted.others].map((way) => (
            <li key={`${way.method} ${way.model}`}>
              <button
                type="button"
                className={cx('way')}
                aria-pressed={way === granted.as}
                onClick={() => go({ method: way.method, model: way.model })}
              >
                <Face models={way.face.models} />
                <span>{way.label}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
