// What the class calls things, and how it writes numbers: the same fields for the school
// and for a lesson where it differs.
import { Input } from 'antd';
import type { Vocabulary } from '../core/core';
import { Select } from './later';
import { names } from './names';
import css from './ClassWords.module.css';

const cx = names(css);

/** Words with few choices; the first is what is said when nothing is chosen. */
const chosen: { of: keyof Vocabulary; label: string; options: Record<string, string> }[] = [
  {
    of: 'regroup',
    label: 'For ten into one of the next, we say',
    options: {
      bundle: 'bundle and unbundle',
      regroup: 'regroup',
      exchange: 'exchange',
      trade: 'trade',
      rename: 'rename',
      carry: 'carry and borrow',
    },
  },
  { of: 'ones', label: 'For single pieces, we say', options: { ones: 'ones', units: 'units' } },
  {
    of: 'numbers',
    label: 'Numbers are written like',
    options: {
      '4002.5': '4002.5',
      '4,002.5': '4,002.5',
      '4 002.5': '4 002.5',
      '4002,5': '4002,5',
      '4 002,5': '4 002,5',
    },
  },
  {
    of: 'and',
    label: '106 is read',
    options: { 'one hundred and six': 'one hundred and six', 'one hundred six': 'one hundred six' },
  },
  {
    of: 'minus',
    label: '− is read',
    options: { minus: 'minus', 'take away': 'take away', less: 'less' },
  },
  {
    of: 'bond',
    label: 'A whole with its parts is a',
    options: { 'number bond': 'number bond', 'part-whole model': 'part–whole model' },
  },
  { of: 'maths', label: 'The subject is', options: { maths: 'maths', math: 'math' } },
];

/** Words that are typed. */
const typed: { of: keyof Vocabulary; label: string; sample: string }[] = [
  { of: 'shapes', label: 'Names of the four blocks, smallest first', sample: 'cube, long, flat, big cube' },
  {
    of: 'columns',
    label: 'Everyday names of the columns, from the ones up',
    sample: 'bulbs, bags, trays, crates',
  },
  {
    of: 'money',
    label: 'Money: one and many of the large, then of the small',
    sample: 'euro, euros, cent, cents',
  },
];

interface ClassWordsProps {
  words: Vocabulary;
  change: (words: Vocabulary) => void;
}

export function ClassWords({ words, change }: ClassWordsProps) {
  const put = (of: keyof Vocabulary, value: string) => change({ ...words, [of]: value });
  return (
    <div className={cx('words')}>
      {chosen.map(({ of, label, options }) => (
        <div className="field" key={of}>
          <span id={`say-${of}`}>{label}</span>
          <Select
            aria-labelledby={`say-${of}`}
            value={words[of] ?? Object.keys(options)[0]!}
            options={Object.entries(options).map(([value, text]) => ({ value, label: text }))}
            onChange={(value) => put(of, value)}
          />
        </div>
      ))}
      {typed.map(({ of, label, sample }) => (
        <label className={cx('field wide')} key={of}>
          {label}
          <Input
            value={words[of] ?? ''}
            placeholder={sample}
            maxLength={120}
            onChange={(e) => put(of, e.target.value)}
          />
        </label>
      ))}
    </div>
  );
}
