import type { Derived } from '../../state/state/index.ts';
import type { Drawing, Shape } from '../../ground/drawing/index.ts';
import { type Path, polygon } from '../../ground/geometry/index.ts';
import { byId, type Wheel } from '../../document/machine/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import {
  type BevelCone,
  blankProfile,
  endTemplate,
  usualFaceWidth,
  wrapStrip,
} from '../../teeth/tooth/index.ts';
import { mm } from '../../ground/units/index.ts';

/**
 * The flat patterns of a bevel: what is wrapped round the turned blank, what the blank is turned to, and its large
 * end.
 */
export type BevelPattern = 'strip' | 'blank' | 'end';

/** Height of the strip, mm. */
const STRIP = 20;

interface Found {
  readonly wheel: Wheel;
  readonly cone: BevelCone;
  readonly teeth: Extract<Derived['wheels'][string]['teeth'], { family: 'bevel' }>;
  readonly coneDistance: number;
  readonly faceWidth: number;
}

/** A bevel's cone, its pair's cone distance and its face width: as said, or the usual one. */
export function bevelOf(derived: Pick<Derived, 'machine' | 'wheels'>, wheelId: string): Found | undefined {
  const { machine } = derived;
  const wheel = byId(machine.wheels, wheelId);
  const teeth = derived.wheels[wheelId]?.teeth;
  if (!wheel || teeth?.family !== 'bevel') return undefined;
  const { cone, spec } = teeth;
  const coneDistance = cone.pitchAngle === 0 ? Infinity : cone.pitchDiameter / 2 / Math.sin(cone.pitchAngle);
  const faceWidth =
    byId(machine.toothings, wheel.toothing)?.faceWidth ?? usualFaceWidth(coneDistance, spec.module);
  return { wheel, cone, teeth, coneDistance, faceWidth };
}

/** One flat pattern of a bevel as a drawing at true size. */
export function bevelDrawing(
  derived: Pick<Derived, 'machine' | 'wheels' | 'chordError'>,
  wheelId: string,
  pattern: BevelPattern,
): Result<Drawing> {
  const found = bevelOf(derived, wheelId);
  if (!found) return fail('not-a-bevel');
  const { wheel, cone, teeth } = found;
  const shapes = patternShapes(found, pattern, derived.chordError);
  if (!shapes.ok) return shapes;
  const says: Readonly<Record<BevelPattern, string>> = {
    strip:
      `Wrap round the outside of the turned blank, ${mm(cone.outsideDiameter, 3)} ` +
      `across; a line for every tooth, ${cone.count} in all.`,
    blank: 'Half section of the blank: x along the axis from the apex of the cone, y from the axis outwards.',
    end:
      `The large end rolled out flat (${cone.count} of ` +
      `${mm(cone.virtualCount, 3).replace(' mm', '')} teeth): roll it round the back cone.`,
  };
  return ok({
    title: `${derived.machine.name}: ${wheel.name}, ${pattern}`,
    notes: ['True size, millimetres.', says[pattern], `Module ${mm(teeth.spec.module, 4)} at the large end.`],
    groups: [{ name: wheel.name, x: 0, y: 0, angle: 0, shapes: shapes.value, labels: [] }],
  });
}

function patternShapes(
  { wheel, cone, teeth, coneDistance, faceWidth }: Found,
  pattern: BevelPattern,
  chordError: number,
): Result<readonly Shape[]> {
  if (pattern === 'strip') return ok(stripShapes(wheel.name, cone));
  if (pattern === 'end') {
    const down = teeth.spec.module * (teeth.spec.form.dedendum + 2);
    const outline = endTemplate(
      teeth.spec,
      cone,
      chordError,
      (cone.virtualCount * teeth.spec.module) / 2 - down,
    );
    return outline.ok ? ok([{ name: wheel.name, role: 'cut', paths: [outline.value] }]) : outline;
  }
  const hole = wheel.bore && wheel.bore.kind === 'round' ? wheel.bore.diameter : 0;
  const root =
    cone.pitchDiameter - 2 * teeth.spec.module * teeth.spec.form.dedendum * Math.cos(cone.pitchAngle);
  const hubDiameter = wheel.body?.hubDiameter ?? Math.min(0.75 * root, Math.max(2 * hole, 0.4 * root));
  const blank = { faceWidth, bore: hole, hubDiameter, hubLength: 3 * teeth.spec.module };
  const path = blankProfile(cone, teeth.spec.form.dedendum * teeth.spec.module, coneDistance, blank);
  return path.ok ? ok([{ name: wheel.name, role: 'cut', paths: [path.value] }]) : path;
}

function stripShapes(name: string, cone: BevelCone): Shape[] {
  const strip = wrapStrip(cone.outsideDiameter, cone.count);
  const corner = (x: number, y: number): { x: number; y: number } => ({ x, y });
  const border = polygon([
    corner(0, 0),
    corner(strip.length, 0),
    corner(strip.length, STRIP),
    corner(0, STRIP),
  ]);
  const mark = (x: number): Path => ({
    start: { x, y: 0 },
    segments: [{ kind: 'line', to: { x, y: STRIP } }],
    closed: false,
  });
  return [
    { name: `${name}, strip`, role: 'cut', paths: [border] },
    { name: `${name}, teeth`, role: 'engrave', paths: strip.marks.map(mark) },
  ];
}
