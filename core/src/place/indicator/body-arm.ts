import { Clipper, FillRule } from 'clipper2-ts';
import { lugReach, ringWithLugs } from '../../teeth/body/index.ts';
import {
  circle,
  flatten,
  movedPath,
  type Path,
  type Point,
  polygon,
  signedArea,
} from '../../ground/geometry/index.ts';
import { type Indicator, SCREW_BOSS } from '../../document/machine/index.ts';

/** A thing that goes round on an arm. */
export type BodyIndicator = Extract<Indicator, { kind: 'body' }>;

/** Stock round the bore of a body's arm, mm (common practice, no source). */
const ROUND = 2.5;
/** Between a hub and the first bend of an arm, and between its second and the eye, mm (common practice, no source). */
const BEFORE_BEND = 2;
const CHORD = 0.002;

/** The pin on which a ball stands: 2 mm, or half of a small ball's radius (common practice, no source). */
export const ballPin = (radius: number): number => Math.min(2, Number((radius / 2).toFixed(2)));

/** Where an arm is bent up and level again, by 45° each; from its axis along the sheet before it is bent, mm. */
export interface Bend {
  readonly first: number;
  readonly second: number;
  /** How much longer the sheet is than the arm reaches. */
  readonly longer: number;
}

/** A plane arm about its axis, its bar along x. */
export interface BodyArm {
  readonly outline: Path;
  readonly holes: readonly Path[];
  /** As it is seen from above once it is bent. */
  readonly seen: { readonly outline: Path; readonly holes: readonly Path[] };
  readonly bend: Bend | undefined;
}

type ArmOf = Pick<BodyIndicator, 'distance' | 'radius' | 'lift' | 'bent' | 'weight' | 'hold'>;

const hubOf = ({ radius, hold }: ArmOf, boreReach: number): number =>
  Math.max(boreReach + (hold === 'grub screw' ? SCREW_BOSS.wall : ROUND), lugReach(ballPin(radius)) + 0.5);

/**
 * Where an arm of a body is bent, so that its end lies `lift` higher: up by 45° behind its hub, level again after
 * lift · √2 of sheet, which is lift (√2 − 1) longer than the way it covers; bends are taken as sharp. Undefined where
 * it is not bent, or has no room for it before its eye.
 */
export function bendOf(arm: ArmOf, boreReach: number): Bend | undefined {
  const { lift = 0, bent, distance, radius } = arm;
  if (!bent || lift <= 0) return undefined;
  const first = hubOf(arm, boreReach) + BEFORE_BEND;
  if (first + lift + BEFORE_BEND + lugReach(ballPin(radius)) > distance) return undefined;
  return { first, second: first + lift * Math.SQRT2, longer: lift * (Math.SQRT2 - 1) };
}

/**
 * The arm of a body about its axis, along x: a hub round what it sits on, a bar, an eye for the pin of its ball, and,
 * for a counterweight, a tail with an eye of its own. One too short for a bar is a disc. `bore`: the hole on its tube,
 * clockwise, if any, and how far that reaches from the axis, mm.
 */
export function bodyArm(arm: ArmOf, bore: Path | undefined, boreReach: number, eye: number): BodyArm {
  const own = bore ? [bore] : [];
  const bend = bendOf(arm, boreReach);
  const at = (distance: number): Pick<BodyArm, 'outline' | 'holes'> => {
    const plain = armTo(arm, hubOf(arm, boreReach), distance, eye);
    return { outline: plain.outline, holes: [...own, ...plain.holes] };
  };
  const seen = at(arm.distance);
  return { ...(bend ? at(arm.distance + bend.longer) : seen), seen, bend };
}

function armTo(
  { weight }: ArmOf,
  hub: number,
  distance: number,
  eye: number,
): { readonly outline: Path; readonly holes: readonly Path[] } {
  const origin = { x: 0, y: 0 };
  const bar = (out: number, over: boolean): { outline: Path; holes: readonly Path[] } => {
    const made =
      out <= hub
        ? {
            outline: circle(origin, Math.max(hub, out + lugReach(eye))),
            holes: [circle({ x: out, y: 0 }, eye / 2, false)],
          }
        : ringWithLugs(hub, { number: 1, hole: eye, circleRadius: out, at: over ? Math.PI : 0 });
    return over && out <= hub
      ? { outline: made.outline, holes: [circle({ x: -out, y: 0 }, eye / 2, false)] }
      : made;
  };
  const fore = bar(distance, false);
  if (!weight) return fore;
  const aft = bar(weight.distance, true);
  const [joined] = Clipper.unionD([points(fore.outline), points(aft.outline)], FillRule.NonZero);
  const outline = (joined ?? []).map(({ x, y }) => ({ x, y }));
  return {
    outline: polygon(signedArea(outline) > 0 ? outline : outline.reverse()),
    holes: [...fore.holes, ...aft.holes],
  };
}

const points = (path: Path): Point[] => flatten(path, CHORD);

/** Lines across an arm where it is bent, to be marked. */
export const bendLines = ({ bend, outline }: BodyArm): Path[] => {
  if (!bend) return [];
  const half = Math.max(...points(outline).map(p => Math.abs(p.y)));
  const line = {
    start: { x: 0, y: -half },
    segments: [{ kind: 'line' as const, to: { x: 0, y: half } }],
    closed: false,
  };
  return [bend.first, bend.second].map(x => movedPath(line, { x, y: 0 }));
};
