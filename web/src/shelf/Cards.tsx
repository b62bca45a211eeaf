// The cards of the shelf, as many as are in sight; the next come as they are wanted.
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { WindowVirtualizer } from 'virtua';
import type { ShelfLine } from '../state/api';
import { names } from '../shell/names';
import { Card } from './Card';
import css from './Cards.module.css';
import type { Shelf } from './useShelf';

const cx = names(css);

/** A card is at least so wide, in pixels; between them is a gap. */
const WIDE = 270;
const GAP = 18;
/** About how high a row is, in pixels, before one has been measured: so many rows are drawn at first. */
const HIGH = 250;

interface Props {
  shelf: Shelf;
  chosen: ReadonlySet<string>;
  choose: (id: string) => void;
}

export function Cards({ shelf, chosen, choose }: Props) {
  const ref = useRef<HTMLDivElement>(null);
  const across = useAcross(ref);
  const { lessons, parts } = shelf;
  const rows: ShelfLine[][] = [];
  for (let i = 0; i < lessons.length; i += across) rows.push(lessons.slice(i, i + across));
  return (
    <div ref={ref} className={cx('cards')}>
      <WindowVirtualizer itemSize={HIGH}>
        {rows.map((row) => (
          <ul
            key={row[0]!.id}
            className={cx('row')}
            style={{ gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))` }}
          >
            {row.map((line) => (
              <Card
                key={line.id}
                line={line}
                shelf={shelf}
                chosen={chosen.has(line.id)}
                choosing={chosen.size > 0}
                choose={choose}
              />
            ))}
          </ul>
        ))}
      </WindowVirtualizer>
      {parts.hasNextPage && <More key={lessons.length} fetch={() => void parts.fetchNextPage()} />}
    </div>
  );
}

/** Asks for the next cards when its place comes near. */
function More({ fetch }: { fetch: () => void }) {
  const ref = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    const near = new IntersectionObserver(([seen]) => seen?.isIntersecting && fetch(), {
      rootMargin: '1500px',
    });
    near.observe(ref.current!);
    return () => near.disconnect();
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return (
    <p ref={ref} role="status" className={cx('more')}>
      More lessons are coming …
    </p>
  );
}

/** How many cards stand beside one another. */
function useAcross(ref: React.RefObject<HTMLElement | null>): number {
  const [across, setAcross] = useState(4);
  useLayoutEffect(() => {
    const el = ref.current!;
    const fit = () => setAcross(Math.max(1, Math.floor((el.clientWidth + GAP) / (WIDE + GAP))));
    const size = new ResizeObserver(fit);
    size.observe(el);
    fit();
    return () => size.disconnect();
  }, [ref]);
  return across;
}
