// What the lesson says of itself: title, objective, and the class's words.
import { Input, Select } from 'antd';
import { useState } from 'react';
import { Dialog } from '../shell/later';
import { call, type Vocabulary } from '../core/core';
import { edit } from '../state/acts';
import { useLesson } from '../state/lesson';

const regroup: Record<NonNullable<Vocabulary['regroup']>, string> = {
  bundle: 'bundle and unbundle',
  regroup: 'regroup',
  exchange: 'exchange',
  trade: 'trade',
  rename: 'rename',
  carry: 'carry and borrow',
};

export function AboutDialog({ close }: { close: () => void }) {
  const outline = useLesson((s) => s.outline);
  const [title, setTitle] = useState(outline.title);
  const [objective, setObjective] = useState(outline.objective);
  const [words, setWords] = useState<Vocabulary>(outline.words);
  const save = () => {
    if (
      edit((handle) =>
        call('edit', { handle, edit: { kind: 'setLesson', head: { title, objective, words } } }),
      )
    )
      close();
  };
  return (
    <Dialog title="About this lesson" open onCancel={close} onOk={save} okText="Save">
      <label className="field">
        Title
        <Input value={title} maxLength={200} onChange={(e) => setTitle(e.target.value)} />
      </label>
      <label className="field">
        What the class is to notice
        <Input.TextArea
          autoSize
          value={objective}
          maxLength={2000}
          onChange={(e) => setObjective(e.target.value)}
        />
      </label>
      <div className="field">
        <span id="say-regroup">For ten into one of the next, we say</span>
        <Select
          aria-labelledby="say-regroup"
          value={words.regroup ?? 'bundle'}
          options={Object.entries(regroup).map(([value, label]) => ({
            value: value as Vocabulary['regroup'],
            label,
          }))}
          onChange={(value) => setWords({ ...words, regroup: value })}
        />
      </div>
      <div className="field">
        <span id="say-ones">For single pieces, we say</span>
        <Select
          aria-labelledby="say-ones"
          value={words.ones ?? 'ones'}
          options={[
            { value: 'ones' as const, label: 'ones' },
            { value: 'units' as const, label: 'units' },
          ]}
          onChange={(value) => setWords({ ...words, ones: value })}
        />
      </div>
      <div className="field">
        <span id="say-bond">A whole with its parts is a</span>
        <Select
          aria-labelledby="say-bond"
          value={words.bond ?? 'number bond'}
          options={[
            { value: 'number bond' as const, label: 'number bond' },
            { value: 'part-whole model' as const, label: 'part–whole model' },
          ]}
          onChange={(value) => setWords({ ...words, bond: value })}
        />
      </div>
      <div className="field">
        <span id="say-maths">The subject is</span>
        <Select
          aria-labelledby="say-maths"
          value={words.maths ?? 'maths'}
          options={[
            { value: 'maths' as const, label: 'maths' },
            { value: 'math' as const, label: 'math' },
          ]}
          onChange={(value) => setWords({ ...words, maths: value })}
        />
      </div>
      <label className="field">
        Names of the four blocks, smallest first
        <Input
          value={words.shapes ?? ''}
          placeholder="cube, long, flat, big cube"
          maxLength={120}
          onChange={(e) => setWords({ ...words, shapes: e.target.value })}
        />
      </label>
      <label className="field">
        Everyday names of the columns, from the ones up
        <Input
          value={words.columns ?? ''}
          placeholder="bulbs, bags, trays, crates"
          maxLength={120}
          onChange={(e) => setWords({ ...words, columns: e.target.value })}
        />
      </label>
    </Dialog>
  );
}
