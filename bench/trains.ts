import { fillBlanks } from '../core/src/counting/open-counts/index.ts';
import { deriveWhole } from './whole.ts';
import type { Machine } from '../core/src/document/machine/index.ts';
import { setWheel } from '../core/src/edits/change/index.ts';
import { stancesAt } from '../core/src/place/motion/index.ts';
import { searchPlanetary, searchTwoRing } from '../core/src/counting/planetary/index.ts';
import { rational, toNumber } from '../core/src/ground/rational/index.ts';
import { rateEquations, trainRates } from '../core/src/trains/train/index.ts';
import { clock, report } from './clock.ts';
import { ninetyWheels } from './ninety-wheels.ts';

/** The same laws as one dense system in floating point, by elimination with pivoting: the baseline. */
function denseRates(m: Machine): number {
  const ids = m.members.map(x => x.id);
  const at = new Map(ids.map((id, i) => [id, i] as const));
  const rows = [[m.drive?.member ?? '', 1] as const].map(([id]) => {
    const row = new Float64Array(ids.length + 1);
    row[at.get(id) ?? 0] = 1;
    row[ids.length] = 1;
    return row;
  });
  for (const e of rateEquations(m).equations) {
    const row = new Float64Array(ids.length + 1);
    for (const [id, c] of e.terms) row[at.get(id) ?? 0] = (row[at.get(id) ?? 0] ?? 0) + toNumber(c);
    rows.push(row);
  }
  let top = 0;
  for (let c = 0; c < ids.length; c++) {
    let best = top;
    for (let r = top; r < rows.length; r++)
      if (Math.abs(rows[r]?.[c] ?? 0) > Math.abs(rows[best]?.[c] ?? 0)) best = r;
    const row = rows[best];
    if (!row || Math.abs(row[c] ?? 0) < 1e-12) continue;
    rows[best] = rows[top] as (typeof rows)[number];
    rows[top] = row;
    const pivot = row[c] ?? 1;
    for (let k = c; k <= ids.length; k++) row[k] = (row[k] ?? 0) / pivot;
    for (const [r, other] of rows.entries()) {
      const factor = other[c] ?? 0;
      if (r !== top && factor !== 0)
        for (let k = c; k <= ids.length; k++) other[k] = (other[k] ?? 0) - factor * (row[k] ?? 0);
    }
    top++;
  }
  return top;
}

/** Rates, positions, an edit, and the searches of trains. */
export function trainsBench(): void {
  const machine = ninetyWheels();
  const count = machine.wheels.length;
  report(
    `${count} wheels, two nested arms, exact rates`,
    clock(() => trainRates(machine), 9),
    'dense floating point',
    clock(() => denseRates(machine), 9),
  );
  const d = deriveWhole(machine);
  let part = 0;
  const frame = clock(() => {
    for (let i = 0; i < 100; i++) stancesAt(d.moving, { whole: 36525n, part: (part += 0.0001) % 1 });
  });
  report(
    'positions of 100 frames',
    frame,
    'deriving the machine once, outlines too',
    clock(() => deriveWhole(machine)),
  );
  let teeth = 40;
  const edit = clock(
    () =>
      deriveWhole(
        setWheel(machine.wheels[20]?.id ?? '', {
          teeth: { kind: 'count', count: (teeth = teeth === 40 ? 41 : 40) },
        })(machine),
        d,
      ),
    9,
  );
  report(
    'an edit of one count',
    edit,
    'all made anew',
    clock(() => deriveWhole(machine)),
  );
  const four = machine.wheels.slice(0, 4).map(w => w.id);
  const open: Machine = {
    ...machine,
    wheels: machine.wheels.map((w, i) =>
      four.includes(w.id) && i < 3 ? { ...w, teeth: { kind: 'open', least: 12, most: 100 } } : w,
    ),
  };
  const member = machine.members.find(m => m.name === 'Ground 3')?.id ?? '';
  const aims = [{ id: 'aim', member, target: rational(-7, 9), either: true, ground: false }];
  const drain = (job: Generator<unknown, unknown>): void => {
    while (job.next().done !== true);
  };
  const blanks = clock(() => drain(fillBlanks(open, aims, 10)), 1);
  report(
    'three open counts of 12…100',
    blanks,
    'one exact solving for each of the 704969 ways',
    clock(() => trainRates(machine), 5) * 704969,
  );
  const limits = { least: 12, most: 120, planets: [3, 4], gap: 0.3, module: 1, top: 8 };
  const two = clock(() => drain(searchTwoRing({ ...limits, target: rational(1, 100) })));
  const one = clock(() =>
    searchPlanetary({ ...limits, target: rational(1, 5), held: 'ring', driver: 'sun', equalOnly: true }),
  );
  report('a set with two rings, 12…120', two, 'one with one ring', one);
}
