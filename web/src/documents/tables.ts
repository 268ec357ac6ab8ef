/** A cell that a spreadsheet takes as text and never as a formula of somebody else's. */
const safe = (text: string) => (/^[=+\-@\t\r]/.test(text) && !/^[+-][\d.]/.test(text) ? `'${text}` : text);

/** Rows of cells as CSV (RFC 4180). */
export const csv = (rows: string[][]): string =>
  rows.map((row) => row.map((text) => `"${safe(text).replaceAll('"', '""')}"`).join(',')).join('\r\n');
