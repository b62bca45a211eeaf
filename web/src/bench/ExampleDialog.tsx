// New worked example: choose what to teach, type the problem as it is written,
// see at once how it will go, add it.
import { Alert, Button, Input, Radio, Segmented, Select, type InputRef } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { Dialog } from '../shell/later';
import { views, type Kind } from '../board/views';
import { call, type MethodInfo, type Plain } from '../core/core';
import { newId } from '../state/api';
import { MethodIcon } from './MethodIcon';
import { edit, show } from '../state/acts';
import { sentence, useLesson } from '../state/lesson';
import { names } from '../shell/names';
import css from './ExampleDialog.module.css';

const cx = names(css);

const operations = [
  { value: 'number', label: 'Numbers' },
  { value: 'add', label: 'Add' },
  { value: 'subtract', label: 'Subtract' },
  { value: 'multiply', label: 'Multiply' },
  { value: 'divide', label: 'Divide' },
];

/** Options that are the lesson's words, or are chosen elsewhere. */
const ofTheLesson = ['regroup', 'ones'];

/** What is asked for in options of the teacher's own words, with an example. */
const texts: Record<string, [label: string, sample: string]> = {
  seen: ['What children saw', '8 and 2 more and 3'],
  story: ['What it is about', 'bulbs'],
};

const titled = (name: string) => name[0]!.toUpperCase() + name.slice(1);

export function ExampleDialog({ close }: { close: () => void }) {
  const words = useLesson((s) => s.outline.words);
  const methods = useMemo(() => call('methods', {}), []);
  const [operation, setOperation] = useState('add');
  const [chosen, setChosen] = useState('column-add');
  const [typed, setTyped] = useState('');
  const problem = useRef<InputRef>(null);
  const [model, setModel] = useState('');
  const [picked, setPicked] = useState<Record<string, string>>({});
  const method = methods.find((m) => m.id === chosen)!;
  const options = useMemo(() => {
    const all: Record<string, string> = {};
    for (const o of method.options) if (picked[o.name]) all[o.name] = picked[o.name]!;
    if (words.regroup) all.regroup = words.regroup;
    if (words.ones) all.ones = words.ones;
    return all;
  }, [method, picked, words]);
  const request = useMemo(
    () => ({ typed, method: chosen, model: method.models.includes(model) ? model : '', options }),
    [typed, chosen, method, model, options],
  );
  const preview = useMemo<{ plain?: Plain; why?: string }>(() => {
    if (typed.trim() === '') return {};
    try {
      return { plain: call('preview', request) };
    } catch (error) {
      return { why: sentence(error) };
    }
  }, [typed, request]);
  const add = () => {
    if (!preview.plain) return;
    const id = newId();
    if (edit((handle) => call('addExample', { handle, id, ...request }))) {
      show(id, 0, false);
      close();
    }
  };
  return (
    <Dialog
      title="New worked example"
      open
      onCancel={close}
      width={820}
      style={{ top: 24 }}
      styles={{ body: { maxHeight: 'calc(100dvh - 190px)', overflowY: 'auto' } }}
      footer={
        <Button type="primary" size="large" disabled={!preview.plain} onClick={add}>
          Add to the lesson
        </Button>
      }
    >
      <Segmented
        aria-label="What to teach"
        options={operations}
        value={operation}
        onChange={(value) => {
          setOperation(value);
          setChosen(methods.find((m) => m.operation === value)!.id);
          setPicked({});
        }}
      />
      <div className={cx('methods')} role="radiogroup" aria-label="Method">
        {methods
          .filter((m) => m.operation === operation)
          .map((m) => (
            <button
              key={m.id}
              type="button"
              role="radio"
              aria-checked={m.id === chosen}
              className={cx('method')}
              title={m.doc}
              onClick={(e) => {
                setChosen(m.id);
                setPicked({});
                // Pressed, not reached by keys: the problem is typed next.
                if (e.detail > 0) problem.current?.focus();
              }}
            >
              <MethodIcon model={m.models[0]!} method={m.id} />
              {m.title}
            </button>
          ))}
      </div>
      <label className={cx('field')}>
        {method.title}: type {method.args}
        <Input
          ref={problem}
          size="large"
          className={cx('problem')}
          data-first
          placeholder={method.typed}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          onPressEnter={add}
          autoComplete="off"
          spellCheck={false}
          status={preview.why ? 'error' : ''}
          aria-describedby="problem-says"
        />
      </label>
      <div id="problem-says" aria-live="polite">
        {preview.why && <Alert type="warning" title={preview.why} description={method.limits} />}
        {preview.plain?.offer && (
          <p className={cx('offer')}>
            <span>No problem here crosses a ten.</span>
            <Button onClick={() => setTyped(`${typed.trim()}, ${preview.plain!.offer}`)}>
              Add {preview.plain.offer}
            </Button>
          </p>
        )}
        {preview.plain && <Preview plain={preview.plain} />}
      </div>
      <Options method={method} picked={picked} pick={setPicked} model={model} setModel={setModel} />
    </Dialog>
  );
}

/** How the example will go: what is said at each step, of one way or of each. */
function Preview({ plain }: { plain: Plain }) {
  const scenes = plain.scenes ?? [plain];
  return (
    <ol className={cx('preview')} tabIndex={0} aria-label="How it will go">
      {scenes.flatMap((scene) => [
        ...(scenes.length > 1
          ? [
              <li key={scene.title} className={cx('preview-scene')}>
                {scene.title}
              </li>,
            ]
          : []),
        ...scene.steps.map((s, i) => <li key={`${scene.title} ${i}`}>{s.say}</li>),
      ])}
    </ol>
  );
}

interface OptionsProps {
  method: MethodInfo;
  picked: Record<string, string>;
  pick: (picked: Record<string, string>) => void;
  model: string;
  setModel: (model: string) => void;
}

function Options({ method, picked, pick, model, setModel }: OptionsProps) {
  return (
    <div className={cx('options')}>
      {method.models.length > 1 && (
        <div className={cx('choices')}>
          <span>Shown with</span>
          <Select
            aria-label="Shown with"
            value={method.models.includes(model) ? model : ''}
            options={[
              { value: '', label: 'The first that fits' },
              ...method.models.map((m) => ({ value: m, label: views[m as Kind].title })),
            ]}
            onChange={setModel}
          />
        </div>
      )}
      {method.options
        .filter((o) => !ofTheLesson.includes(o.name))
        .map((o) =>
          o.choices === undefined ? (
            <Input
              key={o.name}
              aria-label={texts[o.name]![0]}
              placeholder={texts[o.name]!.join(': ')}
              value={picked[o.name] ?? ''}
              onChange={(e) => pick({ ...picked, [o.name]: e.target.value })}
              autoComplete="off"
              spellCheck={false}
            />
          ) : (
            <fieldset className={cx('choices')} key={o.name}>
              <legend>{titled(o.name)}</legend>
              <Radio.Group
                value={picked[o.name] ?? o.choices?.[0]}
                onChange={(e) => pick({ ...picked, [o.name]: e.target.value as string })}
              >
                {o.choices.map((c) => (
                  <Radio key={c} value={c}>
                    {titled(c)}
                  </Radio>
                ))}
              </Radio.Group>
            </fieldset>
          ),
        )}
    </div>
  );
}
