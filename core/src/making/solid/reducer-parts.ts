import { FIT_ALLOWANCE } from '../../teeth/body/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { circle, polar } from '../../ground/geometry/index.ts';
import { axisOfWheel, byId, type Machine, type Wheel } from '../../document/machine/index.ts';
import { type OutputPlate, outputPlates, swungDiscs } from '../../place/layout/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { acrossOf, type ExtraPart, flat, flatVolume, rodVolume } from './extra-part.ts';
import { rod } from './turned.ts';

const ORIGIN = { x: 0, y: 0 };
/** How far an eccentric stands out of its disc on each side, and an output pin out of the last one, mm (our choice). */
const PROUD = 0.2;
/** The least stock round the shaft of an eccentric, mm (common practice, no source). */
const LEAST_ROUND_SHAFT = 0.6;

/** The eccentrics that swing reducers' discs, and the plates whose pins their output holes turn. */
export const reducers = (derived: Derived): ExtraPart[] => [
  ...outputPlates(derived.machine).map(plate => outputPlate(derived, plate)),
  ...eccentrics(derived).map(e => eccentric(derived, e)),
];

/** A plate with its pins up, which reach through all of its discs. */
function outputPlate({ machine, layout, chordError }: Derived, plate: OutputPlate): ExtraPart {
  const { joint: j, discs, member, layer, outer } = plate;
  const thick = machine.stack.thickness;
  const low = layout.stack.layers.get(discs[0].layer)?.from ?? 0;
  const top = layout.stack.layers.get(layer)?.to ?? low + 2 * thick;
  const height = top - low + PROUD;
  const arbor = layout.sizes.get(member)?.diameter;
  const bore = arbor === undefined ? [] : [circle(ORIGIN, (arbor + FIT_ALLOWANCE.press) / 2, false)];
  const round = circle(ORIGIN, outer);
  return {
    ...{ id: `output ${j.id}`, kind: 'output', name: `output plate, ${discs[0].name}`, number: 1 },
    ...{ outside: acrossOf(round), height },
    volume: flatVolume(round, bore, thick) + j.pins * rodVolume(j.pinDiameter, height - thick),
    make: (kit, growth) => {
      const body = flat(kit, round, bore, thick, growth, chordError);
      if (!body.ok) return body;
      const pins = Array.from({ length: j.pins }, (_, i) => {
        const p = polar(ORIGIN, j.circle / 2, ((2 * i + 1) * Math.PI) / j.pins);
        return rod(kit, j.pinDiameter + 2 * growth.outline, thick / 2, height).translate([p.x, p.y, 0]);
      });
      return ok(kit.Manifold.union([body.value, ...pins]));
    },
  };
}

/** The eccentric of one arbor, with a round for each of its discs; the lowest disc first. Lengths in mm. */
export interface Eccentric {
  readonly arbor: string;
  readonly discs: readonly [Wheel, ...Wheel[]];
  readonly eccentricity: number;
  /** Across its rounds. */
  readonly across: number;
  /** Of the shaft. */
  readonly bore: number;
  /** The turn of each round against the first. */
  readonly turned: readonly number[];
  /** From its foot, where each round begins and ends. */
  readonly bands: readonly (readonly [number, number])[];
  /** Its foot. */
  readonly from: number;
  /** Where the first round stands, from x. */
  readonly at: number;
}

/** All eccentrics of a machine's reducers. */
export function eccentrics({ machine, layout, positions }: Derived): Eccentric[] {
  return machine.members.flatMap((arbor): Eccentric[] => {
    if (arbor.kind !== 'arbor') return [];
    const swung = swungDiscs(machine, arbor.id).flatMap(disc => {
      const form = byId(machine.toothings, disc.toothing)?.form;
      const band = layout.stack.layers.get(disc.layer);
      const [own, out] = [positions.at[arbor.axis], positions.at[axisOfWheel(machine, disc) ?? '']];
      if (form?.kind !== 'reducer' || disc.bore?.kind !== 'round' || !band || !own || !out) return [];
      const at = Math.atan2(out.y - own.y, out.x - own.x);
      return [{ disc, band, at, bore: disc.bore.diameter, e: form.eccentricity }];
    });
    const [first, ...rest] = swung.sort((a, b) => a.band.from - b.band.from);
    if (!first) return [];
    const from = first.band.from - PROUD;
    const bands = [first, ...rest].map(({ band }, i, all): [number, number] => [
      i === 0 ? 0 : band.from - from,
      (all[i + 1]?.band.from ?? band.to + PROUD) - from,
    ]);
    return [
      {
        ...{ arbor: arbor.id, discs: [first.disc, ...rest.map(r => r.disc)], eccentricity: first.e },
        ...{ across: first.bore - FIT_ALLOWANCE.free, bore: shaftOf(machine, layout.sizes, arbor.id) },
        ...{ turned: [first, ...rest].map(r => r.at - first.at), bands, from, at: first.at },
      },
    ];
  });
}

/** The shaft in an eccentric: its arbor's rod, or the usual one. */
const shaftOf = (machine: Machine, sizes: Derived['layout']['sizes'], arbor: string): number =>
  sizes.get(arbor)?.diameter ?? sizes.get(machine.drive?.member ?? '')?.diameter ?? USUAL_SHAFT;
const USUAL_SHAFT = 3;

function eccentric({ chordError }: Derived, of: Eccentric): ExtraPart {
  const { discs, eccentricity: e, across, bore, turned, bands } = of;
  const [disc] = discs;
  const rounds = turned.map(a => circle(polar(ORIGIN, e, a), across / 2));
  const hole = [circle(ORIGIN, (bore + FIT_ALLOWANCE.press) / 2, false)];
  const sum = rounds.reduce((v, r, i) => {
    const [from, to] = bands[i] ?? [0, 0];
    return v + flatVolume(r, hole, to - from);
  }, 0);
  return {
    ...{ id: `eccentric ${disc.id}`, kind: 'eccentric', name: `eccentric, ${disc.name}`, number: 1 },
    outside: across + (discs.length > 1 ? 2 * e : 0),
    ...{ height: bands.at(-1)?.[1] ?? 0, volume: sum },
    make: (kit, growth) => {
      if (across / 2 - e - bore / 2 < LEAST_ROUND_SHAFT)
        return fail('eccentric-too-thin', { disc: disc.name, outside: across, bore, eccentricity: e });
      const made = rounds.map((r, i) => {
        const [from, to] = bands[i] ?? [0, 0];
        const body = flat(kit, r, hole, to - from, growth, chordError);
        return body.ok ? ok(body.value.translate([0, 0, from])) : body;
      });
      const bad = made.find(m => !m.ok);
      if (bad && !bad.ok) return bad;
      return ok(kit.Manifold.union(made.flatMap(m => (m.ok ? [m.value] : []))));
    },
  };
}
