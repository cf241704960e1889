import type { Machine } from '../../document/machine/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { type Base, baseOf, freeDirection, parsePairs } from './pairs.ts';
import type { ReadyArrangement } from './ready.ts';

/** The wheels of the drive go over to another arbor on its line, so that the machine hangs on that one. */
const handOver = (base: Base, to: string): void =>
  base.b.edit(m => ({
    ...m,
    wheels: m.wheels.map(w => (w.member === base.drive ? { ...w, member: to } : w)),
  }));

/** Adds modes after those that are there, and lets the machine stand in the first of the new ones. */
const addModes = (machine: Machine, modes: Machine['modes']): Machine => ({
  ...machine,
  modes: [...machine.modes, ...modes],
  mode: modes[0]?.id,
});

/**
 * A crank beside the clock's own drive: the train moves to an arbor of its own, which the clock turns through a
 * slipping joint. In the mode *demonstrate* the clock stands and the crank turns the whole; in *run* the crank is
 * turned along.
 */
export const demonstrationDrive: ReadyArrangement = {
  id: 'demonstration',
  title: 'Demonstration drive',
  does: 'A crank beside the clock’s drive: either can turn the machine, a slipping joint between them.',
  fields: [{ key: 'crank', label: 'Crank to train', kind: 'pairs', offered: '20:60' }],
  build: (machine, values) => {
    const [pairs, found] = [parsePairs(values['crank'] ?? ''), baseOf(machine)];
    if (!pairs.ok) return pairs;
    const [counts] = pairs.value;
    if (!counts || pairs.value.length !== 1) return fail('pairs-one', { count: pairs.value.length });
    if (!found.ok) return found;
    const { b, drive, axis, toothing } = found.value;
    const train = b.arbor({ name: 'Train arbor', axis });
    handOver(found.value, train);
    const slip = b.id('slip');
    b.joint({ kind: 'slip', id: slip, a: drive, b: train });
    const angleDeg = freeDirection(machine);
    const made = b.mesh({
      from: train,
      to: { name: 'Crank' },
      counts: [counts[1], counts[0]],
      toothing,
      angleDeg,
    });
    const modes = [
      { id: b.id('mode'), name: 'run', drive, engaged: [slip], held: [] },
      { id: b.id('mode'), name: 'demonstrate', drive: made.arbor, engaged: [slip], held: [drive] },
    ];
    return ok(addModes(b.machine(), modes));
  },
};

/**
 * What a clock needs round its centre arbor: hands that slip on it, a knob that sets them through a clutch, and a
 * barrel with a ratchet, which a key winds against the way it runs down. Modes *run*, *set* and *wind*.
 */
export const windingAndSetting: ReadyArrangement = {
  id: 'winding',
  title: 'Winding and setting',
  does: 'A barrel wound by a key behind a ratchet, and hands that slip on the centre arbor and are set by a knob.',
  fields: [
    { key: 'barrel', label: 'Barrel to centre arbor', kind: 'pairs', offered: '72:12' },
    { key: 'setting', label: 'Knob to hands', kind: 'pairs', offered: '20:40' },
  ],
  build: (machine, values) => {
    const read = ['barrel', 'setting'].map(k => parsePairs(values[k] ?? ''));
    const found = baseOf(machine);
    const pairs = [];
    for (const r of read) {
      if (!r.ok) return r;
      const [pair] = r.value;
      if (!pair || r.value.length !== 1) return fail('pairs-one', { count: r.value.length });
      pairs.push(pair);
    }
    if (!found.ok) return found;
    const [barrelPair, setPair] = pairs;
    if (!barrelPair || !setPair) return fail('pairs-empty');
    const { b, drive, axis, toothing } = found.value;
    const hands = b.arbor({ name: 'Hands', axis });
    handOver(found.value, hands);
    const [slip, setClutch, windClutch] = [b.id('slip'), b.id('clutch'), b.id('clutch')];
    b.joint({ kind: 'slip', id: slip, a: drive, b: hands });
    const angleDeg = freeDirection(machine);
    const setter = b.mesh({
      from: hands,
      to: { name: 'Setting arbor' },
      counts: [setPair[1], setPair[0]],
      toothing,
      angleDeg,
    });
    const knob = b.arbor({ name: 'Setting knob', axis: axisOf(b.machine(), setter.arbor) });
    b.joint({ kind: 'clutch', id: setClutch, a: knob, b: setter.arbor });
    const barrel = b.mesh({
      from: drive,
      to: { name: 'Barrel' },
      counts: [barrelPair[1], barrelPair[0]],
      toothing,
      angleDeg: angleDeg + 180,
    });
    const barrelArbor = b.arbor({ name: 'Barrel arbor', axis: axisOf(b.machine(), barrel.arbor) });
    b.joint({
      kind: 'ratchet',
      id: b.id('ratchet'),
      driver: barrelArbor,
      driven: barrel.arbor,
      teeth: 24,
      turns: 'backward',
    });
    const key = b.arbor({ name: 'Winding key', axis: axisOf(b.machine(), barrel.arbor) });
    b.joint({ kind: 'clutch', id: windClutch, a: key, b: barrelArbor });
    const modes = [
      { id: b.id('mode'), name: 'run', drive, engaged: [slip], held: [] },
      { id: b.id('mode'), name: 'set', drive: knob, engaged: [slip, setClutch], held: [drive] },
      { id: b.id('mode'), name: 'wind', drive: key, engaged: [slip, windClutch], held: [drive] },
    ];
    return ok(addModes(b.machine(), modes));
  },
};

const axisOf = (machine: Machine, arbor: string): string | undefined => {
  const member = machine.members.find(m => m.id === arbor);
  return member?.kind === 'arbor' ? member.axis : undefined;
};
