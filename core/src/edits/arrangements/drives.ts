import { byId, type Machine, meshes } from '../../document/machine/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { type Base, baseOf, freeDirection, parsePairs } from './pairs.ts';
import type { ReadyArrangement } from './ready.ts';

/**
 * The wheels of an arbor by where they lead: those through which the drive turns it, those that lead back to its own
 * line (motion work), and the others.
 */
function wheelsByWay(
  machine: Machine,
  on: string,
  axis: string,
): Record<'drive' | 'line' | 'other', string[]> {
  const byWay = { drive: [] as string[], line: [] as string[], other: [] as string[] };
  const onLine = new Set(machine.members.flatMap(m => (m.kind === 'arbor' && m.axis === axis ? [m.id] : [])));
  for (const wheel of machine.wheels.filter(w => w.member === on)) {
    const reached = reach(machine, wheel.id, on);
    const drives = machine.drive !== undefined && reached.has(machine.drive.member);
    const way = drives ? 'drive' : [...reached].some(m => onLine.has(m)) ? 'line' : 'other';
    byWay[way].push(wheel.id);
  }
  return byWay;
}

/** The members that a wheel reaches through meshes, other than through its own arbor. */
function reach(machine: Machine, wheel: string, on: string): Set<string> {
  const reached = new Set<string>();
  let ends = [wheel];
  while (ends.length > 0) {
    const next = meshes(machine).flatMap(j => (ends.includes(j.a) ? [j.b] : ends.includes(j.b) ? [j.a] : []));
    const fresh = new Set(
      next.flatMap(id => byId(machine.wheels, id)?.member ?? []).filter(m => m !== on && !reached.has(m)),
    );
    for (const m of fresh) reached.add(m);
    ends = machine.wheels.filter(w => fresh.has(w.member)).map(w => w.id);
  }
  return reached;
}

/** Those wheels, and the hands of the arbor, go over to another arbor on its line. */
const handOver = (base: Base, to: string, wheels: readonly string[]): void =>
  base.b.edit(m => ({
    ...m,
    wheels: m.wheels.map(w => (wheels.includes(w.id) ? { ...w, member: to } : w)),
    indicators: m.indicators.map(i => (i.kind === 'hand' && i.member === base.on ? { ...i, member: to } : i)),
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
  build: (machine, values, on) => {
    const [pairs, found] = [parsePairs(values['crank'] ?? ''), baseOf(machine, on)];
    if (!pairs.ok) return pairs;
    const [counts] = pairs.value;
    if (!counts || pairs.value.length !== 1) return fail('pairs-one', { count: pairs.value.length });
    if (!found.ok) return found;
    const { b, on: clock, axis, toothing } = found.value;
    const train = b.arbor({ name: 'Train arbor', axis });
    const ways = wheelsByWay(machine, clock, axis);
    handOver(found.value, train, [...ways.line, ...ways.other]);
    const slip = b.id('slip');
    b.joint({ kind: 'slip', id: slip, a: clock, b: train });
    const angleDeg = freeDirection(machine);
    const made = b.mesh({
      from: train,
      to: { name: 'Crank' },
      counts: [counts[1], counts[0]],
      toothing,
      angleDeg,
    });
    const modes = [
      { id: b.id('mode'), name: 'run', drive: machine.drive?.member, engaged: [slip], held: [] },
      { id: b.id('mode'), name: 'demonstrate', drive: made.arbor, engaged: [slip], held: [clock] },
    ];
    return ok(addModes(b.machine(), modes));
  },
};

/**
 * What a clock needs round its centre arbor: hands that slip on it, a knob that sets them through a clutch, and a
 * barrel with a ratchet, which a key winds against the way it runs down. Modes *run*, *set* and *wind*. What is there
 * is joined: where something else turns the arbor that was chosen, that is the barrel, and gets the ratchet; motion
 * work on the arbor goes over to the hands.
 */
export const windingAndSetting: ReadyArrangement = {
  id: 'winding',
  title: 'Winding and setting',
  does: 'A barrel wound by a key behind a ratchet, and hands that slip on the centre arbor and are set by a knob.',
  fields: [
    { key: 'barrel', label: 'Barrel to centre arbor', kind: 'pairs', offered: '72:12' },
    { key: 'setting', label: 'Knob to hands', kind: 'pairs', offered: '20:40' },
  ],
  asked: (machine, on) => (barrelOf(machine, on) === undefined ? ['barrel', 'setting'] : ['setting']),
  build: (machine, values, on) => {
    const read = ['barrel', 'setting'].map(k => parsePairs(values[k] ?? ''));
    const found = baseOf(machine, on);
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
    const { b, on: centre, axis, toothing } = found.value;
    const hands = b.arbor({ name: 'Hands', axis });
    const ways = wheelsByWay(machine, centre, axis);
    const there = barrelOf(machine, on);
    handOver(found.value, hands, there ? ways.line : [...ways.line, ...ways.other]);
    const [slip, setClutch, windClutch] = [b.id('slip'), b.id('clutch'), b.id('clutch')];
    b.joint({ kind: 'slip', id: slip, a: centre, b: hands });
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
    const barrel =
      there ??
      b.mesh({
        from: centre,
        to: { name: 'Barrel' },
        counts: [barrelPair[1], barrelPair[0]],
        toothing,
        angleDeg: angleDeg + 180,
      }).arbor;
    const barrelArbor = b.arbor({ name: 'Barrel arbor', axis: axisOf(b.machine(), barrel) });
    b.joint({
      kind: 'ratchet',
      id: b.id('ratchet'),
      driver: barrelArbor,
      driven: barrel,
      teeth: 24,
      turns: 'backward',
    });
    const key = b.arbor({ name: 'Winding key', axis: axisOf(b.machine(), barrel) });
    b.joint({ kind: 'clutch', id: windClutch, a: key, b: barrelArbor });
    const modes = [
      { id: b.id('mode'), name: 'run', drive: machine.drive?.member, engaged: [slip], held: [] },
      { id: b.id('mode'), name: 'set', drive: knob, engaged: [slip, setClutch], held: [centre] },
      { id: b.id('mode'), name: 'wind', drive: key, engaged: [slip, windClutch], held: [centre] },
    ];
    return ok(addModes(b.machine(), modes));
  },
};

/** The barrel that is there: what drives the machine, where it turns the arbor that was chosen. */
function barrelOf(machine: Machine, on: string | undefined): string | undefined {
  const drive = machine.drive?.member;
  if (on === undefined || drive === undefined || on === drive) return undefined;
  const turned = machine.wheels.filter(w => w.member === on).some(w => reach(machine, w.id, on).has(drive));
  return turned ? drive : undefined;
}

const axisOf = (machine: Machine, arbor: string): string | undefined => {
  const member = machine.members.find(m => m.id === arbor);
  return member?.kind === 'arbor' ? member.axis : undefined;
};
