import { ballBearing, fixingScrew } from '../bought/index.ts';
import type { Problem } from '../../ground/result/index.ts';
import { jointEnds, sizeMeasures } from './kinds/index.ts';
import { placeHangsOn } from './place.ts';
import { GROUND } from './ground.ts';
import { setWheels } from './set-wheels.ts';
import type { Machine } from './types.ts';

type Kind =
  | 'axis'
  | 'dial'
  | 'member'
  | 'toothing'
  | 'wheel'
  | 'joint'
  | 'aim'
  | 'process'
  | 'material'
  | 'frame'
  | 'mode';

/**
 * What the shape of a document cannot say: every id is used once, every reference leads to a thing of the right
 * kind, and no frame or place hangs on itself. All problems, in the order of the document; none for a sound machine.
 */
export function integrityProblems(machine: Machine): Problem[] {
  return [
    ...repeatedIds(machine),
    ...missing(machine),
    ...unknownBearings(machine),
    ...unknownScrews(machine),
    ...circles(machine),
  ];
}

function repeatedIds(machine: Machine): Problem[] {
  const seen = new Set<string>();
  const problems: Problem[] = [];
  const lists = [
    ...[machine.axes, machine.members, machine.toothings, machine.wheels, machine.joints, machine.modes],
    machine.sets,
    ...[machine.indicators, machine.parts, machine.aims, machine.searches, machine.poses, machine.processes],
    [...machine.plans, ...machine.materials],
    ...[machine.measurements, machine.log],
    ...[machine.layout.keepOuts, machine.layout.plates?.pillars ?? []],
  ];
  for (const { id } of lists.flat()) {
    if (id === GROUND || seen.has(id)) problems.push({ code: 'id-twice', data: { id } });
    seen.add(id);
  }
  return problems;
}

function missing(machine: Machine): Problem[] {
  const ids: Record<Kind, Set<string>> = {
    axis: new Set(machine.axes.map(x => x.id)),
    member: new Set(machine.members.map(x => x.id)),
    toothing: new Set(machine.toothings.map(x => x.id)),
    wheel: new Set(machine.wheels.map(x => x.id)),
    joint: new Set(machine.joints.map(x => x.id)),
    aim: new Set(machine.aims.map(x => x.id)),
    mode: new Set(machine.modes.map(x => x.id)),
    dial: new Set(machine.indicators.filter(x => x.kind === 'dial').map(x => x.id)),
    process: new Set(machine.processes.map(x => x.id)),
    material: new Set(machine.materials.map(x => x.id)),
    frame: new Set([GROUND, ...machine.members.filter(m => m.kind === 'arbor').map(m => m.id)]),
  };
  const problems: Problem[] = [];
  for (const [owner, kind, id] of references(machine)) {
    if (id !== undefined && !ids[kind].has(id))
      problems.push({ code: `missing-${kind}`, data: { owner, id } });
  }
  return problems;
}

/** Bearings that are in no table. */
const unknownBearings = (machine: Machine): Problem[] =>
  machine.members.flatMap((m): Problem[] =>
    m.kind === 'arbor' && m.bearing !== undefined && !ballBearing(m.bearing)
      ? [{ code: 'bearing-unknown', data: { owner: m.name, name: m.bearing } }]
      : [],
  );

/** Screws of dials and of bolt circles that are in no table. */
const unknownScrews = (machine: Machine): Problem[] =>
  [
    ...machine.indicators.map(i => ({
      owner: i.name,
      name: i.kind === 'dial' && i.fixed?.by === 'screws' ? i.fixed.screw : undefined,
    })),
    ...machine.wheels.map(w => ({ owner: w.name, name: w.body?.bolts?.screw })),
  ].flatMap(({ owner, name }): Problem[] =>
    name === undefined || fixingScrew(name) ? [] : [{ code: 'screw-unknown', data: { owner, name } }],
  );

type Reference = readonly [owner: string, kind: Kind, id: string | undefined];

function* references(machine: Machine): Generator<Reference> {
  yield* bodyReferences(machine);
  for (const j of machine.joints) for (const [kind, id] of jointEnds(j)) yield [j.id, kind, id];
  yield* workReferences(machine);
}

/** What axes, members, toothings and wheels refer to. */
function* bodyReferences(machine: Machine): Generator<Reference> {
  for (const a of machine.axes) {
    yield [a.id, 'frame', a.frame];
    yield [a.id, 'joint', a.slot?.joint];
    yield* placeReferences(a);
  }
  for (const m of machine.members) {
    if (m.kind === 'arbor') yield [m.name, 'axis', m.axis];
    if (m.kind === 'slide') yield [m.name, 'frame', m.frame];
    if (m.kind !== 'link') yield [m.name, 'frame', m.held];
  }
  for (const t of machine.toothings) {
    const { wheel, joint } = sizeMeasures(t.size);
    yield [t.name, 'wheel', wheel];
    yield [t.name, 'joint', joint];
  }
  for (const w of machine.wheels) {
    yield [w.name, 'member', w.member];
    yield [w.name, 'toothing', w.toothing];
    if (w.mount?.kind === 'around') yield [w.name, 'wheel', w.mount.ring];
  }
}

function* placeReferences({ id, place }: Machine['axes'][number]): Generator<Reference> {
  const { joints, axes } = placeHangsOn(place);
  for (const j of joints) yield [id, 'joint', j];
  for (const a of axes) yield [id, 'axis', a];
}

/** What modes, indicators, parts, aims, searches, the drive and the process refer to. */
function* workReferences(machine: Machine): Generator<Reference> {
  for (const m of machine.modes) {
    yield [m.name, 'member', m.drive];
    for (const id of m.engaged) yield [m.name, 'joint', id];
    for (const id of m.held) yield [m.name, 'member', id];
  }
  for (const i of machine.indicators) {
    yield [i.name, i.kind === 'dial' ? 'frame' : 'member', i.member];
    if (i.kind === 'hand') yield [i.name, 'dial', i.dial];
    if (i.kind === 'dial') yield [i.name, 'axis', i.axis];
  }
  for (const s of machine.sets) for (const id of s.stages.flatMap(setWheels)) yield [s.name, 'wheel', id];
  for (const p of machine.parts) {
    for (const id of p.wheels) yield [p.name, 'wheel', id];
    yield [p.name, 'process', p.process];
  }
  for (const a of machine.aims) {
    yield [a.name, 'frame', a.frame];
    yield [a.name, 'member', a.member];
  }
  for (const s of machine.searches) yield [s.id, 'aim', s.aim];
  for (const p of machine.plans) {
    for (const id of p.aims) yield [p.id, 'aim', id];
    for (const b of p.found?.branches ?? []) {
      yield [p.id, 'aim', b.aim];
      yield [p.id, 'aim', b.from];
    }
  }
  yield ['the plates', 'axis', machine.layout.plates?.datum];
  yield ['the machine', 'mode', machine.mode];
  yield ['the drive', 'member', machine.drive?.member];
  for (const p of machine.processes) yield [p.name, 'material', p.material];
  for (const m of machine.making) {
    yield [m.part, 'process', m.process];
    yield [m.part, 'material', m.material];
  }
  yield ['the machine', 'process', machine.process];
}

/** Axes whose frame or place leads back to themselves, by walking each chain at most once per axis. */
function circles(machine: Machine): Problem[] {
  const axisOfMember = new Map(
    machine.members.flatMap(m => (m.kind === 'arbor' ? [[m.id, m.axis] as const] : [])),
  );
  const axisOfWheel = new Map(machine.wheels.map(w => [w.id, axisOfMember.get(w.member)] as const));
  const joints = new Map(machine.joints.map(j => [j.id, j] as const));
  const across = (joint: string, axis: string): string[] => {
    const j = joints.get(joint);
    if (j?.kind !== 'mesh') return [];
    return [axisOfWheel.get(j.a), axisOfWheel.get(j.b)].filter(
      x => x !== undefined && x !== axis,
    ) as string[];
  };
  const hangsOn = new Map(
    machine.axes.map(a => {
      const arm = axisOfMember.get(a.frame);
      const { joints: tied, axes } = placeHangsOn(a.place);
      const place = [...tied.flatMap(j => across(j, a.id)), ...axes];
      return [a.id, arm === undefined ? place : [arm, ...place]] as const;
    }),
  );
  const done = new Set<string>();
  const open = new Set<string>();
  const found: Problem[] = [];
  const walk = (id: string): void => {
    if (done.has(id)) return;
    if (open.has(id)) {
      found.push({ code: 'axis-on-itself', data: { id } });
      return;
    }
    open.add(id);
    for (const next of hangsOn.get(id) ?? []) walk(next);
    open.delete(id);
    done.add(id);
  };
  for (const a of machine.axes) walk(a.id);
  return found;
}
