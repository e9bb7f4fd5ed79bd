import { describe, expect, test } from 'vitest';
import { rungs } from './material';

describe('the tempos on a sheet', () => {
  test('go from the first to the last by steps of twelve', () => {
    expect(rungs(60, 120)).toEqual([60, 72, 84, 96, 108, 120]);
    expect(rungs(72, 96)).toEqual([72, 84, 96]);
  });
  test('are as far from each other wherever they end', () => {
    expect(rungs(61, 88)).toEqual([61, 75, 88]);
    expect(rungs(60, 60)).toEqual([60]);
    expect(rungs(60, 63)).toEqual([60, 63]);
  });
});
