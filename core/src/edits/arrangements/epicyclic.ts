import { byId } from '../../document/machine/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { baseOf, equalSums, freeDirection, parseCount, parsePairs } from './pairs.ts';
import type { ReadyArrangement } from './ready.ts';

/**
 * Two sides on one line with a bevel pinion between them, whose cage turns at half the sum of both (Willis 1841).
 * The drive turns each side by a mesh of its own, so the cage adds two ratios; change one side's mesh to what else
 * should turn it.
 */
export const differential: ReadyArrangement = {
  id: 'differential',
  title: 'Differential',
  does: 'Two inputs added: the cage turns at half the sum of its two sides, each driven by a mesh of its own.',
  fields: [
    { key: 'inputs', label: 'Drive to each side', kind: 'pairs', offered: '20:40, 24:36' },
    { key: 'side', label: 'Bevel of each side', kind: 'count', offered: '24' },
    { key: 'pinion', label: 'Bevel pinion', kind: 'count', offered: '12' },
  ],
  build: (machine, values, on) => {
    const [inputs, side, pinion, base] = [
      parsePairs(values['inputs'] ?? ''),
      parseCount(values['side'] ?? ''),
      parseCount(values['pinion'] ?? ''),
      baseOf(machine, on),
    ];
    if (!inputs.ok) return inputs;
    if (!side.ok) return side;
    if (!pinion.ok) return pinion;
    const [first, second] = inputs.value;
    if (!first || !second || inputs.value.length !== 2)
      return fail('pairs-two', { count: inputs.value.length });
    const sums = equalSums(inputs.value);
    if (!sums.ok) return sums;
    if (!base.ok) return base;
    const { b, on: drive, toothing } = base.value;
    const angleDeg = freeDirection(machine);
    const left = b.mesh({ from: drive, to: { name: 'Left side' }, counts: first, toothing, angleDeg });
    const sideArbor = byId(b.machine().members, left.arbor);
    const axis = sideArbor?.kind === 'arbor' ? sideArbor.axis : '';
    const cage = b.arbor({ name: 'Differential cage', axis });
    const carried = b.arbor({
      name: 'Bevel pinion',
      frame: cage,
      place: { kind: 'polar', from: axis, radius: side.value, angleDeg: 0 },
    });
    const bevel = (member: string, name: string, teeth: number): string =>
      b.wheel({ name, member, teeth, toothing });
    const low = bevel(left.arbor, 'Left bevel', side.value);
    const between = bevel(carried, 'Pinion bevel', pinion.value);
    const right = b.arbor({ name: 'Right side', axis });
    const high = bevel(right, 'Right bevel', side.value);
    b.mesh({ from: drive, to: right, counts: second, toothing });
    b.joint({ kind: 'mesh', id: b.id('mesh'), type: 'bevel', a: low, b: between });
    b.joint({ kind: 'mesh', id: b.id('mesh'), type: 'bevel', a: high, b: between, opposite: true });
    return ok(b.machine());
  },
};

/**
 * A planet fixed to the rod that carries it round the sun: it keeps its direction in the mean, so the sun turns 1 +
 * planet/sun times for every cycle (common practice, no source). The drive is the arm on which the rod's end goes
 * round.
 */
export const sunAndPlanet: ReadyArrangement = {
  id: 'sun-and-planet',
  title: 'Sun and planet',
  does: 'A planet fixed to its rod goes round a sun, which turns 1 + planet/sun times a cycle: twice for equal counts.',
  fields: [
    { key: 'sun', label: 'Sun', kind: 'count', offered: '30' },
    { key: 'planet', label: 'Planet', kind: 'count', offered: '30' },
  ],
  build: (machine, values, on) => {
    const [sun, planet, base] = [
      parseCount(values['sun'] ?? ''),
      parseCount(values['planet'] ?? ''),
      baseOf(machine, on),
    ];
    if (!sun.ok) return sun;
    if (!planet.ok) return planet;
    if (!base.ok) return base;
    const { b, on: drive, axis, frame, toothing } = base.value;
    const output = b.arbor({ name: 'Sun arbor', axis });
    b.mesh({
      from: output,
      to: { name: 'Planet on its rod', frame: drive, held: frame },
      counts: [sun.value, planet.value],
      toothing,
    });
    return ok(b.machine());
  },
};
