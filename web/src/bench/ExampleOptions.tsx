// What a teacher chooses of a method: the model, and the method's own options.
import { Input, Radio } from 'antd';
import { views, type Kind } from '../board/views';
import type { MethodInfo } from '../core/core';
import { Select } from '../shell/later';
import { names } from '../shell/names';
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
  picked: Record<string, string>;
  pick: (picked: Record<string, string>) => void;
  model: string;
  setModel: (model: string) => void;
}

export function ExampleOptions({ method, matters, picked, pick, model, setModel }: Props) {
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
              sample={o.sample ?? o.doc}
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
}

interface OwnWordsProps {
  label: string;
  sample: string;
  value: string;
  change: (value: string) => void;
}

/** An option that is a text of the teacher's own. */
function OwnWords({ label, sample, value, change }: OwnWordsProps) {
  return (
    <Input
      aria-label={label}
      placeholder={`${label}: ${sample}`}
      value={value}
      onChange={(e) => change(e.target.value)}
      autoComplete="off"
      spellCheck={false}
    />
  );
}
