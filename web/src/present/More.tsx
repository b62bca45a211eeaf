// The one place for all but Back, Reveal and Next: what is done with the class, what is seen,
// how the lesson goes on, and what becomes of this showing.
import { Button } from 'antd';
import { useEffect, useRef, type ReactNode } from 'react';
import { Sheet } from '../shell/later';
import { names } from '../shell/names';
import css from './More.module.css';

const cx = names(css);

/** One thing to press: its word, and the key that does the same. */
export interface Deed {
  word: string;
  key?: string;
  run: () => void;
  /** Whether it is on now, for what is on or off. */
  on?: boolean;
  /** Whether nothing can come of it here: it is not among what can be pressed then. */
  off?: boolean;
}

export interface Deeds {
  title: string;
  deeds: Deed[];
}

interface Props extends PlayProps {
  groups: Deeds[];
  /** Whether the scene has steps to go on with. */
  steps: boolean;
}

export function More({ groups, steps, ...play }: Props) {
  return (
    <Sheet
      anew
      atEnd
      content={(close) => (
        <Opened close={close}>
          {groups.map(({ title, deeds }) => (
            <section key={title} aria-label={title}>
              <h2>{title}</h2>
              {deeds
                .filter((deed) => !deed.off)
                .map((deed) => (
                  <button
                    key={deed.word}
                    type="button"
                    className={cx('deed')}
                    aria-pressed={deed.on}
                    onClick={() => {
                      close();
                      deed.run();
                    }}
                  >
                    <span>{deed.word}</span>
                    {deed.key && <kbd>{deed.key}</kbd>}
                  </button>
                ))}
              {steps && title === 'Going on' && <Play {...play} close={close} />}
            </section>
          ))}
        </Opened>
      )}
    >
      <Button>More</Button>
    </Sheet>
  );
}

export interface PlayProps {
  pace: number;
  setPace: (seconds: number) => void;
  theirs: number;
  setTheirs: (steps: number) => void;
}

const paces: [number, string][] = [
  [0, 'When I press'],
  [4, 'Every 4 seconds'],
  [7, 'Every 7 seconds'],
  [12, 'Every 12 seconds'],
];
const turns: [number, string][] = [
  [0, 'No turns'],
  [1, 'The last step'],
  [2, 'The last two'],
  [500, 'All steps'],
];

/** How the example goes on, and which of its last steps are the class's. */
function Play({ pace, setPace, theirs, setTheirs, close }: PlayProps & { close: () => void }) {
  const choice = (label: string, now: number, among: typeof paces, choose: (n: number) => void) => (
    <label className={cx('choice')}>
      <span>{label}</span>
      <select
        value={now}
        onChange={(e) => {
          close();
          choose(Number(e.target.value));
        }}
      >
        {among.map(([n, word]) => (
          <option key={n} value={n}>
            {word}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <>
      {choice('Goes on', pace, paces, setPace)}
      {choice('Your turn', theirs, turns, setTheirs)}
    </>
  );
}

/** What stands in the sheet while it is open: the focus goes there, and Escape closes it. */
function Opened({ close, children }: { close: () => void; children: ReactNode }) {
  const sheet = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // It cannot have the focus before it is seen.
    const timer = setTimeout(() => sheet.current?.focus({ preventScroll: true }), FADE_MS);
    const onKey = (e: KeyboardEvent) => {
      if (e.key === 'Escape') close();
    };
    addEventListener('keydown', onKey, true);
    return () => {
      clearTimeout(timer);
      removeEventListener('keydown', onKey, true);
    };
  });
  return (
    <div ref={sheet} className={cx('more')} tabIndex={-1} role="dialog" aria-label="More">
      <div className={cx('groups')}>{children}</div>
    </div>
  );
}

/** How long a sheet takes to be seen, in milliseconds. */
const FADE_MS = 80;
