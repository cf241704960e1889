import type { Manifold } from 'manifold-3d';
import { borePath, boreFault, FIT_ALLOWANCE } from '../../teeth/body/index.ts';
import { pillarsOf } from '../../place/layout/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { circle, type Path, polar, polygon } from '../../ground/geometry/index.ts';
import { byId, processOf } from '../../document/machine/index.ts';
import type { Growth } from '../process/index.ts';
import { clipsNeeded, piecesNeeded } from '../workshop/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { byHand } from './crank-parts.ts';
import { acrossOf, type ExtraPart, flat, flatVolume, rodVolume, turnedVolume } from './extra-part.ts';
import type { SolidKit } from './kit.ts';
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
    ...clips(derived),
    ...keys(derived),
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
    if (!figure?.ok || (teeth?.family !== 'pins' && teeth?.family !== 'pegs')) return [];
    const number = piecesNeeded(derived, w.member);
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
      const pins = places.map(p =>
        rod(kit, pinDiameter + 2 * growth.outline, thick / 2, thick + length).translate([p.x, p.y, 0]),
      );
      return ok(kit.Manifold.union([disc.value, ...pins]));
    };
    const length = teeth.family === 'pegs' && form?.kind === 'pegs' ? form.pegLength + thick : 3 * thick;
    const half = (r: number, c = Math.min(0.3, pinDiameter / 6)): [number, number][] => [
      [0, 0],
      [r - c, 0],
      [r, c],
      [r, length - c],
      [r - c, length],
      [0, length],
    ];
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
