import type { Derived } from '../../state/state/index.ts';
import { processOf } from '../../document/machine/index.ts';
import { extraParts, type SolidPart, solidParts } from '../../making/solid/index.ts';
import { hardwareList, IN_HARDWARE, INSTEAD } from '../../making/lists/index.ts';
import type { PaperList } from '../format/index.ts';

/** What is cut to length or stacked: it stands in the hardware list whoever makes it. */
const PIECES: ReadonlySet<string> = new Set(['rod', 'tube', 'spacer', 'washers']);

/**
 * What goes into the bag of every set when a machine is made several times, one list a bag: all parts that are made,
 * then all that stands in the hardware list, with how many of each; nothing twice.
 */
export function bagLists(derived: Derived, sets: number): PaperList[] {
  const made = partsInBag(derived).map(({ number, name, kind }) => ({
    number,
    text: kind === 'hand' || kind === 'dial' ? `${name}, ${kind}` : name,
  }));
  const { columns, rows } = hardwareList(derived);
  const cell = (row: (typeof rows)[number], column: string): string =>
    String(row[columns.indexOf(column)] ?? '');
  const bought = rows.map(r => {
    const long = cell(r, 'length mm');
    const size = cell(r, 'size mm');
    const text = [cell(r, 'item'), size && `${size} mm`, long && `${long} mm long`]
      .filter(Boolean)
      .join(', ');
    return { number: Number(cell(r, 'number')), text };
  });
  const lines = [...made, ...bought];
  const pieces = lines.reduce((sum, l) => sum + l.number, 0);
  return Array.from({ length: sets }, (_, i) => ({
    heading: derived.machine.name,
    under: `Bag ${i + 1} of ${sets}: ${pieces} pieces`,
    lines,
  }));
}

/** Parts with a tool that makes them and no line in the hardware list: bodies only where that is a printer. */
function partsInBag(derived: Derived): SolidPart[] {
  const bodies = new Set(extraParts(derived).map(p => p.id));
  return solidParts(derived).filter(p => {
    const process = processOf(derived.machine, p.id);
    const printed = process?.kind === 'printer';
    if (p.number === 0 || !process || PIECES.has(p.kind) || INSTEAD.has(p.kind)) return false;
    if (p.kind === 'ball') return printed;
    return !IN_HARDWARE.has(p.kind) && (printed || !bodies.has(p.id));
  });
}
