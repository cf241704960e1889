import { type Attempt, insertLayer, removeArbor, setArbor, setToothing, setWheel } from '../change/index.ts';
import { builderOn, settledLayers } from '../planting/index.ts';
import {
  byId,
  GROUND,
  LIMITS,
  type Machine,
  moduleOf,
  USUAL_RIM,
  type Wheel,
} from '../../document/machine/index.ts';
import { neg, type Rational, rational } from '../../ground/rational/index.ts';
import { bisect } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { lobeRingWall } from '../../teeth/tooth/index.ts';
import { handOn } from './hand-on.ts';
import { type ReducerDisc, type ReducerParts, reducerParts } from './reducer-parts.ts';
import { reducerSizes, type ReducerSizes, REDUCER_WALL } from './reducer-sizes.ts';

/** What is to become of a reducer; what is left out stays, or follows. Lengths in mm. */
export interface ReducerChange {
  readonly lobes?: number;
  /** Pins of the ring; they keep their difference to the lobes where only these are asked. */
  readonly pins?: number;
  readonly module?: number;
  /** Across the ring as it is made; the module follows. */
  readonly outside?: number;
  readonly pinDiameter?: number;
  readonly eccentricity?: number;
  readonly offset?: number;
  readonly play?: number;
  readonly height?: number;
  readonly shaft?: number;
  readonly outputPins?: number;
  readonly discs?: 1 | 2;
  /** Half-round pins of one piece with the ring, or round ones that stand in a plate behind the discs. */
  readonly ring?: 'lobes' | 'pins';
  /** What turns: the plate with the output pins, or the ring while that plate is held. */
  readonly output?: 'plate' | 'ring';
}

/** A reducer in figures, as it is. Lengths in mm. */
export interface ReducerFacts extends Required<Omit<ReducerChange, 'outside'>> {
  /** Turns of the output for one of the eccentric: −(pins − lobes)/lobes, or (pins − lobes)/pins for the ring. */
  readonly ratio: Rational;
  readonly outside: number;
  readonly outputPin: number;
  readonly circle: number;
  readonly bore: number;
}

/** The figures of a reducer; undefined where its module cannot be known. */
export function reducerFacts(machine: Machine, parts: ReducerParts): ReducerFacts | undefined {
  const { discs, toothing, plate, ringArbor, lobes, pins } = parts;
  const sized = moduleOf(toothing, machine);
  if (!sized.ok) return undefined;
  const [{ wheel, ring, output }] = discs;
  const { pinDiameter, eccentricity, offset } = toothing.form;
  const bore = wheel.bore?.kind === 'round' ? wheel.bore.diameter : 0;
  const facts = {
    ...{ lobes, pins, module: sized.value, pinDiameter, eccentricity, offset, bore },
    ...{ play: toothing.play, height: wheel.thickness ?? machine.stack.thickness },
    shaft: Number(Math.max(1, bore - 2 * eccentricity - 2 * REDUCER_WALL).toFixed(2)),
    ...{ outputPins: output?.pins ?? 0, outputPin: output?.pinDiameter ?? 0, circle: output?.circle ?? 0 },
    discs: discs.length > 1 ? (2 as const) : (1 as const),
    ring: toothing.form.ring,
    output:
      plate?.held !== undefined && ringArbor.held === undefined ? ('ring' as const) : ('plate' as const),
  };
  const ratio =
    facts.output === 'ring' ? rational(pins - lobes, pins) : neg(rational(pins - lobes, Math.max(1, lobes)));
  return { ...facts, ratio, outside: outsideOf(facts, ring) };
}

/** Across a ring as it is made, mm. */
function outsideOf(
  f: Pick<ReducerFacts, 'pins' | 'module' | 'pinDiameter' | 'eccentricity' | 'offset' | 'ring'>,
  ring: Pick<Wheel, 'body'>,
): number {
  const pinCircleRadius = (f.module * f.pins) / 2;
  const rim = ring.body?.rim ?? USUAL_RIM * f.module;
  const wall =
    f.ring === 'pins' ? pinCircleRadius + f.pinDiameter / 2 : lobeRingWall({ ...f, pinCircleRadius });
  return 2 * (wall + rim);
}

/**
 * Changes a reducer, and lets the rest of it follow: pins keep their difference to the lobes, pins and eccentricity
 * keep their parts of the module, bore and output pins find their room again; a second disc stands opposite the first
 * on the same eccentric, pins of their own stand in a plate behind the discs, and what hung on the output goes over to
 * what turns instead. Refused with a sentence where that cannot be.
 */
export function changeReducer(id: string, change: ReducerChange): Attempt {
  return machine => {
    const parts = reducerParts(machine, id);
    const before = parts && reducerFacts(machine, parts);
    if (!parts || !before) return fail('reducer-not-whole');
    const wanted = wantedOf(before, parts, change);
    if (!wanted.ok) return wanted;
    const to = wanted.value;
    if (to.output === 'ring' && to.discs === 2 && to.ring === 'lobes') return fail('reducer-ring-turns');
    const sizes = reducerSizes(to);
    if (!sizes.ok) return sizes;
    const sized = withSizes(machine, parts, to, sizes.value, change);
    const built = [withRing, withDiscs, withOutput].reduce((m, step) => step(m, id, to), sized);
    return ok(change.discs || change.ring || change.output ? settledLayers(machine, built) : built);
  };
}

/** What is asked, and what follows from it. */
function wantedOf(before: ReducerFacts, parts: ReducerParts, change: ReducerChange): Result<ReducerFacts> {
  const lobes = change.lobes ?? before.lobes;
  const pins = change.pins ?? lobes + before.pins - before.lobes;
  if (![lobes, pins].every(Number.isInteger)) return fail('limits-not-whole');
  if (pins <= lobes) return fail('reducer-counts', { lobes, pins });
  const difference = (pins - lobes) / (before.pins - before.lobes);
  /** The same in proportion at another module. */
  const at = (module: number): ReducerFacts => {
    const by = module / before.module;
    return {
      ...{ ...before, ...change, lobes, pins, module, outside: 0 },
      pinDiameter: change.pinDiameter ?? tidy(before.pinDiameter * by),
      eccentricity: change.eccentricity ?? tidy(before.eccentricity * by * difference),
    };
  };
  const [ring] = parts.discs.map(d => d.ring);
  if (change.outside === undefined || !ring) return ok(at(change.module ?? before.module));
  const { outside } = change;
  const across = (module: number): number => outsideOf(at(module), ring);
  const [least, most] = LIMITS.module.map(across) as [number, number];
  if (outside < least || outside > most)
    return fail('reducer-outside-out-of-reach', { outside, least, most });
  return ok(at(Number(bisect(m => across(m) - outside, ...LIMITS.module).toFixed(6))));
}

const tidy = (mm: number): number => Number(mm.toFixed(3));

function withSizes(
  machine: Machine,
  { discs, toothing }: ReducerParts,
  to: ReducerFacts,
  sizes: ReducerSizes,
  { height }: ReducerChange,
): Machine {
  const { pinDiameter, eccentricity, offset, ring, play } = to;
  const form = { ...toothing.form, pinDiameter, eccentricity, offset, ring };
  const size = { by: 'module' as const, module: to.module };
  const high = height === undefined ? {} : { thickness: height };
  const start = setToothing(toothing.id, { form, size, play })(machine);
  return discs.reduce((m, { wheel, ring: r, output }) => {
    const disc = {
      teeth: counted(to.lobes),
      bore: { kind: 'round' as const, diameter: sizes.bore },
      ...high,
    };
    const ringed = ring === 'lobes' ? { teeth: counted(to.pins), ...high } : { teeth: counted(to.pins) };
    const toothed = setWheel(r.id, ringed)(setWheel(wheel.id, disc)(m));
    const joint = { pins: to.outputPins, pinDiameter: sizes.outputPin, circle: sizes.circle };
    return {
      ...toothed,
      joints: toothed.joints.map(j =>
        j.kind === 'pins in holes' && j.id === output?.id ? { ...j, ...joint } : j,
      ),
    };
  }, start);
}

const counted = (count: number): Wheel['teeth'] => ({ kind: 'count', count });

/** The ring as half-round pins in the layer of its disc, or as a plate of pins behind the first. */
function withRing(machine: Machine, id: string, { ring: kind }: ReducerFacts): Machine {
  const parts = reducerParts(machine, id);
  if (!parts) return machine;
  const [first, second] = parts.discs;
  const { ring } = first;
  const isPins = ring.role === 'pins';
  if (isPins === (kind === 'pins')) return machine;
  const named = renamed(machine, ring, kind);
  if (kind === 'lobes') return setWheel(ring.id, { role: 'ring', layer: first.wheel.layer })(named);
  const { mount: _, hold: __, ...plain } = byId(named.wheels, ring.id) ?? ring;
  const plate: Wheel = { ...plain, role: 'pins', layer: first.wheel.layer - 1 };
  const wheels = named.wheels.map(w => (w.id === ring.id ? plate : w));
  if (!second) return { ...named, wheels };
  return {
    ...named,
    wheels: wheels.filter(w => w.id !== second.ring.id || w.id === ring.id),
    joints: named.joints.map(j =>
      j.kind === 'mesh' && j.id === second.mesh.id ? { ...j, a: second.wheel.id, b: ring.id } : j,
    ),
  };
}

/** What the ring is called, with its arbor, as long as the maker gave it no name. */
export const RING_NAMES = { lobes: 'Ring of half-round pins', pins: 'Plate of pins' } as const;

function renamed(machine: Machine, ring: Wheel, kind: 'lobes' | 'pins'): Machine {
  const was = RING_NAMES[kind === 'lobes' ? 'pins' : 'lobes'];
  const call = <T extends { readonly id: string; readonly name: string }>(x: T, id: string): T =>
    x.id === id && x.name === was ? { ...x, name: RING_NAMES[kind] } : x;
  return {
    ...machine,
    wheels: machine.wheels.map(w => call(w, ring.id)),
    members: machine.members.map(m => call(m, ring.member)),
  };
}

/** One disc, or a second opposite the first; each in a ring of half-round pins of its own, or on the same plate. */
function withDiscs(machine: Machine, id: string, { discs: number, ring: kind }: ReducerFacts): Machine {
  const parts = reducerParts(machine, id);
  if (!parts) return machine;
  const [first, second] = parts.discs;
  const shared = second?.ring.id === first.ring.id;
  if (number === 1) return second ? withoutDisc(machine, second, shared) : machine;
  if (second && kind === 'lobes' && shared) return ringFor(machine, first, second);
  return second ? machine : oppositeDisc(machine, first, kind);
}

function withoutDisc(machine: Machine, disc: ReducerDisc, shared: boolean): Machine {
  const gone = removeArbor(machine, disc.arbor.id);
  return shared ? gone : { ...gone, wheels: gone.wheels.filter(w => w.id !== disc.ring.id) };
}

/** A disc opposite another, in the next layer, whose output pins are the same. */
function oppositeDisc(machine: Machine, first: ReducerDisc, kind: 'lobes' | 'pins'): Machine {
  const b = builderOn(machine);
  const joint = b.id('mesh');
  const angle = first.axis.place.kind === 'mesh' ? first.axis.place.angleDeg : 0;
  const layer = first.wheel.layer + 1;
  const place = { kind: 'mesh' as const, joint, angleDeg: angle + 180 };
  const arbor = b.arbor({ name: `${first.arbor.name} opposite`, frame: first.axis.frame, place });
  const like = { toothing: first.wheel.toothing, layer };
  const name = `${first.wheel.name} opposite`;
  const disc = b.wheel({ ...like, name, member: arbor, teeth: first.wheel.teeth, role: 'disc' });
  const ring =
    kind === 'pins'
      ? first.ring.id
      : b.wheel({
          ...like,
          ...{ name: `${first.ring.name} opposite`, member: first.ring.member },
          ...{ teeth: first.ring.teeth, role: 'ring' },
        });
  b.joint({ kind: 'mesh', id: joint, type: 'reducer', a: disc, b: ring });
  if (first.output) b.joint({ ...first.output, id: b.id('output'), disc });
  const { bore, thickness } = first.wheel;
  b.edit(setArbor(arbor, { bodiless: true }));
  b.edit(setWheel(disc, { bore, ...(thickness !== undefined && { thickness }) }));
  if (kind === 'lobes') b.edit(m => likeRing(m, first.ring, ring));
  return insertLayer(layer, new Set([disc, ...(kind === 'lobes' ? [ring] : [])]))(b.machine());
}

/** A ring of half-round pins for a second disc that rolled on the pins of the first one's plate. */
function ringFor(machine: Machine, first: ReducerDisc, second: ReducerDisc): Machine {
  const b = builderOn(machine);
  const ring = b.wheel({
    ...{ toothing: first.wheel.toothing, layer: second.wheel.layer, role: 'ring' },
    ...{ name: `${first.ring.name} opposite`, member: first.ring.member, teeth: first.ring.teeth },
  });
  b.edit(m => likeRing(m, first.ring, ring));
  b.edit(m => ({
    ...m,
    joints: m.joints.map(j => (j.kind === 'mesh' && j.id === second.mesh.id ? { ...j, b: ring } : j)),
  }));
  return b.machine();
}

/** A ring as another is: its rim, its lugs, its height. */
const likeRing = (machine: Machine, { body, mount, thickness, bore }: Wheel, id: string): Machine =>
  setWheel(id, {
    ...(body && { body }),
    ...(mount && { mount }),
    ...(thickness !== undefined && { thickness }),
    ...(bore && { bore }),
  })(machine);

/** The plate turns and the ring is held, or the other way round; what hung on the one goes over to the other. */
function withOutput(machine: Machine, id: string, { output }: ReducerFacts): Machine {
  const parts = reducerParts(machine, id);
  const plate = parts?.plate;
  if (!parts || !plate) return machine;
  const { ringArbor, discs } = parts;
  const frame = byId(machine.axes, ringArbor.axis)?.frame ?? GROUND;
  const turns = ringArbor.held === undefined ? 'ring' : 'plate';
  if (turns === output) return machine;
  const [from, to] = output === 'ring' ? [plate.id, ringArbor.id] : [ringArbor.id, plate.id];
  const own = new Set(discs.map(d => d.ring.id));
  const handed = handOn(machine, from, to, own);
  const front = output === 'ring' ? ('front' as const) : undefined;
  const held = setArbor(from, { held: frame, ...(from === plate.id && { support: front }) })(handed);
  const freed = setArbor(to, { held: undefined, ...(to === plate.id && { support: undefined }) })(held);
  return discs.reduce((m, { ring }) => remounted(m, ring, output), freed);
}

/** A ring that turns is closed by a wall that sits on its arbor; one that stands has none of its own choice. */
function remounted(machine: Machine, ring: Wheel, output: 'plate' | 'ring'): Machine {
  if (ring.role === 'pins') return machine;
  if (output === 'ring') return setWheel(ring.id, { mount: { kind: 'wall', side: 'back' } })(machine);
  return {
    ...machine,
    wheels: machine.wheels.map(w => {
      if (w.id !== ring.id || w.mount?.kind !== 'wall') return w;
      const { mount: _, ...open } = w;
      return open;
    }),
  };
}
