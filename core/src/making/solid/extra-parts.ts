import type { Manifold } from 'manifold-3d';
import { borePath, boreFault, FIT_ALLOWANCE } from '../../teeth/body/index.ts';
import { pillarsOf, pinPlates, pinReach } from '../../place/layout/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { circle, type Path, type Point, polar, polygon } from '../../ground/geometry/index.ts';
import { byId, processOf, type Toothing } from '../../document/machine/index.ts';
import type { TeethSpec } from '../../teeth/tooth/index.ts';
import type { Growth } from '../process/index.ts';
import { clipsNeeded, piecesNeeded } from '../workshop/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { balls } from './balls.ts';
import { byHand } from './crank-parts.ts';
import { acrossOf, type ExtraPart, flat, flatVolume, rodVolume, turnedVolume } from './extra-part.ts';
import type { SolidKit } from './kit.ts';
import { fittings } from './fittings.ts';
import { linkPinParts } from './link-pins.ts';
import { reducers } from './reducer-parts.ts';
import { rod, turned } from './turned.ts';

const ORIGIN = { x: 0, y: 0 };

/** Everything beside wheels, plates and what is cut to length. */
export function extraParts(derived: Derived): ExtraPart[] {
  return [
    ...byHand(derived),
    ...pinned(derived),
    ...reducers(derived),
    ...pillars(derived),
    ...fittings(derived),
    ...lugRods(derived),
    ...linkPinParts(derived),
    ...clips(derived),
    ...keys(derived),
    ...balls(derived),
  ];
}

/**
 * Lantern pinions with their pins standing, and the cap that goes over them; wheels with their pegs standing; pins
 * by themselves.
 */
function pinned(derived: Derived): ExtraPart[] {
  const { machine, wheels, chordError } = derived;
  return machine.wheels.flatMap((w): ExtraPart[] => {
    const teeth = wheels[w.id]?.teeth;
    const figure = wheels[w.id]?.figure;
    const form = byId(machine.toothings, w.toothing)?.form;
    if (!figure?.ok || !teeth || !isPinned(teeth)) return [];
    const number = piecesNeeded(derived, w.member);
    const thick = w.thickness ?? machine.stack.thickness;
    const { count, radius: pitchRadius, pinDiameter } = pinsIn(teeth);
    const hole = w.bore && w.bore.kind !== 'none' && !boreFault(w.bore) ? w.bore : undefined;
    const bore = hole && figure.value.webRadius > 0 ? [borePath(hole, processOf(machine, w.id)?.fits)] : [];
    const places = Array.from({ length: count }, (_, i) =>
      polar(ORIGIN, pitchRadius, (2 * Math.PI * i) / count),
    );
    const standing = (kit: SolidKit, growth: Growth, length: number): Result<Manifold> => {
      const disc = flat(kit, figure.value.outline, bore, thick, growth, chordError);
      if (!disc.ok) return disc;
      return ok(
        kit.Manifold.union([disc.value, ...upright(kit, growth, pinDiameter, places, thick, length)]),
      );
    };
    const plate = pinPlates(machine).find(p => p.wheel.id === w.id);
    const reach = plate && pinReach(machine, derived.layout.stack, plate);
    const length = pinLength(teeth.family, form, thick, reach);
    const half = (r: number): [number, number][] => pinHalf(r, length, pinDiameter);
    const pin: ExtraPart = {
      ...{ id: `pin ${w.id}`, kind: 'pin', name: `${teeth.family === 'pegs' ? 'peg' : 'pin'}, ${w.name}` },
      ...{ number: count * number, outside: pinDiameter, height: length },
      volume: turnedVolume(half(pinDiameter / 2)),
      make: (kit, growth) => ok(turned(kit, half(pinDiameter / 2 + growth.outline))),
    };
    const disc = flatVolume(figure.value.outline, bore, thick);
    const outside = acrossOf(figure.value.outline);
    /** A disc with its pins standing out so far. */
    const stands = (out: number): Pick<ExtraPart, 'volume' | 'outside' | 'height'> => ({
      ...{ outside, height: thick + out, volume: disc + count * rodVolume(pinDiameter, out) },
    });
    if (teeth.family === 'pegs' && form?.kind === 'pegs')
      return [
        pin,
        {
          id: `standing ${w.id}`,
          kind: 'peg wheel',
          name: `${w.name}, pegs in one piece`,
          number,
          ...stands(form.pegLength),
          make: (kit, growth) => standing(kit, growth, form.pegLength),
        },
      ];
    if (reach !== undefined)
      return [
        pin,
        {
          ...{ id: `standing ${w.id}`, kind: 'pin plate', name: `${w.name}, pins in one piece`, number },
          ...stands(reach),
          make: (kit, growth) => standing(kit, growth, reach),
        },
      ];
    const holes = [...bore, ...places.map(p => circle(p, (pinDiameter + FIT_ALLOWANCE.sliding) / 2, false))];
    const cap: ExtraPart = {
      ...{ id: `cap ${w.id}`, kind: 'cap', name: `${w.name}, cap`, number },
      ...{ outside, height: thick / 2, volume: flatVolume(figure.value.outline, holes, thick / 2) },
      make: (kit, growth) => flat(kit, figure.value.outline, holes, thick / 2, growth, chordError),
    };
    return [
      pin,
      {
        id: `standing ${w.id}`,
        kind: 'pinion',
        name: `${w.name}, pins in one piece`,
        number,
        ...stands(1.6 * thick),
        make: (kit, growth) => standing(kit, growth, 1.6 * thick),
      },
      cap,
    ];
  });
}

/** Pins standing on a disc, from the middle of its thickness on. */
const upright = (
  kit: SolidKit,
  growth: Growth,
  diameter: number,
  places: readonly Point[],
  thick: number,
  length: number,
): Manifold[] =>
  places.map(p =>
    rod(kit, diameter + 2 * growth.outline, thick / 2, thick + length).translate([p.x, p.y, 0]),
  );

/** Half a pin by itself, its ends taken off a little. */
function pinHalf(r: number, length: number, diameter: number): [number, number][] {
  const c = Math.min(0.3, diameter / 6);
  return [
    [0, 0],
    [r - c, 0],
    [r, c],
    [r, length - c],
    [r - c, length],
    [0, length],
  ];
}

type Pinned = Extract<TeethSpec, { family: 'pins' | 'pegs' | 'reducer pins' }>;

const isPinned = (teeth: TeethSpec): teeth is Pinned =>
  teeth.family === 'pins' || teeth.family === 'pegs' || teeth.family === 'reducer pins';

/** The pins of a wheel: how many, on which radius, how thick; mm. */
const pinsIn = ({ family, spec }: Pinned): { count: number; radius: number; pinDiameter: number } =>
  family === 'reducer pins'
    ? { count: spec.pins, radius: spec.pinCircleRadius, pinDiameter: spec.pinDiameter }
    : { count: spec.count, radius: spec.pitchRadius, pinDiameter: spec.pinDiameter };

/** Length of a pin by itself, mm: through its wheel, and as far as it reaches. */
function pinLength(
  family: Pinned['family'],
  form: Toothing['form'] | undefined,
  thick: number,
  reach: number | undefined,
): number {
  if (family === 'pegs' && form?.kind === 'pegs') return form.pegLength + thick;
  return reach === undefined ? 3 * thick : reach + thick;
}

/** Rods through the lugs of rings, pressed in these and in both plates. */
function lugRods({ layout }: Derived): ExtraPart[] {
  const sizes = new Map(layout.lugRods.map(r => [r.diameter, r] as const));
  return [...sizes.values()].map(({ diameter, whole }) => {
    const length = whole.to - whole.from;
    return {
      ...{ id: `lug rod ${diameter}`, kind: 'pin' as const, name: `rod of lugs, ${diameter} mm` },
      number: layout.lugRods.filter(r => r.diameter === diameter).length,
      ...{ outside: diameter, height: length, volume: rodVolume(diameter, length) },
      make: (kit, growth) => ok(rod(kit, diameter + 2 * growth.outline, 0, length)),
    };
  });
}

/** Pillars between the plates: shoulders hold them apart, the ends are pressed through them. */
function pillars({ machine, layout }: Derived): ExtraPart[] {
  const all = pillarsOf(machine, layout.stack);
  const sizes = new Map(all.map(p => [p.diameter, p] as const));
  return [...sizes.values()].map(({ diameter, shoulder, whole, between }) => {
    const [low, high, tall] = [between.from - whole.from, between.to - whole.from, whole.to - whole.from];
    const half = (r: number, wide: number): [number, number][] => [
      [0, 0],
      [r, 0],
      [r, low],
      [wide, low],
      [wide, high],
      [r, high],
      [r, tall],
      [0, tall],
    ];
    return {
      ...{ id: `pillar ${diameter}`, kind: 'pillar' as const, name: `pillar, ${diameter} mm` },
      number: all.filter(p => p.diameter === diameter).length,
      ...{ outside: shoulder, height: tall, volume: turnedVolume(half(diameter / 2, shoulder / 2)) },
      make: (kit, growth) =>
        ok(turned(kit, half(diameter / 2 + growth.outline, shoulder / 2 + growth.outline))),
    };
  });
}

/** How thick clips are, mm: common practice, no source. */
const CLIP = 1.6;

/** Open rings that snap on the ends of rods which stand in one plate only. */
function clips(derived: Derived): ExtraPart[] {
  const { chordError } = derived;
  const sizes = new Map<number, number>();
  for (const c of clipsNeeded(derived)) sizes.set(c.diameter, (sizes.get(c.diameter) ?? 0) + c.number);
  return [...sizes].map(([diameter, number]) => {
    const outline = clipOutline(diameter);
    return {
      ...{ id: `clip ${diameter}`, kind: 'clip' as const, name: `clip for a rod of ${diameter} mm`, number },
      ...{ outside: acrossOf(outline), height: CLIP, volume: flatVolume(outline, [], CLIP) },
      make: (kit, growth) => flat(kit, outline, [], CLIP, growth, chordError),
    };
  });
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
    return [
      {
        id: `key ${w.id}`,
        kind: 'key',
        name: `key, ${w.name}`,
        number: 1,
        ...{ outside: width, height: length, volume: width * height * length },
        make: (kit, growth) => flat(kit, outline, [], height, growth, chordError),
      },
    ];
  });
}
