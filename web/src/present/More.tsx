// The one place for all but Back, Reveal and Next: what is done with the class, what is seen,
// how the lesson goes on, and what becomes of this showing.
import { Button } from 'antd';
import { WordMenu } from '../board/controls';
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
  off?: boolean;
}

export interface Deeds {
  title: string;
  deeds: Deed[];
}

interface Props extends PlayProps {
  groups: Deeds[];
}

export function More({ groups, ...play }: Props) {
  return (
    <Sheet
      anew
      content={(close) => (
        <div className={cx('more')}>
          {groups.map(({ title, deeds }) => (
            <section key={title} aria-label={title}>
              <h2>{title}</h2>
              {deeds.map((deed) => (
                <button
                  key={deed.word}
                  type="button"
                  className={cx('deed')}
                  disabled={!!deed.off}
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
              {title === 'Going on' && <PlayMenu {...play} close={close} />}
            </section>
          ))}
        </div>
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

/** How the example goes on, and which of its last steps are the class's. */
function PlayMenu({ pace, setPace, theirs, setTheirs, close }: PlayProps & { close: () => void }) {
  const pick = (run: () => void) => () => {
    close();
    run();
  };
  return (
    <WordMenu
      label="Play"
      words={[
        ...[4, 7, 12].map((s) => ({
          label: `By itself, every ${s} seconds`,
          on: pace === s,
          run: pick(() => setPace(s)),
        })),
        { label: 'By hand', on: pace === 0, run: pick(() => setPace(0)) },
        'line',
        { label: 'Your turn: the last step', on: theirs === 1, run: pick(() => setTheirs(1)) },
        { label: 'Your turn: the last two', on: theirs === 2, run: pick(() => setTheirs(2)) },
        { label: 'Your turn: all steps', on: theirs === 500, run: pick(() => setTheirs(500)) },
        { label: 'No turns', on: theirs === 0, run: pick(() => setTheirs(0)) },
      ]}
    />
  );
}
