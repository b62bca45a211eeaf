// New worked example: choose what to teach, type the problem as it is written, see at once
// how it will go, add it.
import { Alert, Button, Input, type InputRef } from 'antd';
import { useCallback, useRef } from 'react';
import { Dialog } from '../shell/later';
import { names } from '../shell/names';
import css from './ExampleDialog.module.css';
import { ExampleOptions } from './ExampleOptions';
import { ExamplePreview } from './ExamplePreview';
import { MethodPicker } from './MethodPicker';
import { useExample } from './useExample';

const cx = names(css);

export function ExampleDialog({ close }: { close: () => void }) {
  const {
    methods,
    samples,
    method,
    choose,
    typed,
    setTyped,
    model,
    setModel,
    picked,
    setPicked,
    preview,
    pictures,
    ready,
    instead,
    add,
  } = useExample();
  const problem = useRef<InputRef>(null);
  // The problem is typed next.
  const pressed = useCallback(() => problem.current?.focus(), []);
  const addAndClose = () => {
    if (add()) close();
  };
  return (
    <Dialog
      title="New worked example"
      open
      onCancel={close}
      width={820}
      styles={{ body: { maxHeight: 'calc(100dvh - 190px)', overflowY: 'auto' } }}
      footer={
        <Button type="primary" size="large" disabled={!ready} onClick={addAndClose}>
          Add to the lesson
        </Button>
      }
    >
      <MethodPicker methods={methods} samples={samples} method={method} choose={choose} pressed={pressed} />
      <label className="field">
        {method.title}: type {method.args}
        <Input
          ref={problem}
          size="large"
          className={cx('problem')}
          data-first
          placeholder={method.typed}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          onPressEnter={addAndClose}
          autoComplete="off"
          spellCheck={false}
          status={preview.why ? 'error' : ''}
          aria-describedby="problem-says"
        />
      </label>
      <div id="problem-says" aria-live="polite">
        {preview.why && (
          <Alert
            type="warning"
            title={preview.why}
            description={method.limits}
            action={instead && <Button onClick={() => choose(instead.id)}>Take {instead.title}</Button>}
          />
        )}
        {preview.plain?.offer && (
          <p className={cx('offer')}>
            <span>No problem here crosses a ten.</span>
            <Button onClick={() => setTyped(`${typed.trim()}, ${preview.plain!.offer}`)}>
              Add {preview.plain.offer}
            </Button>
          </p>
        )}
        {preview.plain && <ExamplePreview plain={preview.plain} boards={pictures.boards} />}
      </div>
      <ExampleOptions
        method={method}
        matters={pictures.matters}
        unfit={preview.unfit}
        picked={picked}
        pick={setPicked}
        model={model}
        setModel={setModel}
      />
    </Dialog>
  );
}
