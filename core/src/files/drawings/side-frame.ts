import { crossedStretches, type Point, stretchesWithout } from '../../ground/geometry/index.ts';
import type { Stance } from '../../place/motion/index.ts';
import type { SideBar, SidePlate, SideRound, SideScene } from './side-scene.ts';

/** From where a machine is seen, and where it is cut open. */
export interface SideView {
  /**
   * The direction that points to the right, radians from x; the viewer stands before it, a quarter turn clockwise
   * from it.
   */
  readonly angle: number;
  /**
   * The depth of a cut across the line of sight, mm behind the middle of the machine; what lies before it is taken
   * away.
   */
  readonly cut: number | undefined;
}

/**
 * A rectangle as it is seen: across from `left` to `right` measured from the middle of the machine, mm; `depth` how
 * far behind it.
 */
export interface SideRect {
  readonly what: 'round' | 'bar' | 'ball' | 'plate';
  readonly of: SideRound | SideBar | SidePlate;
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
  /** The nearest of it, behind the middle; nearer things are drawn over farther ones. */
  readonly depth: number;
  /** It is cut here, and its inside shows. */
  readonly cut: boolean;
  /** Where the line it turns about stands, and how far it has turned, for the edges of teeth. */
  readonly at: number;
  readonly angle: number;
}

interface Sight {
  readonly c: number;
  readonly s: number;
  readonly middle: Point;
  readonly cut: number;
}

const across = (v: Sight, p: Point): number => (p.x - v.middle.x) * v.c + (p.y - v.middle.y) * v.s;
const behind = (v: Sight, p: Point): number => (p.y - v.middle.y) * v.c - (p.x - v.middle.x) * v.s;

/**
 * The machine from the side as it stands now: rectangles, the farthest first. A round body is seen as wide as it
 * is; cut at a depth d from its line it shows a face 2·√(r² − d²) wide, open where its hole is, and what lies
 * behind the cut. `places` says where arbors stand, `axes` where axes do.
 */
export function sideFrame(
  scene: SideScene,
  view: SideView,
  places: ReadonlyMap<string, Stance>,
  axes: Readonly<Record<string, Point>>,
): SideRect[] {
  const sight: Sight = {
    ...{ c: Math.cos(view.angle), s: Math.sin(view.angle), middle: scene.middle },
    cut: view.cut ?? -Infinity,
  };
  const rects: SideRect[] = [];
  for (const r of scene.rounds) {
    const stance = places.get(r.place);
    const centre = r.at ?? stance?.centre ?? axes[r.place];
    if (centre) putRound(rects, sight, r, centre, (stance?.angle ?? 0) + r.phase);
  }
  for (const b of scene.bars) putBar(rects, sight, b, places);
  for (const p of scene.plates) putPlate(rects, sight, p);
  return rects.sort((a, b) => b.depth - a.depth || Number(a.cut) - Number(b.cut));
}

function putRound(rects: SideRect[], v: Sight, r: SideRound, centre: Point, angle: number): void {
  const [at, depth] = [across(v, centre), behind(v, centre)];
  if (depth + r.radius <= v.cut) return;
  // Written out, not spread: this is done for every round thing in every frame.
  const put = (half: number, near: number): number =>
    rects.push({
      what: 'round',
      of: r,
      left: at - half,
      right: at + half,
      low: r.low,
      high: r.high,
      depth: near,
      cut: false,
      at,
      angle,
    });
  const off = v.cut - depth;
  if (off <= -r.radius) {
    put(r.radius, depth - r.radius);
    return;
  }
  const half = Math.sqrt(r.radius ** 2 - off ** 2);
  // Behind a cut before its line the whole width is still there; the face is as wide as the chord.
  put(off < 0 ? r.radius : half, Math.max(depth, v.cut) + 1e-6);
  const hole = r.inner > Math.abs(off) ? Math.sqrt(r.inner ** 2 - off ** 2) : 0;
  const face = (left: number, right: number): number =>
    rects.push({
      what: 'round',
      of: r,
      left,
      right,
      low: r.low,
      high: r.high,
      depth: v.cut,
      cut: true,
      at,
      angle,
    });
  if (hole === 0) face(at - half, at + half);
  else {
    face(at - half, at - hole);
    face(at + hole, at + half);
  }
}

function putBar(rects: SideRect[], v: Sight, b: SideBar, places: ReadonlyMap<string, Stance>): void {
  const from = places.get(b.from);
  if (!from) return;
  const turned = from.angle + b.angle;
  const tip = {
    x: from.centre.x + b.length * Math.cos(turned),
    y: from.centre.y + b.length * Math.sin(turned),
  };
  const to = b.to === undefined ? tip : places.get(b.to)?.centre;
  if (!to) return;
  const [p, q] = [across(v, from.centre), across(v, to)];
  const [dp, dq] = [behind(v, from.centre), behind(v, to)];
  const half = b.width / 2;
  const common = { of: b, at: p, angle: turned, cut: false };
  if (Math.max(dp, dq) + half > v.cut)
    rects.push({
      ...common,
      what: 'bar',
      left: Math.min(p, q) - half,
      right: Math.max(p, q) + half,
      low: b.low,
      high: b.high,
      depth: Math.min(dp, dq) - half,
    });
  if (b.ball > 0 && dq + b.ball > v.cut) {
    const middle = b.ballAt ?? (b.low + b.high) / 2;
    rects.push({
      ...common,
      what: 'ball',
      left: q - b.ball,
      right: q + b.ball,
      low: middle - b.ball,
      high: middle + b.ball,
      depth: dq - b.ball,
    });
  }
}

/**
 * A plate is as wide as its border is seen; cut, only as wide as its border behind the cut, and its face as wide as
 * it is there.
 */
function putPlate(rects: SideRect[], v: Sight, plate: SidePlate): void {
  const seenAt = (line: readonly Point[]): { along: number; off: number }[] =>
    line.map(p => ({ along: across(v, p), off: behind(v, p) - v.cut }));
  const points = seenAt(plate.border);
  const behindCut = points.filter(p => p.off >= 0);
  if (behindCut.length === 0) return;
  const faces = crossedStretches(points);
  const seen = [...behindCut.map(p => p.along), ...faces.flat()];
  const common = { what: 'plate' as const, of: plate, low: plate.low, high: plate.high, at: 0, angle: 0 };
  const nearest = Math.max(v.cut, Math.min(...plate.border.map(p => behind(v, p))));
  rects.push({
    ...common,
    left: Math.min(...seen),
    right: Math.max(...seen),
    depth: nearest + 1e-6,
    cut: false,
  });
  const holes = plate.holes.flatMap(h => crossedStretches(seenAt(h)));
  for (const [left, right] of stretchesWithout(faces, holes))
    rects.push({ ...common, left, right, depth: v.cut, cut: true });
}

/**
 * Where the edges of a wheel's teeth are seen, from the middle of the machine; only those on the side of the
 * viewer.
 */
export function sideTeeth(rect: SideRect, viewAngle: number, put: (across: number) => void): void {
  const round = rect.of as SideRound;
  if (rect.what !== 'round' || round.teeth === 0) return;
  const step = (2 * Math.PI) / round.teeth;
  for (let i = 0; i < round.teeth; i++) {
    const a = rect.angle + i * step - viewAngle;
    // The viewer stands where sin is least.
    if (Math.sin(a) < 0) put(rect.at + round.radius * Math.cos(a));
  }
}
