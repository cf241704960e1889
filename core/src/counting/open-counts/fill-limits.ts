import type { StockWheel } from '../search/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { byId } from '../../document/machine/index.ts';
import type { Blank } from './blank.ts';

/** What open counts may be besides their own ranges: only those in stock, none that is ruled out. */
export interface FillLimits {
  readonly stock?: readonly StockWheel[];
  readonly forbidden?: readonly number[];
}

/** The counts that a blank may have, ascending: its range, of the stock, less those that are ruled out. */
export function countsAllowed({ least, most }: Blank, { stock, forbidden }: FillLimits): number[] {
  const inStock = stock && new Set(stock.map(s => s.count));
  const never = new Set(forbidden);
  const found: number[] = [];
  for (let n = least; n <= most; n++) if ((!inStock || inStock.has(n)) && !never.has(n)) found.push(n);
  return found;
}

/** Whether the stock says of any count how many pieces there are. */
export const hasPieces = ({ stock }: FillLimits): boolean =>
  stock?.some(s => s.pieces !== undefined) === true;

/** How many wheels are cut for each blank: a planet is one for every place in which it stands. */
export function piecesOf(machine: Machine, blanks: readonly Blank[]): number[] {
  return blanks.map(({ wheel }) => {
    const arbor = byId(machine.members, byId(machine.wheels, wheel)?.member);
    const axis = arbor?.kind === 'arbor' ? byId(machine.axes, arbor.axis) : undefined;
    return axis?.copies?.count ?? 1;
  });
}
