import { byId, LIMITS, type Machine } from '../../document/machine/index.ts';
import { type Attempt, removeArbor } from '../change/index.ts';
import { handOn } from './hand-on.ts';
import { addSetStage, settledLayers } from '../planting/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { setWheels } from '../../document/machine/index.ts';
import { waysOf } from './stage-ways.ts';
import { stageCounts, stageParts } from './stage-parts.ts';

/** Gives a set so many stages: further ones like its last, or the last ones away; what its output turned goes on. */
export function setStages(setId: string, wanted: number): Attempt {
  return machine => {
    if (wanted > LIMITS.setStages[1]) return fail('set-too-many-stages', { most: LIMITS.setStages[1] });
    const start = byId(machine.sets, setId);
    if (!start) return fail('set-gone', { id: setId });
    if (wanted < 1) return fail('set-one-stage', { name: start.name });
    let current = machine;
    for (;;) {
      const set = byId(current.sets, setId);
      if (!set || set.stages.length === wanted) return ok(settledLayers(machine, current));
      const next = set.stages.length < wanted ? added(current, setId) : dropped(current, setId);
      if (!next) return fail('set-not-whole', { name: set.name });
      current = next;
    }
  };
}

function added(machine: Machine, setId: string): Machine | undefined {
  const set = byId(machine.sets, setId);
  const last = set?.stages.at(-1);
  const parts = last && stageParts(machine, last);
  const counts = parts && stageCounts(parts);
  const ways = set && waysOf(machine, set.stages, set.stages.length - 1);
  if (!set || !parts || !counts || !ways) return undefined;
  const made = addSetStage(machine, {
    set: { ...counts, planets: parts.axis.copies?.count ?? 1 },
    ...{ held: ways.held, driver: ways.driver, input: ways.output, toothing: parts.toothing.id },
    name: `${set.name} stage ${set.stages.length + 1}`,
    like: parts,
  });
  const own = new Set([...setWheels(last), made.stage[ways.driver === 'arm' ? 'planet' : ways.driver]]);
  const handed = handOn(made.machine, ways.output, made.output, own);
  return {
    ...handed,
    sets: handed.sets.map(s => (s.id === setId ? { ...s, stages: [...s.stages, made.stage] } : s)),
  };
}

function dropped(machine: Machine, setId: string): Machine | undefined {
  const set = byId(machine.sets, setId);
  const at = (set?.stages.length ?? 0) - 1;
  const last = set?.stages[at];
  const parts = last && stageParts(machine, last);
  const ways = set && waysOf(machine, set.stages, at);
  if (!set || !last || !parts || !ways) return undefined;
  const own = new Set(setWheels(last));
  const without: Machine = {
    ...handOn(machine, ways.output, ways.input, own),
    sets: machine.sets.map(s => (s.id === setId ? { ...s, stages: s.stages.slice(0, -1) } : s)),
  };
  const members = [parts.planetArbor.id, parts.sun.member, parts.ring.member, parts.arm.id];
  const gone = [...new Set(members)].filter(id => id !== ways.input);
  const left = gone.reduce((m, id) => removeArbor(m, id), without);
  return { ...left, wheels: left.wheels.filter(w => !own.has(w.id)) };
}
