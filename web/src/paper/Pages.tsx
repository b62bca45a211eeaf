// Pages as they are printed, and the choices that all that is printed has.
import { Checkbox, Radio } from 'antd';
import { memo, useEffect, useRef, useState, type CSSProperties, type ReactNode } from 'react';
import { names } from '../shell/names';
import css from './PaperPage.module.css';
import { AnswerList } from './TaskItems';
import { usePages, type Block } from './usePages';

const cx = names(css);

/** Sizes in millimetres. */
const SIZES = { A4: { w: 210, h: 297 }, Letter: { w: 215.9, h: 279.4 } };
const turned = ({ w, h }: { w: number; h: number }) => ({ w: h, h: w });
const WIDE = { A4: turned(SIZES.A4), Letter: turned(SIZES.Letter) };
export type PaperSize = keyof typeof SIZES;
const MARGIN = 15;
const FOOT = 8;

/** A size of paper, upright or wide, in millimetres. */
export const paperOf = (size: PaperSize, wide = false) => (wide ? WIDE : SIZES)[size];

export function Group({ name, children }: { name: string; children: ReactNode }) {
  return (
    <fieldset className={cx('group')}>
      <legend>{name}</legend>
      {children}
    </fieldset>
  );
}

interface PaperChoiceProps {
  size: PaperSize;
  setSize: (size: PaperSize) => void;
  mono: boolean;
  setMono: (mono: boolean) => void;
  children?: ReactNode;
}

export function PaperChoice({ size, setSize, mono, setMono, children }: PaperChoiceProps) {
  return (
    <Group name="Paper">
      <Radio.Group
        value={size}
        options={Object.keys(SIZES)}
        onChange={(e) => setSize(e.target.value as PaperSize)}
      />
      <Checkbox checked={mono} onChange={(e) => setMono(e.target.checked)}>
        Black and white
      </Checkbox>
      {children}
    </Group>
  );
}

/** The answers, on a page of their own; whose they are where each has her own. */
export const answerBlocks = (answers: string[][], of = 'answers', whose?: string): Block[] => [
  {
    key: `${of} head`,
    begins: true,
    heads: true,
    node: <h2 className={cx('answers-head')}>{whose ? `Answers: ${whose}` : 'Answers'}</h2>,
  },
  { key: of, node: <AnswerList answers={answers} /> },
];

/** The head of a sheet: whose it is, and when. */
export function Head({ title, name }: { title: string; name?: string }) {
  return (
    <div className={cx('head')}>
      <span>{title}</span>
      {name ? <b>{name}</b> : <i>Name</i>}
      <i>Date</i>
    </div>
  );
}

interface PagesProps {
  blocks: Block[];
  paper: { w: number; h: number };
  mono: boolean;
  foot: string;
  empty: string;
}

/** Millimetres in pixels, as the browser has them. */
const MM = 96 / 25.4;

/** The pages, drawn anew only where what is printed is another: a page holds thousands of shapes. */
export const Pages = memo(function Pages({ blocks, paper, mono, foot, empty }: PagesProps) {
  const room = paper.h - 2 * MARGIN - FOOT;
  const { measure, pages } = usePages(blocks, room * MM);
  const width = paper.w - 2 * MARGIN;
  const [fit, setFit] = useState(1);
  const desk = useRef<HTMLElement>(null);
  useEffect(() => {
    const room = new ResizeObserver(([desk]) =>
      setFit(Math.min(1, desk!.contentRect.width / (paper.w * MM))),
    );
    room.observe(desk.current!);
    return () => room.disconnect();
  }, [paper.w]);
  return (
    <main
      ref={desk}
      tabIndex={0}
      className={cx(mono ? 'pages mono' : 'pages')}
      style={{ '--room': `${room}mm`, '--fit': fit } as CSSProperties}
    >
      <style>{`@page { size: ${paper.w}mm ${paper.h}mm; margin: 0; }`}</style>
      <div className={cx('measure')} aria-hidden inert>
        <div ref={measure} style={{ width: `${width}mm` }}>
          {blocks.map((b) => (
            <div key={b.key} className={cx('block')}>
              {b.node}
            </div>
          ))}
        </div>
      </div>
      {blocks.length === 0 && <p className={cx('empty')}>{empty}</p>}
      {pages.map((page, i) => (
        <section
          key={i}
          className={cx('page')}
          style={{ width: `${paper.w}mm`, height: `${paper.h}mm`, '--high': `${paper.h}mm` } as CSSProperties}
          aria-label={`Page ${i + 1} of ${pages.length}`}
        >
          {page.map((k) => (
            <div key={blocks[k]!.key} className={cx('block')}>
              {blocks[k]!.node}
            </div>
          ))}
          <footer>
            <span>{foot}</span>
            <span>
              {i + 1} / {pages.length}
            </span>
          </footer>
        </section>
      ))}
    </main>
  );
});
