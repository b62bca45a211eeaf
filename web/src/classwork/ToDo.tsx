// What there is to do: the kinds of tasks, and what is to be chosen of each.
import { Button, Checkbox, Input } from 'antd';
import { InputNumber, Select } from '../shell/later';
import { names } from '../shell/names';
import { kindsToChoose } from '../state/kinds';
import { turnsText, TurnsChoice, type TurnsWish } from '../wish/TurnsChoice';
import css from './SetDialog.module.css';

const cx = names(css);

/** What can be made of boards and examples; what of nothing but a choice here. */
export const KINDS = ['count', 'build', 'read', 'match', 'fill', 'column', 'steps', 'ways', 'choose'];
/** What is set only where it is chosen. */
const UNASKED = ['steps', 'ways'];
const ALONE = ['own', 'quick', 'turns', 'explain'];
const OWN = [
  { value: 'sum', label: 'A sum' },
  { value: 'sum, regroup', label: 'A sum that regroups' },
  { value: 'sum, both ways round', label: 'A sum, both ways round' },
  { value: 'sum, two colours', label: 'A sum in two colours' },
  { value: 'difference', label: 'A difference' },
  { value: 'difference, regroup', label: 'A difference that regroups' },
  { value: 'product', label: 'A product' },
];
const FACTS = ['within 10', 'within 20', 'doubles', 'bonds of 10', 'tables of 2, 5 and 10', 'tables'].map(
  (f) => ({ value: f, label: f }),
);
const PIECES = [
  { value: 'any', label: 'with any pieces' },
  { value: 'fewest', label: 'with as few pieces as can be' },
  { value: 'tens and ones', label: 'with tens and ones only' },
];
const LOOKS = [
  { value: 'long', label: 'seen as long as wanted' },
  { value: 'glimpse', label: 'seen for two seconds' },
];
const THROWN = [
  { value: 'already', label: 'thrown by the device' },
  { value: 'by the child', label: 'thrown by the child, with real ones' },
];
const LAST = [
  { value: '1', label: 'the last step' },
  { value: '2', label: 'the last two steps' },
  { value: 'all', label: 'all steps' },
];

/** What is chosen so far. */
export interface Choice {
  /** All that can be made but what is UNASKED, where none are told. */
  kinds: string[] | undefined;
  alone: string[];
  pieces: string;
  several: number | undefined;
  look: string;
  last: string;
  facts: string;
  ofOwn: string;
  most: number;
  turns: TurnsWish;
  thrown: string;
  question: string;
  shown: boolean;
  more: number;
  seed: number;
}

export const unchosen: Choice = {
  kinds: undefined,
  alone: [],
  pieces: 'any',
  several: undefined,
  look: 'long',
  last: '1',
  facts: FACTS[1]!.value,
  ofOwn: OWN[0]!.value,
  most: 20,
  turns: { n: 4, count: 2, kind: 'six' },
  thrown: 'already',
  question: '',
  shown: false,
  more: 2,
  seed: 1,
};

/** Those of the possible kinds that are to be done. */
export const thereOf = ({ kinds }: Choice, possible: string[]) =>
  possible.filter((k) => kinds?.includes(k) ?? !UNASKED.includes(k));

/** To see in another way is the point of seeing; to show a number once is enough. */
const waysOf = ({ several }: Choice, there: string[]) => several ?? (there.includes('build') ? 1 : 2);

/** What the core is asked for. */
export function wantedOf(choice: Choice, there: string[]) {
  const { alone, pieces, look, last, facts, ofOwn, most, turns, thrown, shown, more, seed } = choice;
  const question = choice.question.trim();
  return {
    kinds: [...there, ...alone.filter((k) => k !== 'explain' || question !== '')],
    facts,
    conditions: `${ofOwn}, at most ${most}, on counters`,
    question,
    shown,
    turns: turnsText(turns),
    thrown,
    pieces,
    ways: waysOf(choice, there),
    glimpse: look === 'glimpse',
    last,
    more,
    seed,
  };
}

interface Props {
  choice: Choice;
  change: (some: Partial<Choice>) => void;
  /** The kinds that can be made of what was chosen, and those of them that are to be done. */
  possible: string[];
  there: string[];
}

type Picked = 'pieces' | 'look' | 'last' | 'facts' | 'ofOwn' | 'thrown';

export function ToDo({ choice, change, possible, there }: Props) {
  const pick = (name: string, what: Picked, options: { value: string; label: string }[]) => (
    <Select
      aria-label={name}
      value={choice[what]}
      options={options}
      onChange={(value) => change({ [what]: value })}
    />
  );
  return (
    <fieldset>
      <legend>To do</legend>
      <Checkbox.Group
        className={cx('list')}
        value={there}
        options={kindsToChoose(possible)}
        onChange={(kinds) => change({ kinds })}
      />
      {there.includes('build') && pick('Which pieces', 'pieces', PIECES)}
      {(there.includes('build') || there.includes('ways')) && (
        <label className={cx('more')}>
          In so many ways
          <InputNumber
            min={1}
            max={3}
            value={waysOf(choice, there)}
            onChange={(n) => change({ several: n ?? 1 })}
          />
        </label>
      )}
      {there.includes('read') && pick('How long it is seen', 'look', LOOKS)}
      {there.includes('steps') && pick('Which steps', 'last', LAST)}
      <Checkbox.Group
        className={cx('list')}
        value={choice.alone}
        options={kindsToChoose(ALONE)}
        onChange={(alone) => change({ alone })}
      />
      {choice.alone.includes('quick') && pick('Which facts', 'facts', FACTS)}
      {choice.alone.includes('own') && (
        <span className={cx('more')}>
          {pick('Which sentence', 'ofOwn', OWN)}
          up to
          <InputNumber
            aria-label="No number above"
            min={6}
            max={100}
            value={choice.most}
            onChange={(n) => change({ most: n ?? 20 })}
          />
        </span>
      )}
      {choice.alone.includes('turns') && (
        <>
          <span className={cx('more')}>
            <TurnsChoice turns={choice.turns} change={(turns) => change({ turns })} />
          </span>
          {pick('Who throws', 'thrown', THROWN)}
        </>
      )}
      {choice.alone.includes('explain') && (
        <>
          <Input
            aria-label="What is to be explained"
            placeholder="How do you know that …?"
            value={choice.question}
            maxLength={200}
            onChange={(e) => change({ question: e.target.value })}
          />
          <small>Ways to choose among come after it: Which way …? one; another</small>
          <Checkbox checked={choice.shown} onChange={(e) => change({ shown: e.target.checked })}>
            in words, or on the board
          </Checkbox>
        </>
      )}
      <label className={cx('more')}>
        More like each
        <InputNumber min={0} max={9} value={choice.more} onChange={(n) => change({ more: n ?? 0 })} />
        <Button disabled={choice.more === 0} onClick={() => change({ seed: choice.seed + 1 })}>
          Others
        </Button>
      </label>
    </fieldset>
  );
}
