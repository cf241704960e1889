/** Two rings of pegs whose axes meet at right angles; lengths in mm. */
export interface PegPair {
  readonly pegDiameter: number;
  /** How far the pegs of one reach past the near side of the other's, where both stand on the line of centres. */
  readonly reach: number;
  readonly counts: readonly [number, number];
  readonly radii: readonly [number, number];
}

/** A vector in space: x from the first axis outwards, y the way pegs go where they meet, z along the first axis. */
export type Vector = readonly [number, number, number];

/** A peg of the driver at an angle, pushing one of the driven: where, along which normal, and the driven's angle. */
export interface PegContact {
  /** Angles of the two pegs from the line of centres, radians, positive the way they go. */
  readonly driver: number;
  readonly driven: number;
  readonly at: Vector;
  /** Unit normal from the driver's peg to the driven's. */
  readonly normal: Vector;
  /** Whether the flat end of a peg scrapes, rather than side on side. */
  readonly edge: boolean;
}

/** How far a peg has drawn back past the end of the other's at an angle, mm: nought while sides meet. */
const drawnBack = (pair: PegPair, radius: number, angle: number): number =>
  Math.max(0, radius * (1 - Math.cos(angle)) - (pair.reach - pair.pegDiameter / 2));

/** Half the width of a peg where the other's end still meets it; undefined once it is past. */
function halfWidth(pair: PegPair, radius: number, angle: number): number | undefined {
  const r = pair.pegDiameter / 2;
  const back = drawnBack(pair, radius, angle);
  return back < r && Math.abs(angle) < Math.PI / 2 ? Math.sqrt(r * r - back * back) : undefined;
}

/**
 * Where the driven peg is met by the driver's peg at an angle. Both are cylinders with flat ends: the driver's
 * stands along z, so it bounds x and y and ends in z; the driven's lies along x, bounds y and z and ends in x. They
 * touch when their distance along y is the sum of their half widths, each taken where the other's end still reaches
 * it. Coming back from ahead, the first such place counts. Undefined when they do not reach each other. Derived here.
 */
export function pegContact(pair: PegPair, driverIsFirst: boolean, driver: number): PegContact | undefined {
  const [own, other] = driverIsFirst ? pair.radii : [pair.radii[1], pair.radii[0]];
  const a = halfWidth(pair, own, driver);
  if (a === undefined) return undefined;
  const target = own * Math.sin(driver) + a;
  const over = (angle: number): number | undefined => {
    const b = halfWidth(pair, other, angle);
    return b === undefined ? undefined : other * Math.sin(angle) - b - target;
  };
  const driven = lastZero(over, largestAngle(pair, other));
  if (driven === undefined) return undefined;
  const b = halfWidth(pair, other, driven);
  return b === undefined ? undefined : contactAt(pair, [own, other], [driver, driven], [a, b]);
}

/** The angle at which a peg has drawn back past the other's end altogether. */
export function largestAngle(pair: PegPair, radius: number): number {
  const cos = 1 - pair.reach / radius;
  return cos <= 0 ? Math.PI / 2 : Math.acos(cos);
}

/** The greatest zero at which a function of an angle rises, within ±limit; it is undefined beyond. */
function lastZero(f: (angle: number) => number | undefined, limit: number): number | undefined {
  const steps = 90;
  let above: number | undefined;
  for (let k = steps - 1; k > -steps; k--) {
    const angle = (limit * k) / steps;
    const value = f(angle);
    if (value === undefined) continue;
    if (value > 0) {
      above = angle;
      continue;
    }
    if (above === undefined) return undefined;
    let [low, high] = [angle, above];
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2;
      if ((f(middle) ?? 1) > 0) high = middle;
      else low = middle;
    }
    return (low + high) / 2;
  }
  return undefined;
}

function contactAt(
  pair: PegPair,
  [own, other]: readonly [number, number],
  [driver, driven]: readonly [number, number],
  [a, b]: readonly [number, number],
): PegContact {
  const [dx, dz] = [drawnBack(pair, own, driver), drawnBack(pair, other, driven)];
  const at: Vector = [
    own * Math.cos(driver) + dx,
    own * Math.sin(driver) + a,
    other * (1 - Math.cos(driven)) - dz,
  ];
  const n: Vector = [dx * b, a * b, a * dz];
  const size = Math.hypot(...n);
  return {
    ...{ driver, driven, at },
    normal: [n[0] / size, n[1] / size, n[2] / size],
    edge: dx > 0 || dz > 0,
  };
}

const dot = (u: Vector, v: Vector): number => u[0] * v[0] + u[1] * v[1] + u[2] * v[2];
const less = (u: Vector, v: Vector): Vector => [u[0] - v[0], u[1] - v[1], u[2] - v[2]];
const times = (u: Vector, s: number): Vector => [u[0] * s, u[1] * s, u[2] * s];

/** What friction does to a contact. */
export interface PegForce {
  /** Radians: friction of this angle or more binds. π/2 where none would. */
  readonly bindingAngle: number;
  /** Power passed on with friction, as a part of that put in; nought or less when it binds. */
  readonly efficiency: number;
  /** Speed of the driven against the driver, turns per turn. */
  readonly ratio: number;
  /**
   * Angle of the force, friction left out, out of the plane in which the driven turns: it pushes that along its
   * axle.
   */
  readonly leaning: number;
}

/**
 * The force at a contact: along the normal, and by friction along the way the driver's peg slides on the driven's. What
 * leans out of the driven's plane pushes it along its axle against its plate, which rubs at the peg circle (the worst
 * place) with the same friction. It binds when no work is left: for a force that leans by β, at 2ρ ≥ 90° − β. Coulomb
 * friction; derived here from the work of the forces.
 */
export function pegForce(
  pair: PegPair,
  driverIsFirst: boolean,
  contact: PegContact,
  friction: number,
): PegForce {
  const other = driverIsFirst ? pair.radii[1] : pair.radii[0];
  const [x, y, z] = contact.at;
  const n = contact.normal;
  const own: Vector = [-y, x, 0];
  const free: Vector = [0, other - z, y];
  const ratio = dot(n, own) / dot(n, free);
  const driven = times(free, ratio);
  const slide = less(own, driven);
  const speed = Math.hypot(...slide);
  const s: Vector = speed < 1e-12 ? [0, 0, 0] : times(slide, 1 / speed);
  const left = (mu: number): number =>
    dot(n, driven) + mu * dot(s, driven) - mu * Math.abs(n[0] + mu * s[0]) * other * Math.abs(ratio);
  const put = dot(n, own) + friction * dot(s, own);
  return {
    bindingAngle: leastBinding(left),
    efficiency: put > 0 ? left(friction) / put : 0,
    ratio,
    leaning: Math.asin(Math.min(1, Math.abs(n[0]))),
  };
}

/** The least angle whose tangent, as friction, leaves no work; π/2 when none does. */
function leastBinding(left: (mu: number) => number): number {
  if (!(left(0) > 0)) return 0;
  const steps = 90;
  for (let k = 1; k < steps; k++) {
    const angle = (k * Math.PI) / (2 * steps);
    if (left(Math.tan(angle)) > 0) continue;
    let [low, high] = [angle - Math.PI / (2 * steps), angle];
    for (let i = 0; i < 30; i++) {
      const middle = (low + high) / 2;
      if (left(Math.tan(middle)) > 0) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  }
  return Math.PI / 2;
}
