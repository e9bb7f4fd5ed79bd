import { expect, test } from 'vitest';
import type { Plan } from './lanes';
import { said, sentences } from './sentences';

const note = (over: object) => ({
  id: 'n1',
  barNumber: '3',
  beat: 1,
  shown: 'F♯5',
  label: 'middle-finger F♯',
  fingering: '123|-2-',
  isNew: false,
  unlearned: false,
  standing: 'SECURE',
  locked: false,
  trill: [],
  ...over
});
const plan = (notes: object[], moves: object[] = []) => ({ notes, moves }) as unknown as Plan;

test('a note is a sentence: where, what, whether it is new, with which fingering', () => {
  const [first, second] = sentences(
    plan(
      [note({ isNew: true }), note({ id: 'n2', beat: 2.5, shown: 'B♭4', label: 'thumb B♭' })],
      [{ toId: 'n2', way: 'ON', difficulty: 0.6 }]
    )
  );
  expect(first!.text).toBe('bar 3, beat 1: F sharp 5, new, middle-finger F sharp');
  expect(second!.text).toBe('bar 3, beat 2.5: B flat 4, thumb B flat, a hard change leads to it');
});

test('signs are said as words, double ones too', () => {
  expect(said('F𝄪4')).toBe('F double sharp 4');
  expect(said('B𝄫')).toBe('B double flat');
});
