// The focus goes where the work goes. When what had it is gone (a dialog that closed,
// a word of a menu, a verb that did its work), it goes back to what had it before, or
// to what stands in the place: never to nowhere.

interface Had {
  element: HTMLElement;
  /** Where it stood, innermost first. */
  around: Element[];
}

const history: Had[] = [];
const REMEMBERED = 24;

function remember(e: FocusEvent) {
  if (!(e.target instanceof HTMLElement || e.target instanceof SVGElement)) return;
  const element = e.target as HTMLElement;
  const around: Element[] = [];
  for (let a = element.parentElement; a && a !== document.body; a = a.parentElement) around.push(a);
  const at = history.findIndex((h) => h.element === element);
  if (at >= 0) history.splice(at, 1);
  history.push({ element, around });
  if (history.length > REMEMBERED) history.shift();
}

const canHave = (el: HTMLElement) =>
  el.isConnected && el.checkVisibility() && !(el as HTMLButtonElement).disabled && !el.closest('[inert]');

/** Gives the focus to what is there, when what had it is not. */
function mend() {
  const active = document.activeElement;
  if (active && active !== document.body && canHave(active as HTMLElement)) return;
  const last = history[history.length - 1];
  if (last && canHave(last.element)) return; // it was let go by hand
  for (const { element, around } of [...history].reverse()) {
    // Where keys are for what is shown, no field and no board takes them that nobody went to.
    if (element.closest('[data-keys]') && element.matches('input, textarea, [role="application"]')) continue;
    if (canHave(element)) return element.focus({ preventScroll: true });
    const near = around.find((a) => a.isConnected)?.querySelector<HTMLElement>('[data-focus]');
    if (near && canHave(near)) return near.focus({ preventScroll: true });
  }
  document.querySelector<HTMLElement>('[data-focus]')?.focus({ preventScroll: true });
}

let waiting = false;

function mendSoon() {
  if (waiting) return;
  waiting = true;
  requestAnimationFrame(() => {
    waiting = false;
    mend();
  });
}

export function keepFocus() {
  addEventListener('focusin', remember);
  addEventListener('focusout', mendSoon);
  // What is taken out of the page loses the focus without a word.
  new MutationObserver(() => {
    if (document.activeElement === document.body) mendSoon();
  }).observe(document.body, { childList: true, subtree: true });
}

const bodyOf = (dialog: Element) => dialog.querySelector('.ant-modal-body');

/** What a dialog begins with: the field that is marked, or the first. */
const fieldOf = (dialog: Element) =>
  bodyOf(dialog)?.querySelector<HTMLElement>('[data-first], [data-first] input, [data-first] textarea') ??
  bodyOf(dialog)?.querySelector<HTMLElement>('input:not([type=hidden], [type=radio]), textarea');

/** Where there is no field it is its own first button. */
const firstOf = (dialog: Element) =>
  fieldOf(dialog) ??
  bodyOf(dialog)?.querySelector<HTMLElement>('button, [tabindex="0"], a[href]') ??
  dialog.querySelector<HTMLElement>('.ant-modal-footer .ant-btn-primary, .ant-modal-footer button');

/**
 * Focuses the first field of the dialog round an element, as soon as it can have the focus. A field
 * that comes later, with what the server says, has it from a button that nobody went to. What is
 * given back ends the waiting.
 */
export function focusFirst(inside: Element | null): (() => void) | undefined {
  const dialog = inside?.closest('.ant-modal');
  if (!dialog) return;
  const body = bodyOf(dialog);
  let put: HTMLElement | null = null;
  const later = new MutationObserver(() => {
    const field = fieldOf(dialog);
    if (!field) return;
    later.disconnect();
    if (document.activeElement === put) field.focus();
  });
  let tries = 30;
  const attempt = () => {
    if (body?.contains(document.activeElement)) return;
    put = firstOf(dialog);
    put?.focus();
    if (document.activeElement !== put && tries-- > 0) requestAnimationFrame(attempt);
    else if (body && !body.contains(put)) later.observe(body, { childList: true, subtree: true });
  };
  attempt();
  return () => later.disconnect();
}
