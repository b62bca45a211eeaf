const worded = (text: string) => text.replace(/(\d) (?=\p{L})/gu, '$1\u00a0');

/** Two numbers with a sign between them that no longer sentence holds: 6 × 4. */
const PAIR = /(?<![\d.,]|[=<>+−×÷] )(\d[\d.,]*) ([+−×÷]) (?=\d[\d.,]*(?![\d.,]| [=<>+−×÷]))/g;

/** A number and the word after it stand in one line, and so do two numbers and their sign: 0 hundredths, 6 × 4. */
export const together = (text: string) => worded(text).replace(PAIR, '$1\u00a0$2\u00a0');

/** In a number sentence what is left over stays with its answer: it breaks at its signs. */
export const apart = (text: string) => worded(text).replace(/(\p{L}) (?=\d)/gu, '$1\u00a0');
