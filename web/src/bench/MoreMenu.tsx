// One place for what a teacher wants now and then: other boards beside, clearing, files, words.
import { Button, type MenuProps } from 'antd';
import { useState } from 'react';
import { kinds, views, type Kind } from '../board/views';
import { call } from '../core/core';
import { useNavigate } from 'react-router';
import { usePictures } from '../export/usePictures';
import { Dialog, Menu } from '../shell/later';
import { setDark, useDark } from '../shell/room';
import { saveAsFile } from '../shell/Saving';
import { countAloud } from '../stage/CountBar';
import { openWays } from '../stage/drawing';
import { act, edit } from '../state/acts';
import { notify, recallNotice, sentence, useLesson } from '../state/lesson';
import { beginCapture } from './CaptureBar';
import type { DialogName } from './Dialogs';
import { addSet } from './Prompt';
import { takeLink, takePage, takeTable } from './takeOut';

type Items = NonNullable<MenuProps['items']>;

const clearable = { pieces: 'Pieces', ink: 'Ink', notes: 'Notes', record: 'Record' };
const clear = (what: string[]) => edit((handle) => call('clear', { handle, what }));

export function MoreMenu({ hasScene, onDialog }: { hasScene: boolean; onDialog: (d: DialogName) => void }) {
  const models = useLesson((s) => s.models);
  const handle = useLesson((s) => s.handle);
  const title = useLesson((s) => s.outline.title);
  const made = useLesson((s) => !!s.outline.scenes.find((x) => x.id === s.frame.scene)?.method);
  const pictures = usePictures();
  const dark = useDark();
  const said = useLesson((s) => s.said !== undefined);
  const scene = useLesson((s) => s.frame.scene);
  const id = useLesson((s) => s.id);
  const go = useNavigate();
  const paper = (as: string) =>
    void go(`/lesson/${id}/paper?as=${as}${as === 'sheet' ? '' : `&scene=${scene}`}`);
  const [asking, setAsking] = useState(false);
  const compare = () => {
    try {
      notify('info', call('compare', { handle }).text);
    } catch (error) {
      notify('refusal', sentence(error));
    }
  };
  const group = (label: string, children: Items) => ({
    type: 'group' as const,
    key: label,
    label,
    children,
  });
  const off = !hasScene;
  const items = [
    group('This board', [
      {
        key: 'beside',
        label: 'Add beside',
        disabled: off,
        children: kinds.map((kind) => ({
          key: `beside ${kind}`,
          label: views[kind].title,
          onClick: () => act({ kind: 'addModel', of: kind }),
        })),
      },
      {
        key: 'clear',
        label: 'Clear',
        disabled: off,
        children: [
          ...Object.entries(clearable).map(([key, label]) => ({
            key: `clear ${key}`,
            label,
            onClick: () => clear([key]),
          })),
          { key: 'everything', label: 'Everything', danger: true, onClick: () => setAsking(true) },
        ],
      },
      ...models.map((m, i) => ({
        key: `count ${i}`,
        label:
          models.length > 1 ? `Count aloud: ${views[m.kind as Kind].title.toLowerCase()}` : 'Count aloud',
        onClick: () => countAloud(i),
      })),
      { key: 'way', label: 'Take in a child’s way', disabled: off, onClick: openWays },
      { key: 'compare', label: 'Compare the two models', disabled: models.length < 2, onClick: compare },
    ]),
    group('More boards', [
      { key: 'five', label: 'Five like this, each harder', disabled: !made, onClick: () => addSet(5) },
      { key: 'ten', label: 'Ten like this, each harder', disabled: !made, onClick: () => addSet(10) },
      { key: 'capture', label: 'Capture my own example', disabled: off, onClick: beginCapture },
      { key: 'chance', label: 'Numbers by chance', disabled: off, onClick: () => onDialog('chance') },
      { key: 'builds', label: 'All builds of a number', disabled: off, onClick: () => onDialog('builds') },
      { key: 'acts', label: 'Slow way and fast way', disabled: off, onClick: () => onDialog('acts') },
    ]),
    group('This lesson', [
      { key: 'class', label: 'Set for a class', disabled: off, onClick: () => onDialog('set') },
      {
        key: 'paper',
        label: 'Print',
        disabled: off,
        children: [
          { key: 'sheet', label: 'A sheet for children', onClick: () => paper('sheet') },
          {
            key: 'steps',
            label: 'This example, step by step',
            disabled: !made,
            onClick: () => paper('steps'),
          },
          { key: 'poster', label: 'This board as a poster', onClick: () => paper('poster') },
        ],
      },
      { key: 'words', label: 'Words of the class', onClick: () => onDialog('about') },
      { key: 'said', label: 'Say again what was said', disabled: !said, onClick: recallNotice },
      { key: 'room', label: dark ? 'Light room' : 'Dark room', onClick: () => setDark(!dark) },
      { key: 'showings', label: 'Showings of this lesson', onClick: () => onDialog('showings') },
      {
        key: 'export',
        label: 'Export',
        children: [
          { key: 'json', label: 'Lesson file', onClick: () => saveAsFile(title) },
          { key: 'page', label: 'Lesson as a web page', disabled: off, onClick: takePage },
          { key: 'link', label: 'A link to this board', disabled: off, onClick: takeLink },
          { key: 'table', label: 'Table or record (CSV)', disabled: off, onClick: takeTable },
          ...pictures.map((p) => ({ ...p, key: p.label, disabled: off })),
        ],
      },
    ]),
  ];
  return (
    <>
      <Menu items={items} grouped>
        <Button>More</Button>
      </Menu>
      <Dialog
        title="Clear everything?"
        open={asking}
        okText="Clear everything"
        okButtonProps={{ danger: true }}
        onCancel={() => setAsking(false)}
        onOk={() => {
          clear(Object.keys(clearable));
          setAsking(false);
        }}
      >
        Pieces, ink, notes and record of this board go. Undo brings them back.
      </Dialog>
    </>
  );
}
