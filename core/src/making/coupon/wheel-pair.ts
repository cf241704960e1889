import type { Drawing, Group } from '../../ground/drawing/index.ts';
import { circle, polygon, strokeText } from '../../ground/geometry/index.ts';
import type { InvoluteForm, Process } from '../../document/machine/index.ts';
import { compensated, growthOf } from '../process/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { STANDARD_SPEC, toothFigure } from '../../teeth/tooth/index.ts';
import { radians } from '../../ground/units/index.ts';

/** Counts of the two wheels, and by how much their centres are spread from one pair of holes to the next, mm. */
const COUNTS = [12, 18] as const;
const SPREADS = [0, 0.05, 0.1, 0.15, 0.2, 0.3];

/**
 * The plays that the pairs of holes stand for, mm along the pitch circle: spreading by Δa gives 2·Δa·tan α
 * (conventions 13).
 */
export const pairPlays = (pressureAngleDeg: number): number[] =>
  SPREADS.map(s => 2 * s * Math.tan(radians(pressureAngleDeg)));

/**
 * Two small wheels without play, and a plate in which their centres stand further apart from pair to pair; the rod
 * goes through all holes.
 */
export function wheelPairDrawing(
  form: InvoluteForm,
  module: number,
  process: Process,
  rod: number,
  chordError: number,
): Result<Drawing> {
  const growth = growthOf(process);
  const distance = (module * (COUNTS[0] + COUNTS[1])) / 2;
  const groups: Group[] = [];
  for (const [i, count] of COUNTS.entries()) {
    const spec = { ...STANDARD_SPEC, module, count, form };
    const figure = toothFigure({ family: 'involute', spec }, chordError);
    if (!figure.ok) return figure;
    if (figure.value.rootRadius <= rod / 2 + module) return fail('bore-too-large-for-coupon', { rod });
    const paths = compensated(
      figure.value.outline,
      [circle({ x: 0, y: 0 }, (rod + 0.15) / 2, false)],
      growth,
      chordError,
    );
    if (!paths.ok) return paths;
    const [outline = figure.value.outline, ...holes] = paths.value;
    const x = i * (distance + 3 * module);
    groups.push({
      name: `wheel ${count}`,
      x,
      y: 0,
      angle: 0,
      labels: [],
      shapes: [
        { name: 'bore', role: 'cut', paths: holes },
        { name: `wheel ${count}`, role: 'cut', paths: [outline] },
      ],
    });
  }
  const [pitch, margin] = [rod + 6, rod + 3];
  const [width, height] = [distance + 2 * margin, pitch * SPREADS.length + margin];
  const holes = SPREADS.flatMap((s, i) => {
    const y = margin + i * pitch;
    return [
      { x: margin, y },
      { x: margin + distance + s, y },
    ].map(p => circle(p, rod / 2, false));
  });
  const text = pairPlays(form.pressureAngleDeg).flatMap((play, i) =>
    strokeText(play.toFixed(3), { x: margin + distance / 2, y: margin + i * pitch - 1.2 }, 2.4),
  );
  const outline = polygon([
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ]);
  const paths = compensated(outline, holes, growth, chordError);
  if (!paths.ok) return paths;
  const [border = outline, ...made] = paths.value;
  groups.push({
    name: 'plate',
    x: 0,
    y: -height - (module * COUNTS[1]) / 2 - 3 * module,
    angle: 0,
    labels: [],
    shapes: [
      { name: 'plays', role: 'engrave', paths: text },
      { name: 'holes', role: 'cut', paths: made },
      { name: 'plate', role: 'cut', paths: [border] },
    ],
  });
  return ok({
    title: `Coupon: wheel pair, ${process.name || process.kind}`,
    notes: [
      'Put the wheels on pins in one pair of holes after another: note the play with which they run best.',
      'Compensated as the profile says now.',
    ],
    groups,
  });
}
