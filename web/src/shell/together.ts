/** A number and the word after it stand in one line: 0 hundredths. */
export const together = (text: string) => text.replace(/(\d) (?=\p{L})/gu, '$1\u00a0');

/** In a number sentence what is left over stays with its answer: it breaks at its signs. */
export const apart = (text: string) => together(text).replace(/(\p{L}) (?=\d)/gu, '$1\u00a0');
