import type { Manifold } from 'manifold-3d';
import { strokeText } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { compensated, type Growth } from '../process/index.ts';
import type { FlatPart, HubFigure } from '../workshop/index.ts';
import { acrossOf, flat } from './extra-part.ts';
import { engrave } from './engrave.ts';
import { extrude, type SolidKit } from './kit.ts';

/** A plate, wall, arm, hand or dial: its outline drawn up, marks and numerals engraved. */
export function leafBody(
  kit: SolidKit,
  part: FlatPart,
  growth: Growth,
  chordError: number,
): Result<Manifold> {
  const plain = part.raised
    ? bentBody(kit, part, growth, chordError)
    : flatBody(kit, part, growth, chordError);
  return plain.ok && part.hub
    ? withBoss(kit, part.hub, part.thickness, plain.value, growth, chordError)
    : plain;
}

/** How deep a boss reaches into what it stands on, so that both are one body, mm. */
const INTO = 0.1;

/** With the boss that stands on it, and the hole through its side that is tapped. */
function withBoss(
  kit: SolidKit,
  { outline, holes, height, drill }: HubFigure,
  thickness: number,
  body: Manifold,
  growth: Growth,
  chordError: number,
): Result<Manifold> {
  const made = flat(kit, outline, holes, height + INTO, growth, chordError);
  if (!made.ok) return made;
  const whole = body.add(made.value.translate([0, 0, thickness - INTO]));
  if (drill === undefined) return ok(whole);
  const r = drill / 2 - growth.hole;
  const hole = kit.Manifold.cylinder(acrossOf(outline), r, r, 32)
    .rotate([0, 90, 0])
    .translate([0, 0, thickness + height / 2]);
  return ok(whole.subtract(hole));
}

function flatBody(kit: SolidKit, part: FlatPart, growth: Growth, chordError: number): Result<Manifold> {
  const paths = compensated(part.outline, part.holes, growth, chordError);
  if (!paths.ok) return paths;
  const body = extrude(kit, paths.value, part.thickness, chordError);
  const text = part.labels.flatMap(l => strokeText(l.text, l, l.height, l.angle ?? 0));
  return ok(engrave(kit, body, [...part.engraved, ...text], part.thickness));
}

/**
 * An arm that is bent up by 45° and level again: what its outline, seen from above, and its profile, seen from the
 * side, have in common.
 */
function bentBody(
  kit: SolidKit,
  { raised, thickness: t }: FlatPart,
  growth: Growth,
  chordError: number,
): Result<Manifold> {
  if (!raised) return fail('part-unknown', { part: '' });
  const paths = compensated(raised.outline, raised.holes, growth, chordError);
  if (!paths.ok) return paths;
  const { from, by } = raised;
  const tall = extrude(kit, paths.value, by + t, chordError);
  // A sheet of even thickness: its slope is t · √2 measured upright, so its upper bends lie t (√2 − 1) further back.
  const back = t * (Math.SQRT2 - 1);
  const far = 1e4;
  const profile: [number, number][] = [
    [-far, 0],
    [from, 0],
    [from + by, by],
    [far, by],
    [far, by + t],
    [from + by - back, by + t],
    [from - back, t],
    [-far, t],
  ];
  const strip = kit.Manifold.extrude(kit.CrossSection.ofPolygons([profile]), 2 * far, 0, 0, [1, 1], true);
  const body = tall.intersect(strip.rotate([90, 0, 0]));
  strip.delete();
  tall.delete();
  return ok(body);
}
