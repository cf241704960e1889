import type { Label, Shape } from '../../ground/drawing/index.ts';
import { circle, type Path, polar } from '../../ground/geometry/index.ts';
import { type Dial, GROUND, type Ring } from '../../document/machine/index.ts';
import { fixingScrew } from '../../document/bought/index.ts';
import { radians } from '../../ground/units/index.ts';
import { writings } from './numerals.ts';
import { windowPath } from './window-path.ts';

const ORIGIN = { x: 0, y: 0 };

/** A dial as it is cut and engraved, about its axis, its nought along x; a label's `angle` turns it about its place. */
export interface DialFigure {
  readonly shapes: readonly Shape[];
  readonly labels: readonly Label[];
}

/**
 * The figure of a dial: outline and windows to cut, rings, divisions, moons to engrave, numerals as labels. `hole`
 * is the diameter of the opening for what passes through it. Upright numerals stand upright when the dial is turned
 * to its setting.
 */
export function dialFigure(dial: Dial, hole?: number): DialFigure {
  const outline = [
    circle(ORIGIN, dial.radius),
    ...(hole && hole / 2 < dial.radius ? [circle(ORIGIN, hole / 2, false)] : []),
    ...dial.windows.map(windowPath),
    ...screwHoles(dial),
  ];
  const { moons: said } = dial;
  const moons = said && [0, Math.PI].map(a => circle(polar(ORIGIN, said.distance, a), said.radius));
  return {
    shapes: [
      { name: dial.name, role: 'cut', paths: outline },
      ...dial.rings.map((r, i) => ({
        name: `${dial.name}, ring ${i + 1}`,
        role: 'engrave' as const,
        paths: divisionPaths(dial, r),
      })),
      ...(moons ? [{ name: `${dial.name}, moons`, role: 'engrave' as const, paths: moons }] : []),
    ],
    labels: dial.rings.flatMap(r => numeralLabels(dial, r)),
  };
}

/** Holes that let the screws pass by which a dial that stands is held, on the dial as it lies before it is turned. */
function screwHoles({ fixed, member, settingDeg }: Dial): Path[] {
  const screw = fixed?.by === 'screws' && member === GROUND ? fixingScrew(fixed.screw) : undefined;
  if (!screw || fixed?.by !== 'screws') return [];
  const first = radians(fixed.atDeg - settingDeg);
  return Array.from({ length: fixed.number }, (_, i) =>
    circle(
      polar(ORIGIN, fixed.circle / 2, first + (2 * Math.PI * i) / fixed.number),
      screw.clearance / 2,
      false,
    ),
  );
}

/** The angle on a dial of a part of its full turn: the way that it counts. */
export const dialAngle = (dial: Pick<Dial, 'sense'>, part: number): number =>
  2 * Math.PI * part * (dial.sense === 'clockwise' ? -1 : 1);

/** Division lines of a ring: long ones from the inner to the outer circle, the others from half way. */
function divisionPaths(dial: Dial, ring: Ring): Path[] {
  const half = (ring.inner + ring.outer) / 2;
  return Array.from({ length: ring.divisions }, (_, i) => {
    const a = dialAngle(dial, i / ring.divisions);
    const from = ring.long === undefined || i % ring.long === 0 ? ring.inner : half;
    return {
      start: polar(ORIGIN, from, a),
      segments: [{ kind: 'line' as const, to: polar(ORIGIN, ring.outer, a) }],
      closed: false,
    };
  });
}

/**
 * Height of a capital over the height of its letters: numerals are set so that their middle is where they are
 * placed.
 */
const CAPITAL = 0.7;

function numeralLabels(dial: Dial, ring: Ring): Label[] {
  const { numerals } = ring;
  if (!numerals) return [];
  return writings(ring).map(({ text, part }) => {
    const at = dialAngle(dial, part);
    const angle = numerals.stand === 'upright' ? -radians(dial.settingDeg) : at - Math.PI / 2;
    const middle = polar(ORIGIN, numerals.radius, at);
    const down = polar(ORIGIN, (numerals.height * CAPITAL) / 2, angle - Math.PI / 2);
    return {
      text,
      x: middle.x + down.x,
      y: middle.y + down.y,
      height: numerals.height,
      role: 'engrave',
      angle,
    };
  });
}
