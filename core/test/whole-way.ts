import { derive } from '../src/state/derive/index.ts';
import { writeCsv, writeDxf, writeSvg } from '../src/files/format/index.ts';
import { mend } from '../src/edits/edit/index.ts';
import { type Machine, machineFrom } from '../src/document/machine/index.ts';
import { stancesAt } from '../src/place/motion/index.ts';
import { planDrawing, sideDrawing } from '../src/files/drawings/index.ts';
import { hardwareList, notMade, partsList } from '../src/making/lists/index.ts';
import { nameOf, sayFinding, sayFix, sayProblem } from '../src/files/words/index.ts';

/** What must never be read on a screen or in a file. */
const NO_NUMBER = /\b(NaN|Infinity|undefined|function|\[object)/;

/**
 * Takes a machine all the way: derived, judged, mended, moved, drawn and written. Says what is wrong on the way, in
 * words for whoever mends the program; nothing when all is well.
 */
export function wholeWay(machine: Machine): string[] {
  const wrong: string[] = [];
  const clean = (where: string, text: string): void => {
    const found = NO_NUMBER.exec(text);
    if (found) wrong.push(`${where}: ${text.slice(Math.max(0, found.index - 60), found.index + 30)}`);
  };
  const derived = derive(machine);
  const tried = new Set<string>();
  for (const f of derived.findings) {
    const { title, why, advice } = sayFinding(f, machine);
    clean(f.code, `${title} ${why} ${advice ?? ''}`);
    for (const fix of f.fixes) {
      if (tried.has(fix.code)) continue;
      if (fix.code === 'find-layers') tried.add(fix.code);
      clean(`${f.code} > ${fix.code}`, sayFix(fix, machine));
      const mended = mend(fix)(machine);
      if (!mended.ok) continue;
      const read = machineFrom(mended.value);
      if (!read.ok)
        wrong.push(`${f.code} > ${fix.code}: cannot be opened again: ${sayProblem(read.problem)}`);
    }
  }
  for (const [id, at] of Object.entries(derived.positions.at))
    if (!Number.isFinite(at.x) || !Number.isFinite(at.y)) wrong.push(`the place of ${id}: ${at.x}, ${at.y}`);
  for (const [id, s] of stancesAt(derived.moving, { whole: 1n, part: 0.25 }))
    if (!Number.isFinite(s.centre.x + s.centre.y + s.angle)) wrong.push(`where ${id} stands`);
  for (const c of derived.layout.clearances)
    if (!Number.isFinite(c.gap)) wrong.push(`clearance of ${c.a} and ${c.b}: ${c.gap}`);
  for (const w of machine.wheels) clean('a name', nameOf(machine, w.id));
  const plan = planDrawing(derived);
  if (plan.ok) {
    clean('plan as SVG', writeSvg(plan.value));
    clean('plan as DXF', writeDxf(plan.value));
  }
  const side = sideDrawing(derived, { angle: 0, cut: undefined }, { whole: 0n, part: 0 });
  if (side.ok) clean('side as SVG', writeSvg(side.value));
  clean('parts list', writeCsv(partsList(derived)));
  clean('hardware list', writeCsv(hardwareList(derived)));
  for (const l of notMade(derived)) clean('what is not made', `${l.name}: ${sayProblem(l.problem)}`);
  return wrong;
}
