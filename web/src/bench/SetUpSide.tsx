// What sets a model up, beside the board: it stays open while a teacher tries things, and the
// board moves with it. On a phone it comes from below.
import { Button } from 'antd';
import { useEffect, useRef } from 'react';
import { Arrange } from '../board/Arrange';
import { CoverMenu } from '../board/Covers';
import { closeSetUp, forgetSetUp, PlacingOf, useSetUp } from '../board/setUp';
import { views, type Kind } from '../board/views';
import { names } from '../shell/names';
import { useLesson } from '../state/lesson';
import css from './SetUpSide.module.css';

const cx = names(css);

export function SetUpSide() {
  const open = useSetUp((s) => s.open);
  const model = useLesson((s) => (open ? s.models[open.index] : undefined));
  const alone = useLesson((s) => s.models.length === 1);
  const free = useLesson((s) => s.frame.steps === 0);
  // What was open for one board is not for the next page.
  useEffect(() => forgetSetUp, []);
  if (!open || !model || !free) return null;
  return (
    <Side
      key={`${open.index} ${open.group}`}
      title={open.group ?? `Set up the ${views[model.kind as Kind].title.toLowerCase()}`}
    >
      <Groups index={open.index} only={open.group} alone={alone} />
    </Side>
  );
}

function Side({ title, children }: { title: string; children: React.ReactNode }) {
  const ref = useRef<HTMLElement>(null);
  useEffect(() => ref.current?.focus({ preventScroll: true }), []);
  return (
    <aside
      ref={ref}
      className={cx('set-up')}
      aria-label={title}
      tabIndex={-1}
      onKeyDown={(e) => {
        if (e.key === 'Escape') closeSetUp();
      }}
    >
      <header>
        <h2>{title}</h2>
        <Button type="text" className={cx('small')} aria-label="Close" onClick={closeSetUp}>
          ×
        </Button>
      </header>
      {children}
    </aside>
  );
}

function Groups({ index, only, alone }: { index: number; only: string | undefined; alone: boolean }) {
  const model = useLesson((s) => s.models[index]);
  if (!model) return null;
  const view = views[model.kind as Kind];
  return (
    <PlacingOf value={only ? { as: 'groups', only } : { as: 'groups' }}>
      {only && (
        <>
          <view.Acts model={model} index={index} />
          <CoverMenu model={model} index={index} />
        </>
      )}
      <view.SetUp model={model} index={index} />
      <Arrange model={model} index={index} alone={alone} zooms />
    </PlacingOf>
  );
}
