import { fail, type Problem } from '../../ground/result/index.ts';
import { parseWanted } from '../../ground/units/index.ts';
import { findPeriods, type KnownPeriod, PERIODS, wantedTextOf } from './library/index.ts';

/** A line of a pasted list: a name and what is wanted, or what is wrong with the line. */
export interface ListedBody {
  readonly name: string;
  readonly wanted: string;
  readonly problem: Problem | undefined;
}

const MOST_LINES = 200;

/**
 * Reads a list as people paste it, a line for each body: name and period, with a comma, a semicolon, a tab, a colon, an
 * equals sign or just a space between (`Mars, 686.98 d`; `Io 1.769 d`). A name alone is looked up in the library. Empty
 * lines are passed over; a line that cannot be read carries its problem. At most 200 lines are read.
 */
export function parseBodies(text: string, library: readonly KnownPeriod[] = PERIODS): ListedBody[] {
  const lines = text
    .split(/\r?\n/)
    .map(l => l.trim())
    .filter(Boolean);
  return lines.slice(0, MOST_LINES).map(line => readLine(line, library));
}

function readLine(line: string, library: readonly KnownPeriod[]): ListedBody {
  const apart =
    /^(.*?)\s*[\t;:=]\s*(.+)$/.exec(line) ?? /^(.*?),\s+(.+)$/.exec(line) ?? /^([^,]*),(.+)$/.exec(line);
  const [name = line, wanted = ''] = apart ? apart.slice(1) : splitAtFigure(line);
  const clean = name.trim().slice(0, 120);
  if (wanted.trim() === '') return lookedUp(clean, library);
  const read = parseWanted(wanted);
  return { name: clean || wanted.trim(), wanted: wanted.trim(), problem: read.ok ? undefined : read.problem };
}

/** `Io 1.769 d` breaks before its first figure. */
function splitAtFigure(line: string): string[] {
  const at = line.search(/(?<=\s)[\d.]/);
  return at < 0 ? [line] : [line.slice(0, at), line.slice(at)];
}

function lookedUp(name: string, library: readonly KnownPeriod[]): ListedBody {
  const found = findPeriods(library, name)[0];
  if (!found) return { name, wanted: '', problem: fail('period-not-in-library', { text: name }).problem };
  return { name, wanted: wantedTextOf(found), problem: undefined };
}
