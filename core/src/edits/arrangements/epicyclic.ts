import { byId } from '../../document/machine/index.ts';
import { setArbor, setWheel } from '../change/index.ts';
import {
  changeReducer,
  DISCS,
  OUTPUTS,
  reducerSizes,
  RING_NAMES,
  RINGS,
  usualReducer,
} from '../sets/index.ts';
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

/** Across the shaft of an eccentric, mm, where nothing is said (our choice). */
const SHAFT = 4;

/**
 * A disc of lobes swung by an eccentric within a ring of half-round pins that is held; pins of an output plate in its
 * holes turn it once against the drive in lobes/(pins − lobes) turns: −1/15 for 15 lobes in 16 pins (common practice,
 * no source). The module leaves stock round bore and holes.
 */
export const reducer: ReadyArrangement = {
  id: 'reducer',
  title: 'Reducer of lobes and pins',
  does: 'A disc of lobes swung by the drive within standing pins; its output plate turns slowly the other way.',
  fields: [
    { key: 'lobes', label: 'Lobes of the disc', kind: 'count', offered: '15' },
    { key: 'pins', label: 'Pins of the ring', kind: 'count', offered: '16' },
    { key: 'output', label: 'Pins of the output', kind: 'count', offered: '6' },
    { key: 'discs', label: 'Discs', kind: 'choice', offered: '1', choices: DISCS },
    { key: 'ring', label: 'Pins of the ring are', kind: 'choice', offered: 'lobes', choices: RINGS },
    { key: 'turns', label: 'Output is', kind: 'choice', offered: 'plate', choices: OUTPUTS },
  ],
  build: (machine, values, on) => {
    const [lobes, pins, output, base] = [
      parseCount(values['lobes'] ?? ''),
      parseCount(values['pins'] ?? ''),
      parseCount(values['output'] ?? ''),
      baseOf(machine, on),
    ];
    if (!lobes.ok) return lobes;
    if (!pins.ok) return pins;
    if (!output.ok) return output;
    if (!base.ok) return base;
    if (pins.value <= lobes.value) return fail('reducer-counts', { lobes: lobes.value, pins: pins.value });
    const { b, on: drive, axis, frame } = base.value;
    const module = Math.max(2, Math.ceil((10 * 64) / pins.value) / 10);
    const { pinDiameter, eccentricity } = usualReducer(module, pins.value - lobes.value);
    const counts = { lobes: lobes.value, pins: pins.value };
    const sizes = reducerSizes({ ...counts, module, pinDiameter, eccentricity, shaft: SHAFT });
    if (!sizes.ok) return sizes;
    const { bore, outputPin, circle } = sizes.value;
    const toothing = b.id('toothing');
    b.edit(m => ({
      ...m,
      toothings: [
        ...m.toothings,
        {
          ...{ id: toothing, name: 'Lobes and pins', play: 0.2 },
          form: { kind: 'reducer', pinDiameter, eccentricity, offset: 0.05, ring: 'lobes' },
          size: { by: 'module', module },
        },
      ],
    }));
    const joint = b.id('mesh');
    const held = b.arbor({ name: RING_NAMES.lobes, axis, held: frame });
    const disc = b.arbor({ name: 'Lobed disc', frame: drive, place: { kind: 'mesh', joint, angleDeg: 0 } });
    const out = b.arbor({ name: 'Reducer output', axis });
    const layer = b.layer();
    const lobed = b.wheel({
      name: 'Lobed disc',
      member: disc,
      teeth: lobes.value,
      toothing,
      role: 'disc',
      layer,
    });
    const ring = b.wheel({
      name: RING_NAMES.lobes,
      member: held,
      teeth: pins.value,
      toothing,
      role: 'ring',
      layer,
    });
    b.joint({ kind: 'mesh', id: joint, type: 'reducer', a: lobed, b: ring });
    b.joint({
      ...{ kind: 'pins in holes', id: b.id('output'), disc: lobed, carrier: out, pins: output.value },
      ...{ pinDiameter: outputPin, circle },
    });
    // The disc turns on the eccentric: it has no rod of its own.
    b.edit(setArbor(disc, { bodiless: true }));
    b.edit(setWheel(lobed, { bore: { kind: 'round', diameter: bore } }));
    const [discs, of, turns] = [values['discs'] === '2' ? 2 : 1, values['ring'], values['turns']] as const;
    if (discs === 1 && of !== 'pins' && turns !== 'ring') return ok(b.machine());
    return changeReducer(lobed, {
      discs,
      ...(of === 'pins' && { ring: 'pins' as const }),
      ...(turns === 'ring' && { output: 'ring' as const }),
    })(b.machine());
  },
};
