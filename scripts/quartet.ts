import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type BranchQuery, searchBranches } from '../core/src/counting/branches/index.ts';
import { branchOutputs, plantBranches } from '../core/src/edits/planting/index.ts';
import { derive } from '../core/src/state/derive/index.ts';
import { inProportion, setHandsTo } from '../core/src/edits/indicators/index.ts';
import { fitBores } from '../core/src/place/layout/index.ts';
import { type Machine, newAim, newMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { setArbor, setLayout } from '../core/src/edits/change/index.ts';
import { PERIODS, wantedTextOf } from '../core/src/document/period/index.ts';
import { AT_REST } from '../core/src/place/motion/index.ts';
import { toNumber } from '../core/src/ground/rational/index.ts';
import { parseDate, secondsSince2000 } from '../core/src/ground/units/index.ts';
import { BIRCH, FILAMENT, LASER, PRINTER } from './stock.ts';
import { must } from '../core/src/ground/result/index.ts';

/** What the search for the four moons is asked: any speed of the crank, least worst error. */
export const QUARTET_QUERY = {
  school: 'loose pairs',
  objective: 'worst error',
  drive: 'free',
  least: 12,
  most: 120,
  leastSum: 60,
  mostSum: 160,
} as const satisfies Partial<BranchQuery>;

/** Printed tubes on a rod of 3 mm, between two plates with pillars beside the wheels. */
const STAND: Partial<Machine['layout']> = {
  tubes: { rod: 3, wall: 0.8, running: 0.2 },
  washer: 0.3,
  plates: {
    ...{ thickness: 4, margin: 6, shape: 'round the holes', fit: 'free' },
    pillars: [
      { id: 'pillar1', x: 32, y: 78, diameter: 6 },
      { id: 'pillar2', x: 32, y: -78, diameter: 6 },
      { id: 'pillar3', x: 150, y: 0, diameter: 6 },
      { id: 'pillar4', x: -82, y: 0, diameter: 6 },
    ],
  },
};

/** The demo machine of the four moons, its counts found by the search. */
export function quartet(): Machine {
  const moons = ['io', 'europa', 'ganymede', 'callisto'].map(id => PERIODS.find(p => p.id === id));
  let machine: Machine = {
    ...newMachine('Quartet of moons'),
    stack: { thickness: 4, gap: 0.6 },
    start: '2026-01-01T00:00:00Z',
    drive: { member: 'drive', speed: { kind: 'free' } },
    members: [{ kind: 'arbor', id: 'drive', name: 'Crank', axis: 'axis1' }],
    processes: [PRINTER, { ...LASER, id: 'process2' }],
    materials: [BIRCH, FILAMENT],
    // Too large for the bed, and flat: the plates are cut.
    making: (['plate back', 'plate front'] as const).map(part => ({ part, process: 'process2' })),
  };
  for (const moon of moons) {
    if (!moon) throw new Error('quartet: a moon is missing from the library');
    const aim = newAim(machine, moon.name.split(',')[0] ?? moon.name, wantedTextOf(moon));
    machine = { ...machine, aims: [...machine.aims, { ...aim, tolerance: { amount: '1', over: '60 d' } }] };
  }
  const outputs = branchOutputs(derive(machine), 'free');
  const job = searchBranches({ outputs, ...QUARTET_QUERY });
  let step = job.next();
  while (!step.done) step = job.next();
  const { plan, proven } = must(step.value);
  if (!plan || !proven) throw new Error('quartet: no proven plan');
  const kept: Machine['plans'][number] = {
    id: 'plan1',
    aims: outputs.map(o => o.id),
    ...QUARTET_QUERY,
    found: { proven, branches: plan.branches.map(b => ({ aim: b.output, stages: [...b.stages] })) },
  };
  const planted = plantBranches(
    { ...machine, plans: [kept] },
    {
      school: plan.school,
      module: 1,
      branches: plan.branches.map(b => ({ aim: b.output, stages: b.stages })),
    },
  );
  return withMoons(fitBores(setArbor('drive', { reach: 'back' })(setLayout(STAND)(planted))));
}

/** The moons as balls, distances and sizes by the roots of the true ones, each at its mean longitude at the start. */
function withMoons(machine: Machine): Machine {
  const bodies = machine.aims.flatMap((aim, i): Machine['indicators'][number][] => {
    if (aim.member === undefined) return [];
    const body = { kind: 'body', id: `moon${i + 1}`, name: aim.name, member: aim.member } as const;
    return [{ ...body, radius: 4, distance: 50, settingDeg: 0, reads: { kind: 'degrees' } }];
  });
  const sized = must(inProportion({ ...machine, indicators: bodies }, 130, 7, 'roots'));
  const start = parseDate(sized.start ?? '');
  if (!start.ok) throw new Error('quartet: no start');
  const facts = { machine: sized, rates: derive(sized).train.rates };
  return setHandsTo(facts, toNumber(secondsSince2000(start.value)), AT_REST).machine;
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(join(import.meta.dirname, '../demo/quartet-of-moons.json'), writeMachine(quartet()));
