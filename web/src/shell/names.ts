/**
 * The class names of a component: those of its own sheet as they are there, others, of the
 * drawing or of Ant Design, unchanged.
 */
export const names =
  (sheet: Readonly<Record<string, string>>) =>
  (words: string | undefined): string | undefined =>
    words
      ?.split(' ')
      .map((word) => sheet[word] ?? word)
      .join(' ');
