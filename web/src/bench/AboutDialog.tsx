// What the lesson says of itself: title, objective, and the class's words.
import { Input } from 'antd';
import { useState } from 'react';
import { ClassWords } from '../shell/ClassWords';
import { Dialog } from '../shell/later';
import { call, type Vocabulary } from '../core/core';
import { edit } from '../state/acts';
import { useLesson } from '../state/lesson';

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
    <Dialog title="About this lesson" open width={700} onCancel={close} onOk={save} okText="Save">
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
      <ClassWords words={words} change={setWords} />
    </Dialog>
  );
}
