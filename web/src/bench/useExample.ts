// A worked example while it is chosen: the method, the problem as it is typed, what the
// teacher picked, and how it will go. A field takes the next key before what it holds is
// understood, and boards are made once no key comes.
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { call, type BoardView, type Calls, type MethodInfo, type Plain } from '../core/core';
import { edit, show } from '../state/acts';
import { newId } from '../state/api';
import { sentence, useLesson } from '../state/lesson';
import { useSettled } from '../shell/useSettled';

type Asked = Calls['preview']['arg'];

export interface Preview {
  /** What was asked for, as far as it can be made. */
  asked?: Asked;
  plain?: Plain;
  /** Why there is none. */
  why?: string;
  /** A text of the teacher's own that does not fit, as one that is not written to its end: it is left out here. */
  unfit?: { option: string; why: string };
}

export interface Pictures {
  /** Boards of it, from where it begins to where it ends. */
  boards: BoardView[];
  /** The options that would change it; all, while nothing is typed. */
  matters?: string[];
}

/** What the teacher has chosen and typed so far. */
interface Choice {
  /** The method that she chose; until she does, what she types chooses it. */
  byHand: string;
  typed: string;
  model: string;
  picked: Record<string, string>;
}

export function useExample() {
  const handle = useLesson((s) => s.handle);
  const methods = useMemo(() => call('methods', { handle }), [handle]);
  const [byHand, setByHand] = useState('');
  const [typed, setTyped] = useState('');
  const [model, setModel] = useState('');
  const [picked, setPicked] = useState<Record<string, string>>({});
  const now: Choice = { byHand, typed, model, picked };
  const read = useDeferredValue(typed);
  const options = useDeferredValue(picked);
  const example = useMemo(
    () => exampleOf(handle, methods, { byHand, typed: read, model, picked: options }),
    [handle, methods, byHand, read, model, options],
  );
  const { method, fits, preview } = example;
  const samples = useMemo(() => {
    const { samples } = call('samples', { handle, operation: method.operation });
    return Object.fromEntries(samples.map((s) => [s.method, s.face]));
  }, [handle, method.operation]);
  const calm = useSettled(preview.asked);
  const pictures = useMemo<Pictures>(() => (calm ? picturesOf(calm) : { boards: [] }), [calm]);
  /** Another method that works what is typed, when the chosen one does not. */
  const instead = preview.why && fits !== method.id ? methods.find((m) => m.id === fits) : undefined;
  const choose = useCallback((id: string) => {
    setByHand(id);
    setPicked({});
  }, []);
  /** Puts the example into the lesson as it is now asked for; says whether it did. */
  const add = (): boolean => {
    const { ready, request } = exampleOf(handle, methods, now);
    if (!ready) return false;
    const id = newId();
    if (!edit((handle) => call('addExample', { handle, id, ...request }))) return false;
    show(id, 0);
    return true;
  };
  return {
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
    ready: example.ready,
    instead,
    add,
  };
}

/** What a choice comes to. */
function exampleOf(handle: number, methods: MethodInfo[], { byHand, typed, model, picked }: Choice) {
  const fits = methodOf(handle, typed);
  const chosen = byHand || fits || 'column-add';
  const method = methods.find((m) => m.id === chosen)!;
  const request = {
    typed,
    method: chosen,
    model: method.models.includes(model) ? model : '',
    options: ofMethod(method, picked),
  };
  const preview = typed.trim() === '' ? {} : previewOf({ handle, ...request }, method);
  /** Whether it can be made just as it is asked for. */
  const ready = preview.plain !== undefined && !preview.unfit;
  return { method, fits, request, preview, ready };
}

/** How what is asked for will go, or why it will not. */
function previewOf(asked: Asked, method: MethodInfo): Preview {
  const whole = wordsOf(asked);
  if (!whole.why) return whole;
  for (const { name: option } of method.options.filter((o) => !o.choices)) {
    const { [option]: text, ...others } = asked.options ?? {};
    const without = text && wordsOf({ ...asked, options: others });
    if (without && !without.why) return { ...without, unfit: { option, why: whole.why } };
  }
  return whole;
}

function wordsOf(asked: Asked): Preview {
  try {
    return { asked, plain: call('preview', asked) };
  } catch (error) {
    return { why: sentence(error) };
  }
}

function picturesOf(asked: Asked): Pictures {
  try {
    return call('pictures', asked);
  } catch {
    // The lesson was left, or has other words since: its dialog is on its way out.
    return { boards: [] };
  }
}

/** The method that a typed problem is for; empty when it is none. */
function methodOf(handle: number, typed: string) {
  if (typed.trim() === '') return '';
  try {
    return call('preview', { handle, typed }).method;
  } catch {
    return '';
  }
}

function ofMethod(method: MethodInfo, picked: Record<string, string>) {
  const names = method.options.map((o) => o.name).filter((name) => picked[name]);
  return Object.fromEntries(names.map((name) => [name, picked[name]!]));
}
