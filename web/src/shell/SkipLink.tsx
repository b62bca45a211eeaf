// The way past the header for those who go by keys: it is seen when it has the focus.
export function SkipLink() {
  return (
    <a
      href="#board"
      className="skip-link"
      onClick={(e) => {
        e.preventDefault();
        const board = document.getElementById('board');
        board?.querySelector<HTMLElement>('[tabindex="0"], button, input')?.focus();
      }}
    >
      To the board
    </a>
  );
}
