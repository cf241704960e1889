import { circle, type Path, polar } from '../../ground/geometry/index.ts';
import type { Indicator } from '../../document/machine/index.ts';
import { type DialFigure, dialFigure } from './dial-figure.ts';
import { handPaths } from './hand-figure.ts';

const ORIGIN = { x: 0, y: 0 };

/**
 * What an indicator looks like about its axis, before it is turned to its setting: `eye` is the diameter of its
 * hole, or of what passes through a standing dial. A half-dark globe has its lit half along x.
 */
export function indicatorFigure(indicator: Indicator, eye?: number): DialFigure {
  const cut = (paths: Path[]): DialFigure => ({
    shapes: [{ name: indicator.name, role: 'cut', paths }],
    labels: [],
  });
  switch (indicator.kind) {
    case 'hand':
      return cut(handPaths(indicator, eye ?? 0));
    case 'dial':
      return dialFigure(indicator, eye);
    case 'globe': {
      const globe = cut([circle(ORIGIN, indicator.radius)]);
      const dark = {
        name: `${indicator.name}, dark half`,
        role: 'engrave' as const,
        paths: [darkHalf(indicator.radius)],
      };
      return indicator.half ? { ...globe, shapes: [...globe.shapes, dark] } : globe;
    }
    case 'body':
      return cut([circle(polar(ORIGIN, indicator.distance, 0), indicator.radius)]);
  }
}

/** The half disc away from x. */
const darkHalf = (radius: number): Path => ({
  start: { x: 0, y: radius },
  segments: [
    { kind: 'arc', to: { x: 0, y: -radius }, centre: ORIGIN, ccw: true },
    { kind: 'line', to: { x: 0, y: radius } },
  ],
  closed: true,
});
