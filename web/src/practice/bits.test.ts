import { expect, test } from 'vitest';
import { metronome } from './bits';

test('a share of the tempo is told in the beat that is counted', () => {
  // 4/4 at 88 quarters a minute
  const four = { at: 0, seconds: 240 / 88, beat: 60 / 88 };
  expect(metronome({ bar: 0, quarter: 60 / 88 }, [four], 75)).toBe('♩ = 66');
  // 6/8 at 60 dotted quarters a minute
  const six = { at: 0, seconds: 2, beat: 1 };
  expect(metronome({ bar: 0, quarter: 2 / 3 }, [six], 50)).toBe('♩. = 30');
  // 2/2 at 60 half notes a minute, told in quarters
  const cut = { at: 0, seconds: 2, beat: 1 };
  expect(metronome({ bar: 0, quarter: 0.5 }, [cut], 100)).toBe('♩ = 120');
});
