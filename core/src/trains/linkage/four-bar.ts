import { type Point, rotate } from '../../ground/geometry/index.ts';

/**
 * A four-bar against the axis of its crank, which stands at 0, 0; lengths mm. The coupler's point stands along the
 * coupler from the crank's pin and to the left of it.
 */
export interface FourBar {
  readonly crank: number;
  readonly coupler: number;
  readonly rocker: number;
  /** Where the axis of the rocker stands. */
  readonly ground: Point;
  /** The rocker's pin stands to the right of the way from the crank's pin to the rocker's axis. */
  readonly other: boolean;
  readonly point: Point;
}

/** The four lengths, mm: `ground` is how far the axes stand apart. */
export interface FourLengths {
  readonly crank: number;
  readonly coupler: number;
  readonly rocker: number;
  readonly ground: number;
}

/** The lengths of a four-bar. */
export const lengthsOf = ({ crank, coupler, rocker, ground }: FourBar): FourLengths => ({
  ...{ crank, coupler, rocker },
  ground: Math.hypot(ground.x, ground.y),
});

/**
 * Whether the crank goes all the way round: with the axes farthest and nearest from its pin the other two still make a
 * triangle. Source: Grashof 1883 in the form of Norton, Design of Machinery; from memory.
 */
export function crankGoesRound({ crank, coupler, rocker, ground }: FourLengths): boolean {
  const [near, far] = [Math.abs(ground - crank), ground + crank];
  return far < coupler + rocker && near > Math.abs(coupler - rocker);
}

/**
 * The least transmission angle over a whole turn of the crank, radians: between coupler and rocker where the pin is
 * farthest from and nearest to the rocker's axis. Source: Norton, Design of Machinery; from memory.
 */
export function leastTransmission({ crank, coupler, rocker, ground }: FourLengths): number {
  const sharp = (across: number): number => {
    const cos = (coupler ** 2 + rocker ** 2 - across ** 2) / (2 * coupler * rocker);
    return Math.acos(Math.min(1, Math.abs(cos)));
  };
  return Math.min(sharp(Math.abs(ground - crank)), sharp(ground + crank));
}

/** Where the parts stand with the crank's pin at an angle, radians; undefined where it cannot close. */
export function standsAt(
  linkage: FourBar,
  angle: number,
): { readonly pin: Point; readonly end: Point; readonly point: Point } | undefined {
  const { crank, coupler, rocker, ground, other, point } = linkage;
  const pin = { x: crank * Math.cos(angle), y: crank * Math.sin(angle) };
  const [dx, dy] = [ground.x - pin.x, ground.y - pin.y];
  const across = Math.hypot(dx, dy);
  const along = (coupler * coupler - rocker * rocker + across * across) / (2 * across);
  const square = coupler * coupler - along * along;
  if (!(square >= 0)) return undefined;
  const aside = other ? -Math.sqrt(square) : Math.sqrt(square);
  const [ux, uy] = [dx / across, dy / across];
  const end = { x: pin.x + along * ux - aside * uy, y: pin.y + along * uy + aside * ux };
  const [cx, cy] = [(end.x - pin.x) / coupler, (end.y - pin.y) / coupler];
  return {
    ...{ pin, end },
    point: { x: pin.x + point.x * cx - point.y * cy, y: pin.y + point.x * cy + point.y * cx },
  };
}

/** The way of the coupler's point over a turn, in so many steps; undefined where it cannot close all the way. */
export function couplerPath(linkage: FourBar, steps: number): Point[] | undefined {
  const path: Point[] = [];
  for (let i = 0; i < steps; i++) {
    const at = standsAt(linkage, (2 * Math.PI * i) / steps);
    if (!at) return undefined;
    path.push(at.point);
  }
  return path;
}

/** The same linkage larger by a factor and turned by an angle. */
export function scaledAndTurned(linkage: FourBar, by: number, angle: number): FourBar {
  const at = rotate(linkage.ground, angle);
  return {
    ...{ crank: linkage.crank * by, coupler: linkage.coupler * by, rocker: linkage.rocker * by },
    ...{ ground: { x: at.x * by, y: at.y * by }, other: linkage.other },
    point: { x: linkage.point.x * by, y: linkage.point.y * by },
  };
}

/** How wide and high something is, mm. */
export interface Room {
  readonly width: number;
  readonly height: number;
}

/** By how much something is wider or higher than its room, mm; nothing where there is no end of room. */
export const beyond = (room: Room | undefined, takes: Room): number =>
  room ? Math.max(0, takes.width - room.width, takes.height - room.height) : 0;

/** How wide and high all that moves of it is over a turn, its axes included, mm. */
export function roomOf(linkage: FourBar, steps = 90): Room {
  const all: Point[] = [{ x: 0, y: 0 }, linkage.ground];
  for (let i = 0; i < steps; i++) {
    const at = standsAt(linkage, (2 * Math.PI * i) / steps);
    if (at) all.push(at.pin, at.end, at.point);
  }
  const [xs, ys] = [all.map(p => p.x), all.map(p => p.y)];
  return {
    width: Math.max(...xs) - Math.min(...xs),
    height: Math.max(...ys) - Math.min(...ys),
  };
}
