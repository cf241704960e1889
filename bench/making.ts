import { inPlaceSets } from '../core/src/place/layout/index.ts';
import Module from 'manifold-3d';
import type { MaxRectsPacker as Packer } from 'maxrects-packer';
import { createRequire } from 'node:module';
import { allFiles } from '../core/src/files/archive/index.ts';
import { plantPlanetary } from '../core/src/edits/planting/index.ts';
import { deriveWhole } from './whole.ts';
import { writeZip } from '../core/src/files/format/index.ts';
import { bounds, flatten } from '../core/src/ground/geometry/index.ts';
import { type Machine, newMachine } from '../core/src/document/machine/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { printedInPlace, wheelSolid } from '../core/src/making/solid/index.ts';
import { batchesOf, layOutBatch } from '../core/src/making/workshop/index.ts';
import { clock, report } from './clock.ts';
import { ninetyWheels } from './ninety-wheels.ts';

/** It is written for require only. */
const { MaxRectsPacker } = createRequire(import.meta.url)('maxrects-packer') as {
  MaxRectsPacker: typeof Packer;
};

/**
 * Making: sheets against the common packer of rectangles, a planetary set in place, and a machine of 90 wheels
 * written whole.
 */
export async function makingBench(): Promise<void> {
  const kit = await Module();
  kit.setup();
  const machine = ninetyWheels();
  const d = deriveWhole(machine);
  const [batch] = batchesOf(d).batches;
  if (!batch) throw new Error('makingBench: nothing to lay out');
  const WIDTH = 600;
  const stock = { ...batch, material: { id: 'm', name: 'ply', sheets: [{ width: WIDTH, height: 4000 }] } };
  let used = 0;
  const nested = clock(() => {
    const job = layOutBatch(d, stock);
    let step = job.next();
    while (!step.done) step = job.next();
    used = step.value.sheets.reduce((sum, s) => sum + s.used, 0);
  }, 1);
  let tops = 0;
  const packed = clock(() => {
    const packer = new MaxRectsPacker(WIDTH - 2, 4000, 2, {
      allowRotation: true,
      smart: false,
      pot: false,
      square: false,
    });
    const boxes = batch.parts.map(p => bounds(flatten(p.outline, 0.1)));
    packer.addArray(boxes.map(b => ({ width: b.maxX - b.minX, height: b.maxY - b.minY })) as never);
    tops = Math.max(...packer.bins.flatMap(b => b.rects.map(r => r.y + (r.rot ? r.width : r.height))));
  }, 1);
  report(
    `${batch.parts.length} parts on sheets ${WIDTH} mm wide, 12 orders tried`,
    nested,
    'their boxes by the rectangle packer',
    packed,
  );
  console.log(
    `  stock used: ${used.toFixed(0)} mm of it; rectangle packer ${tops.toFixed(0)} mm; ` +
      `ratio ${(tops / used).toFixed(2)}`,
  );

  const set = printedSet();
  const ds = deriveWhole(set);
  const [found] = inPlaceSets(set);
  if (!found) throw new Error('makingBench: no set');
  const placed = clock(() => void must(printedInPlace(kit, ds, found)), 1);
  const one = clock(() => void must(wheelSolid(kit, ds, found.ring)), 1);
  report(
    'a double helical planetary set printed in place (wanted: under 5 s)',
    placed,
    'its ring alone',
    one,
  );

  const printed: Machine = {
    ...machine,
    processes: [
      {
        id: machine.process ?? 'process1',
        name: 'Printer',
        kind: 'printer',
        nozzle: 0.4,
        flare: 0.15,
        bed: { width: 300, depth: 300, height: 400 },
      },
    ],
  };
  const dp = deriveWhole(printed);
  const start = performance.now();
  const job = allFiles(dp, kit, { paper: 'A4', sets: 1 });
  let step = await job.next();
  while (!step.done) step = await job.next();
  const bytes = writeZip(step.value.files).length;
  const all = performance.now() - start;
  console.log(
    '90 wheels written whole, solids and all (wanted: under 60 s): ' +
      `${(all / 1000).toFixed(1)} s, ${step.value.files.size} files, ` +
      `${(bytes / 1e6).toFixed(1)} MB; ratio to what is wanted ${(60000 / all).toFixed(2)}`,
  );
}

function printedSet(): Machine {
  const base = newMachine('set');
  const aim = {
    id: 'a',
    name: 'out',
    wanted: '1/4',
    sense: 'either' as const,
    tolerance: { amount: '1', over: '100 turns' },
    frame: 'ground',
  };
  const m = plantPlanetary(
    { ...base, aims: [aim] },
    {
      aim: 'a',
      set: { sun: 12, planet: 12, ring: 36, planets: 3 },
      held: 'ring',
      driver: 'sun',
      module: 1.5,
    },
  );
  return {
    ...m,
    processes: [{ id: 'process1', name: 'P', kind: 'printer', nozzle: 0.4, layer: 0.2, flare: 0.2 }],
    toothings: m.toothings.map(t => ({ ...t, play: 0.3, helixDeg: 30, double: true as const })),
  };
}
