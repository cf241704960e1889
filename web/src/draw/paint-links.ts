import { type Point, polar, rotate } from '@tesseron/core/geometry';
import type { Pin } from '@tesseron/core/machine';
import {
  AT_REST,
  type CamFigure,
  type CordFigure,
  eyePlace,
  leavesDrum,
  camFigures,
  type LinkFigure,
  linkFigure,
  reachedBy,
  type Stance,
  standsAt,
  tracedPaths,
} from '@tesseron/core/motion';
import type { Derived } from '@tesseron/core/state';
import { inMode } from '@tesseron/core/train';
import { radians } from '@tesseron/core/units';
import type { Tokens } from './tokens';
import { type Size, toScreen, type View } from './view';

/** Rods and slides of a machine; loaded for machines that have some. */
export interface LinkScene {
  readonly figure: LinkFigure;
  readonly cams: readonly CamFigure[];
  /** Where traced points go in a turn, in the plane. */
  readonly paths: readonly (readonly Point[])[];
  /** What rods and slides sweep in a turn, so that all of it is in sight. */
  readonly swept: readonly { readonly centre: Point; readonly radius: number }[];
  readonly paint: (context: CanvasRenderingContext2D, frame: LinkFrame) => void;
}

export function linkScene({ machine, moving }: Derived): LinkScene {
  const figure = linkFigure(inMode(machine));
  const ends = [
    ...figure.pins,
    ...figure.bars.flatMap(b => (b.kind === 'rod' ? [b.to] : [])),
    ...figure.bars.flatMap(b => (b.kind === 'rod' ? [] : [b.from])),
    ...figure.slides.map(member => ({ member, radius: 0, angleDeg: 0 })),
  ];
  const cams = camFigures(moving);
  const paths = tracedPaths(moving, figure.traced).map(p => p.points);
  const stands = standsAt(moving, AT_REST);
  const swept = [
    ...reachedBy(moving, ends).map(centre => ({ centre, radius: 3 })),
    ...cams.flatMap(cam => {
      const centre = stands.axis(cam.joint.cam);
      return centre ? [{ centre, radius: widthOf(cam) }] : [];
    }),
  ];
  return {
    ...{ figure, cams, paths, swept },
    paint: (context, frame) => paintLinks(context, { ...frame, figure, cams, paths }),
  };
}

const widthOf = (cam: CamFigure): number =>
  Math.max(0, ...cam.lines.flatMap(l => l.points.map(p => Math.hypot(p.x, p.y))));

/** What the painting of rods and slides needs of a frame. */
export interface LinkFrame {
  readonly places: ReadonlyMap<string, Stance>;
  readonly view: View;
  readonly size: Size;
  readonly tokens: Tokens;
  readonly selected: string | undefined;
}
type Painted = LinkFrame & Pick<LinkScene, 'figure' | 'cams' | 'paths'>;

const ROD = 7;
const SLIDE = { long: 26, across: 16, line: 70 };

/** Where a pin stands, in the plane. */
function pinPoint(places: LinkFrame['places'], pin: Pin): Point | undefined {
  const on = places.get(pin.member);
  return on && polar(on.centre, pin.radius, on.angle + radians(pin.angleDeg));
}

/** Slides on their lines, arms that carry pins, slots, rods and their pins, and the paths of traced points. */
function paintLinks(context: CanvasRenderingContext2D, frame: Painted): void {
  const { figure: links, tokens } = frame;
  const at = (p: Point): Point => toScreen(frame.view, frame.size, p);
  context.lineCap = 'round';
  for (const cam of frame.cams) paintCam(context, frame, cam, at);
  for (const path of frame.paths) paintPath(context, path.map(at), tokens);
  for (const id of links.slides) paintSlide(context, frame, id);
  for (const cord of links.cords) paintCord(context, frame, cord, at);
  for (const { member, kind, from, to } of links.bars) {
    const [p, q] = [pinPoint(frame.places, from), pinPoint(frame.places, to)];
    if (!p || !q) continue;
    const [a, b] = [at(p), at(q)];
    const strong = frame.selected === member;
    const wide = kind === 'arm' ? ROD - 2 : ROD;
    stroke(context, a, b, wide + 2, strong ? tokens.accent : tokens.ink);
    stroke(context, a, b, wide, tokens.panel);
    if (kind === 'slot') stroke(context, middle(a, b, 0.25), b, 2, tokens.muted);
  }
  context.lineCap = 'butt';
  for (const pin of links.pins) {
    const p = pinPoint(frame.places, pin);
    if (!p) continue;
    const c = at(p);
    context.beginPath();
    context.arc(c.x, c.y, 2.6, 0, 2 * Math.PI);
    context.fillStyle = tokens.ink;
    context.fill();
  }
}

/** The lines of a cam, filled as it lies, and the roller on it. */
function paintCam(
  context: CanvasRenderingContext2D,
  { places, tokens, view, selected }: Painted,
  { joint, lines, shape }: CamFigure,
  at: (p: Point) => Point,
): void {
  const [on, follower] = [places.get(joint.cam), places.get(joint.follower)];
  if (!on) return;
  const chosen = selected === joint.cam || selected === joint.id;
  context.strokeStyle = chosen ? tokens.accent : tokens.ink;
  context.lineWidth = chosen ? 1.8 : 1.2;
  context.fillStyle = tokens.panel;
  context.beginPath();
  for (const { points } of [...lines].reverse()) {
    points.forEach((p, i) => {
      const q = rotate(p, on.angle);
      const { x, y } = at({ x: on.centre.x + q.x, y: on.centre.y + q.y });
      if (i === 0) context.moveTo(x, y);
      else context.lineTo(x, y);
    });
    context.closePath();
  }
  context.fill('evenodd');
  context.stroke();
  if (!follower || shape.roller === 0) return;
  const middle = joint.arm
    ? polar(follower.centre, joint.arm.length, follower.angle + radians(joint.arm.angleDeg))
    : follower.centre;
  const c = at(middle);
  context.beginPath();
  context.arc(c.x, c.y, shape.roller * view.scale, 0, 2 * Math.PI);
  context.fill();
  context.stroke();
}

const middle = (a: Point, b: Point, part: number): Point => ({
  x: a.x + part * (b.x - a.x),
  y: a.y + part * (b.y - a.y),
});

function stroke(context: CanvasRenderingContext2D, a: Point, b: Point, width: number, colour: string): void {
  context.beginPath();
  context.moveTo(a.x, a.y);
  context.lineTo(b.x, b.y);
  context.lineWidth = width;
  context.strokeStyle = colour;
  context.stroke();
}

function paintPath(context: CanvasRenderingContext2D, path: readonly Point[], tokens: Tokens): void {
  context.beginPath();
  for (const p of path) context.lineTo(p.x, p.y);
  context.lineWidth = 1.4;
  context.strokeStyle = tokens.accent;
  context.setLineDash([5, 4]);
  context.stroke();
  context.setLineDash([]);
}

/** A cord as it runs, with its eye or its drum. */
function paintCord(
  context: CanvasRenderingContext2D,
  { places, tokens, view, selected }: Painted,
  cord: CordFigure,
  at: (p: Point) => Point,
): void {
  const slide = places.get(cord.slide)?.centre;
  const centre = places.get(cord.kind === 'eye' ? eyePlace(cord.joint) : cord.arbor)?.centre;
  const pin = cord.kind === 'eye' ? pinPoint(places, cord.pin) : undefined;
  if (!slide || !centre) return;
  const radius = cord.kind === 'drum' ? cord.radius : 0;
  const leaves = cord.kind === 'drum' ? leavesDrum(slide, centre, radius, cord.side) : centre;
  context.strokeStyle = selected === cord.joint ? tokens.accent : tokens.ink;
  context.fillStyle = tokens.panel;
  context.lineWidth = 1.2;
  context.beginPath();
  const c = at(centre);
  context.arc(c.x, c.y, radius > 0 ? radius * view.scale : 4, 0, 2 * Math.PI);
  context.fill();
  context.stroke();
  context.beginPath();
  for (const p of [...(pin ? [pin] : []), leaves, slide].map(at)) context.lineTo(p.x, p.y);
  context.stroke();
}

/** A block on its line, which is dashed to both sides. */
function paintSlide(context: CanvasRenderingContext2D, frame: LinkFrame, id: string): void {
  const stance = frame.places.get(id);
  if (!stance) return;
  const c = toScreen(frame.view, frame.size, stance.centre);
  context.save();
  context.translate(c.x, c.y);
  context.rotate(-stance.angle);
  context.strokeStyle = frame.tokens.muted;
  context.lineWidth = 1;
  context.setLineDash([6, 3, 1.5, 3]);
  context.beginPath();
  context.moveTo(-SLIDE.line, 0);
  context.lineTo(SLIDE.line, 0);
  context.stroke();
  context.setLineDash([]);
  context.fillStyle = frame.tokens.panel;
  context.strokeStyle = frame.selected === id ? frame.tokens.accent : frame.tokens.ink;
  context.lineWidth = frame.selected === id ? 1.8 : 1.2;
  context.beginPath();
  context.rect(-SLIDE.long / 2, -SLIDE.across / 2, SLIDE.long, SLIDE.across);
  context.fill();
  context.stroke();
  context.restore();
}
