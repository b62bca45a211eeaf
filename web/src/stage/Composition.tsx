// The board as it is composed: each model where the composition has put it, and what else it
// has put beside them.
import { useRef, type CSSProperties, type ReactNode } from 'react';
import { names } from '../shell/names';
import { finishBeats } from '../state/motion';
import css from './Composition.module.css';
import { Stage } from './Tile';
import { useComposition, type Composed } from './useComposition';

const cx = names(css);

interface Props {
  /** Whether written work has its place beside the models. */
  written?: boolean;
  /** Whether all stands in full light, not only what the step looks at. */
  all?: boolean;
  /** Whether the controls for building stand at the pieces. */
  building: boolean;
  children?: (composed: Composed) => ReactNode;
}

export function Composition({ written = false, all = true, building, children }: Props) {
  const ref = useRef<HTMLDivElement>(null);
  const composed = useComposition(ref, written, building);
  const style = composed && {
    '--unit': composed.unit,
    '--name': `${composed.name}px`,
    '--digit': `${composed.digit}px`,
  };
  return (
    <div
      ref={ref}
      className={cx(`board ${composed?.twoLines ? 'two-lines' : ''} ${all ? '' : 'lighted'}`)}
      style={style as CSSProperties}
      onPointerDown={finishBeats}
    >
      {composed && <Stage composed={composed} />}
      {composed && children?.(composed)}
    </div>
  );
}
