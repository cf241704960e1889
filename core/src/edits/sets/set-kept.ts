import {
  arbors,
  axisOfWheel,
  byId,
  freeId,
  type Machine,
  meshes,
  type SetStage,
  type Wheel,
} from '../../document/machine/index.ts';
import { type Attempt, type Edit } from '../change/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { setWheels } from '../../document/machine/index.ts';

/** Lets a set go: its wheels stay as they are, and each is changed by itself from then on. */
export const letSetGo =
  (id: string): Edit =>
  machine => ({ ...machine, sets: machine.sets.filter(s => s.id !== id) });

/** Gives a set another name. */
export const renameSet =
  (id: string, name: string): Edit =>
  machine => ({ ...machine, sets: machine.sets.map(s => (s.id === id ? { ...s, name } : s)) });

/** Keeps every loose planetary set of a machine as one from then on; refused where there is none. */
export const keepSets: Attempt = machine => {
  const chains = chained(machine, looseStages(machine));
  if (chains.length === 0) return fail('set-none-found');
  let current = machine;
  for (const stages of chains) {
    const ring = byId(machine.wheels, stages[0]?.ring);
    const name = (ring?.name ?? 'Planetary set').replace(/: ring$/, '').slice(0, 120);
    current = {
      ...current,
      sets: [...current.sets, { id: freeId(current, 'set'), name, stages: [...stages] }],
    };
  }
  return ok(current);
};

/** Planets on an arm that mesh with a sun about the arm's axis and with a ring, and belong to no set. */
function looseStages(machine: Machine): SetStage[] {
  const taken = new Set(machine.sets.flatMap(s => s.stages.flatMap(setWheels)));
  const mates = (w: Wheel, type: 'external' | 'internal'): Wheel[] =>
    meshes(machine).flatMap(j => {
      const other = j.type === type ? (j.a === w.id ? j.b : j.b === w.id ? j.a : undefined) : undefined;
      return byId(machine.wheels, other) ?? [];
    });
  return machine.wheels.flatMap((planet): SetStage[] => {
    const axis = byId(machine.axes, axisOfWheel(machine, planet));
    const arm = byId(arbors(machine), axis?.frame);
    if (!axis || !arm || taken.has(planet.id)) return [];
    const central = (w: Wheel): boolean => axisOfWheel(machine, w) === arm.axis;
    const sun = mates(planet, 'external').find(central);
    const ring = mates(planet, 'internal').find(w => w.role === 'ring' && central(w));
    if (!sun || !ring) return [];
    const twin = machine.wheels.find(
      w => w.member === planet.member && w.id !== planet.id && mates(w, 'internal').some(central),
    );
    const outer = twin && mates(twin, 'internal').find(central);
    const second = twin && outer ? { second: { planet: twin.id, ring: outer.id } } : {};
    return [{ sun: sun.id, planet: planet.id, ring: ring.id, ...second }];
  });
}

/** Stages that drive one another, in their order: the sun of the next turns with a member of the one before. */
function chained(machine: Machine, stages: readonly SetStage[]): SetStage[][] {
  const member = (id: string): string | undefined => byId(machine.wheels, id)?.member;
  const arm = (s: SetStage): string | undefined => {
    const planet = byId(machine.wheels, s.planet);
    return planet && byId(machine.axes, axisOfWheel(machine, planet))?.frame;
  };
  const drives = (a: SetStage, b: SetStage): boolean => {
    const outputs = [arm(a), member(a.ring)];
    return a !== b && outputs.some(o => o !== undefined && (o === member(b.sun) || o === arm(b)));
  };
  const firsts = stages.filter(s => !stages.some(p => drives(p, s)));
  return firsts.map(first => {
    const chain = [first];
    for (let last = first; chain.length < stages.length;) {
      const next = stages.find(s => !chain.includes(s) && drives(last, s));
      if (!next) break;
      chain.push(next);
      last = next;
    }
    return chain;
  });
}
