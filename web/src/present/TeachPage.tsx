// The teacher's window: on her own screen the prompt, the answer, what comes next, her notes
// and a clock, while what the class sees stays clean.
import { Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { useParams } from 'react-router';
import { largest, Pictured } from '../paper/Pictured';
import { names } from '../shell/names';
import { lookTold } from '../state/lesson';
import { useClassWindow, type Press, type Told } from './link';
import css from './TeachPage.module.css';

const cx = names(css);

const keys: Record<string, Press> = {
  ArrowRight: 'forward',
  PageDown: 'forward',
  ' ': 'forward',
  ArrowLeft: 'backward',
  PageUp: 'backward',
  r: 'reveal',
};

export function TeachPage() {
  const { id = '' } = useParams();
  const { told, press, aside } = useClassWindow(id);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const what = keys[e.key.length === 1 ? e.key.toLowerCase() : e.key];
      if (!what || (e.target as Element).closest('input, textarea')) return;
      e.preventDefault();
      press(what);
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  });
  useEffect(() => {
    document.title = told ? `${told.outline.title} – for the teacher` : 'Unit Bloom';
  }, [told]);
  if (!told) {
    return (
      <main className={cx('alone')}>
        <h1>The teacher’s window</h1>
        <p role="status">The class’s window is not open. Press Present there, and leave it open.</p>
      </main>
    );
  }
  const { frame, outline } = told;
  const scene = outline.scenes.find((s) => s.id === frame.scene);
  return (
    <main className={cx('teach')}>
      <header>
        <h1>{scene?.title}</h1>
        <Clock />
      </header>
      <section aria-label="Now" className={cx('now')}>
        <h2>
          {frame.steps > 0
            ? `Step ${Math.min(frame.step + (frame.phase ? 1 : 0), frame.steps)} of ${frame.steps}`
            : 'Free board'}
        </h2>
        <Now told={told} />
        <Seen models={told.models} />
      </section>
      <section aria-label="What comes next" className={cx('next')}>
        <h2>What comes next</h2>
        <Coming told={told} />
      </section>
      <Aside key={frame.scene} text={scene?.aside ?? ''} keep={(text) => aside(frame.scene, text)} />
      <footer>
        <Button size="large" onClick={() => press('backward')}>
          Back
        </Button>
        <Button size="large" disabled={!frame.open && frame.secrets === 0} onClick={() => press('reveal')}>
          Reveal
        </Button>
        <Button size="large" type="primary" onClick={() => press('forward')}>
          Next
        </Button>
      </footer>
    </main>
  );
}

/** What the class looks at, so that she need not turn round. */
function Seen({ models }: Pick<Told, 'models'>) {
  if (models.length === 0) return null;
  return (
    <div className={cx('seen on-paper')}>
      <Pictured models={models} room={largest([{ models }])} name="What the class sees" counted centred />
    </div>
  );
}

/** What is said and asked, with the answer that the class does not have yet. */
function Now({ told: { frame, outline } }: { told: Told }) {
  const scene = outline.scenes.find((s) => s.id === frame.scene);
  const step = scene?.steps[frame.phase ? frame.step : frame.step - 1];
  if (!step) return <p>{frame.steps > 0 ? 'The beginning: nothing is said yet.' : 'What you do by hand.'}</p>;
  return (
    <>
      {step.say && <p>{step.say}</p>}
      {step.ask && <p className={cx('asked')}>{step.ask}</p>}
      {step.answer && (
        <p className={cx('answer')}>
          {frame.open && <small>Held back </small>}
          {step.answer}
        </p>
      )}
      {step.look && <p className={cx('look')}>{lookTold(scene?.page, step.look)}</p>}
    </>
  );
}

/** The step after, or the scene after. */
function Coming({ told: { frame, outline } }: { told: Told }) {
  const at = outline.scenes.findIndex((s) => s.id === frame.scene);
  const step = outline.scenes[at]?.steps[frame.phase ? frame.step + 1 : frame.step];
  if (step) {
    return (
      <p>
        {step.say} {step.ask && <b>{step.ask}</b>} {!step.say && !step.ask && step.answer}
      </p>
    );
  }
  const scene = outline.scenes[at + 1];
  if (!scene) return <p>The end of the lesson.</p>;
  return <p>{scene.title ? `${scene.title}: the next scene.` : 'The next scene.'}</p>;
}

interface AsideProps {
  text: string;
  keep: (text: string) => void;
}

/** What she has noted for herself; it is kept when she has written it. */
function Aside({ text, keep }: AsideProps) {
  const [now, setNow] = useState(text);
  return (
    <label className={cx('aside')}>
      <h2>My notes</h2>
      <Input.TextArea
        value={now}
        maxLength={2000}
        autoSize={{ minRows: 4 }}
        onChange={(e) => setNow(e.target.value)}
        onBlur={() => now !== text && keep(now)}
      />
    </label>
  );
}

/** The time, and how long this window has been open. */
function Clock() {
  const [began] = useState(() => Date.now());
  const [now, setNow] = useState(began);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  const minutes = Math.floor((now - began) / 60_000);
  const time = new Date(now).toLocaleTimeString(undefined, { hour: 'numeric', minute: '2-digit' });
  return (
    <p className={cx('clock')} role="timer" aria-label={`${time}, ${minutes} minutes`}>
      {time} <small>{minutes} min</small>
    </p>
  );
}
