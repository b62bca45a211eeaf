const worded = (text: string) => text.replace(/(\d) (?=\p{L})/gu, '$1\u00a0');

/** Numbers with signs between them: 6 × 4, 300 + 90 + 12. */
const CHAIN = /(?<![\d.,])\d[\d.,]*(?: [=<>+−×÷] \d[\d.,]*)+/g;

/** How many letters of numbers and signs stand in one line on any screen. */
const SHORT = 16;

/** A number and the word after it stand in one line, and so do two numbers and their sign, and a few more. */
export const together = (text: string) =>
  worded(text).replace(CHAIN, (chain) =>
    chain.length <= SHORT || chain.split(' ').length === 3 ? chain.replaceAll(' ', '\u00a0') : chain,
  );

/** In a number sentence what is left over stays with its answer: it breaks at its signs. */
export const apart = (text: string) => worded(text).replace(/(\p{L}) (?=\d)/gu, '$1\u00a0');
