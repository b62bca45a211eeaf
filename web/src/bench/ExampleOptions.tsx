// What a teacher chooses of a method: the model, and the method's own options.
import { Input, Radio } from 'antd';
import { memo, useId } from 'react';
import { views, type Kind } from '../board/views';
import type { MethodInfo } from '../core/core';
import { Select } from '../shell/later';
import { names } from '../shell/names';
import type { Preview } from './useExample';
import css from './ExampleOptions.module.css';

const cx = names(css);

/** Options that are the lesson's words, or are chosen elsewhere. */
const ofTheLesson = ['regroup', 'ones'];

const titled = (name: string) => name[0]!.toUpperCase() + name.slice(1);
const labelOf = (name: string) => (name === 'seen' ? 'What children saw' : titled(name));

interface Props {
  method: MethodInfo;
  /** Those that would change what is typed; all, while nothing is. */
  matters: string[] | undefined;
  /** A text of her own that does not fit. */
  unfit: Preview['unfit'];
  picked: Record<string, string>;
  pick: (picked: Record<string, string>) => void;
  model: string;
  setModel: (model: string) => void;
}

export const ExampleOptions = memo(function ExampleOptions({
  method,
  matters,
  unfit,
  picked,
  pick,
  model,
  setModel,
}: Props) {
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
        .filter((o) => !ofTheLesson.includes(o.name) && (matters?.includes(o.name) ?? true))
        .map((o) =>
          o.choices === undefined ? (
            <OwnWords
              key={o.name}
              label={labelOf(o.name)}
              doc={o.doc}
              sample={o.sample}
              why={unfit?.option === o.name ? unfit.why : undefined}
              value={picked[o.name] ?? ''}
              change={(value) => pick({ ...picked, [o.name]: value })}
            />
          ) : (
            <fieldset className={cx('choices')} key={o.name}>
              <legend>{titled(o.name)}</legend>
              <p className={cx('doc')}>{o.doc}</p>
              <Radio.Group
                value={picked[o.name] ?? o.choices[0]}
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
});

interface OwnWordsProps {
  label: string;
  doc: string;
  sample: string | undefined;
  /** Why it does not fit. */
  why: string | undefined;
  value: string;
  change: (value: string) => void;
}

/** An option that is a text of the teacher's own. */
function OwnWords({ label, doc, sample, why, value, change }: OwnWordsProps) {
  const told = useId();
  return (
    <div className={cx('choices wide')}>
      <b>{label}</b>
      <p className={cx('doc')} id={told}>
        {doc}
      </p>
      <Input
        aria-label={label}
        aria-describedby={told}
        placeholder={sample ?? ''}
        value={value}
        onChange={(e) => change(e.target.value)}
        autoComplete="off"
        spellCheck={false}
        status={why ? 'error' : ''}
      />
      <p role="status" className={cx('why')}>
        {why}
      </p>
    </div>
  );
}
