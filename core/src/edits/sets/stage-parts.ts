import {
  type Arbor,
  arbors,
  type Axis,
  byId,
  circleCount,
  type GearSet,
  type InvoluteForm,
  type Machine,
  type SetStage,
  type Toothing,
  type Wheel,
} from '../../document/machine/index.ts';

/** A stage of a set with the things of the machine that it is made of. */
export interface StageParts {
  readonly sun: Wheel;
  readonly planet: Wheel;
  readonly ring: Wheel;
  readonly second: { readonly planet: Wheel; readonly ring: Wheel } | undefined;
  /** The arbor of the planets, their axis, and the arm that carries it. */
  readonly planetArbor: Arbor;
  readonly axis: Axis;
  readonly arm: Arbor;
  readonly toothing: Toothing & { readonly form: InvoluteForm };
}

/** What a stage is made of; undefined where it is not whole, its teeth are not involute, or one has other teeth. */
export function stageParts(machine: Machine, stage: SetStage): StageParts | undefined {
  const wheel = (id: string | undefined): Wheel | undefined => byId(machine.wheels, id);
  const [sun, planet, ring] = [wheel(stage.sun), wheel(stage.planet), wheel(stage.ring)];
  if (!sun || !planet || !ring) return undefined;
  const [p2, r2] = [wheel(stage.second?.planet), wheel(stage.second?.ring)];
  const planetArbor = byId(arbors(machine), planet.member);
  const axis = byId(machine.axes, planetArbor?.axis);
  const arm = byId(arbors(machine), axis?.frame);
  const toothing = byId(machine.toothings, sun.toothing);
  const all = [sun, planet, ring, ...(p2 ? [p2] : []), ...(r2 ? [r2] : [])];
  if (!planetArbor || !axis || !arm || !toothing || all.some(w => w.toothing !== toothing.id))
    return undefined;
  const { form } = toothing;
  if (form.kind !== 'involute') return undefined;
  const second = p2 && r2 ? { planet: p2, ring: r2 } : undefined;
  return { sun, planet, ring, second, planetArbor, axis, arm, toothing: { ...toothing, form } };
}

/** The counts of a stage; undefined while one of them is open. */
export interface StageCounts {
  readonly sun: number;
  readonly planet: number;
  readonly ring: number;
  readonly second: { readonly planet: number; readonly ring: number } | undefined;
}

/** The counts of a stage, as they are. */
export function stageCounts({ sun, planet, ring, second }: StageParts): StageCounts | undefined {
  const [s, p, r] = [sun, planet, ring].map(circleCount);
  const [p2, r2] = [second && circleCount(second.planet), second && circleCount(second.ring)];
  if (s === undefined || p === undefined || r === undefined) return undefined;
  if (second && (p2 === undefined || r2 === undefined)) return undefined;
  return { sun: s, planet: p, ring: r, second: second && { planet: p2 ?? 0, ring: r2 ?? 0 } };
}

/** The set that a wheel, an arbor or a mesh belongs to, and which of its stages. */
export function setOf(
  machine: Machine,
  id: string,
): { readonly set: GearSet; readonly stage: number } | undefined {
  for (const set of machine.sets)
    for (const [stage, s] of set.stages.entries()) {
      const parts = stageParts(machine, s);
      const wheels = [s.sun, s.planet, s.ring, s.second?.planet, s.second?.ring];
      const joint = byId(machine.joints, id);
      if (wheels.includes(id)) return { set, stage };
      if (joint?.kind === 'mesh' && wheels.includes(joint.a) && wheels.includes(joint.b))
        return { set, stage };
      if (parts && [parts.planetArbor.id, parts.arm.id, parts.ring.member].includes(id))
        return { set, stage };
    }
  return undefined;
}
