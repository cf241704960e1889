import type { Derived } from '@tesseron/core/state';
import type { Label } from '@tesseron/core/drawing';
import { flatten, type Path, type Point } from '@tesseron/core/geometry';
import { indicatorFigure } from '@tesseron/core/indicator';
import type { Indicator } from '@tesseron/core/machine';
import { dialsFirst, eyeOf } from '@tesseron/core/drawings';

/** An indicator as the plan draws it. */
export interface DrawnIndicator {
  readonly indicator: Indicator;
  readonly cut: Path2D;
  readonly engraved: Path2D;
  readonly labels: readonly Label[];
  /** Circles that must be in view, about its axis. */
  readonly reach: number;
}

const CHORD = 0.05;
const kept = new WeakMap<Indicator, { eye: number | undefined; drawn: DrawnIndicator }>();

/** All indicators of a machine, lowest first; figures are kept as long as their indicator is the same. */
export function drawnIndicators(derived: Derived): DrawnIndicator[] {
  return dialsFirst(derived.machine.indicators).map(indicator => {
    const eye = eyeOf(derived, indicator);
    const known = kept.get(indicator);
    if (known && known.eye === eye) return known.drawn;
    const drawn = draw(indicator, eye);
    kept.set(indicator, { eye, drawn });
    return drawn;
  });
}

function draw(indicator: Indicator, eye: number | undefined): DrawnIndicator {
  const { shapes, labels } = indicatorFigure(indicator, eye);
  const paths = (role: string): Path2D => {
    const path = new Path2D();
    for (const s of shapes) if (s.role === role) for (const p of s.paths) trace(path, p);
    return path;
  };
  const reach = indicator.kind === 'body' ? indicator.distance + indicator.radius : indicator.radius;
  return { indicator, cut: paths('cut'), engraved: paths('engrave'), labels, reach };
}

function trace(path: Path2D, line: Path): void {
  const [first, ...rest] = flatten(line, CHORD);
  if (!first) return;
  path.moveTo(first.x, first.y);
  for (const p of rest as Point[]) path.lineTo(p.x, p.y);
  if (line.closed) path.closePath();
}
