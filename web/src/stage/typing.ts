// Whose a key is: the board's, or that of what is open over it. A digit that is typed where no field has
// the focus begins a number in the line of the board.

export const fields = 'input, textarea, select, [contenteditable]';
export const dialog = '.ant-modal:not(.ant-zoom-leave)';

/** Whether something over the board is open, whose keys these are; what is on its way out has none. */
export function isOver(e: KeyboardEvent): boolean {
  const at = e.target instanceof Element ? e.target : document.body;
  if (document.querySelector('[aria-haspopup][aria-expanded="true"]')) return true;
  if (at.closest('.ant-popover, .ant-dropdown, .ant-zoom-leave')) return false;
  if (at.closest(`${fields}, ${dialog}`)) return true;
  return [...document.querySelectorAll(dialog)].some((el) => el.checkVisibility());
}

export const isDigit = (key: string) => /^\d$/.test(key);

/** Puts the focus in the field for numbers of the model that has it, or of the first. */
export function startTyping(from?: EventTarget | null) {
  const here = (from instanceof Element && from.closest('[data-tile]')) || document;
  here.querySelector<HTMLElement>('[data-typed]')?.focus();
}
