import type { Manifold } from 'manifold-3d';
import { wheelPiece, wheelPlane } from '../../state/derive/index.ts';
import { dovetail, fitAllowance, splitPeg, wedge } from '../../teeth/body/index.ts';
import {
  type Path,
  type Point,
  flatten,
  reversePath,
  strokeText,
  type TriMesh,
} from '../../ground/geometry/index.ts';
import { wheelThickness } from '../../place/layout/index.ts';
import { AS_IS, compensated, type Growth } from '../process/index.ts';
import {
  byId,
  type Machine,
  type Process,
  processOf,
  teethOutside,
  type Wheel,
} from '../../document/machine/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { degrees, radians } from '../../ground/units/index.ts';
import { engravedText } from '../../files/drawings/index.ts';
import { bevelSolid } from './bevel-solid.ts';
import { engrave } from './engrave.ts';
import { withFirstLayer } from './first-layer.ts';
import { hasPrintedHub, withHub } from './hub-solid.ts';
import type { SolidFacts } from './solid-facts.ts';
import type { WheelState } from '../../state/state/index.ts';
import { extrude, type SolidKit, toTriMesh } from './kit.ts';

/**
 * The most that the edge of a leaning tooth is off its true helix between two steps, mm: r·(1 − cos(step/2)) and
 * the chord of the turn.
 */
const HELIX_STEP = radians(2);
/** More triangles than this for one part, and no program opens it gladly. */
export const MOST_TRIANGLES = 2_000_000;

/**
 * A wheel as a closed body standing on z = 0: its plane figure drawn up by its thickness, turned along its helix,
 * both ways from the middle for double helical teeth; a straight bevel drawn towards the apex of its cone, which no
 * growth changes. The turn over a height b is b·tan β / r at the pitch radius r (ISO 21771); to the right for a
 * right hand seen from the side, which is counter-clockwise upwards.
 */
export function wheelSolid(
  kit: SolidKit,
  facts: SolidFacts,
  wheel: Wheel,
  growth: Growth = AS_IS,
  finish: Finish = {},
): Result<TriMesh> {
  if (facts.wheels[wheel.id]?.teeth.family === 'bevel') return bevelSolid(kit, facts, wheel, growth);
  const whole = wheelManifold(kit, facts, wheel, growth, finish);
  if (!whole.ok) return whole;
  const made = pieceOfBody(kit, facts, wheel, growth, onBed(facts, wheel, whole.value));
  if (!made.ok) return made;
  const body = finish.process ? withFirstLayer(kit, made.value, finish.process) : made.value;
  const mesh = toTriMesh(body);
  body.delete();
  return ok(mesh);
}

/** A wheel with a hub at its back stands on its front face. */
const onBed = ({ machine }: SolidFacts, wheel: Wheel, body: Manifold): Manifold =>
  hubAtBack(machine, wheel)
    ? body.rotate([180, 0, 0]).translate([0, 0, wheelThickness(machine.stack, wheel)])
    : body;

/** Whether a hub is printed on the back of a wheel, so that its body is turned over. */
export const hubAtBack = (machine: Machine, wheel: Wheel): boolean =>
  wheel.body?.proud?.side === 'back' && hasPrintedHub(machine, wheel);

/** The piece of a wheel that is made in several, cut out of the whole body and turned to x; or the whole. */
function pieceOfBody(
  kit: SolidKit,
  facts: SolidFacts,
  wheel: Wheel,
  growth: Growth,
  whole: Manifold,
): Result<Manifold> {
  const piece = wheelPiece(facts, wheel);
  if (!piece || !wheel.divided) return ok(whole);
  if (!piece.ok) return piece;
  const { from, to, joints, middle } = piece.value;
  const { min, max } = whole.boundingBox();
  const far = 2 * Math.max(max[0], max[1], -min[0], -min[1]);
  /** A plane figure, grown all round, through the whole body. */
  const through = (points: readonly Point[], by = 0): Manifold => {
    const section = kit.CrossSection.ofPolygons([points.map((p): [number, number] => [p.x, p.y])]);
    return kit.Manifold.extrude(section.offset(by, 'Miter'), max[2] - min[2] + 2).translate([
      0,
      0,
      min[2] - 1,
    ]);
  };
  const fits = processOf(facts.machine, wheel.id)?.fits;
  const sector = through(wedge(from, to, far));
  const tailed = wheel.divided.by === 'dovetails';
  const keep = tailed
    ? kit.Manifold.union([sector, ...joints.map(j => through(dovetail(j, to), growth.outline))])
    : sector;
  const socket = fitAllowance('sliding', fits) / 2 - growth.hole;
  const peg = splitPeg(max[2] - min[2]);
  const across = peg.diameter + fitAllowance('press', fits) - 2 * growth.hole;
  const cut = tailed
    ? joints.map(j => through(dovetail(j, from), socket))
    : [from, to].flatMap(angle =>
        joints.map(({ at }) =>
          kit.Manifold.cylinder(peg.length + PEG_ROOM, across / 2, across / 2, 32, true)
            .rotate([90, 0, 0])
            .translate([at, 0, (min[2] + max[2]) / 2])
            .rotate([0, 0, degrees(angle)]),
        ),
      );
  return ok(
    whole
      .intersect(keep)
      .subtract(kit.Manifold.union(cut))
      .rotate([0, 0, -degrees(middle)]),
  );
}

/** How much longer the holes of a peg are than the peg, mm (common practice, no source). */
const PEG_ROOM = 0.4;

/** How a body is finished: what lies above its teeth's plane figure, and for which printer. */
export interface Finish {
  /** Without marks and names. */
  readonly plain?: boolean;
  /** Its first layer is drawn in for that printer. */
  readonly process?: Process | undefined;
}

/** The same as a body of the library, its first layer as all others. */
export function wheelManifold(
  kit: SolidKit,
  facts: SolidFacts,
  wheel: Wheel,
  growth: Growth,
  { plain }: Finish = {},
): Result<Manifold> {
  const state = facts.wheels[wheel.id];
  if (!state) return fail('teeth-not-drawn', { wheel: wheel.name });
  const plane = wheelPlane(facts, wheel);
  if (!plane.ok) return plane;
  const moved = compensated(plane.value.outline, plane.value.holes, growth, facts.chordError);
  if (!moved.ok) return moved;
  const [outline = plane.value.outline, ...holes] = moved.value;
  const height = wheelThickness(facts.machine.stack, wheel);
  const { helix, way, pieces, turnOf, stepsOf } = leanOf(facts, wheel, state);
  const rack = state.teeth.family === 'involute rack';
  const estimate =
    [outline, ...holes].reduce((n, p) => n + flatten(p, facts.chordError).length, 0) *
    2 *
    (stepsOf(height / pieces) + 2) *
    pieces;
  if (estimate > MOST_TRIANGLES)
    return fail('too-many-triangles', { wheel: wheel.name, most: MOST_TRIANGLES, is: estimate });
  // The teeth of a ring are the first of its holes.
  const inside = state.teeth.family === 'involute ring' ? 1 : 0;
  const teeth = [outline, ...holes.slice(0, inside)];
  const { chordError } = facts;
  const lean = rack
    ? sheared(kit, teeth, chordError, way * Math.tan(helix))
    : twisted(kit, teeth, chordError, turnOf, stepsOf);
  const outside = teethOutside(facts.machine, wheel);
  const its = outside && facts.wheels[outside.id];
  const body =
    outside && its
      ? twoSided(
          kit,
          { outline, holes, height, chordError },
          leanOf(facts, outside, its),
          leanOf(facts, wheel, state),
        )
      : helix === 0
        ? extrude(kit, [outline, ...holes], height, chordError)
        : leaning(kit, { straight: holes.slice(inside), height, pieces, chordError, ...lean });
  if (plain) return withHub(kit, facts, wheel, body, growth);
  const names = wheel.body?.engraved ? [engravedText(facts, wheel)] : [];
  const text = names.flatMap(l => strokeText(l.text, l, l.height, l.angle ?? 0));
  const marked = engrave(kit, body, [...plane.value.engraved, ...text], height);
  return withHub(kit, facts, wheel, marked, growth);
}

/** How the teeth of a wheel lean: its turn over a height, in how many steps, and whether it turns back half way. */
interface Lean {
  readonly helix: number;
  readonly way: 1 | -1;
  readonly pieces: number;
  readonly turnOf: (height: number) => number;
  readonly stepsOf: (height: number) => number;
}

function leanOf({ machine }: SolidFacts, wheel: Wheel, { dimensions, teeth }: WheelState): Lean {
  const toothing = byId(machine.toothings, wheel.toothing);
  const helix = radians(toothing?.helixDeg ?? 0);
  const way = (wheel.hand ?? 'right') === 'right' ? 1 : -1;
  const turnOf = (b: number): number => (way * b * Math.tan(helix)) / dimensions.pitchRadius;
  const straight = helix === 0 || teeth.family === 'involute rack';
  return {
    ...{ helix, way, turnOf, pieces: toothing?.double && helix > 0 ? 2 : 1 },
    stepsOf: b => (straight ? 0 : Math.max(1, Math.ceil(Math.abs(turnOf(b)) / HELIX_STEP))),
  };
}

/** A ring with teeth on both sides, each leaning by itself: within the outer teeth and not within the ring. */
function twoSided(
  kit: SolidKit,
  plane: {
    readonly outline: Path;
    readonly holes: readonly Path[];
    readonly height: number;
    readonly chordError: number;
  },
  outer: Lean,
  inner: Lean,
): Manifold {
  const { outline, holes, height, chordError } = plane;
  const filled = (path: Path, { helix, pieces, turnOf, stepsOf }: Lean): Manifold =>
    helix === 0
      ? extrude(kit, [path], height, chordError)
      : leaning(kit, {
          ...{ straight: [], height, pieces, chordError },
          ...twisted(kit, [path], chordError, turnOf, stepsOf),
        });
  return kit.Manifold.difference([filled(outline, outer), ...holes.map(h => filled(reversePath(h), inner))]);
}

/** What leans with the teeth, and holes that are cut straight through, as what passes them is straight. */
interface Leaning {
  readonly straight: readonly Path[];
  readonly height: number;
  readonly pieces: number;
  readonly chordError: number;
  /** A body that high whose teeth lean the one way or, turned round, the other. */
  readonly piece: (way: 1 | -1, height: number) => Manifold;
  /** Puts the upper half of a double helix where the lower one ends. */
  readonly follow: (upper: Manifold, height: number) => Manifold;
}

function leaning(kit: SolidKit, { straight, height, pieces, chordError, piece, follow }: Leaning): Manifold {
  const part = height / pieces;
  const lower = piece(1, part);
  const body =
    pieces === 2 ? kit.Manifold.union([lower, follow(piece(-1, part), part).translate([0, 0, part])]) : lower;
  if (straight.length === 0) return body;
  const cut = extrude(kit, straight, height + 2, chordError).translate([0, 0, -1]);
  return body.subtract(cut);
}

/** Turned about the axis as it goes up: wheels and rings. */
const twisted = (
  kit: SolidKit,
  teeth: readonly Path[],
  chordError: number,
  turnOf: (b: number) => number,
  stepsOf: (b: number) => number,
): Pick<Leaning, 'piece' | 'follow'> => ({
  piece: (way, b) => extrude(kit, teeth, b, chordError, { turn: way * turnOf(b), steps: stepsOf(b) }),
  follow: (upper, b) => upper.rotate([0, 0, (turnOf(b) * 180) / Math.PI]),
});

/** Moved along its length as it goes up: racks. */
const sheared = (
  kit: SolidKit,
  teeth: readonly Path[],
  chordError: number,
  slope: number,
): Pick<Leaning, 'piece' | 'follow'> => ({
  piece: (way, b) =>
    extrude(kit, teeth, b, chordError).transform([1, 0, 0, 0, 0, 1, 0, 0, 0, way * slope, 1, 0, 0, 0, 0, 1]),
  follow: (upper, b) => upper.translate([0, slope * b, 0]),
});
