import { shown } from '../lib/pitch';
import { ways } from '../ways.svelte';
import { ui } from '../words/ui';

const TONICS = [
  { letter: 'B', alter: -1 },
  { letter: 'E', alter: -1 },
  { letter: 'F', alter: 0 },
  { letter: 'C', alter: 0 }
];

/** By which steps a range may be played already: the tonic as it sounds, and its words. */
export const steps = (): [string, string][] => [
  ['', ui.people.halfSteps],
  ...TONICS.map(
    (t) =>
      [t.letter + (t.alter ? 'b' : ''), ui.people.concertMajor(shown(t, ways.naming))] as [
        string,
        string
      ]
  )
];

/** Pitch classes of a major scale, C as 0. */
export const scaleOf = (tonic: string): number[] => {
  const start = { C: 0, Eb: 3, F: 5, Bb: 10 }[tonic];
  return start === undefined ? [] : [0, 2, 4, 5, 7, 9, 11].map((s) => (s + start) % 12);
};
