/** A number and the word after it stand in one line: 0 hundredths. */
export const together = (text: string) => text.replace(/(\d) (?=\p{L})/gu, '$1\u00a0');
