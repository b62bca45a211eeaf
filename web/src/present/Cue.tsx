// The prompt line: what is said, what is asked, and the answer once it is given. It has the
// height of the tallest prompt of its scene, so that the board below it stands still.
import { useLayoutEffect, useRef, useState, type RefObject } from 'react';
import type { Outline } from '../core/core';
import { useSize } from '../board/geometry';
import { useLesson, usePage } from '../state/lesson';
import { names } from '../shell/names';
import { together } from '../shell/together';
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
  const word = usePage() === 'word';
  const section = useRef<HTMLElement>(null);
  const height = useTallest(section, word ? title : '');
  return (
    <section
      ref={section}
      className={cx('cue')}
      style={{ minHeight: height }}
      aria-live="polite"
      aria-label="Prompt"
    >
      {word ? (
        <>
          <p className={cx('cue-word')}>{title}</p>
          <p className={cx('cue-say')}>
            {together(prompt.say) || '\u00a0'} <span className={cx('cue-ask')}>{together(prompt.look)}</span>
          </p>
        </>
      ) : step === 0 && phase === '' ? (
        <p className={cx('cue-say')}>{title}</p>
      ) : (
        <>
          <p className={cx('cue-say')}>
            <span className={cx('cue-said')}>{yourTurn ? 'Your turn.' : together(prompt.say)}</span>{' '}
            {prompt.ask && (
              <span className={cx('cue-ask')}>{yourTurn ? 'What comes next?' : together(prompt.ask)}</span>
            )}
          </p>
          {prompt.ask && (
            <p className={cx('cue-answer')} aria-hidden={open}>
              {open ? '\u00a0' : together(prompt.answer)}
            </p>
          )}
        </>
      )}
    </section>
  );
}

type Step = Outline['scenes'][number]['steps'][number];

/** The height of the tallest prompt of the scene; measured, and out of the page again before it is seen. */
function useTallest(section: RefObject<HTMLElement | null>, word: string): number | undefined {
  const steps = useLesson((s) => s.outline.scenes.find((x) => x.id === s.frame.scene)?.steps);
  const { w } = useSize(section);
  const [height, setHeight] = useState<number>();
  useLayoutEffect(() => {
    const now = section.current;
    if (!now || !steps || w === 0) return;
    const measure = () => {
      const trial = now.cloneNode(false) as HTMLElement;
      trial.removeAttribute('aria-live');
      trial.style.cssText = `position:absolute;visibility:hidden;min-height:0;width:${now.offsetWidth}px`;
      now.parentElement?.append(trial);
      setHeight(Math.max(...steps.map((step) => heightOf(trial, step, word)), 0) || undefined);
      trial.remove();
    };
    measure();
    let gone = false;
    void document.fonts.ready.then(() => !gone && measure());
    return () => {
      gone = true;
    };
  }, [section, steps, w, word]);
  return height;
}

function heightOf(trial: HTMLElement, step: Step, word: string): number {
  const made = (tag: string, name: string, text: string) => {
    const el = document.createElement(tag);
    el.className = cx(name) ?? '';
    el.textContent = together(text);
    return el;
  };
  const said = made('p', 'cue-say', word ? `${step.say} ` : '');
  if (!word) said.append(made('span', 'cue-said', step.say), ' ');
  said.append(made('span', 'cue-ask', word ? step.look : step.ask));
  trial.replaceChildren(
    ...(word ? [made('p', 'cue-word', word)] : []),
    said,
    ...(step.ask ? [made('p', 'cue-answer', step.answer || '\u00a0')] : []),
  );
  return Math.ceil(trial.getBoundingClientRect().height);
}
