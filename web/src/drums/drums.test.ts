import { expect, test } from 'vitest';
import { en } from '../words/en';
import { es } from '../words/es';
import { asPressed, lettered } from './drums';

test('a hand has the letter of its language, and grace notes a small one', () => {
  expect(lettered('lR L rrL', en.drums.letters)).toBe('lR L rrL');
  expect(lettered('lR L rrL', es.drums.letters)).toBe('iD I ddI');
});

test('a hand that was pressed shows at once, with its grace notes in the other', () => {
  const flam = { text: 'lR', hand: 'R', said: false } as Parameters<typeof asPressed>[0];
  expect(asPressed(flam, 'L')).toMatchObject({ text: 'rL', hand: 'L', said: true });
  expect(asPressed(flam, undefined)).toBe(flam);
});
