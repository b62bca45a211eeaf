// A worked example while it is chosen: the method, the problem as it is typed, what the
// teacher picked, and how it will go.
import { useMemo, useState } from 'react';
import { call, type BoardView, type Calls, type MethodInfo, type Plain } from '../core/core';
import { edit, show } from '../state/acts';
import { newId } from '../state/api';
import { sentence, useLesson } from '../state/lesson';

export interface Preview {
  plain?: Plain;
  /** Boards of it, from where it begins to where it ends. */
  boards?: BoardView[];
  /** The options that would change it. */
  matters?: string[];
  /** Why there is none. */
  why?: string;
  /** A text of the teacher's own that does not fit, as one that is not written to its end: it is left out here. */
  unfit?: { option: string; why: string };
}

export function useExample() {
  const handle = useLesson((s) => s.handle);
  const methods = useMemo(() => call('methods', { handle }), [handle]);
  const samples = useMemo(
    () => Object.fromEntries(call('samples', { handle }).samples.map((s) => [s.method, s.face])),
    [handle],
  );
  /** The method that the teacher chose; until she does, what she types chooses it. */
  const [byHand, setByHand] = useState('');
  const [typed, setTyped] = useState('');
  const [model, setModel] = useState('');
  const [picked, setPicked] = useState<Record<string, string>>({});
  const fits = useMemo(() => methodOf(handle, typed), [handle, typed]);
  const chosen = byHand || fits || 'column-add';
  const method = methods.find((m) => m.id === chosen)!;
  const request = useMemo(
    () => ({
      typed,
      method: chosen,
      model: method.models.includes(model) ? model : '',
      options: ofMethod(method, picked),
    }),
    [typed, chosen, method, model, picked],
  );
  const preview = useMemo<Preview>(() => {
    if (typed.trim() === '') return {};
    const whole = previewOf({ handle, ...request });
    if (!whole.why) return whole;
    for (const { name: option } of method.options.filter((o) => !o.choices)) {
      const { [option]: text, ...others } = request.options;
      const without = text && previewOf({ handle, ...request, options: others });
      if (without && !without.why) return { ...without, unfit: { option, why: whole.why } };
    }
    return whole;
  }, [handle, typed, method, request]);
  /** Another method that works what is typed, when the chosen one does not. */
  const instead = preview.why && fits !== chosen ? methods.find((m) => m.id === fits) : undefined;
  const choose = (id: string) => {
    setByHand(id);
    setPicked({});
  };
  /** Whether it can be made just as it is asked for. */
  const ready = preview.plain !== undefined && !preview.unfit;
  /** Puts the example into the lesson; says whether it did. */
  const add = (): boolean => {
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
    ready,
    instead,
    add,
  };
}

/** How what is asked for will go, or why it will not. */
function previewOf(arg: Calls['preview']['arg']): Preview {
  try {
    return { plain: call('preview', arg), ...call('pictures', arg) };
  } catch (error) {
    return { why: sentence(error) };
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
