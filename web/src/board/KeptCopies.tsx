// Copies of earlier states beside a model: frozen, and not counted.
import { Button } from 'antd';
import { act } from '../state/acts';
import { type DrawnModel, type KeptModel } from '../state/lesson';
import { Backdrop, Numerals } from './Backdrop';
import { PieceShape } from './looks';
import { Fresh, Loops, Rings } from './Rings';
import { names } from '../shell/names';
import css from './KeptCopies.module.css';

const cx = names(css);

interface Props {
  model: DrawnModel;
  index: number;
  scale: number;
  gap: number;
  bare: boolean;
}

/** What the line between a copy and what follows takes of the gap, in pixels, as in the style sheet. */
const DIVIDER = 14;

export function KeptCopies({ model, index, scale, gap, bare }: Props) {
  return model.kept.map((k, i) => (
    <figure key={i} className={cx('kept-copy')} style={{ marginRight: Math.max(0, gap * scale - DIVIDER) }}>
      <figcaption>
        {k.flags.includes('ways') ? 'All ways' : 'Before'}
        {!bare && (
          <Button
            type="text"
            className={cx('small')}
            aria-label={`Put kept copy ${i + 1} away`}
            onClick={() => act({ kind: 'dropKept', model: index, index: i })}
          >
            ×
          </Button>
        )}
      </figcaption>
      <svg
        width={k.w * scale}
        height={k.h * scale}
        viewBox={`0 0 ${k.w} ${k.h}`}
        role="img"
        aria-label={`Kept copy ${i + 1}`}
      >
        <StillPieces kept={k} />
      </svg>
    </figure>
  ));
}

/** A model as it lies, without anything to touch. */
export function StillPieces({ kept }: { kept: Pick<KeptModel, 'zones' | 'decor' | 'pieces' | 'flags'> }) {
  return (
    <>
      {kept.zones
        .filter((z) => z.one || z.role === 'taken')
        .map((z) => (
          <rect
            key={z.id}
            className={cx(z.one ? 'still-column' : 'still-tray')}
            x={z.x}
            y={z.y}
            width={z.w}
            height={z.h}
          />
        ))}
      <Backdrop decor={kept.decor} />
      {kept.pieces.map((p) => (
        <g key={p[0]} className={cx('piece')} transform={`translate(${p[2]} ${p[3]})`}>
          <PieceShape piece={p} flags={kept.flags} />
        </g>
      ))}
      <Rings pieces={kept.pieces} />
      <Loops pieces={kept.pieces} />
      <Fresh pieces={kept.pieces} />
      {kept.flags.includes('numerals') && <Numerals decor={kept.decor} />}
    </>
  );
}
