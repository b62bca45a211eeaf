// How a lesson opens: with its objective and the words that it is about, each a card.
import { Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import { views, kinds, type Kind } from '../board/views';
import { call, type PageArgs } from '../core/core';
import { Checkbox, Dialog, Select } from '../shell/later';
import { names } from '../shell/names';
import { toggled } from '../shell/toggled';
import { addPages } from '../state/acts';
import { useLesson } from '../state/lesson';
import css from './OpeningDialog.module.css';

const cx = names(css);

const noOwn = { name: '', meaning: '', kind: 'blocks' as Kind, amount: '' };

export function OpeningDialog({ close }: { close: () => void }) {
  const handle = useLesson((s) => s.handle);
  const scenes = useLesson((s) => s.outline.scenes);
  const { words } = useMemo(() => call('words', { handle }), [handle]);
  const there = scenes.some((s) => s.page === 'objective');
  const [objective, setObjective] = useState(!there);
  const [chosen, setChosen] = useState<string[]>([]);
  const [own, setOwn] = useState(noOwn);
  const ages = [...new Set(words.map((w) => w.age))];
  const pages: PageArgs[] = [
    ...(objective ? [{ page: 'objective' as const }] : []),
    ...words.filter((w) => chosen.includes(w.id)).map((w) => ({ page: 'word' as const, card: w.id })),
    ...(own.name.trim()
      ? [
          {
            page: 'word' as const,
            name: own.name,
            meaning: own.meaning,
            kind: own.kind,
            amount: own.amount,
          },
        ]
      : []),
  ];
  // They come after what the lesson opens with already.
  const at = scenes.findIndex((s) => s.page !== 'objective' && s.page !== 'word');
  const add = () => {
    if (addPages(pages, at < 0 ? undefined : at)) close();
  };
  return (
    <Dialog
      title="Open the lesson with"
      open
      width={760}
      okText={pages.length === 1 ? 'Add one page' : `Add ${pages.length} pages`}
      okButtonProps={{ disabled: pages.length === 0 }}
      onCancel={close}
      onOk={add}
    >
      <Checkbox checked={objective} onChange={(e) => setObjective(e.target.checked)}>
        Its objective
      </Checkbox>
      {ages.map((age) => (
        <section key={age} className={cx('age')} aria-label={`Words for ${age}`}>
          <h3>{age.replace('-', '–')} years</h3>
          <div>
            {words
              .filter((w) => w.age === age)
              .map((w) => (
                <Button
                  key={w.id}
                  title={w.meaning}
                  type={chosen.includes(w.id) ? 'primary' : 'default'}
                  aria-pressed={chosen.includes(w.id)}
                  onClick={() => setChosen(toggled(chosen, w.id))}
                >
                  {w.name}
                </Button>
              ))}
          </div>
        </section>
      ))}
      <section className={cx('own')} aria-label="A word of my own">
        <h3>A word of my own</h3>
        <Input
          aria-label="The word"
          placeholder="Word"
          value={own.name}
          maxLength={60}
          onChange={(e) => setOwn({ ...own, name: e.target.value })}
        />
        <Input
          aria-label="What it means, in one sentence"
          placeholder="What it means, in one sentence"
          value={own.meaning}
          maxLength={200}
          onChange={(e) => setOwn({ ...own, meaning: e.target.value })}
        />
        <Select
          aria-label="Shown with"
          value={own.kind}
          options={kinds.map((kind) => ({ value: kind, label: views[kind].title }))}
          onChange={(kind) => setOwn({ ...own, kind: kind as Kind })}
        />
        <Input
          aria-label="The number that it is shown with"
          placeholder="Number"
          value={own.amount}
          maxLength={40}
          onChange={(e) => setOwn({ ...own, amount: e.target.value })}
        />
      </section>
    </Dialog>
  );
}
