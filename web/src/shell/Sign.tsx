// The picture on a child's tile, to know it by before she can read: a thing of the garden in
// one of four colours.
const COLOURS = ['#c46a12', '#15808a', '#a8325e', '#4f7f45'];
const HUES = ['orange', 'blue', 'red', 'green'];

/** Each in a square of 48, drawn with its colour as `c` and the ink's outline. */
const THINGS: [name: string, draw: string[]][] = [
  [
    'sun',
    ['M24 3v8M24 37v8M3 24h8M37 24h8M9 9l6 6M33 33l6 6M39 9l-6 6M15 33l-6 6', 'M24 14a10 10 0 1 0 .1 0z'],
  ],
  ['moon', ['M30 5a20 20 0 1 0 13 27A17 17 0 0 1 30 5z']],
  ['drop', ['M24 4C14 18 10 24 10 30a14 14 0 0 0 28 0c0-6-4-12-14-26z']],
  ['leaf', ['M6 42C4 18 20 6 43 6c0 24-14 36-37 36zM6 42 28 20']],
  [
    'tulip',
    ['M24 24v21M24 44c-8 0-12-4-13-11 8 0 12 4 13 11z', 'M10 6l7 6 7-8 7 8 7-6c2 14-4 21-14 21S8 20 10 6z'],
  ],
  [
    'apple',
    [
      'M24 14c2-6 5-9 10-9-1 5-4 8-10 9z',
      'M24 15c-6-5-17-2-17 10 0 10 7 19 12 19 3 0 3-1 5-1s2 1 5 1c5 0 12-9 12-19 0-12-11-15-17-10z',
    ],
  ],
  ['cloud', ['M13 38a9 9 0 0 1-1-18 13 13 0 0 1 25-2 10 10 0 0 1-1 20z']],
  ['mushroom', ['M18 26v14c0 3 12 3 12 0V26', 'M4 27C4 13 13 5 24 5s20 8 20 22z']],
  ['fish', ['M4 24C10 12 24 10 34 20l10-9v26l-10-9C24 38 10 36 4 24zM13 22h.1']],
  ['boat', ['M24 4v26M24 6l14 20H24', 'M5 31h38l-7 12H12z']],
  ['house', ['M10 22v21h28V22M19 43V31h10v12', 'M4 24 24 6l20 18z']],
  [
    'butterfly',
    [
      'M24 10v30',
      'M24 20C18 4 4 4 5 16c1 8 9 10 19 8-10 2-14 6-12 13 3 8 11 3 12-9M24 20C30 4 44 4 43 16c-1 8-9 10-19 8 10 2 14 6 12 13-3 8-11 3-12-9',
    ],
  ],
];

/** What a sign shows, in words. */
export function signName(n: number): string {
  return `${HUES[Math.floor(n / THINGS.length) % HUES.length]!} ${THINGS[n % THINGS.length]![0]}`;
}

export function Sign({ n, size = 48 }: { n: number; size?: number }) {
  const fill = COLOURS[Math.floor(n / THINGS.length) % COLOURS.length]!;
  return (
    <svg width={size} height={size} viewBox="0 0 48 48" role="img" aria-label={signName(n)}>
      <g fill={fill} stroke="#22302c" strokeWidth="2.4" strokeLinejoin="round" strokeLinecap="round">
        {THINGS[n % THINGS.length]![1].map((d) => (
          <path key={d} d={d} />
        ))}
      </g>
    </svg>
  );
}

/** How many pictures a key is chosen from, and how many it has. */
export const PICTURES = THINGS.length;
export const KEY_LENGTH = 3;

/** A picture of a key: each thing in one colour, so that they are told apart at a glance. */
export const pictureOf = (n: number) => n + THINGS.length * (n % COLOURS.length);
