import { inPlaceSets } from '../../place/layout/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { couponDrawing, couponsFor } from '../../making/coupon/index.ts';
import {
  type Files,
  type Paper,
  writeCsv,
  writeDxf,
  writeListPdf,
  writePdf,
  writeStl,
  writeSvg,
  writeThreeMf,
} from '../format/index.ts';
import { type Process, processOf, writeMachine } from '../../document/machine/index.ts';
import { cautionsFor, cautionsOf } from '../../making/process/index.ts';
import {
  compensationName,
  drillingTable,
  fileName,
  indicatorDrawing,
  planDrawing,
} from '../drawings/index.ts';
import type { Problem } from '../../ground/result/index.ts';
import { couponBodies, type SolidKit, solidParts } from '../../making/solid/index.ts';
import { CAUTIONS, sayProblem } from '../words/index.ts';
import {
  batchesOf,
  batchName,
  flatParts,
  layOutBatch,
  partDrawing,
  patternsOf,
  sheetDrawing,
} from '../../making/workshop/index.ts';
import { hardwareList, notMade, partsList } from '../../making/lists/index.ts';
import { bagLists } from './bag-lists.ts';
import { assemblyStep } from './assembly-step.ts';
import type { MakeNews } from './make-request.ts';
import { within } from './news.ts';
import { partSteps } from './part-steps.ts';
import { inPlaceFile, printedParts, printedPlates } from './printed.ts';
import { workingText } from './working-text.ts';

/** What is wished of an archive. */
export interface ArchiveWishes {
  readonly paper: Paper;
  /** How many times over the machine is made, for the sheets. */
  readonly sets: number;
}

/** All files of a machine by path, and what could not be made. */
export interface Archive {
  readonly files: Files;
  readonly left: readonly { readonly name: string; readonly problem: Problem }[];
}

/**
 * Everything that is needed to make a machine: its own file, lists, drawings, sheets, single parts, bodies and
 * plates of bodies for parts that are printed, paper patterns, coupons, the working, and a page that says what is
 * what and which cautions apply. The same machine gives the same bytes.
 */
export async function* allFiles(
  derived: Derived,
  kit: SolidKit,
  wishes: ArchiveWishes,
): AsyncGenerator<MakeNews, Archive> {
  const { machine } = derived;
  const files = new Map<string, string | Uint8Array>();
  const left: { name: string; problem: Problem }[] = [];
  const put = (folder: string, names: readonly string[], ending: string, data: string | Uint8Array): void => {
    files.set(free(files, folder, fileName(names, ending)), data);
  };
  put('', [machine.name], 'json', writeMachine(machine));
  put('', ['working'], 'txt', workingText(derived));
  put('lists', ['parts'], 'csv', writeCsv(partsList(derived)));
  put('lists', ['hardware'], 'csv', writeCsv(hardwareList(derived)));
  if (derived.layout.plates.length > 0) put('lists', ['drilling'], 'csv', writeCsv(drillingTable(derived)));
  const plan = planDrawing(derived);
  if (plan.ok) {
    put('drawings', ['plan'], 'svg', writeSvg(plan.value));
    put('drawings', ['plan'], 'dxf', writeDxf(plan.value));
  }
  for (const i of machine.indicators)
    put('drawings', [i.name], 'svg', writeSvg(indicatorDrawing(derived, i)));
  yield { done: 0.05, doing: 'sheets' };
  yield* sheets(derived, wishes.sets, put, left);
  yield { done: 0.35, doing: 'single parts' };
  singles(derived, put, left);
  if (wishes.sets > 1)
    put(
      'lists',
      ['bags', wishes.paper],
      'pdf',
      await writeListPdf(bagLists(derived, wishes.sets), wishes.paper, machine.name),
    );
  put('drawings', [machine.name, 'assembly'], 'step', assemblyStep(derived).step);
  yield { done: 0.45, doing: 'paper patterns' };
  const patterns = patternsOf(derived).map(p => p.drawing);
  if (patterns.length > 0)
    put('patterns', ['patterns', wishes.paper], 'pdf', await writePdf(patterns, wishes.paper, machine.name));
  for (const p of used(derived)) coupons(p, derived, kit, put);
  yield* bodies(derived, kit, put, left);
  left.push(...notMade(derived));
  const told = left.filter((l, i) => left.findIndex(o => o.name === l.name) === i);
  put('', ['read me'], 'txt', readMe(derived, [...files.keys()], told));
  return { files, left: told };
}

type Put = (folder: string, names: readonly string[], ending: string, data: string | Uint8Array) => void;
type Left = { name: string; problem: Problem }[];

/** A path that no file has yet. */
function free(files: ReadonlyMap<string, unknown>, folder: string, name: string): string {
  const whole = (n: string): string => (folder === '' ? n : `${folder}/${n}`);
  const dot = name.lastIndexOf('.');
  for (let i = 1; ; i++) {
    const path = whole(i === 1 ? name : `${name.slice(0, dot)}-${i}${name.slice(dot)}`);
    if (!files.has(path)) return path;
  }
}

function* sheets(derived: Derived, sets: number, put: Put, left: Left): Generator<MakeNews> {
  const cut = batchesOf(derived).batches.filter(b => b.process.kind !== 'printer');
  for (const [i, batch] of cut.entries()) {
    const laid = yield* within(
      layOutBatch(derived, batch, sets, 4),
      0.05 + (0.3 * i) / cut.length,
      0.3 / cut.length,
      () => `sheets, ${batchName(batch)}`,
    );
    left.push(...laid.left);
    laid.sheets.forEach((_, n) => {
      const drawing = sheetDrawing(derived, laid, n);
      const names = [batchName(batch), `sheet ${n + 1}`, ...compensationName(batch.process)];
      put('sheets', names, 'svg', writeSvg(drawing));
      put('sheets', names, 'dxf', writeDxf(drawing));
    });
  }
}

/** Every flat part by itself: as it should measure, STEP; of what is cut, SVG and DXF. */
function singles(derived: Derived, put: Put, left: Left): void {
  const steps = partSteps(derived);
  left.push(...steps.left);
  for (const [name, step] of steps.files) put('parts', [name], 'step', step);
  for (const part of flatParts(derived).parts) {
    const process = processOf(derived.machine, part.id);
    if (!process || process.kind === 'printer') continue;
    const drawing = partDrawing(derived, part, process);
    if (!drawing.ok) {
      left.push({ name: part.name, problem: drawing.problem });
      continue;
    }
    put('parts', [part.name, ...compensationName(process)], 'svg', writeSvg(drawing.value));
    put('parts', [part.name, ...compensationName(process)], 'dxf', writeDxf(drawing.value));
  }
}

/** Processes by which something is made. */
function used({ machine }: Derived): Process[] {
  const ids = new Set([machine.process, ...machine.making.map(m => m.process)]);
  return machine.processes.filter(p => ids.has(p.id));
}

function coupons(process: Process, derived: Derived, kit: SolidKit, put: Put): void {
  const rod = derived.machine.layout.tubes?.rod ?? 6;
  for (const kind of couponsFor(process.kind)) {
    if (kind === 'wheel pair') continue;
    const drawing = couponDrawing(kind, process, rod, derived.chordError);
    if (!drawing.ok) continue;
    if (process.kind === 'printer')
      put(
        'coupons',
        [process.name, kind],
        '3mf',
        writeThreeMf(
          couponBodies(kit, drawing.value, process, kind === 'square and hole', derived.chordError),
          kind,
        ),
      );
    else put('coupons', [process.name, kind], 'svg', writeSvg(drawing.value));
  }
}

/** Bodies of what is printed, one file each and as plates; sets that are printed in place. */
async function* bodies(derived: Derived, kit: SolidKit, put: Put, left: Left): AsyncGenerator<MakeNews> {
  const { machine } = derived;
  const parts = solidParts(derived).filter(p => p.number > 0 && processOf(machine, p.id)?.kind === 'printer');
  const { made, left: none } = yield* within(
    printedParts(derived, kit, parts),
    0.5,
    0.35,
    name => `bodies, ${name}`,
  );
  left.push(...none);
  for (const { part, process, mesh } of made)
    put('solids', [part.name, ...compensationName(process)], 'stl', writeStl(mesh, part.name));
  for (const printer of used(derived).filter(p => p.kind === 'printer')) {
    const plates = yield* within(printedPlates(derived, printer, made), 0.85, 0.1);
    left.push(...plates.left);
    for (const f of plates.files)
      put('plates', [printer.name, f.name, ...compensationName(printer)], '3mf', f.bytes);
  }
  for (const set of inPlaceSets(machine)) {
    if (processOf(machine, set.planet.id)?.kind !== 'printer') continue;
    yield { done: 0.96, doing: `in place, ${set.name}` };
    const file = inPlaceFile(derived, kit, set);
    if (file.ok) put('plates', ['in place', set.name], '3mf', file.value);
    else left.push({ name: set.name, problem: file.problem });
  }
}

function readMe(derived: Derived, paths: readonly string[], left: Left): string {
  const { machine } = derived;
  const cautions = new Set([...used(derived).flatMap(p => cautionsFor(p.kind)), ...cautionsOf(machine)]);
  return [
    machine.name,
    '',
    'All lengths are millimetres. Files of single parts, sheets and bodies are compensated ' +
      'once for their process, as their names say: do not do it',
    'again in the cutter’s or printer’s own program. The plan, the STEP files and the ' +
      'patterns show parts as they should measure.',
    '',
    ...paths.map(p => `  ${p}`),
    '',
    ...(left.length > 0 ? ['Not made:', ...left.map(l => `  ${l.name}: ${sayProblem(l.problem)}`), ''] : []),
    'Cautions. Local codes and the makers of your tools go first; what concerns mains power ' +
      'and hanging weights belongs to a licensed person.',
    ...[...cautions].map(c => `  - ${CAUTIONS[c]}`),
    '',
  ].join('\n');
}
