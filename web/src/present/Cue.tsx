// The prompt line: what is said, what is asked, and the answer once it is given.
import { useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './Cue.module.css';

const cx = names(css);

interface Props {
  /** The title of the scene, which stands there before the first step. */
  title: string;
  /** Whether the class says this step by itself. */
  yourTurn: boolean;
}

export function Cue({ title, yourTurn }: Props) {
  const { phase, open, step, prompt } = useLesson((s) => s.frame);
  return (
    <section className={cx('cue')} aria-live="polite" aria-label="Prompt">
      {step === 0 && phase === '' ? (
        <p className={cx('cue-say')}>{title}</p>
      ) : (
        <>
          {(yourTurn || prompt.say) && (
            <p className={cx('cue-say')}>{yourTurn ? 'Your turn.' : prompt.say}</p>
          )}
          {prompt.ask && <p className={cx('cue-ask')}>{yourTurn ? 'What comes next?' : prompt.ask}</p>}
          {prompt.ask && (
            <p className={cx('cue-answer')} aria-hidden={open}>
              {open ? '\u00a0' : prompt.answer}
            </p>
          )}
        </>
      )}
    </section>
  );
}
