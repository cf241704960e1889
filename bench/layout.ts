import { readFileSync } from 'node:fs';
import { builderOn } from '../core/src/edits/planting/index.ts';
import { foldQuery, layoutOf } from '../core/src/state/derive/index.ts';
import { deriveWhole } from './whole.ts';
import { clearancesOf, findLayers, foldTrain, type Folded } from '../core/src/place/layout/index.ts';
import { GROUND, machineFrom, type Machine, newMachine } from '../core/src/document/machine/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { clock, report } from './clock.ts';
import { ninetyWheels } from './ninety-wheels.ts';
import { randomPlacement } from './random-placement.ts';
import { sixtyWheels } from './sixty-wheels.ts';

/** Collisions and layers of many wheels, and folding trains into a round case against plain random placement. */
export function layoutBench(): void {
  const ninety = deriveWhole(ninetyWheels());
  const parts = layoutOf(ninety);
  const moving = clock(() => clearancesOf(parts));
  report(
    '90 wheels, clearances through the whole motion',
    moving,
    'deriving all from the document',
    clock(() => deriveWhole(ninety.machine)),
  );
  report(
    '90 wheels on arms, layers (none can be)',
    clock(() => findLayers(parts)),
    'its clearances',
    moving,
  );
  for (const [name, machine] of [
    ['60 wheels winding outwards', sixtyWheels()],
    [
      '90 wheels in a row',
      train(
        Array.from({ length: 45 }, (_, i) => [40 + (i % 13), 20 + (i % 7)] as const),
        0,
      ),
    ],
  ] as const) {
    const laid = layoutOf(deriveWhole(machine));
    const found = findLayers(laid);
    const said = found.ok ? `${found.value.layers} found, at least ${found.value.least}` : 'none can be';
    report(
      `${name}, layers (${said})`,
      clock(() => findLayers(laid)),
      'its clearances',
      clock(() => clearancesOf(laid)),
    );
  }
  const read = (file: string): Machine =>
    must(machineFrom(JSON.parse(readFileSync(new URL(`../demo/${file}.json`, import.meta.url), 'utf8'))));
  foldBench('going train of seven axes', train(GOING, 40), 130);
  foldBench('saltreach tide clock', read('saltreach-tide-clock'), 280);
  foldBench('two noons', read('two-noons'), 130);
}

const GOING = [
  [72, 12],
  [64, 16],
  [60, 12],
  [56, 14],
  [48, 12],
  [45, 15],
] as const;

/** Stages one after another at module 1, each wheel driving a pinion of the next arbor. */
function train(stages: readonly (readonly [number, number])[], swing: number): Machine {
  const start = newMachine('Train');
  const toothing = start.toothings[0]?.id ?? '';
  const sized = {
    ...start,
    toothings: start.toothings.map(t => ({ ...t, size: { by: 'module' as const, module: 1 } })),
  };
  const b = builderOn(sized);
  let at = 'drive';
  stages.forEach((counts, i) => {
    const to = { name: `Arbor ${i + 1}`, frame: GROUND };
    at = b.mesh({ from: at, to, counts, toothing, layer: i, angleDeg: swing * i }).arbor;
  });
  return b.machine();
}

function foldBench(name: string, machine: Machine, diameter: number): void {
  const envelope = { region: { kind: 'circle' as const, x: 0, y: 0, diameter } };
  const ready = deriveWhole({ ...machine, layout: { ...machine.layout, envelope } });
  const query = foldQuery(ready, { starts: 200, wanted: 6, seed: 1, pillarsStay: false });
  const start = performance.now();
  const job = foldTrain(query);
  let step = job.next();
  while (!step.done) step = job.next();
  const time = performance.now() - start;
  const folds: readonly Folded[] = step.value.ok ? step.value.value : [];
  const random = randomPlacement(query, time, () => performance.now());
  const best = folds[0];
  const say = (f: Folded | undefined): string =>
    f ? `${(2 * f.radius).toFixed(1)} mm across, ${f.layers.layers} layers` : 'none';
  const volume = (f: Folded): number => f.radius ** 2 * f.height;
  const ratio =
    best && random.best ? `; ratio of volumes ${(volume(random.best) / volume(best)).toFixed(2)}` : '';
  console.log(
    `folding the ${name} into ${diameter} mm: ${time.toFixed(0)} ms, ${folds.length} ` +
      `different, best ${say(best)}; plain random placement in the same time: ${random.found} ` +
      `of ${random.tried} clear, best ${say(random.best)}${ratio}`,
  );
}
