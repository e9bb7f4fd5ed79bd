import { expect, test } from 'vitest';
import { csv } from './csv';

test('what holds a comma, a quotation mark or a line is quoted, and letters are marked as UTF-8', () => {
  expect(csv([['Ayşe, K.', 'says "low"', 'two\nlines']])).toBe(
    '\uFEFF"Ayşe, K.","says ""low""","two\nlines"'
  );
});

test('what a person has typed is not calculated by a spreadsheet', () => {
  expect(csv([['=HYPERLINK("x")', '+1', '-2', '@a']])).toBe(
    '\uFEFF"\'=HYPERLINK(""x"")","\'+1","\'-2","\'@a"'
  );
  expect(csv([['=1\n2', '\n=1', '\t=1']])).toBe('\uFEFF"\'=1\n2","\'\n=1","\'\t=1"');
});
