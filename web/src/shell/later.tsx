// Lists, sheets, dialogs and the fields in them: a part of the page of its own.
// It is fetched while nobody waits, and mounted when the first of them opens, so
// that the board stands sooner.
import type { ButtonProps, CheckboxProps, InputNumberProps, MenuProps, ModalProps, SelectProps } from 'antd';
import {
  cloneElement,
  useEffect,
  useReducer,
  useState,
  type ComponentType,
  type KeyboardEvent,
  type ReactElement,
  type ReactNode,
} from 'react';
import { FirstFocus } from './FirstFocus';
import { names } from './names';
import { notify } from '../state/lesson';
import css from './later.module.css';

const cx = names(css);

/** A part of the page that is fetched once, and is there from then on. */
export interface Part<T> {
  now: T | undefined;
  fetch: () => Promise<T>;
}

export function partOf<T>(get: () => Promise<T>): Part<T> {
  const part: Part<T> = { now: undefined, fetch: async () => (part.now ??= await get()) };
  return part;
}

/** How long what is seen first has the network to itself, in milliseconds. */
const LATER_MS = 1500;

/** Fetches a part while nobody waits, so that it is there without the network too. */
export function fetchIdly(part: Part<unknown>) {
  const idle = globalThis.requestIdleCallback ?? ((run: () => void) => setTimeout(run, 500));
  setTimeout(() => idle(() => void part.fetch().catch(() => undefined)), LATER_MS);
}

/** The part once it is wanted and there. Without the network it may not come: that is said, and `failed` told. */
export function usePart<T>(part: Part<T>, wanted: boolean, failed?: () => void): T | undefined {
  const [, come] = useReducer((n: number) => n + 1, 0);
  const missing = wanted && !part.now;
  useEffect(() => {
    if (!missing) return;
    let gone = false;
    part.fetch().then(
      () => !gone && come(),
      () => {
        if (gone) return;
        notify(
          'refusal',
          'This part of Unit Bloom has not come yet, and the network is away. Try again soon.',
        );
        failed?.();
      },
    );
    return () => {
      gone = true;
    };
  });
  return wanted ? part.now : undefined;
}

const opened = partOf(() => import('./opened'));
type Opened = NonNullable<(typeof opened)['now']>;

export const fetchOpened = () => fetchIdly(opened);

function later<P extends object>(of: (m: Opened) => ComponentType<P>) {
  return function Later(props: P) {
    const there = usePart(opened, true);
    if (!there) return null;
    const Thing = of(there);
    return <Thing {...props} />;
  };
}

export const Checkbox = later<CheckboxProps>((m) => m.Checkbox);
export const InputNumber = later<InputNumberProps<number>>((m) => m.InputNumber);
export const Select = later<SelectProps<string>>((m) => m.Select);

/** A dialog; it is not there before it is open for the first time. */
export function Dialog(props: ModalProps) {
  const [was, setWas] = useState(false);
  if (props.open && !was) setWas(true);
  const there = usePart(opened, !!props.open || was);
  return (
    there && (
      // What scrolls under it is held by its style: a lock is a style of the whole page, made anew each time.
      <there.Modal {...props} scrollLock={false} style={{ top: 24, ...props.style }}>
        <FirstFocus open={!!props.open} />
        {props.children}
      </there.Modal>
    )
  );
}

/** Opens and closes what a button opens; before the first time there is the button alone. */
function useOpening(button: ReactElement<ButtonProps>, kind: 'menu' | 'dialog') {
  const [open, setOpen] = useState<boolean>();
  const there = usePart(opened, open !== undefined, () => setOpen(undefined));
  return {
    there,
    open: open ?? false,
    setOpen,
    // It keeps the focus that it had when it was pressed.
    button: cloneElement(button, {
      'aria-haspopup': kind,
      'aria-expanded': open ?? false,
      ...(there ? { autoFocus: true } : { onClick: () => setOpen(true) }),
    }),
  };
}

interface MenuButton {
  items: NonNullable<MenuProps['items']>;
  children: ReactElement<ButtonProps>;
  /** Whether its words stand in groups, beside one another. */
  grouped?: boolean;
}

/** A button that opens a list of words. */
export function Menu({ items, children, grouped = false }: MenuButton) {
  const { there, open, setOpen, button } = useOpening(children, 'menu');
  if (!there) return button;
  return (
    <there.Dropdown
      open={open}
      onOpenChange={setOpen}
      trigger={['click']}
      placement={grouped ? 'bottomRight' : 'bottomLeft'}
      autoFocus
      menu={{
        items,
        className: grouped ? cx('grouped') : '',
        triggerSubMenuAction: 'click',
        style: { maxHeight: 'min(620px, 80dvh)', overflowY: 'auto' },
        onKeyDown: spacePresses,
      }}
    >
      {button}
    </there.Dropdown>
  );
}

/** In a list of words Space chooses, as Enter does. */
function spacePresses(e: KeyboardEvent) {
  if (e.key !== ' ' || !(document.activeElement instanceof HTMLElement)) return;
  e.preventDefault();
  document.activeElement.click();
}

interface SheetButton {
  /** What the sheet holds; it is given what closes it. */
  content: (close: () => void) => ReactNode;
  children: ReactElement<ButtonProps>;
  /** Whether the sheet begins anew each time. */
  anew?: boolean;
  /** Whether its button stands at the right end of a bar. */
  atEnd?: boolean;
}

/** A button that opens a small sheet over the board. */
export function Sheet({ content, children, anew = false, atEnd = false }: SheetButton) {
  const { there, open, setOpen, button } = useOpening(children, 'dialog');
  if (!there) return button;
  return (
    <there.Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      placement={atEnd ? 'topRight' : 'bottom'}
      destroyOnHidden={anew}
      content={content(() => setOpen(false))}
    >
      {button}
    </there.Popover>
  );
}
