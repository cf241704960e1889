import type { Table } from '../../ground/drawing/index.ts';

/**
 * A table as CSV by RFC 4180: comma, CR LF, quotes doubled. Text cells that a spreadsheet would take for a formula are
 * led by an apostrophe.
 */
export function writeCsv(table: Table): string {
  return [table.columns, ...table.rows].map(row => `${row.map(cell).join(',')}\r\n`).join('');
}

function cell(value: string | number): string {
  if (typeof value === 'number') return String(value);
  const safe = /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}
