// The stem along the bottom: a bud for each scene, a leaf for each step, to go
// along and rearrange.
import { Button, Input } from 'antd';
import { useMemo, useRef, useState, type PointerEvent } from 'react';
import { Face } from '../board/Face';
import { call, type SceneLine } from '../core/core';
import { Dialog, Menu } from '../shell/later';
import { edit, show } from '../state/acts';
import { readTitle, useLesson } from '../state/lesson';
import { names } from '../shell/names';
import { choosing, deleteScenes, duplicateScenes, toggleChosen, useChosen } from './chosen';
import type { DialogName } from './Dialogs';
import css from './Stem.module.css';

const cx = names(css);

export function Stem({ open }: { open: (d: DialogName) => void }) {
  const chosen = useChosen((s) => s.ids);
  const carry = useCarry();
  const scenes = useLesson((s) => s.outline.scenes);
  const here = useLesson((s) => s.frame.scene);
  const readOnly = useLesson((s) => s.readOnly);
  const step = useLesson((s) => s.frame.step);
  return (
    <nav className={cx('stem')} aria-label="Scenes and steps">
      <ol>
        {scenes.map((scene, i) => (
          <li
            key={scene.id}
            data-scene={scene.id}
            className={cx(
              `scene ${scene.id === here ? 'here' : ''} ${chosen?.includes(scene.id) ? 'chosen' : ''} ${carry.over === scene.id ? 'over' : ''}`,
            )}
            onDragOver={(e) => e.dataTransfer.types.includes(SCENE) && e.preventDefault()}
            onDrop={(e) => place(e.dataTransfer.getData(SCENE), i)}
          >
            <Bud
              scene={scene}
              number={i + 1}
              here={scene.id === here}
              count={scenes.length}
              open={open}
              carry={carry.of(scene.id)}
            />
            {scene.steps.length > 0 && (
              <ol
                className={cx('leaves')}
                aria-label={`Steps of ${scene.title}`}
                onPointerMove={(e) => scrub(e, scene.id)}
              >
                {scene.steps.map((s, n) => (
                  <li key={n}>
                    <button
                      type="button"
                      className={cx(leafClass(scene.id === here, n + 1, step, s.misfit))}
                      aria-label={`Step ${n + 1}: ${s.say || s.ask || 'moves'}${s.misfit ? `. ${s.misfit}` : ''}`}
                      aria-current={scene.id === here && step === n + 1 ? 'step' : undefined}
                      title={s.misfit ?? s.say}
                      data-step={n + 1}
                      onClick={() => show(scene.id, n + 1)}
                    >
                      {n + 1}
                    </button>
                  </li>
                ))}
              </ol>
            )}
          </li>
        ))}
      </ol>
      {chosen ? (
        <ChosenBar ids={chosen} open={open} />
      ) : (
        <div className={cx('stem-add')}>
          {!readOnly && <Button onClick={() => open('add')}>Add next</Button>}
        </div>
      )}
    </nav>
  );
}

/** What is done with the scenes that are chosen. */
function ChosenBar({ ids, open }: { ids: string[]; open: (d: DialogName) => void }) {
  const none = ids.length === 0;
  const done = (worked: boolean) => worked && choosing(undefined);
  return (
    <div className={cx('stem-add')} role="toolbar" aria-label="Chosen scenes">
      <span className={cx('count')} role="status">
        {none ? 'Choose scenes' : `${ids.length} chosen`}
      </span>
      <Button disabled={none} onClick={() => done(duplicateScenes(ids))}>
        Duplicate
      </Button>
      <Button disabled={none} onClick={() => open('move')}>
        Move to another lesson
      </Button>
      <Button danger disabled={none} onClick={() => done(deleteScenes(ids))}>
        Delete
      </Button>
      <Button type="text" onClick={() => choosing(undefined)}>
        Done
      </Button>
    </div>
  );
}

/** What is dragged along the stem. */
const SCENE = 'application/x-unitbloom-scene';

/** How long a finger rests on a scene before it is carried, in milliseconds. */
const REST_MS = 350;

/** Scenes are carried along the stem by a finger that rests on one first: a quick one scrolls. */
function useCarry() {
  const [over, setOver] = useState<string>();
  const carried = useRef<string>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const under = (e: TouchEvent) => {
    const [at] = e.touches;
    const there = at && document.elementFromPoint(at.clientX, at.clientY);
    return there?.closest<HTMLElement>('[data-scene]')?.dataset.scene;
  };
  const end = () => {
    clearTimeout(timer.current);
    carried.current = undefined;
    setOver(undefined);
  };
  const of = (id: string) => ({
    // A listener that may hold the page still, as React's own may not.
    ref: (bud: HTMLElement | null) => {
      if (!bud) return;
      const move = (e: TouchEvent) => {
        if (!carried.current) return clearTimeout(timer.current);
        e.preventDefault();
        setOver(under(e));
      };
      bud.addEventListener('touchmove', move, { passive: false });
      return () => bud.removeEventListener('touchmove', move);
    },
    onTouchStart: () => {
      timer.current = setTimeout(() => {
        carried.current = id;
        setOver(id);
      }, REST_MS);
    },
    onTouchEnd: (e: React.TouchEvent) => {
      const order = useLesson.getState().outline.scenes.map((s) => s.id);
      if (carried.current && over && over !== id) {
        e.preventDefault();
        place(id, order.indexOf(over));
      }
      end();
    },
    onTouchCancel: end,
  });
  return { over, of };
}

/** Puts a scene at another place in the order. */
function place(id: string, at: number) {
  const order = useLesson.getState().outline.scenes.map((s) => s.id);
  const from = order.indexOf(id);
  if (from < 0 || from === at || at < 0 || at >= order.length) return;
  order.splice(from, 1);
  order.splice(at, 0, id);
  edit((handle) => call('edit', { handle, edit: { kind: 'orderScenes', order } }));
}

/** A finger along the leaves goes from step to step. */
function scrub(e: PointerEvent, scene: string) {
  if (e.buttons !== 1) return;
  const leaf = document.elementFromPoint(e.clientX, e.clientY)?.closest<HTMLElement>('[data-step]');
  const step = Number(leaf?.dataset.step ?? 0);
  const { frame } = useLesson.getState();
  if (step && (frame.scene !== scene || frame.step !== step)) show(scene, step);
}

function leafClass(here: boolean, n: number, step: number, misfit?: string) {
  const state = here && n === step ? 'now' : here && n < step ? 'done' : '';
  return `leaf ${n % 2 ? 'up' : 'down'} ${state} ${misfit ? 'misfit' : ''}`;
}

interface BudProps {
  scene: SceneLine;
  number: number;
  here: boolean;
  count: number;
  open: (d: DialogName) => void;
  carry: ReturnType<ReturnType<typeof useCarry>['of']>;
}

function Bud({ scene, number, here, count, open, carry }: BudProps) {
  const [naming, setNaming] = useState<string>();
  const chosen = useChosen((s) => s.ids);
  const move = (by: number) => place(scene.id, number - 1 + by);
  const items = [
    { key: 'name', label: 'Rename', onClick: () => setNaming(readTitle(scene)) },
    { key: 'copy', label: 'Duplicate', onClick: () => duplicateScenes([scene.id]) },
    { key: 'left', label: 'Move left', disabled: number === 1, onClick: () => move(-1) },
    { key: 'right', label: 'Move right', disabled: number === count, onClick: () => move(1) },
    {
      key: 'other',
      label: 'Move to another lesson',
      onClick: () => {
        choosing([scene.id]);
        open('move');
      },
    },
    { key: 'several', label: 'Choose several', onClick: () => choosing([scene.id]) },
    { key: 'delete', label: 'Delete scene', danger: true, onClick: () => deleteScenes([scene.id]) },
  ];
  return (
    <>
      <span
        className={cx('bud-group')}
        draggable
        {...carry}
        onDragStart={(e) => e.dataTransfer.setData(SCENE, scene.id)}
      >
        <button
          type="button"
          className={cx('bud')}
          data-focus={here ? '' : undefined}
          aria-current={here ? 'true' : undefined}
          aria-keyshortcuts="Alt+ArrowLeft Alt+ArrowRight"
          aria-pressed={chosen ? chosen.includes(scene.id) : undefined}
          onClick={(e) => (chosen || e.ctrlKey || e.metaKey ? toggleChosen(scene.id) : show(scene.id, 0))}
          onKeyDown={(e) => {
            if (!e.altKey || (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight')) return;
            e.preventDefault();
            move(e.key === 'ArrowLeft' ? -1 : 1);
          }}
        >
          <ScenePicture scene={scene.id} />
          <span className={cx('bud-title')}>
            <small>{number}</small> {scene.title || 'Untitled'}
          </span>
        </button>
        {here && (
          <Menu items={items}>
            <Button type="text" className={cx('small')} aria-label={`Change scene ${number}`}>
              ⋯
            </Button>
          </Menu>
        )}
      </span>
      <Dialog
        title="Rename the scene"
        open={naming !== undefined}
        onCancel={() => setNaming(undefined)}
        onOk={() => {
          if (edit((handle) => call('setScene', { handle, scene: scene.id, title: naming ?? '' })))
            setNaming(undefined);
        }}
        okText="Rename"
      >
        <Input
          aria-label="Scene title"
          value={naming}
          maxLength={200}
          onChange={(e) => setNaming(e.target.value)}
        />
      </Dialog>
    </>
  );
}

/** A scene's first board; it follows what is changed there. */
function ScenePicture({ scene }: { scene: string }) {
  const handle = useLesson((s) => s.handle);
  const rev = useLesson((s) => s.frame.rev);
  const models = useMemo(
    () => {
      try {
        return call('faceOf', { handle, scene }).models;
      } catch {
        return [];
      }
    },
    // The board may have changed with the lesson.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [handle, scene, rev],
  );
  return (
    <span className={cx('bud-picture')}>
      <Face models={models} />
    </span>
  );
}
