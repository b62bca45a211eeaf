// A worked example on paper: a strip of its steps, each with its picture, what is said and
// asked, and the written work.
import type { ReactNode } from 'react';
import { Face } from '../board/Face';
import type { Panels } from '../core/core';
import { Lines } from '../record/Lines';
import { Written } from '../record/Written';
import { names } from '../shell/names';
import css from './Strip.module.css';
import { largest, Pictured } from './Pictured';
import type { Block } from './usePages';

const cx = names(css);

type Panel = Panels['panels'][number];

/** Where the answers of a strip stand. */
export type AnswersAt = 'page' | 'turned' | 'nowhere';

/** Written work has something in it. */
const wrote = (p: Panel | undefined) => (p?.written?.cells.length ?? 0) > 0;

export function stripBlocks(title: string, panels: Panel[], answers: AnswersAt): Block[] {
  const room = largest(panels.map((p) => p.board));
  // Where nothing moved, the picture of the step before says it all.
  const cells = panels.map((p, i) => (
    <Step
      key={i}
      n={i + 1}
      panel={p}
      before={panels[i - 1]}
      room={room}
      answered={answers === 'page'}
      pictured={!p.still || i === 0}
    />
  ));
  const blocks: Block[] = [{ key: 'title', heads: true, node: <h2 className={cx('title')}>{title}</h2> }];
  for (let i = 0; i < cells.length; i += 2) {
    blocks.push({ key: `steps ${i}`, node: <div className={cx('two')}>{cells.slice(i, i + 2)}</div> });
  }
  const last = panels.at(-1);
  if (last && panels.length > 1 && (last.written || last.lines.length > 0) && answers === 'page') {
    blocks.push({
      key: 'written',
      node: (
        <div className={cx('whole-work')}>
          {last.written && <Written work={last.written} still />}
          {last.lines.length > 0 && <Lines lines={last.lines} />}
        </div>
      ),
    });
  }
  if (answers === 'turned') {
    const told = panels.flatMap((p, i) =>
      p.prompt.ask && p.prompt.answer ? `${i + 1}. ${p.prompt.answer}` : [],
    );
    if (told.length > 0) {
      blocks.push({
        key: 'answers',
        node: (
          <ul className={cx('turned')} aria-label="Answers, turned over">
            {told.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        ),
      });
    }
  }
  return blocks;
}

interface StepProps {
  n: number;
  panel: Panel;
  before: Panel | undefined;
  room: { w: number; h: number };
  answered: boolean;
  pictured: boolean;
}

function Step({ n, panel, before, room, answered, pictured }: StepProps) {
  const { prompt, board } = panel;
  const fresh = panel.lines.slice(before?.lines.length ?? 0);
  const grid =
    panel.written && wrote(panel) && panel.written.cells.length !== before?.written?.cells.length
      ? panel.written
      : undefined;
  return (
    <section className={cx('step')} aria-label={`Step ${n}`}>
      <span className={cx('n')}>{n}</span>
      <div className={cx('said')}>
        {prompt.say && <p>{prompt.say}</p>}
        {prompt.ask && <p className={cx('ask')}>{prompt.ask}</p>}
        {prompt.answer && (answered || !prompt.ask) && <p className={cx('answer')}>{prompt.answer}</p>}
        {prompt.ask && !answered && <p className={cx('line')} />}
      </div>
      <div className={cx('shown')}>
        {pictured && (
          <span className={cx('picture')}>
            <Pictured models={board.models} room={room} name={`The board after step ${n}`} />
          </span>
        )}
        {grid && (answered || !prompt.ask) && (
          <span className={cx('grid')}>
            <Written work={grid} still />
          </span>
        )}
      </div>
      {fresh.length > 0 && (answered || !prompt.ask) && (
        <div className={cx('fresh')}>
          <Lines lines={fresh} />
        </div>
      )}
    </section>
  );
}

/** A board as a poster, as large as the page lets it be; the code that opens it below. */
export function posterBlocks(title: string, panel: Panel | undefined, code: ReactNode): Block[] {
  if (!panel) return [];
  const { models } = panel.board;
  const told = models.flatMap((m) =>
    m.readouts.filter((r) => r.shown && r.text !== title).map((r) => r.text),
  );
  return [
    {
      key: 'poster',
      node: (
        <figure className={cx('poster')}>
          <figcaption>{title}</figcaption>
          <span className={cx('large')}>
            <Face models={models} name={title} />
          </span>
          {told.length > 0 && (
            <ul>
              {told.map((text) => (
                <li key={text}>{text}</li>
              ))}
            </ul>
          )}
          {code}
        </figure>
      ),
    },
  ];
}
