/** A cell that a spreadsheet takes as text and never as a formula of somebody else's. */
const safe = (text: string) => (/^[=+\-@\t\r]/.test(text) && !/^[+-][\d.]/.test(text) ? `'${text}` : text);

/** Rows of cells as CSV (RFC 4180). */
export const csv = (rows: string[][]): string =>
  rows.map((row) => row.map((text) => `"${safe(text).replaceAll('"', '""')}"`).join(',')).join('\r\n');

/** Rows of cells as a CSV file; with a mark of UTF-8, without which spreadsheets take it for something else. */
export const csvFile = (rows: string[][]): Blob => new Blob(['\ufeff', csv(rows)], { type: 'text/csv;charset=utf-8' });
