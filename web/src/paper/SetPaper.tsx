// A set on paper, for the children who have no device or for all: the same tasks with the same numbers.
import { Alert, Button, Checkbox, Radio } from 'antd';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { Flower } from '../shell/Mark';
import { names } from '../shell/names';
import { classes, type SetOnPaper } from '../state/classroom';
import { sentence } from '../state/lesson';
import { answerBlocks, Group, Head, PaperChoice, paperOf, Pages, type PaperSize } from './Pages';
import css from './PaperPage.module.css';
import { sheetBlocks } from './TaskItems';
import type { Block } from './usePages';

const cx = names(css);

type Whom = 'away' | 'all' | 'none';

export function SetPaper() {
  const { id = '', set = '' } = useParams();
  const asked = useQuery({ queryKey: ['set on paper', set], queryFn: () => classes.setPaper(set) });
  const back = `/class/${id}/wall/${set}`;
  if (asked.error) {
    return (
      <main className={cx('alone')}>
        <Alert type="warning" showIcon title={sentence(asked.error)} />
        <Link to={back}>Back to the wall</Link>
      </main>
    );
  }
  if (!asked.data) return <main className={cx('alone')} aria-busy="true" />;
  return <Sheets of={asked.data} back={back} />;
}

function Sheets({ of, back }: { of: SetOnPaper; back: string }) {
  const children = of.sheets.flatMap((s) => s.for);
  const away = children.filter((c) => c.away).length;
  const own = of.sheets.length > 1;
  const [whom, setWhom] = useState<Whom>(away > 0 ? 'away' : 'all');
  const [key, setKey] = useState(true);
  const [size, setSize] = useState<PaperSize>('A4');
  const [mono, setMono] = useState(false);
  useEffect(() => {
    document.title = `${of.title} – on paper`;
  }, [of.title]);
  const blocks = useMemo(() => blocksOf(of, whom, key), [of, whom, key]);
  return (
    <div className={cx('paper')}>
      <header className={cx('bar')}>
        <Link to={back} className={cx('home')} aria-label="Back to the wall">
          <Flower size={30} />
        </Link>
        <h1>{of.title}</h1>
        <span className={cx('grow')} />
        <Link to={back} className={cx('back')}>
          Back to the wall
        </Link>
        <Button type="primary" disabled={blocks.length === 0} onClick={() => print()}>
          Print
        </Button>
      </header>
      <aside className={cx('choices')} aria-label="What is printed">
        <Group name="For whom">
          <Radio.Group
            vertical
            value={whom}
            options={[
              { value: 'away', label: `Those without a device (${away})`, disabled: away === 0 },
              { value: 'all', label: `All ${children.length}, each with her name` },
              // Where each has her own numbers a sheet is somebody's.
              { value: 'none', label: 'One, with the name to be written', disabled: own },
            ]}
            onChange={(e) => setWhom(e.target.value as Whom)}
          />
          <Checkbox checked={key} onChange={(e) => setKey(e.target.checked)}>
            {own ? 'Answer pages' : 'An answer page'}
          </Checkbox>
        </Group>
        <PaperChoice size={size} setSize={setSize} mono={mono} setMono={setMono} />
      </aside>
      <Pages
        blocks={blocks}
        paper={paperOf(size)}
        mono={mono}
        foot={`${of.class} · ${of.title}`}
        empty="There is nobody to print it for."
      />
    </div>
  );
}

/** A sheet for each child, and the answers after them; of own numbers each child's. */
function blocksOf({ title, sheets }: SetOnPaper, whom: Whom, key: boolean): Block[] {
  const own = sheets.length > 1;
  const pages: Block[] = [];
  const last: Block[] = [];
  for (const [i, sheet] of sheets.entries()) {
    const list = sheet.for.filter((c) => whom === 'all' || c.away).map((c) => c.name);
    const { blocks, answers } = sheetBlocks(sheet.tasks);
    for (const [k, name] of (whom === 'none' ? [undefined] : list).entries()) {
      const of = `${i} ${k}`;
      pages.push({
        key: `head ${of}`,
        heads: true,
        begins: pages.length > 0,
        node: <Head title={title} {...(name !== undefined && { name })} />,
      });
      pages.push(...blocks.map((b) => ({ ...b, key: `${of} ${b.key}` })));
    }
    if (key && (list.length > 0 || whom === 'none'))
      last.push(...answerBlocks(answers, `answers ${i}`, own ? list[0] : undefined));
  }
  return [...pages, ...last];
}
