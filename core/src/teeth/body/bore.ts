import { circle, type Path, type Point, polygon, type Segment } from '../../ground/geometry/index.ts';
import type { Wheel } from '../../document/machine/index.ts';
import type { Findings } from '../../ground/result/index.ts';

type Bore = NonNullable<Wheel['bore']>;
/** A bore that is there. */
export type Hole = Exclude<Bore, { kind: 'none' }>;
export type Fit = NonNullable<Hole['fit']>;

/**
 * How much larger a hole measures than its arbor, mm across (common practice, no source): for a press, a sliding
 * and a free fit. The process adds its own.
 */
export const FIT_ALLOWANCE: Readonly<Record<Fit, number>> = { press: -0.05, sliding: 0.1, free: 0.25 };

/** What a process leaves for each fit; what it does not say is the usual. */
export type Allowances = { readonly [K in Fit]?: number | undefined };

/** What a fit leaves, across: as a process says, or the usual. */
export const fitAllowance = (fit: Fit, says: Allowances = {}): number => says[fit] ?? FIT_ALLOWANCE[fit];

/** What a hole is larger by for its fit; nothing when none is said, so that the size is the hole's own. */
const allowanceOf = (hole: Hole, says?: Allowances): number => (hole.fit ? fitAllowance(hole.fit, says) : 0);

/** The greatest distance from the axis to which a hole reaches, mm, its fit included. */
export function boreReach(hole: Hole, says?: Allowances): number {
  const more = allowanceOf(hole, says) / 2;
  switch (hole.kind) {
    case 'round':
    case 'D':
      return hole.diameter / 2 + more;
    case 'hex':
      return (hole.across / 2 + more) / Math.cos(Math.PI / 6);
    case 'square':
      return (hole.across / 2 + more) * Math.SQRT2;
    case 'keyed':
      return Math.hypot(hole.diameter / 2 + hole.depth + more, hole.width / 2 + more);
  }
}

/** Why a hole cannot be, as a code; undefined when it can. */
export function boreFault(hole: Hole): Findings['bore-fault']['fault'] | undefined {
  if (hole.kind === 'D' && !(hole.flat > hole.diameter / 2 && hole.flat < hole.diameter))
    return 'flat-off-the-round';
  if (hole.kind === 'keyed' && !(hole.width < hole.diameter)) return 'key-too-wide';
  return undefined;
}

/** The hole as a closed path about the axis, clockwise; a flat, a key and the first corner's flat face along x. */
export function borePath(hole: Hole, says?: Allowances): Path {
  const more = allowanceOf(hole, says) / 2;
  switch (hole.kind) {
    case 'round':
      return circle({ x: 0, y: 0 }, hole.diameter / 2 + more, false);
    case 'hex':
      return flats(hole.across / 2 + more, 6);
    case 'square':
      return flats(hole.across / 2 + more, 4);
    case 'D':
      return withFlat(hole.diameter / 2 + more, hole.flat - hole.diameter / 2 + more);
    case 'keyed':
      return withKey(hole.diameter / 2 + more, hole.width / 2 + more, hole.diameter / 2 + hole.depth + more);
  }
}

function flats(inner: number, sides: number): Path {
  const outer = inner / Math.cos(Math.PI / sides);
  const corner = (i: number): Point => {
    const a = -((2 * i + 1) * Math.PI) / sides;
    return { x: outer * Math.cos(a), y: outer * Math.sin(a) };
  };
  return polygon(Array.from({ length: sides }, (_, i) => corner(i)));
}

function withFlat(radius: number, flat: number): Path {
  const y = Math.sqrt(radius * radius - flat * flat);
  const start = { x: flat, y };
  const to = { x: flat, y: -y };
  return {
    start,
    segments: [
      { kind: 'line', to },
      { kind: 'arc', to: start, centre: { x: 0, y: 0 }, ccw: false },
    ],
    closed: true,
  };
}

function withKey(radius: number, half: number, bottom: number): Path {
  const x = Math.sqrt(radius * radius - half * half);
  const start = { x, y: half };
  const segments: Segment[] = [
    { kind: 'line', to: { x: bottom, y: half } },
    { kind: 'line', to: { x: bottom, y: -half } },
    { kind: 'line', to: { x, y: -half } },
    { kind: 'arc', to: start, centre: { x: 0, y: 0 }, ccw: false },
  ];
  return { start, segments, closed: true };
}
