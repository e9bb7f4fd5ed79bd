/** By which steps a range may be played already: the tonic as it sounds, and its words. */
export const STEPS: [string, string][] = [
  ['', 'every half step'],
  ['Bb', 'concert B♭ major'],
  ['Eb', 'concert E♭ major'],
  ['F', 'concert F major'],
  ['C', 'concert C major']
];

/** Pitch classes of a major scale, C as 0. */
export const scaleOf = (tonic: string): number[] => {
  const start = { C: 0, Eb: 3, F: 5, Bb: 10 }[tonic];
  return start === undefined ? [] : [0, 2, 4, 5, 7, 9, 11].map((s) => (s + start) % 12);
};
