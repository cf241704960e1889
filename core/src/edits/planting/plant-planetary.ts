import { byId, type Machine, type SetStage, type Wheel } from '../../document/machine/index.ts';
import { removeTrainTo, setWheel } from '../change/index.ts';
import {
  assemblyOf,
  type Central,
  CENTRALS,
  drivenOf,
  type PlanetarySet,
  ringRelief,
  type TwoRingSet,
} from '../../counting/planetary/index.ts';
import { type Builder, builderOn, type NewWheel } from './builder.ts';
import { axisOf, withoutIdleToothings, withToothing } from './plant-stage.ts';
import { settledLayers } from './settled-layers.ts';

/** A planetary set as it is to be built: the drive turns one member, another is held, the third is the output. */
export interface PlanetaryChoice {
  readonly set: PlanetarySet;
  readonly held: Central;
  readonly driver: Central;
  readonly module: number;
  /** Stages one after the other, the output of each driving the next alike. */
  readonly stages?: number;
  /** The aim that the output serves; a train that it had before is taken away. */
  readonly aim?: string | undefined;
}

/**
 * A set with two rings as it is to be built: the drive turns the sun, the first ring is held, the second is the
 * output.
 */
export interface TwoRingChoice {
  readonly set: TwoRingSet;
  readonly module: number;
  readonly aim?: string | undefined;
}

/**
 * Adds a planetary set on the drive's axis as ordinary arbors, wheels and meshes: a held arbor, an output, and the
 * planets' axis on the arm, in as many places as there are planets. Throws for a machine without a drive.
 */
export function plantPlanetary(machine: Machine, choice: PlanetaryChoice): Machine {
  const { b, name, drive, axis, toothing } = start(machine, choice.module, choice.aim);
  const stages = Math.max(1, choice.stages ?? 1);
  let input = drive;
  const made: SetStage[] = [];
  for (let i = 1; i <= stages; i++) {
    const last = i === stages;
    const own = stages === 1 ? name : last ? name : `${name} stage ${i}`;
    const { output, stage } = addSet(b, choice, { input, axis, toothing, name: own });
    input = output;
    made.push(stage);
  }
  keep(b, name, made);
  return settledLayers(machine, finish(b, input, choice.aim));
}

/** A further stage of a set, built from what turns it on. */
export interface NewStage extends Pick<PlanetaryChoice, 'set' | 'held' | 'driver'> {
  /** The arbor that turns it, on whose axis it stands. */
  readonly input: string;
  readonly toothing: string;
  readonly name: string;
  /** Wheels whose shifts, hands and heights it takes over. */
  readonly like: Readonly<Record<'sun' | 'planet' | 'ring', Wheel>>;
}

/** Adds a stage to a machine; it belongs to no set yet. */
export function addSetStage(
  machine: Machine,
  { input, toothing, name, like, ...choice }: NewStage,
): { readonly machine: Machine; readonly stage: SetStage; readonly output: string } {
  const b = builderOn(machine);
  const axis = axisOf(machine, input) ?? '';
  const { output, stage } = addSet(b, choice, { input, axis, toothing, name });
  const roles = ['sun', 'planet', 'ring'] as const;
  const as = (w: Wheel): Wheel => {
    const role = roles.find(r => stage[r] === w.id);
    if (!role) return w;
    const { id, name: own, member, layer } = w;
    return { ...like[role], id, name: own, member, layer };
  };
  b.edit(m => ({ ...m, wheels: m.wheels.map(as) }));
  return { machine: b.machine(), stage, output };
}

/** Keeps stages as one set from then on. */
const keep = (b: Builder, name: string, stages: readonly SetStage[]): void => {
  const id = b.id('set');
  b.edit(m => ({ ...m, sets: [...m.sets, { id, name, stages: [...stages] }] }));
};

/** As plantPlanetary, for a set with two rings. */
export function plantTwoRing(machine: Machine, { set, module, aim }: TwoRingChoice): Machine {
  const { b, name, drive, axis, toothing } = start(machine, module, aim);
  const arm = b.arbor({ name: `${name}: arm`, axis });
  const held = b.arbor({ name: `${name}: first ring, held`, axis, held: 'ground' });
  const output = b.arbor({ name, axis });
  const joint = b.id('mesh');
  const planet = b.arbor({
    name: `${name}: planet`,
    frame: arm,
    place: { kind: 'mesh', joint, angleDeg: 0 },
    copies: set.planets > 1 ? { count: set.planets } : undefined,
  });
  const layer = b.layer();
  const wheel = (member: string, what: string, teeth: number, at: number, within?: number): string =>
    b.wheel({ name: `${name}: ${what}`, member, teeth, toothing, layer: at, ...ringRole(teeth, within) });
  const sun = wheel(drive, 'sun wheel', set.sun, layer);
  const p = wheel(planet, 'planet wheel', set.planet, layer);
  const r = wheel(held, 'ring', set.ring, layer, set.planet);
  const upper = b.layer();
  const q = wheel(planet, 'second planet wheel', set.second, upper);
  const r2 = wheel(output, 'second ring', set.secondRing, upper, set.second);
  walled(b, r2);
  b.joint({ kind: 'mesh', id: joint, type: 'external', a: sun, b: p });
  b.joint({ kind: 'mesh', id: b.id('mesh'), type: 'internal', a: p, b: r });
  b.joint({ kind: 'mesh', id: b.id('mesh'), type: 'internal', a: q, b: r2 });
  keep(b, name, [{ sun, planet: p, ring: r, second: { planet: q, ring: r2 } }]);
  return settledLayers(machine, finish(b, output, aim));
}

interface Started {
  readonly b: Builder;
  readonly name: string;
  readonly drive: string;
  readonly axis: string;
  readonly toothing: string;
}

function start(machine: Machine, module: number, aimId: string | undefined): Started {
  if (!machine.drive) throw new Error('plantPlanetary: no drive');
  const aim = byId(machine.aims, aimId);
  const cleared = aim?.member === undefined ? machine : removeTrainTo(aim.member)(machine);
  const { machine: sized, toothing } = withToothing(cleared, module);
  const axis = axisOf(sized, machine.drive.member) ?? '';
  return {
    b: builderOn(sized),
    name: aim?.name ?? 'Planetary set',
    drive: machine.drive.member,
    axis,
    toothing,
  };
}

function finish(b: Builder, output: string, aim: string | undefined): Machine {
  b.edit(m => ({ ...m, aims: m.aims.map(a => (a.id === aim ? { ...a, member: output } : a)) }));
  return withoutIdleToothings(b.machine());
}

/** One set in a layer of its own; gives its output and its wheels. */
function addSet(
  b: Builder,
  { set, held, driver }: Pick<PlanetaryChoice, 'set' | 'held' | 'driver'>,
  { input, axis, toothing, name }: { input: string; axis: string; toothing: string; name: string },
): { readonly output: string; readonly stage: SetStage } {
  const members: Record<Central, string> = { sun: '', ring: '', arm: '' };
  for (const central of CENTRALS) {
    const own = central === drivenOf(held, driver) ? name : `${name}: ${central}, held`;
    members[central] =
      central === driver
        ? input
        : b.arbor({ name: own, axis, held: central === held ? 'ground' : undefined });
  }
  const { equal, anglesDeg } = assemblyOf(set);
  const places = equal ? { count: set.planets } : { count: set.planets, anglesDeg: [...anglesDeg] };
  const joint = b.id('mesh');
  const planet = b.arbor({
    name: `${name}: planet`,
    frame: members.arm,
    place: { kind: 'mesh', joint, angleDeg: 0 },
    copies: set.planets > 1 ? places : undefined,
  });
  const layer = b.layer();
  const wheel = (member: string, what: string, teeth: number, within?: number): string =>
    b.wheel({ name: `${name}: ${what}`, member, teeth, toothing, layer, ...ringRole(teeth, within) });
  const sun = wheel(members.sun, 'sun wheel', set.sun);
  const p = wheel(planet, 'planet wheel', set.planet);
  const r = wheel(members.ring, 'ring', set.ring, set.planet);
  if (held !== 'ring') walled(b, r);
  b.joint({ kind: 'mesh', id: joint, type: 'external', a: sun, b: p });
  b.joint({ kind: 'mesh', id: b.id('mesh'), type: 'internal', a: p, b: r });
  return { output: members[drivenOf(held, driver)], stage: { sun, planet: p, ring: r } };
}

/** A ring that turns sits on its arbor by a wall, on the side that the arm does not lie on. */
const walled = (b: Builder, ring: string): void =>
  b.edit(setWheel(ring, { mount: { kind: 'wall', side: 'front' } }));

/** A ring with its tips cut down for the planet within it, or a plain wheel. */
function ringRole(teeth: number, within: number | undefined): Partial<NewWheel> {
  if (within === undefined) return { role: 'wheel' };
  const shorten = ringRelief(within, teeth);
  return shorten > 0 ? { role: 'ring', shorten } : { role: 'ring' };
}
