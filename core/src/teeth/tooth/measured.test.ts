import { expect } from 'chai';
import { flatten, type Point } from '../../ground/geometry/index.ts';
import { ISO_53_A } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { radians } from '../../ground/units/index.ts';
import {
  inv,
  involuteDimensions,
  involuteFillet,
  involuteOutline,
  STANDARD_SPEC,
  type ToothSpec,
} from './index.ts';

const spec = (change: Partial<ToothSpec>): ToothSpec => ({
  ...STANDARD_SPEC,
  form: ISO_53_A,
  module: 1,
  count: 24,
  ...change,
});
const fine = (s: ToothSpec): Point[] => flatten(must(involuteOutline(s, 0.00002)), 0.00002);

/**
 * Span over k teeth as a caliper measures it on the outline: parallel jaws across the outer flanks of the first and the
 * last tooth. Taken from the points of the outline alone.
 */
function span(s: ToothSpec, k: number): number {
  const d = involuteDimensions(s);
  const form = involuteFillet(s)!.formRadius;
  const pitch = (2 * Math.PI) / s.count;
  const middle = ((k - 1) * pitch) / 2;
  const outer = fine(s).filter(p => {
    const r = Math.hypot(p.x, p.y);
    const a = Math.atan2(p.y, p.x) - (k - 1) * pitch;
    return r >= form && r <= d.tipRadius && a > 0 && a < pitch / 2;
  });
  return 2 * Math.max(...outer.map(p => p.y * Math.cos(middle) - p.x * Math.sin(middle)));
}

/**
 * Distance over two pins in opposite gaps (even counts): a pin sinks until it touches both flanks; found on the
 * outline by bisection.
 */
function overPins(s: ToothSpec, pin: number): number {
  const gap = Math.PI / s.count;
  const points = fine(s).filter(p => Math.abs(Math.atan2(p.y, p.x) - gap) < gap);
  const touches = (r: number): boolean => {
    const c = { x: r * Math.cos(gap), y: r * Math.sin(gap) };
    return points.some(p => Math.hypot(p.x - c.x, p.y - c.y) < pin / 2);
  };
  let [low, high] = [involuteDimensions(s).rootRadius, involuteDimensions(s).tipRadius + pin];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (touches(middle)) low = middle;
    else high = middle;
  }
  return 2 * low + pin;
}

describe('wheels measured as in a workshop', () => {
  // Base tangent lengths for module 1, 20°, as tabulated in handbooks (from memory): z 24, k 3: 7.7165; z 20, k 3:
  // 7.6604; z 40, k 5: 13.8448.
  for (const [count, k, expected] of [
    [24, 3, 7.7165],
    [20, 3, 7.6604],
    [40, 5, 13.8448],
  ] as const) {
    it(`span over ${k} of ${count} teeth, module 1: ${expected} mm`, () => {
      expect(span(spec({ count }), k)).to.be.closeTo(expected, 0.0005);
    });
  }

  it('span follows W = m cos α (π(k − ½) + z inv α) + 2xm sin α − thinning · cos α (ISO 21771)', () => {
    for (const [count, k, shift, thinning, module] of [
      [31, 4, 0.3, 0, 2],
      [18, 3, 0.25, 0.08, 3],
      [55, 7, -0.2, 0.05, 1.5],
    ] as const) {
      const alpha = radians(20);
      const formula =
        module * Math.cos(alpha) * (Math.PI * (k - 0.5) + count * inv(alpha)) +
        2 * shift * module * Math.sin(alpha) -
        thinning * Math.cos(alpha);
      expect(span(spec({ count, module, shift, thinning }), k)).to.be.closeTo(formula, 0.001);
    }
  });

  // Machinery’s Handbook, checking gear size by measurement over wires: pins of 1.728/P, even counts,
  // inv φ₁ = (inv φ − π/2N + G/(N·P·...)): M = D cos φ / cos φ₁ + G (formula from memory).
  it('over pins of 1.728 modules follows the handbook’s formula', () => {
    for (const count of [20, 28, 40]) {
      const pin = 1.728;
      const alpha = radians(20);
      const value = inv(alpha) + pin / (count * Math.cos(alpha)) - Math.PI / (2 * count);
      let phi = 0.4;
      for (let i = 0; i < 50; i++) phi -= (Math.tan(phi) - phi - value) / Math.tan(phi) ** 2;
      const formula = (count * Math.cos(alpha)) / Math.cos(phi) + pin;
      expect(overPins(spec({ count }), pin)).to.be.closeTo(formula, 0.001);
    }
  });

  it('pitch of the flanks along the base circle is π m cos α: one tooth further on, the span has grown by it', () => {
    const s = spec({ count: 40, module: 2.5 });
    expect(span(s, 6) - span(s, 5)).to.be.closeTo(Math.PI * 2.5 * Math.cos(radians(20)), 0.0005);
  });
});
