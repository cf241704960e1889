import { byId, type Joint, type Machine, type Pin } from '../../document/machine/index.ts';
import { type Point, polar } from '../../ground/geometry/index.ts';
import { radians } from '../../ground/units/index.ts';
import { lawOf } from '../../trains/train/index.ts';
import { type LinkPlate, type TubeSize, USUAL_TUBES } from '../layout/index.ts';
import { camFigures } from './cam-figure.ts';
import { jointCourse } from './joint-course.ts';
import { AT_REST } from './angle.ts';
import { type Moving, standsAt } from './moving.ts';

/** A flat body of a linkage in the frame of its member: strips of one width along lines, their ends round. mm. */
export interface LinkShape {
  readonly plate: LinkPlate;
  readonly lines: readonly (readonly Point[])[];
  readonly width: number;
}

/** What shapes are made from. */
export interface ShapeParts {
  readonly machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints' | 'layout'>;
  readonly moving: Moving;
  /** Across each arbor, mm. */
  readonly sizes: ReadonlyMap<string, Pick<TubeSize, 'diameter'>>;
}

const ORIGIN: Point = { x: 0, y: 0 };
/** Places of a course at which a stroke is measured. */
const SWING_STEPS = 360;
/** Corners of a cam that is held against other things. */
const RIM_STEPS = 90;

/** The stock of pins, mm across. */
export const linkPin = ({ layout }: Pick<Machine, 'layout'>): number => (layout.tubes ?? USUAL_TUBES).rod;
/** The strip about pins: a pin and as much again to either side, at least. */
export const stripWidth = (pin: number): number => 3 * pin;
/** From the middle of a slide to where its slot begins, mm. */
export const guideBegin = ({ kind }: Joint, pin: number): number =>
  (kind === 'yoke' ? 1.5 : 1) * stripWidth(pin);
/** Between the two pins that guide a slide, mm. */
export const guideApart = (pin: number): number => 4 * pin;

type Swing = NonNullable<ReturnType<typeof jointCourse>>['swing'];
const swings = new WeakMap<Moving, Map<string, Swing>>();

/** How far a joint moves what it drives; worked out once for a machine. */
export function swingOf(moving: Moving, joint: Joint): Swing {
  const of = swings.get(moving) ?? new Map<string, Swing>();
  swings.set(moving, of);
  if (!of.has(joint.id)) of.set(joint.id, jointCourse(moving, joint, SWING_STEPS)?.swing);
  return of.get(joint.id);
}

/** The pins of all joints that stand on arms of a member. */
export const pinsOf = ({ joints }: Pick<Machine, 'joints'>, member: string): Pin[] =>
  joints.flatMap(j => (lawOf(j).pins?.(j) ?? []).filter(p => p.member === member && p.wheel === undefined));

/** The shape of a flat body; undefined where it has none, as nothing moves it or it reaches nowhere. */
export function linkShape(parts: ShapeParts, plate: LinkPlate): LinkShape | undefined {
  const joint = byId(parts.machine.joints, plate.joint);
  if (!joint) return undefined;
  const pin = linkPin(parts.machine);
  const disc = (radius: number, at = ORIGIN): LinkShape => ({ plate, lines: [[at, at]], width: 2 * radius });
  switch (plate.kind) {
    case 'crank':
      return crankShape(parts, plate, joint);
    case 'rod':
      return rodShape(parts, plate);
    case 'slotted arm':
      return joint.kind === 'slot' ? slottedShape(parts, plate, joint) : undefined;
    case 'slide':
      return slideShape(parts, plate, joint);
    case 'roller':
      return joint.kind === 'cam' && joint.touch.kind === 'roller'
        ? disc(
            joint.touch.diameter / 2,
            joint.arm ? polar(ORIGIN, joint.arm.length, radians(joint.arm.angleDeg)) : ORIGIN,
          )
        : undefined;
    case 'drum':
    case 'near flange':
    case 'far flange':
      return joint.kind === 'drum'
        ? disc(joint.diameter / 2 + (plate.kind === 'drum' ? 0 : 2 * pin))
        : undefined;
    case 'cam':
    case 'second cam':
      return rimShape(parts, plate, plate.kind);
    case 'cam floor':
    case 'far wall': {
      const wall = rimShape(parts, plate, 'far wall')?.lines[0];
      return wall && disc(Math.max(...wall.map(p => Math.hypot(p.x, p.y))) + 2 * pin);
    }
  }
}

const acrossOf = ({ sizes }: ShapeParts, member: string): number => sizes.get(member)?.diameter ?? 0;

function crankShape(parts: ShapeParts, plate: LinkPlate, joint: Joint): LinkShape | undefined {
  const { machine } = parts;
  const member = byId(machine.members, plate.member);
  const pin = linkPin(machine);
  const said = member?.kind === 'arbor' ? member.arm?.width : undefined;
  const width = said ?? Math.max(acrossOf(parts, plate.member) + 2 * pin, stripWidth(pin));
  const flat = flatArm(parts, plate, joint);
  if (flat) {
    const beside = polar(ORIGIN, width / 2, flat.angle - (flat.side * Math.PI) / 2);
    return { plate, lines: [[ORIGIN, beside, polar(beside, flat.reach, flat.angle)]], width };
  }
  const lines = pinsOf(machine, plate.member).flatMap(p =>
    p.radius > 0 ? [[ORIGIN, polar(ORIGIN, p.radius, radians(p.angleDeg))]] : [],
  );
  return lines.length === 0 ? undefined : { plate, lines, width };
}

/** How far a flat arm reaches over its cam, where it points, and on which side of it the cam lies: 1 for the left. */
function flatArm(
  { moving }: ShapeParts,
  { member }: LinkPlate,
  joint: Joint,
): { readonly reach: number; readonly angle: number; readonly side: 1 | -1 } | undefined {
  if (joint.kind !== 'cam' || joint.touch.kind !== 'flat' || joint.follower !== member) return undefined;
  const figure = camFigures(moving).find(c => c.joint.id === joint.id);
  if (figure?.shape.way.kind !== 'arm') return undefined;
  const { apart, side } = figure.shape.way;
  return { reach: 1.5 * apart, angle: radians(joint.arm?.angleDeg ?? 0), side };
}

function rodShape({ machine }: ShapeParts, plate: LinkPlate): LinkShape | undefined {
  const rod = byId(machine.members, plate.member);
  if (rod?.kind !== 'link') return undefined;
  const points = (rod.points ?? []).map(p => polar(ORIGIN, p.radius, radians(p.angleDeg)));
  const lines = [[ORIGIN, { x: rod.length, y: 0 }], ...points.map(p => [ORIGIN, p])];
  return { plate, lines, width: rod.width ?? stripWidth(linkPin(machine)) };
}

/** Where the slot of an arm begins and ends, mm from its axis; undefined where an axis stands nowhere. */
export function slotReach(
  { moving }: Pick<ShapeParts, 'moving'>,
  joint: Extract<Joint, { kind: 'slot' }>,
): { readonly near: number; readonly far: number } | undefined {
  const stands = standsAt(moving, AT_REST);
  const [a, b] = [stands.axis(joint.pin.member), stands.axis(joint.driven)];
  if (!a || !b) return undefined;
  const apart = Math.hypot(a.x - b.x, a.y - b.y);
  return { near: Math.abs(apart - joint.pin.radius), far: apart + joint.pin.radius };
}

function slottedShape(
  parts: ShapeParts,
  plate: LinkPlate,
  joint: Extract<Joint, { kind: 'slot' }>,
): LinkShape | undefined {
  const reach = slotReach(parts, joint);
  const pin = linkPin(parts.machine);
  const width = Math.max(acrossOf(parts, joint.driven) + 2 * pin, stripWidth(pin));
  return reach && { plate, lines: [[ORIGIN, polar(ORIGIN, reach.far, radians(joint.slotDeg))]], width };
}

/** Of a slide: the strip along its line behind its pin, with the slot that guides it; of a yoke the one across. */
function slideShape({ machine, moving }: ShapeParts, plate: LinkPlate, joint: Joint): LinkShape | undefined {
  const reach = slideReach(moving, joint, linkPin(machine));
  if (!reach) return undefined;
  const spine = [ORIGIN, { x: reach.whole, y: 0 }];
  const across = joint.kind === 'yoke' ? joint.pin.radius : 0;
  const lines = [
    spine,
    ...(across > 0
      ? [
          [
            { x: 0, y: -across },
            { x: 0, y: across },
          ],
        ]
      : []),
  ];
  return { plate, lines, width: stripWidth(linkPin(machine)) };
}

/** How far a slide reaches from its pin along its line, and where its guiding slot begins and ends; mm, with sign. */
export function slideReach(
  moving: Moving,
  joint: Joint,
  pin: number,
): { readonly whole: number; readonly begin: number; readonly end: number } | undefined {
  const swing = swingOf(moving, joint);
  if (!swing) return undefined;
  const back = joint.kind === 'crank' && joint.other ? -1 : 1;
  const begin = guideBegin(joint, pin);
  const end = begin + guideApart(pin) + (swing.most - swing.least) + pin;
  return { whole: back * (end + pin), begin: back * begin, end: back * end };
}

/** The rim of a cam, closed. */
function rimShape(
  { moving }: ShapeParts,
  plate: LinkPlate,
  of: 'cam' | 'second cam' | 'far wall',
): LinkShape | undefined {
  const figure = camFigures(moving, RIM_STEPS).find(c => c.joint.id === plate.joint);
  const points = figure?.lines.find(l => l.line === of)?.points ?? [];
  const [first] = points;
  return first && points.length >= 3 ? { plate, lines: [[...points, first]], width: 0 } : undefined;
}
