import type { Manifold } from 'manifold-3d';
import type { Derived } from '../../state/state/index.ts';
import { holeOf, webRoom } from '../../state/judge/index.ts';
import { wheelPlane } from '../../state/derive/index.ts';
import { circle, flatten, inside, type Path, signedArea } from '../../ground/geometry/index.ts';
import {
  armLayers,
  type Band,
  LEAF,
  type OnePiece,
  wallLayer,
  wheelThickness,
} from '../../place/layout/index.ts';
import { byId, processOf, type Wheel } from '../../document/machine/index.ts';
import { bodyArmOf } from '../../place/indicator/index.ts';
import { AT_REST, copyPlace, stancesAt } from '../../place/motion/index.ts';
import { compensated, type Growth } from '../process/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { boreFault, borePath, webSizes } from '../../teeth/body/index.ts';
import { type FlatPart, flatParts } from '../workshop/index.ts';
import { extrude, type SolidKit } from './kit.ts';
import { leafBody } from './leaf-body.ts';
import { pieceBody } from './round-solids.ts';
import { rod } from './turned.ts';
import { wheelManifold } from './wheel-solid.ts';

/** How far a filling reaches beyond what it fills, mm, so that nothing is left between. */
const INTO = 0.2;
/** How far beyond its arbor what sits on it is filled up to it, mm: more than any fit leaves. */
const ROUND = 1;

/** The heights that a piece takes up in the machine, mm. */
export function onePieceBand(derived: Derived, one: OnePiece): Band {
  const bands = bandsOf(derived, one);
  return { from: Math.min(...bands.map(b => b.from)), to: Math.max(...bands.map(b => b.to)) };
}

function bandsOf(derived: Derived, one: OnePiece): Band[] {
  const { machine, layout } = derived;
  const { layers } = layout.stack;
  const wheels = one.wheels.flatMap((id): Band[] => {
    const wheel = byId(machine.wheels, id);
    const band = wheel && layers.get(wheel.layer);
    return band ? [{ from: band.from, to: band.from + wheelThickness(machine.stack, wheel) }] : [];
  });
  const walls = one.walls.flatMap(id => {
    const wheel = byId(machine.wheels, id);
    return (wheel && layers.get(wallLayer(wheel) ?? NaN)) ?? [];
  });
  const bar = one.arm ? (layers.get(armLayers(machine).get(one.arbor) ?? NaN) ?? []) : [];
  const pieces = [...one.pieces, ...one.pegs.map(p => p.piece)].flatMap(i => layout.pieces[i]?.band ?? []);
  const shown = one.shown.flatMap(id => seatBand(derived, id) ?? []);
  return [...wheels, ...walls, ...(Array.isArray(bar) ? bar : [bar]), ...pieces, ...shown];
}

/** The heights that a hand takes up, or the arm of a body up to the end of its bend. */
function seatBand({ machine, layout }: Derived, id: string): Band | undefined {
  const [seat, shown] = [layout.spans.seats.get(id), byId(machine.indicators, id)];
  const raised =
    shown?.kind === 'body' && bodyArmOf({ machine, sizes: layout.sizes }, shown).bend ? (shown.lift ?? 0) : 0;
  return seat && { from: seat.low, to: seat.low + LEAF + raised };
}

/**
 * What is made as one piece with an arbor, as one closed body: its wheels turned as they stand, its rod or tube through
 * them without a gap, walls, arm and pegs, standing on z = 0. Fails where it falls apart into several.
 */
export function onePieceBody(
  kit: SolidKit,
  derived: Derived,
  one: OnePiece,
  growth: Growth,
): Result<Manifold> {
  const { machine, layout, phases, chordError } = derived;
  const size = layout.sizes.get(one.arbor);
  const low = onePieceBand(derived, one).from;
  const bodies: Manifold[] = [];
  /** Fills what sits on the arbor up to it, so far out. */
  const fill = (band: Band, radius: number): void => {
    if (size)
      bodies.push(rod(kit, 2 * (Math.max(radius, size.diameter / 2) + growth.outline), band.from, band.to));
  };
  for (const id of one.wheels) {
    const wheel = byId(machine.wheels, id);
    const band = wheel && layout.stack.layers.get(wheel.layer);
    if (!wheel || !band) continue;
    const made = wheelManifold(kit, derived, wheel, growth);
    if (!made.ok) return made;
    const turn = ((phases.at[id] ?? 0) * 180) / Math.PI;
    bodies.push(made.value.rotate([0, 0, turn]).translate([0, 0, band.from]));
    if (wheel.role === 'ring' || wheel.role === 'rack') continue;
    fill({ from: band.from, to: band.from + wheelThickness(machine.stack, wheel) }, hubOf(derived, wheel));
  }
  for (const { part, band, turn } of leavesOf(derived, one)) {
    const made = leafBody(kit, part, growth, chordError);
    if (!made.ok) return made;
    bodies.push(made.value.rotate([0, 0, turn]).translate([0, 0, band.from]));
    fill({ from: band.from, to: band.from + part.thickness }, (size?.diameter ?? 0) / 2 + ROUND);
  }
  // A wall touches its ring through the air between the layers.
  bodies.push(...joins(kit, derived, one, growth));
  for (const piece of one.pieces.flatMap(i => layout.pieces[i] ?? [])) {
    const on = piece.kind === 'spacer' ? { ...piece, bore: size?.bore } : piece;
    const body = pieceBody(kit, on, growth, chordError);
    if (!body.ok) return body;
    bodies.push(body.value.translate([0, 0, piece.band.from]));
  }
  bodies.push(...pegs(kit, derived, one, growth));
  const whole = kit.Manifold.union(bodies);
  for (const b of bodies) b.delete();
  const bored = size?.bore === undefined ? whole : hollow(kit, derived, one, whole, size.bore, growth);
  const number = piecesOf(bored);
  if (number === 1) return ok(bored.translate([0, 0, -low]));
  bored.delete();
  return fail('one-piece-apart', { name: one.name, number });
}

/** Into how many bodies of any size one falls apart. */
function piecesOf(body: Manifold): number {
  const parts = body.decompose();
  const number = parts.filter(p => p.volume() > 1e-3).length;
  for (const p of parts) p.delete();
  return number;
}

/** Walls of rings, the bar of the arm, hands: the heights at which they lie, and how far they are turned, degrees. */
function leavesOf(derived: Derived, one: OnePiece): { part: FlatPart; band: Band; turn: number }[] {
  const { machine, layout } = derived;
  const flat = new Map(flatParts(derived).parts.map(p => [p.id, p] as const));
  const layers = new Map<string, number | undefined>([
    ...one.walls.map((id): [string, number | undefined] => {
      const wheel = byId(machine.wheels, id);
      return [`wall ${id}`, wheel && wallLayer(wheel)];
    }),
    ...(one.arm ? [[`arm ${one.arbor}`, armLayers(machine).get(one.arbor)] as const] : []),
  ]);
  const lying = [...layers].flatMap(([id, layer]) => {
    const [part, band] = [flat.get(id), layout.stack.layers.get(layer ?? NaN)];
    return part && band ? [{ part, band, turn: 0 }] : [];
  });
  const shown = one.shown.flatMap(id => {
    const [part, band] = [flat.get(id), seatBand(derived, id)];
    return part && band ? [{ part, band, turn: byId(machine.indicators, id)?.settingDeg ?? 0 }] : [];
  });
  return [...lying, ...shown];
}

/** How far out the hub of a wheel reaches round its arbor: that of its web, or a little more than the bore. */
function hubOf(derived: Derived, wheel: Wheel): number {
  const state = derived.wheels[wheel.id];
  const bore = (derived.layout.sizes.get(wheel.member)?.diameter ?? 0) / 2;
  if (!state?.figure.ok) return bore;
  const room = webRoom(wheel, state, processOf(derived.machine, wheel.id)?.fits);
  const web = wheel.body && wheel.body.web.kind !== 'solid' ? webSizes(wheel.body, room).hubRadius : 0;
  return Math.min(Math.max(web, room.boreRadius + ROUND, bore), Math.max(bore, room.rootRadius - INTO));
}

/** The rim that joins a ring to its wall across the air between the layers; undefined for a ring without a wall. */
function rimOf(
  { machine, layout, extents, wheels }: Derived,
  id: string,
): { readonly outer: number; readonly inner: number; readonly band: Band } | undefined {
  const wheel = byId(machine.wheels, id);
  const { layers } = layout.stack;
  const [ring, wall] = [layers.get(wheel?.layer ?? NaN), layers.get((wheel && wallLayer(wheel)) ?? NaN)];
  const [extent, state] = [extents[id], wheels[id]];
  if (!wheel || !ring || !wall || !extent || !state) return undefined;
  const top = ring.from + wheelThickness(machine.stack, wheel);
  const band = wall.from >= top - 1e-9 ? { from: top, to: wall.from } : { from: wall.to, to: ring.from };
  return { outer: extent.outer, inner: state.dimensions.rootRadius, band };
}

/** The rims that join rings to their walls, a little into both. */
function joins(kit: SolidKit, derived: Derived, one: OnePiece, growth: Growth): Manifold[] {
  return one.walls.flatMap(id => {
    const rim = rimOf(derived, id);
    if (!rim) return [];
    const [from, to] = [rim.band.from - INTO, rim.band.to + INTO];
    const outer = rod(kit, 2 * (rim.outer + growth.outline), from, to);
    const inner = rod(kit, 2 * (rim.inner - growth.outline), from - 1, to + 1);
    const made = outer.subtract(inner);
    outer.delete();
    inner.delete();
    return [made];
  });
}

/** Pegs in every place of the arm that they stand in, from its far face on. */
function pegs(kit: SolidKit, derived: Derived, one: OnePiece, growth: Growth): Manifold[] {
  const { layout, moving } = derived;
  const places = stancesAt(moving, AT_REST);
  const own = places.get(one.arbor);
  return one.pegs.flatMap(({ arbor, piece }) => {
    const of = layout.pieces[piece];
    const keys = [
      arbor,
      ...moving.copies.flatMap((c, i) => (c.member === arbor ? [copyPlace(arbor, i)] : [])),
    ];
    return keys.flatMap(key => {
      const at = places.get(key);
      if (!of || !at || !own) return [];
      const [x, y] = [at.centre.x - own.centre.x, at.centre.y - own.centre.y];
      const bar = layout.stack.layers.get(armLayers(derived.machine).get(one.arbor) ?? NaN);
      const foot = bar ? [rod(kit, of.outside + 2 * ROUND, bar.from, bar.to).translate([x, y, 0])] : [];
      return [
        rod(kit, of.outside + 2 * growth.outline, of.band.from, of.band.to).translate([x, y, 0]),
        ...foot,
      ];
    });
  });
}

/** Bored through for what turns in it. */
function hollow(
  kit: SolidKit,
  derived: Derived,
  one: OnePiece,
  body: Manifold,
  bore: number,
  growth: Growth,
): Manifold {
  const { from, to } = onePieceBand(derived, one);
  const paths = compensated(
    circle({ x: 0, y: 0 }, bore / 2 + 5),
    [circle({ x: 0, y: 0 }, bore / 2, false)],
    growth,
    derived.chordError,
  );
  const hole =
    paths.ok && paths.value[1]
      ? extrude(kit, [paths.value[1]], to - from + 2, derived.chordError).translate([0, 0, from - 1])
      : rod(kit, bore, from - 1, to + 1);
  const made = body.subtract(hole);
  body.delete();
  hole.delete();
  return made;
}

/**
 * The volume of a piece in mm³, by its plane figures: every wheel, wall and arm as it is outside its arbor, this once,
 * spacers, pegs beyond the arm, and what joins rings to their walls.
 */
export function onePieceVolume(derived: Derived, one: OnePiece): number {
  const { machine, layout } = derived;
  const size = layout.sizes.get(one.arbor);
  const round = (outside: number, bore = 0): number => (Math.PI / 4) * (outside ** 2 - bore ** 2);
  const on = size ? round(size.diameter) : 0;
  const flat = new Map(flatParts(derived).parts.map(p => [p.id, p] as const));
  const wheels = one.wheels.map(id => {
    const wheel = byId(machine.wheels, id);
    const plane = wheel && wheelPlane(derived, wheel);
    if (!wheel || !plane?.ok) return 0;
    const bore =
      wheel.role === 'ring' || !wheel.bore || wheel.bore.kind === 'none' ? 0 : webBore(derived, wheel);
    const face = faceOf(plane.value.outline, plane.value.holes) + bore;
    return (face - (wheel.role === 'ring' ? 0 : on)) * wheelThickness(machine.stack, wheel);
  });
  const leaves = [...one.walls.map(w => `wall ${w}`), ...(one.arm ? [`arm ${one.arbor}`] : [])].map(id => {
    const part = flat.get(id);
    return part ? (areaOf(part.outline) - on) * part.thickness : 0;
  });
  const shown = one.shown.map(id => {
    const part = flat.get(id);
    const cut = part?.holes.filter(h => !inside(flatten(h, 0.005), { x: 0, y: 0 })) ?? [];
    return part ? (faceOf(part.outline, cut) - on) * part.thickness : 0;
  });
  const pieces = one.pieces.map(i => {
    const p = layout.pieces[i];
    if (!p) return 0;
    return p.length * (p.kind === 'spacer' ? round(p.outside, size?.diameter) : round(p.outside, p.bore));
  });
  const bar = layout.stack.layers.get(armLayers(machine).get(one.arbor) ?? NaN);
  const standing = one.pegs.map(({ arbor, piece }) => {
    const p = layout.pieces[piece];
    const number = 1 + derived.moving.copies.filter(c => c.member === arbor).length;
    const sunk = p && bar ? Math.max(0, Math.min(p.band.to, bar.to) - Math.max(p.band.from, bar.from)) : 0;
    return p ? number * round(p.outside) * (p.length - sunk) : 0;
  });
  const rims = one.walls.map(id => rimBetween(derived, id));
  return [...wheels, ...leaves, ...shown, ...pieces, ...standing, ...rims].reduce((a, b) => a + b, 0);
}

const areaOf = (path: Path): number => Math.abs(signedArea(flatten(path, 0.005)));
const faceOf = (outline: Path, holes: readonly Path[]): number =>
  areaOf(outline) - holes.reduce((sum, h) => sum + areaOf(h), 0);

/** The area of a wheel's hole for its arbor, which is filled, mm². */
function webBore(derived: Derived, wheel: Wheel): number {
  const hole = holeOf(wheel);
  const fits = processOf(derived.machine, wheel.id)?.fits;
  return hole && !boreFault(hole) ? areaOf(borePath(hole, fits)) : 0;
}

/** The volume of the rim that joins a ring to its wall, mm³. */
function rimBetween(derived: Derived, id: string): number {
  const rim = rimOf(derived, id);
  return rim ? (rim.band.to - rim.band.from) * Math.PI * (rim.outer ** 2 - rim.inner ** 2) : 0;
}
