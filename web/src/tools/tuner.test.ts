import { PitchDetector } from 'pitchy';
import { expect, test } from 'vitest';
import { better, cause, height, nearest, SAMPLES, Steady, type Tuned } from './tuner';

const note = (soundingMidi: number, cents = 0, known = false, others: Tuned['others'] = []) =>
  ({
    written: '',
    shown: '',
    soundingMidi,
    fingering: '1',
    label: '',
    cents,
    known,
    mend: '',
    others
  }) as Tuned;
const other = (cents: number) => ({ fingering: '3', cents, shown: '' });

test('a frequency is as high as the tables of equal temperament say', () => {
  // A4 = 440 Hz; C4 has 261.63 Hz, B flat 1 has 58.27 Hz (ISO 16 and any table of frequencies)
  expect(height(440, 440)).toBe(69);
  expect(height(261.626, 440)).toBeCloseTo(60, 3);
  expect(height(58.27, 440)).toBeCloseTo(34, 2);
  // at 442 the same sound is 7.85 cents lower
  expect((height(440, 442) - 69) * 100).toBeCloseTo(-7.85, 2);
});

/** Sounds with six partials, of which the first is not the loudest low down. */
const sound = (hertz: number, rate: number, weak: boolean) =>
  Float32Array.from({ length: SAMPLES }, (_, i) =>
    [weak ? 0.3 : 1, 0.7, 0.5, 0.3, 0.2, 0.1].reduce(
      (sum, loud, p) => sum + loud * Math.sin((2 * Math.PI * hertz * (p + 1) * i) / rate + p),
      0
    )
  );

test('from the lowest E flat of a tuba to the highest C of a piccolo it errs by less than 2 cents', () => {
  for (const rate of [44_100, 48_000]) {
    const detector = PitchDetector.forFloat32Array(SAMPLES);
    for (let midi = 27; midi <= 96; midi++) {
      for (const cents of [-31, 0, 17]) {
        const hertz = 440 * 2 ** ((midi - 69 + cents / 100) / 12);
        const [found, clarity] = detector.findPitch(sound(hertz, rate, midi < 60), rate);
        expect(clarity, `${midi}`).toBeGreaterThan(0.9);
        expect(Math.abs(1200 * Math.log2(found / hertz)), `${midi} ${cents}`).toBeLessThan(2);
      }
    }
  }
});

test('one slip moves nothing, noise is no note, and a new note begins anew', () => {
  const s = new Steady();
  const readings = [440, 441, 439, 440, 660, 440, 440].map((h) => s.take(h, 0.98));
  expect(readings.slice(0, 3)).toEqual([undefined, undefined, undefined]);
  expect(readings[3]).toBe(440);
  // a slip begins a new note, and the old one another: nothing is told until it holds
  expect(readings.slice(4)).toEqual([undefined, undefined, undefined]);
  for (let i = 0; i < 4; i++) s.take(440, 0.98);
  expect(s.take(300, 0.4)).toBe(440);
  for (let i = 0; i < 7; i++) s.take(0, 0);
  expect(s.take(0, 0)).toBeUndefined();
});

test('what is heard is the nearest note of the part, with each of its fingerings', () => {
  const notes = [note(60), note(62), note(62), note(65)];
  expect(nearest(notes, 61.8)).toEqual([notes[1], notes[2]]);
  expect(nearest(notes, 60.6)).toEqual([notes[0]]);
  expect(nearest(notes, 63.5), 'none of the part').toEqual([]);
});

test('it says whether it is the fingering', () => {
  expect(cause(note(60, 30, true), 3)).toBe('inTune');
  expect(cause(note(60, 30, true), 24)).toBe('fingering');
  expect(cause(note(60, 30, true), -20)).toBe('leans');
  expect(cause(note(60, 2, true), 24)).toBe('besides');
  expect(cause(note(60, 0, false), 24)).toBe('besides');
});

test('another fingering is named where it would be heard', () => {
  const d = note(60, 20, true, [other(-4), other(-12)]);
  // 20 cents sharp as it is: with one that is 4 flat it would be 4 flat
  expect(better(d, 20)?.cents).toBe(-4);
  // 30 sharp: 32 lower is 2 flat, 24 lower is 6 sharp
  expect(better(d, 30)?.cents).toBe(-12);
  // flat already: both would be flatter
  expect(better(d, -15)).toBeUndefined();
  expect(better(note(60, 0, false, [other(10)]), 8), 'not worth it').toBeUndefined();
});
