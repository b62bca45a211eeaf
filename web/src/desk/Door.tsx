// The way in: six letters from the board, then one's own tile.
import { Button } from 'antd';
import { useEffect, useRef, useState, type FormEvent } from 'react';
import { useSearchParams } from 'react-router';
import { Flower } from '../shell/Mark';
import { names } from '../shell/names';
import { Sign } from '../shell/Sign';
import { desks, type Pupil } from '../state/classroom';
import { openDesk, useDesk } from '../state/desk';
import { sentence } from '../state/lesson';
import css from './Door.module.css';
import { PictureKey } from './PictureKey';

const cx = names(css);

const LETTERS = 6;

interface Tiles {
  name: string;
  tiles: Pupil[];
  /** Whether a tile wants its child's three pictures. */
  keys: boolean;
}

export function Door() {
  const [params] = useSearchParams();
  const [code, setCode] = useState(params.get('code') ?? '');
  const [there, setThere] = useState<Tiles>();
  const [why, setWhy] = useState('');
  const refused = useDesk((s) => s.refused);
  const look = async (typed: string) => {
    try {
      setThere(await desks.door(typed));
      setWhy('');
    } catch (error) {
      setWhy(sentence(error));
    }
  };
  // Whoever comes by the picture on the board has typed nothing.
  const came = useRef(params.get('code') ?? '');
  useEffect(() => {
    if (came.current.length >= LETTERS) void look(came.current);
    came.current = '';
  }, []);
  if (there) {
    return (
      <Tiles
        {...there}
        back={() => setThere(undefined)}
        look={() => void look(code)}
        code={code}
        why={why}
        tell={setWhy}
      />
    );
  }
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void look(code);
  };
  return (
    <main className={cx('door')}>
      <Flower size={72} />
      <form className={cx('code')} onSubmit={submit}>
        <label htmlFor="code">Type the letters on the board.</label>
        <input
          id="code"
          value={code}
          maxLength={LETTERS + 2}
          autoCapitalize="characters"
          autoComplete="off"
          autoCorrect="off"
          spellCheck={false}
          autoFocus
          aria-describedby="code-why"
          onChange={(e) => setCode(e.target.value.toUpperCase())}
        />
        <Button type="primary" size="large" htmlType="submit" disabled={code.trim().length < LETTERS}>
          Come in
        </Button>
        <p id="code-why" role="status" className={cx('why')}>
          {why || refused}
        </p>
      </form>
    </main>
  );
}

interface TilesProps extends Tiles {
  code: string;
  back: () => void;
  look: () => void;
  why: string;
  tell: (why: string) => void;
}

function Tiles({ name, tiles, keys: wanted, code, back, look, why, tell }: TilesProps) {
  const [first, setFirst] = useState<Pupil>();
  const [pair, setPair] = useState(false);
  /** Who wants to come in, and the keys that were given so far. */
  const [coming, setComing] = useState<{ who: Pupil[]; keys: string[] }>();
  const enter = async (who: Pupil[], keys: string[]) => {
    try {
      await desks.sit(code, who[0]!.id, who[1]?.id ?? '', keys);
      await openDesk();
    } catch (error) {
      tell(sentence(error));
      if (wanted) return setComing({ who, keys: [] });
      look();
      setFirst(undefined);
    }
  };
  const sit = (...who: Pupil[]) => {
    tell('');
    if (wanted) setComing({ who, keys: [] });
    else void enter(who, []);
  };
  if (coming) {
    const { who, keys } = coming;
    return (
      <PictureKey
        key={keys.length}
        name={who[keys.length]!.name}
        why={why}
        done={(key) => {
          const all = [...keys, key];
          if (all.length === who.length) void enter(who, all);
          else setComing({ who, keys: all });
        }}
        back={() => {
          tell('');
          setComing(undefined);
          setFirst(undefined);
        }}
      />
    );
  }
  const tap = (p: Pupil) => {
    if (!pair) return sit(p);
    if (!first) return setFirst(p);
    if (first.id === p.id) return setFirst(undefined);
    sit(first, p);
  };
  const ask = pair
    ? first
      ? `${first.name} and who else?`
      : 'Tap both of your names.'
    : 'Who are you? Tap your name.';
  return (
    <main className={cx('tiles-page')}>
      <header className={cx('head')}>
        <h1>{name}</h1>
        <p className={cx('ask')} role="status">
          {why || ask}
        </p>
        <span className={cx('grow')} />
        <Button
          size="large"
          aria-pressed={pair}
          onClick={() => {
            setPair(!pair);
            setFirst(undefined);
          }}
        >
          {pair ? 'I am alone' : 'We are two'}
        </Button>
        <Button size="large" onClick={back}>
          Another class
        </Button>
      </header>
      <ul className={cx('tiles')}>
        {tiles.map((p) => (
          <li key={p.id}>
            <button
              type="button"
              className={cx(`tile ${first?.id === p.id ? 'chosen' : ''}`)}
              disabled={p.here && !wanted}
              onClick={() => tap(p)}
            >
              <Sign n={p.sign} size={64} />
              <span>{p.name}</span>
              {p.here && !wanted && <small>is here already</small>}
            </button>
          </li>
        ))}
      </ul>
    </main>
  );
}
