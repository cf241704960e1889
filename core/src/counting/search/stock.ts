import { fail, ok, type Result } from '../../ground/result/index.ts';
import { LEAST_COUNT, MOST_COUNT, type StockWheel } from './query.ts';

const ITEM = /^(\d+(?:\.\d+)?)(?:[-–…](\d+(?:\.\d+)?))?(?:[x×*](\d+))?$/i;
const MOST_TEXT = 20000;

/**
 * Reads a list of counts in stock: `8, 10, 12×2, 20-30` are one of 8, of 10, two pieces of 12, and any number of each
 * from 20 to 30. Counts without × have no limit of pieces. A count that is named twice, is not whole or out of range is
 * a problem that names it.
 */
export function parseStock(text: string): Result<StockWheel[]> {
  if (text.length > MOST_TEXT) return fail('number-too-long', { most: MOST_TEXT });
  const stock = new Map<number, StockWheel>();
  const parts = text.replace(/\s*([x×*…–-])\s*/gi, '$1').split(/[\s,;]+/);
  for (const part of parts) {
    if (part === '') continue;
    const read = readItem(part);
    if (!read.ok) return read;
    for (const wheel of read.value) {
      if (stock.has(wheel.count)) return fail('stock-twice', { count: wheel.count });
      stock.set(wheel.count, wheel);
    }
  }
  return stock.size > 0 ? ok([...stock.values()]) : fail('stock-empty');
}

function readItem(part: string): Result<StockWheel[]> {
  const m = ITEM.exec(part);
  const bad = fail('stock-not-a-count', { text: part.slice(0, 40), least: LEAST_COUNT, most: MOST_COUNT });
  if (!m) return bad;
  const from = Number(m[1]);
  const to = m[2] === undefined ? from : Number(m[2]);
  const pieces = m[3] === undefined ? {} : { pieces: Number(m[3]) };
  const whole = [from, to].every(n => Number.isInteger(n) && n >= LEAST_COUNT && n <= MOST_COUNT);
  if (!whole || to < from || pieces.pieces === 0) return bad;
  return ok(Array.from({ length: to - from + 1 }, (_, i) => ({ count: from + i, ...pieces })));
}

/** A stock list as text that `parseStock` reads back. */
export function sayStock(stock: readonly StockWheel[]): string {
  return stock.map(s => (s.pieces === undefined ? `${s.count}` : `${s.count}×${s.pieces}`)).join(', ');
}
