// A task is spoken by the browser's own voice, where it has one.

export const canSay = () => 'speechSynthesis' in globalThis;

/** Signs as they are said. */
const SAID: [RegExp, string][] = [
  [/×/g, ' times '],
  [/÷/g, ' divided by '],
  [/−/g, ' minus '],
  [/\+/g, ' plus '],
  [/=/g, ' equals '],
];

export function say(text: string) {
  speechSynthesis.cancel();
  const spoken = SAID.reduce((t, [sign, word]) => t.replace(sign, word), text);
  const utterance = new SpeechSynthesisUtterance(spoken);
  utterance.lang = document.documentElement.lang || 'en';
  utterance.rate = 0.9;
  speechSynthesis.speak(utterance);
}
