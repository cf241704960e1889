import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { deriveWhole } from './whole.ts';
import { flatten } from '../core/src/ground/geometry/index.ts';
import { readMachine } from '../core/src/document/machine/index.ts';
import { readyToRoll, rollCheck, rollingPair, freedom } from '../core/src/teeth/mesh/index.ts';
import { fail, must } from '../core/src/ground/result/index.ts';
import { STANDARD_SPEC, toothFigure } from '../core/src/teeth/tooth/index.ts';
import { clock, report } from './clock.ts';
import { ninetyWheels } from './ninety-wheels.ts';

const CHORD = 0.005;
const FORM = { kind: 'involute', pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.38 } as const;

/** Rolling one pair, and outlines of a large machine with a ring of 480 teeth. */
export function teethBench(): void {
  const noons = deriveWhole(
    must(readMachine(readFileSync(join(import.meta.dirname, '../demo/two-noons.json'), 'utf8'))),
  );
  const mesh = noons.meshes['minute-third'];
  if (!mesh?.engagement) throw new Error('teethBench: no mesh');
  const { engagement } = mesh;
  const roll = clock(() => rollCheck(readyToRoll(engagement, CHORD), 48, CHORD), 9);
  const [a, b] = ['minute-80-0', 'third-10'].map(id =>
    flatten(must(noons.wheels[id]?.outline ?? fail('part-unknown', { part: id })), CHORD),
  );
  const pair = rollingPair(a ?? [], b ?? [], mesh.distance);
  const plain = clock(() => {
    for (let k = 0; k < 48; k++)
      freedom(
        pair,
        (2 * Math.PI * k) / (48 * 80),
        Math.PI + Math.PI / 10 - (2 * Math.PI * k) / (48 * 10),
        0.2,
        1e-5,
      );
  }, 3);
  report('rolling one pair, 48 positions', roll, 'turning polygons until they overlap, by halving', plain);
  const machine = ninetyWheels();
  const spec = { form: FORM, module: 1, count: 480, ...STANDARD_SPEC };
  const ring = { family: 'involute ring', spec, rim: 3 } as const;
  const outlines = clock(() => {
    deriveWhole(machine);
    toothFigure(ring, CHORD);
  }, 5);
  report(
    '90 wheels and a ring of 480 teeth, all outlines',
    outlines,
    'the ring alone',
    clock(() => toothFigure(ring, CHORD), 9),
  );
}
