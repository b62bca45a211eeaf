// The way past the header for those who go by keys: it is seen when it has the focus.
export function SkipLink() {
  return (
    <a
      href="#board"
      className="skip-link"
      onClick={(e) => {
        e.preventDefault();
        const board = document.getElementById('board');
        const first =
          board?.querySelector<HTMLElement>('[data-focus]') ??
          board?.querySelector<HTMLElement>('button, input');
        first?.focus();
      }}
    >
      To the board
    </a>
  );
}
