// What comes next in the lesson: a line for what the class shall see, an empty board, or a page.
import { Button } from 'antd';
import { kinds, views } from '../board/views';
import { call } from '../core/core';
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import { newId } from '../state/api';
import { addBoard, addPages, edit, show } from '../state/acts';
import { useLesson } from '../state/lesson';
import { WishLine, type Way } from '../wish/WishLine';
import css from './AddDialog.module.css';

const cx = names(css);

/** Puts what a line comes to after what is there; says whether it did. */
function addWish(text: string, as: Way | undefined): boolean {
  const id = newId();
  if (!edit((handle) => call('addWish', { handle, text, as, id }))) return false;
  show(id, 0);
  return true;
}

/** What is chosen in a dialog of its own. */
type Open = (name: 'example' | 'opening') => void;

export function AddDialog({ close, open }: { close: () => void; open: Open }) {
  return (
    <Dialog title="What shall the class see next?" open width={900} footer={null} onCancel={close}>
      <AddChoices done={close} open={open} />
    </Dialog>
  );
}

/** The line and the choices below it: in the dialog, and in a lesson that is still empty. */
export function AddChoices({ done, open }: { done?: () => void; open: Open }) {
  const words = useLesson((s) => s.outline.words);
  const after = (made: boolean | void) => {
    if (made !== false) done?.();
  };
  return (
    <div className={cx('choices')}>
      <WishLine
        words={words}
        label="What shall the class see next?"
        verb="Add"
        autoFocus
        take={(text, as) => after(addWish(text, as))}
      />
      <h3>An empty board</h3>
      <div className={cx('row')}>
        {kinds.map((kind) => (
          <Button key={kind} onClick={() => after(addBoard([kind], views[kind].title))}>
            {views[kind].title}
          </Button>
        ))}
        <Button onClick={() => after(addPages([{ page: 'blank' }]))}>Nothing but paper</Button>
      </div>
      <h3>More</h3>
      <div className={cx('row')}>
        <Button onClick={() => open('example')}>A worked example with options</Button>
        <Button onClick={() => open('opening')}>Objective and words</Button>
      </div>
    </div>
  );
}
