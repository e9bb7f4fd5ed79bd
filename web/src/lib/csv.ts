import Papa from 'papaparse';

/** Before what a spreadsheet shall read as UTF-8. */
const MARK = '\uFEFF';

/**
 * A table for a spreadsheet: commas, as RFC 4180 has it; what a person has typed is never read as a
 * formula.
 */
export const csv = (rows: string[][]) =>
  MARK + Papa.unparse(rows, { escapeFormulae: /^[=+\-@\t\r\n]/ });

/** Has the browser save a table under a name. */
export function save(name: string, rows: string[][]) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([csv(rows)], { type: 'text/csv;charset=utf-8' }));
  link.download = `${name}.csv`;
  link.click();
  // the browser has begun to read it by then
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
