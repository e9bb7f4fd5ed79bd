import { describe, expect, test } from 'vitest';
import { ended, someNumber } from './starts';

const starts = { seed: 417, cuts: [], order: [3, 1, 2, 4, 0, 3], add: 0 };

describe('a sitting', () => {
  test('goes on while places are left', () => {
    expect(ended({ starts, results: [] })).toBeUndefined();
    expect(ended({ starts, results: [true, false, false, true] })).toBeUndefined();
  });
  test('ends when all places were played', () => {
    expect(ended({ starts, results: [true, true, false, true, true, true] })).toBe('enough');
  });
  test('ends sooner when three of the last four went wrong', () => {
    expect(ended({ starts, results: [false, false, false] })).toBe('tired');
    expect(ended({ starts, results: [true, false, true, false, false] })).toBe('tired');
    expect(ended({ starts, results: [false, false, true, true, false] })).toBeUndefined();
  });
  test('has a number of three figures', () => {
    for (let i = 0; i < 200; i++) expect(String(someNumber())).toMatch(/^[1-9]\d\d$/);
  });
});
