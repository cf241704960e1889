import { fitAllowance } from '../../teeth/body/index.ts';
import {
  circle,
  distance,
  type Path,
  type Point,
  polar,
  polygon,
  reversePath,
} from '../../ground/geometry/index.ts';
import { byId, GROUND, type Joint, processOf } from '../../document/machine/index.ts';
import { type LinkPlate, linkPlates, USUAL_TUBES } from '../../place/layout/index.ts';
import {
  AT_REST,
  camFigures,
  guideApart,
  guideBegin,
  type LinkShape,
  linkShape,
  pinsOf,
  slideReach,
  slotReach,
  standsAt,
  swingOf,
} from '../../place/motion/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { radians } from '../../ground/units/index.ts';
import { camFacts, camShape, type CamLine, followed } from '../../trains/cam/index.ts';
import { problem } from '../../ground/result/index.ts';
import { drillable, type FlatPart, type LeftPart, numberOf } from './flat-part.ts';
import { strip } from './strip.ts';

const ORIGIN: Point = { x: 0, y: 0 };
/** Places round a turn at which a cam is made. */
const CAM_STEPS = 720;

/** What a plate is made from: the derived machine, the pin stock and what fits leave, mm. */
interface Shop {
  readonly derived: Derived;
  readonly plate: LinkPlate;
  readonly pin: number;
  readonly press: number;
  readonly free: number;
}

/** The outline of a flat body and its holes, in the frame of its member. */
interface Figure {
  readonly outline: Path;
  readonly holes: readonly Path[];
}

/** The flat parts of linkages and cams: cams, cranks, rods, slides, slotted arms, rollers; and what has no figure. */
export function linkParts(derived: Derived): LinkParts {
  const before = known.get(derived);
  if (before) return before;
  const made = madeParts(derived);
  known.set(derived, made);
  return made;
}

interface LinkParts {
  readonly parts: readonly FlatPart[];
  readonly left: readonly LeftPart[];
}
/** What has been made of a machine, which lists, sheets and bodies all ask for. */
const known = new WeakMap<Derived, LinkParts>();

function madeParts(derived: Derived): LinkParts {
  const { machine } = derived;
  const parts: FlatPart[] = [];
  const left: LeftPart[] = [];
  for (const plate of linkPlates(machine)) {
    const fits = processOf(machine, plate.id)?.fits;
    const shop: Shop = {
      ...{ derived, plate, pin: (machine.layout.tubes ?? USUAL_TUBES).rod },
      ...{ press: fitAllowance('press', fits), free: fitAllowance('free', fits) },
    };
    const [figure, name] = [figureOf(shop), nameOf(shop)];
    if (!figure) {
      left.push({ name, problem: problem('link-no-figure') });
      continue;
    }
    const { outline, holes } = figure;
    parts.push({
      ...{ id: plate.id, kind: plate.kind === 'cam' ? 'cam' : 'link', name },
      ...{ number: numberOf(machine, plate.id, 1), thickness: machine.stack.thickness },
      ...{ outline, holes, drilled: drillable(holes), engraved: [], labels: [] },
    });
    const apart = plate.kind === 'second cam' ? secondRoller(shop) : undefined;
    if (apart !== undefined) left.push({ name, problem: problem('second-roller-by-hand', { apart }) });
    const guides = plate.kind === 'slide' ? slideGuides(shop) : undefined;
    if (guides) left.push({ name: `guides, ${name}`, problem: problem('guides-by-hand', guides) });
  }
  return { parts, left };
}

/** Where the two pins that guide a slide stand in the plate, mm against the ground; nothing of one that is carried. */
function slideGuides({ derived, plate, pin }: Shop): Record<'ax' | 'ay' | 'bx' | 'by', number> | undefined {
  const joint = byId(derived.machine.joints, plate.joint);
  const line = standsAt(derived.moving, AT_REST).line(plate.member);
  const swing = joint && swingOf(derived.moving, joint);
  const slide = byId(derived.machine.members, plate.member);
  if (!line || !swing || slide?.kind !== 'slide' || slide.frame !== GROUND) return undefined;
  const back = joint.kind === 'crank' && joint.other ? -1 : 1;
  const begin = guideBegin(joint, pin) + pin / 2;
  // The slot goes with the slide: at its one end it is over the one pin, at its other over the other.
  const from = back > 0 ? swing.most + begin : swing.least - begin;
  const [a, b] = [from, from + back * guideApart(pin)].map(way => polar(line.at, way, line.angle));
  return a && b && { ax: a.x, ay: a.y, bx: b.x, by: b.y };
}

function nameOf({ derived, plate }: Shop): string {
  const { machine } = derived;
  const name = byId(machine.members, plate.member)?.name ?? '';
  const joint = byId(machine.joints, plate.joint);
  const of = joint?.kind === 'cam' ? (byId(machine.members, joint.follower)?.name ?? '') : '';
  switch (plate.kind) {
    case 'cam':
      return `cam of ${of}`;
    case 'second cam':
    case 'far wall':
    case 'cam floor':
      return `cam of ${of}, ${plate.kind === 'cam floor' ? 'floor' : plate.kind}`;
    case 'roller':
      return `roller, ${name}`;
    case 'crank':
    case 'slotted arm':
    case 'rod':
    case 'slide':
    case 'drum':
    case 'near flange':
    case 'far flange':
      return `${plate.kind}, ${name}`;
  }
}

function figureOf(shop: Shop): Figure | undefined {
  const joint = byId(shop.derived.machine.joints, shop.plate.joint);
  if (!joint) return undefined;
  switch (shop.plate.kind) {
    case 'cam':
    case 'second cam':
    case 'far wall':
    case 'cam floor':
      return camFigure(shop, shop.plate.kind);
    case 'roller':
      return joint.kind === 'cam' && joint.touch.kind === 'roller'
        ? { outline: circle(ORIGIN, joint.touch.diameter / 2), holes: [hole(ORIGIN, shop.pin + shop.free)] }
        : undefined;
    case 'drum':
    case 'near flange':
    case 'far flange':
      return joint.kind === 'drum' ? drumFigure(shop, joint) : undefined;
    case 'crank':
      return crankFigure(shop);
    case 'slotted arm':
      return joint.kind === 'slot' ? slottedFigure(shop, joint) : undefined;
    case 'rod':
      return rodFigure(shop);
    case 'slide':
      return slideFigure(shop, joint);
  }
}

const hole = (at: Point, across: number): Path => circle(at, across / 2, false);
/** A slot along a line, as a hole. */
const slotHole = (a: Point, b: Point, across: number): Path => reversePath(strip([[a, b]], across));
const bore = ({ derived, plate, press }: Shop): Path[] => {
  const own = derived.layout.sizes.get(plate.member)?.diameter ?? 0;
  return own > 0 ? [hole(ORIGIN, own + press)] : [];
};

function camFigure(shop: Shop, kind: CamLine | 'cam floor'): Figure | undefined {
  const figure = camFigures(shop.derived.moving, CAM_STEPS).find(c => c.joint.id === shop.plate.joint);
  const points = (of: CamLine): readonly Point[] => figure?.lines.find(l => l.line === of)?.points ?? [];
  if (kind === 'cam floor' || kind === 'far wall') {
    const wall = points('far wall');
    if (!figure || wall.length === 0) return undefined;
    const outer = Math.max(...wall.map(p => Math.hypot(p.x, p.y))) + 2 * shop.pin;
    return {
      outline: circle(ORIGIN, outer),
      holes: kind === 'far wall' ? [reversePath(polygon(wall))] : bore(shop),
    };
  }
  const outline = points(kind);
  return outline.length < 3 ? undefined : { outline: polygon(outline), holes: bore(shop) };
}

/** A disc on which the cord lies, and one to either side of it that it does not slip off. */
function drumFigure(shop: Shop, { diameter }: Extract<Joint, { kind: 'drum' }>): Figure {
  const over = shop.plate.kind === 'drum' ? 0 : 2 * shop.pin;
  return { outline: circle(ORIGIN, diameter / 2 + over), holes: bore(shop) };
}

/** How far the roller of a second cam stands from that of the first, mm: they are on one stiff piece. */
function secondRoller({ derived, plate }: Shop): number | undefined {
  const shape = camFigures(derived.moving, CAM_STEPS).find(c => c.joint.id === plate.joint)?.shape;
  return shape && distance(followed(shape, 0).at, followed(shape, 0, true).at);
}

/** The shape of a plate as it is also held against other things. */
const shapeOf = ({ derived, plate }: Shop): LinkShape | undefined =>
  linkShape({ machine: derived.machine, moving: derived.moving, sizes: derived.layout.sizes }, plate);

function crankFigure(shop: Shop): Figure | undefined {
  const shape = shapeOf(shop);
  if (!shape) return undefined;
  const { derived, plate } = shop;
  const joint = byId(derived.machine.joints, plate.joint);
  const flat = joint?.kind === 'cam' && joint.touch.kind === 'flat' && joint.follower === plate.member;
  const pins = flat ? [] : pinsOf(derived.machine, plate.member).filter(p => p.radius > 0);
  const holes = pins.map(p => hole(polar(ORIGIN, p.radius, radians(p.angleDeg)), shop.pin + shop.press));
  return { outline: strip(shape.lines, shape.width), holes: [...bore(shop), ...holes] };
}

function rodFigure(shop: Shop): Figure | undefined {
  const shape = shapeOf(shop);
  if (!shape) return undefined;
  const ends = [ORIGIN, ...shape.lines.flatMap(line => line.slice(1))];
  return {
    outline: strip(shape.lines, shape.width),
    holes: ends.map(p => hole(p, shop.pin + shop.free)),
  };
}

/** The slot is as long as its pin goes, and a pin's width more. */
function slottedFigure(shop: Shop, joint: Extract<Joint, { kind: 'slot' }>): Figure | undefined {
  const [shape, reach] = [shapeOf(shop), slotReach(shop.derived, joint)];
  if (!shape || !reach) return undefined;
  const angle = radians(joint.slotDeg);
  const [from, to] = [polar(ORIGIN, reach.near, angle), polar(ORIGIN, reach.far, angle)];
  const slot = slotHole(from, to, shop.pin + shop.free);
  return { outline: strip(shape.lines, shape.width), holes: [...bore(shop), slot] };
}

/**
 * A slide: a strip along its line with the hole of its pin, or the face or edge that rests on a cam, and behind that
 * the slot in which two pins guide it; of a yoke with the slot across.
 */
function slideFigure(shop: Shop, joint: Joint): Figure | undefined {
  const { derived, pin, press, free } = shop;
  const [shape, reach] = [shapeOf(shop), slideReach(derived.moving, joint, pin)];
  if (!shape || !reach) return undefined;
  const { width, lines } = shape;
  const guide = slotHole({ x: reach.begin, y: 0 }, { x: reach.end, y: 0 }, pin + free);
  const cross = lines[1];
  if (cross?.[0] && cross[1])
    return { outline: strip(lines, width), holes: [guide, slotHole(cross[0], cross[1], pin + free)] };
  if (joint.kind === 'cam' && joint.touch.kind !== 'roller') {
    const facts = camFacts(camShape(joint, { kind: 'slide', offset: 0 }));
    const face: readonly Point[] =
      joint.touch.kind === 'flat'
        ? [
            { x: 0, y: facts.slowest - pin },
            { x: 0, y: facts.fastest + pin },
          ].map(p => ({ x: pin / 2, y: -p.y }))
        : [{ x: pin, y: 0 }];
    return joint.touch.kind === 'flat'
      ? { outline: tee(face, reach.whole, width, pin), holes: [guide] }
      : { outline: pointed(reach.whole, width), holes: [guide] };
  }
  return { outline: strip(lines, width), holes: [hole(ORIGIN, pin + press), guide] };
}

/** A strip from a face across it, its far end square. */
function tee([a, b]: readonly Point[], end: number, width: number, deep: number): Path {
  const [top, low, w] = [
    Math.max(a?.y ?? 0, b?.y ?? 0, width / 2),
    Math.min(a?.y ?? 0, b?.y ?? 0, -width / 2),
    width / 2,
  ];
  return polygon([
    { x: 0, y: low },
    { x: deep, y: low },
    { x: deep, y: -w },
    { x: end, y: -w },
    { x: end, y: w },
    { x: deep, y: w },
    { x: deep, y: top },
    { x: 0, y: top },
  ]);
}

/** A strip that ends in an edge of a right angle. */
const pointed = (end: number, width: number): Path =>
  polygon([
    ORIGIN,
    { x: width / 2, y: -width / 2 },
    { x: end, y: -width / 2 },
    { x: end, y: width / 2 },
    { x: width / 2, y: width / 2 },
  ]);
