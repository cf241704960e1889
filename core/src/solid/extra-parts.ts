import type { Manifold } from 'manifold-3d';
import { borePath, boreFault, FIT_ALLOWANCE } from '../body/index.ts';
import type { Derived } from '../derive/index.ts';
import { circle, type Path, polar, polygon } from '../geometry/index.ts';
import { BEYOND } from '../layout/index.ts';
import { byId, processOf, type Machine } from '../machine/index.ts';
import { compensated, type Growth } from '../make/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { extrude, type SolidKit } from './kit.ts';
import { rod, turned } from './turned.ts';

/** A part that is neither wheel nor plate nor cut to length: what it is, and how its body is made. */
export interface ExtraPart {
  readonly id: string;
  readonly kind:
    'knob' | 'pin' | 'clip' | 'pinion' | 'cap' | 'peg wheel' | 'eccentric' | 'output' | 'pillar' | 'key';
  readonly name: string;
  readonly number: number;
  readonly make: (kit: SolidKit, growth: Growth) => Result<Manifold>;
}

const ORIGIN = { x: 0, y: 0 };
/** Common practice, no source: mm. */
const CRANK = { reach: 45, thick: 5, wide: 12 };
const KNOB = { diameter: 14, height: 22, pin: 5 };
const DRILL = { across: 6.35, length: 25 };

/** Everything beside wheels, plates and what is cut to length. */
export function extraParts(derived: Derived): ExtraPart[] {
  return [...byHand(derived), ...pinned(derived), ...reducers(derived), ...pillars(derived), ...clips(derived), ...keys(derived)]; // prettier-ignore
}

/** Grown paths drawn up. */
function flat(
  kit: SolidKit,
  outline: Path,
  holes: readonly Path[],
  height: number,
  growth: Growth,
  chordError: number,
): Result<Manifold> {
  // prettier-ignore
  const paths = compensated(outline, holes, growth, chordError);
  return paths.ok ? ok(extrude(kit, paths.value, height, chordError)) : paths;
}

/** Crank, knob and an end for a drill, where a hand turns the drive. */
function byHand({ machine, layout, chordError }: Derived): ExtraPart[] {
  const { drive } = machine;
  const size = layout.sizes.get(drive?.member ?? '')?.diameter;
  if (drive?.by !== 'hand' || size === undefined) return [];
  const fits = processOf(machine, drive.member)?.fits;
  const bore = size + (fits?.press ?? FIT_ALLOWANCE.press);
  const pin = KNOB.pin + (fits?.press ?? FIT_ALLOWANCE.press);
  const turning = KNOB.pin + (fits?.free ?? FIT_ALLOWANCE.free);
  const wide = Math.max(CRANK.wide, size + 6);
  const name = byId(machine.members, drive.member)?.name ?? '';
  const hole = (x: number, diameter: number): Path => circle({ x, y: 0 }, diameter / 2, false);
  return [
    {
      ...{ id: 'crank', kind: 'knob', name: `crank, ${name}`, number: 1 },
      make: (kit, growth) => flat(kit, bar(CRANK.reach, wide), [hole(0, bore), hole(CRANK.reach, pin)], CRANK.thick, growth, chordError), // prettier-ignore
    },
    {
      ...{ id: 'crank pin', kind: 'knob', name: 'crank pin', number: 1 },
      make: (kit, growth) => ok(kit.Manifold.union([
        rod(kit, KNOB.pin + 2 * growth.outline, 0, CRANK.thick + KNOB.height + 1),
        rod(kit, KNOB.pin + 4 + 2 * growth.outline, 0, 1.5),
      ])), // prettier-ignore
    },
    {
      ...{ id: 'knob', kind: 'knob', name: 'knob', number: 1 },
      make: (kit, growth) => {
        const r = KNOB.diameter / 2 + growth.outline;
        const knob = turned(kit, [[0, 0], [r - 2, 0], [r, 2], [r * 0.86, KNOB.height / 2], [r, KNOB.height - 3], [r - 3, KNOB.height], [0, KNOB.height]]); // prettier-ignore
        return ok(knob.subtract(rod(kit, turning - 2 * growth.hole, -1, KNOB.height + 1)));
      },
    },
    {
      ...{ id: 'drill end', kind: 'knob', name: `end for a drill, ${name}`, number: 1 },
      make: (kit, growth) => {
        const hex = polygon(Array.from({ length: 6 }, (_, i) => polar(ORIGIN, DRILL.across / Math.sqrt(3), (i * Math.PI) / 3))); // prettier-ignore
        const shank = flat(kit, hex, [], DRILL.length, growth, chordError);
        if (!shank.ok) return shank;
        const socket = rod(kit, size + 6 + 2 * growth.outline, 0, BEYOND + 4);
        const made = kit.Manifold.union([socket, shank.value.translate([0, 0, BEYOND + 4])]);
        return ok(made.subtract(rod(kit, bore - 2 * growth.hole, -1, BEYOND + 1)));
      },
    },
  ];
}

/** A bar with round ends from the origin along x. */
function bar(reach: number, wide: number): Path {
  const r = wide / 2;
  const far = { x: reach, y: 0 };
  return {
    start: { x: 0, y: -r },
    segments: [
      { kind: 'line', to: { x: reach, y: -r } },
      { kind: 'arc', to: { x: reach, y: r }, centre: far, ccw: true },
      { kind: 'line', to: { x: 0, y: r } },
      { kind: 'arc', to: { x: 0, y: -r }, centre: ORIGIN, ccw: true },
    ],
    closed: true,
  };
}

/** Lantern pinions with their pins standing, and the cap that goes over them; wheels with their pegs standing; pins by themselves. */
function pinned(derived: Derived): ExtraPart[] {
  const { machine, wheels, chordError, moving } = derived;
  return machine.wheels.flatMap((w): ExtraPart[] => {
    const teeth = wheels[w.id]?.teeth;
    const figure = wheels[w.id]?.figure;
    const form = byId(machine.toothings, w.toothing)?.form;
    if (!figure?.ok || (teeth?.family !== 'pins' && teeth?.family !== 'pegs')) return [];
    const number = 1 + moving.copies.filter(c => c.member === w.member).length;
    const thick = w.thickness ?? machine.stack.thickness;
    const { count, pitchRadius, pinDiameter } = teeth.spec;
    const hole = w.bore && w.bore.kind !== 'none' && !boreFault(w.bore) ? w.bore : undefined;
    const bore = hole && figure.value.webRadius > 0 ? [borePath(hole, processOf(machine, w.id)?.fits)] : [];
    const places = Array.from({ length: count }, (_, i) =>
      polar(ORIGIN, pitchRadius, (2 * Math.PI * i) / count),
    );
    const standing = (kit: SolidKit, growth: Growth, length: number): Result<Manifold> => {
      const disc = flat(kit, figure.value.outline, bore, thick, growth, chordError);
      if (!disc.ok) return disc;
      const pins = places.map(p => rod(kit, pinDiameter + 2 * growth.outline, thick / 2, thick + length).translate([p.x, p.y, 0])); // prettier-ignore
      return ok(kit.Manifold.union([disc.value, ...pins]));
    };
    const pin: ExtraPart = {
      ...{ id: `pin ${w.id}`, kind: 'pin', name: `${teeth.family === 'pegs' ? 'peg' : 'pin'}, ${w.name}` },
      number: count * number,
      make: (kit, growth) => {
        const [r, c] = [pinDiameter / 2 + growth.outline, Math.min(0.3, pinDiameter / 6)];
        const length = teeth.family === 'pegs' && form?.kind === 'pegs' ? form.pegLength + thick : 3 * thick;
        return ok(turned(kit, [[0, 0], [r - c, 0], [r, c], [r, length - c], [r - c, length], [0, length]])); // prettier-ignore
      },
    };
    if (teeth.family === 'pegs' && form?.kind === 'pegs')
      return [pin, { id: `standing ${w.id}`, kind: 'peg wheel', name: `${w.name}, pegs in one piece`, number, make: (kit, growth) => standing(kit, growth, form.pegLength) }]; // prettier-ignore
    const cap: ExtraPart = {
      ...{ id: `cap ${w.id}`, kind: 'cap', name: `${w.name}, cap`, number },
      make: (kit, growth) => flat(kit, figure.value.outline, [...bore, ...places.map(p => circle(p, (pinDiameter + FIT_ALLOWANCE.sliding) / 2, false))], thick / 2, growth, chordError), // prettier-ignore
    };
    return [pin, { id: `standing ${w.id}`, kind: 'pinion', name: `${w.name}, pins in one piece`, number, make: (kit, growth) => standing(kit, growth, 1.6 * thick) }, cap]; // prettier-ignore
  });
}

/** The eccentric that swings a reducer's disc, and the plate whose pins its output holes turn. */
function reducers(derived: Derived): ExtraPart[] {
  const { machine, layout, chordError } = derived;
  return machine.joints.flatMap((j): ExtraPart[] => {
    if (j.kind === 'mesh' && j.type === 'reducer') return eccentric(derived, j.a, j.b);
    if (j.kind !== 'pins in holes') return [];
    const disc = byId(machine.wheels, j.disc);
    const thick = disc?.thickness ?? machine.stack.thickness;
    const arbor = layout.sizes.get(j.carrier)?.diameter;
    return [
      {
        ...{ id: `output ${j.id}`, kind: 'output', name: `output plate, ${disc?.name ?? ''}`, number: 1 },
        make: (kit, growth) => {
          const bore = arbor === undefined ? [] : [circle(ORIGIN, (arbor + FIT_ALLOWANCE.press) / 2, false)];
          const plate = flat(
            kit,
            circle(ORIGIN, j.circle / 2 + j.pinDiameter),
            bore,
            thick,
            growth,
            chordError,
          );
          if (!plate.ok) return plate;
          const pins = Array.from({ length: j.pins }, (_, i) => {
            const p = polar(ORIGIN, j.circle / 2, ((2 * i + 1) * Math.PI) / j.pins);
            return rod(kit, j.pinDiameter + 2 * growth.outline, thick / 2, 2 * thick + 0.4).translate([
              p.x,
              p.y,
              0,
            ]);
          });
          return ok(kit.Manifold.union([plate.value, ...pins]));
        },
      },
    ];
  });
}

function eccentric({ machine, layout, chordError }: Derived, a: string, b: string): ExtraPart[] {
  const disc = [a, b].map(id => byId(machine.wheels, id)).find(w => w?.role === 'disc');
  const form = byId(machine.toothings, disc?.toothing)?.form;
  if (!disc || form?.kind !== 'reducer' || disc.bore?.kind !== 'round') return [];
  const axis = byId(machine.axes, memberAxis(machine, disc.member));
  const shaft = axis && axis.frame !== 'ground' ? layout.sizes.get(axis.frame)?.diameter : undefined;
  const bore = shaft ?? layout.sizes.get(machine.drive?.member ?? '')?.diameter ?? 3;
  const outside = disc.bore.diameter - FIT_ALLOWANCE.free;
  const thick = (disc.thickness ?? machine.stack.thickness) + 0.4;
  return [
    {
      ...{ id: `eccentric ${disc.id}`, kind: 'eccentric', name: `eccentric, ${disc.name}`, number: 1 },
      make: (kit, growth) =>
        outside / 2 - form.eccentricity - bore / 2 < 0.6
          ? fail('eccentric-too-thin', { disc: disc.name, outside, bore, eccentricity: form.eccentricity })
          : flat(kit, circle({ x: form.eccentricity, y: 0 }, outside / 2), [circle(ORIGIN, (bore + FIT_ALLOWANCE.press) / 2, false)], thick, growth, chordError), // prettier-ignore
    },
  ];
}

const memberAxis = (machine: Machine, member: string): string | undefined => {
  const m = byId(machine.members, member);
  return m?.kind === 'arbor' ? m.axis : undefined;
};

/** Pillars between the plates. */
function pillars({ machine, layout }: Derived): ExtraPart[] {
  const { back, front } = layout.stack;
  if (!back || !front) return [];
  const sizes = new Map<number, number>();
  for (const p of machine.layout.plates?.pillars ?? [])
    sizes.set(p.diameter, (sizes.get(p.diameter) ?? 0) + 1);
  return [...sizes].map(([diameter, number]) => ({
    ...{ id: `pillar ${diameter}`, kind: 'pillar' as const, name: `pillar, ${diameter} mm`, number },
    make: (kit, growth) => {
      // Shoulders hold the plates apart; its ends are pressed through them.
      const [r, end] = [diameter / 2 + growth.outline, back.to - back.from];
      const shoulder = r + 1.5;
      const [low, high] = [end, end + front.from - back.to];
      const tall = high + front.to - front.from;
      return ok(turned(kit, [[0, 0], [r, 0], [r, low], [shoulder, low], [shoulder, high], [r, high], [r, tall], [0, tall]])); // prettier-ignore
    },
  }));
}

/** Open rings that snap on the ends of rods which stand in one plate only. */
function clips({ machine, layout, chordError }: Derived): ExtraPart[] {
  const sizes = new Map<number, number>();
  for (const s of layout.spans.of.values()) {
    if (s.stands !== 'on a standing rod') continue;
    const diameter = machine.layout.tubes?.rod ?? layout.sizes.get(s.arbor)?.bore ?? 3;
    sizes.set(diameter, (sizes.get(diameter) ?? 0) + 1);
  }
  return [...sizes].map(([diameter, number]) => ({
    ...{ id: `clip ${diameter}`, kind: 'clip' as const, name: `clip for a rod of ${diameter} mm`, number },
    make: (kit, growth) => flat(kit, clipOutline(diameter), [], 1.6, growth, chordError),
  }));
}

/** A ring a little tighter than the rod, open over a quarter of its turn, with round ends; one closed line. */
function clipOutline(rodDiameter: number): Path {
  const inner = 0.48 * rodDiameter;
  const outer = inner + Math.max(1.2, 0.35 * rodDiameter);
  const [from, to] = [Math.PI / 3.2, 2 * Math.PI - Math.PI / 3.2];
  const end = (angle: number): { x: number; y: number } => polar(ORIGIN, (inner + outer) / 2, angle);
  return {
    start: polar(ORIGIN, outer, from),
    segments: [
      { kind: 'arc', to: polar(ORIGIN, outer, to), centre: ORIGIN, ccw: true },
      { kind: 'arc', to: polar(ORIGIN, inner, to), centre: end(to), ccw: true },
      { kind: 'arc', to: polar(ORIGIN, inner, from), centre: ORIGIN, ccw: false },
      { kind: 'arc', to: polar(ORIGIN, outer, from), centre: end(from), ccw: true },
    ],
    closed: true,
  };
}

/** Keys for wheels that sit on their arbors by one. */
function keys({ machine, chordError }: Derived): ExtraPart[] {
  return machine.wheels.flatMap((w): ExtraPart[] => {
    const { bore } = w;
    if (bore?.kind !== 'keyed') return [];
    const [width, height, length] = [bore.width, 2 * bore.depth, w.thickness ?? machine.stack.thickness];
    const outline = polygon([ORIGIN, { x: length, y: 0 }, { x: length, y: width }, { x: 0, y: width }]);
    return [{ id: `key ${w.id}`, kind: 'key', name: `key, ${w.name}`, number: 1, make: (kit, growth) => flat(kit, outline, [], height, growth, chordError) }]; // prettier-ignore
  });
}
