import { expect } from 'chai';
import fc from 'fast-check';
import { readDxf, writeDxf } from '../../files/format/index.ts';
import { runCutter } from '../dry-run/index.ts';
import { bounds, flatten, strokeText } from '../../ground/geometry/index.ts';
import { ISO_53_A, type Machine, newMachine, type Process } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import {
  couponDrawing,
  couponsFor,
  estimate,
  fittedFrom,
  ladderHoles,
  pairGaps,
  pairPlays,
  type Reading,
  SQUARE,
  STRIP,
  STRIPS,
  wheelPairDrawing,
  withFitted,
} from './index.ts';

const LASER: Process = { id: 'p', name: 'Laser', kind: 'laser', kerf: 0.2 };
type Measured = Machine['measurements'][number];
const reading = (what: Reading, nominal: number, value: number, i = 0): Measured => ({
  id: `r${i}`,
  subject: 'p',
  what,
  nominal,
  value,
  unit: 'mm',
  at: '',
});
const machine = (...measurements: Measured[]): Machine => ({ ...newMachine('m'), measurements });

describe('coupons', () => {
  it('a comb cut dry with a known kerf gives that kerf back', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 0.9, noNaN: true }), kerf => {
        const text = writeDxf(must(couponDrawing('kerf comb', { ...LASER, kerf: 0.5 }, 6, 0.005)));
        const run = must(runCutter({ name: 'comb.dxf', text }, { kerf, rate: 10, travel: 100, pierce: 1 }));
        const strips = run.dropped.filter(d => d.kind === 'part');
        expect(strips.length).to.equal(STRIPS);
        const over = strips.reduce((s, d) => s + d.width, 0);
        const found = fittedFrom(machine(reading('comb', STRIPS * STRIP.width, over)), LASER).kerf!;
        expect(found.value).to.be.closeTo(kerf, 1e-3);
        expect(withFitted(LASER, { kerf: found }).kerf).to.be.closeTo(kerf, 2e-3);
      }),
      { numRuns: 12 },
    );
  });

  it(
    'a square printed 0.16 mm too wide, its hole 0.3 too small and its first layer 0.4 ' +
      'wider give growth 0.08, shrinkage 0.3, flare 0.2',
    () => {
      const m = machine(
        reading('outside', SQUARE.side, 30.16, 1),
        reading('hole', SQUARE.hole, 11.7, 2),
        reading('first layer', 30.16, 30.56, 3),
      );
      const found = fittedFrom(m, LASER);
      const p = withFitted({ id: 'p', name: 'P', kind: 'printer' }, found);
      expect([p.outlineGrowth, p.holeShrink, p.flare]).to.deep.equal([0.08, 0.3, 0.2]);
      expect(found.flare!.within, 'one reading says nothing of how sure it is').to.equal(undefined);
      expect(fittedFrom(m, { id: 'another' })).to.deep.equal({});
    },
  );

  it('a comb that measures more than it was drawn gives no kerf, not one below nought', () => {
    const process = { id: 'p', name: 'p', kind: 'laser' } as const;
    const reading = { id: 'm', subject: 'p', what: 'comb', nominal: 100, value: 100.4, unit: 'mm', at: '' };
    const fitted = fittedFrom({ measurements: [reading] }, process);
    expect(fitted.kerf!.value).to.be.closeTo(-0.04, 1e-9);
    expect(withFitted(process, fitted).kerf).to.equal(0);
  });

  it('three readings are as sure as Student’s t says: 10.0, 10.1, 10.2 → 10.1 ± 0.248 at 95 %', () => {
    // s = 0.1, t = 4.303 for two degrees of freedom (standard tables), 4.303 · 0.1 / √3 = 0.2484.
    const found = estimate([10, 10.1, 10.2]);
    expect(found.value).to.be.closeTo(10.1, 1e-12);
    expect(found.within).to.be.closeTo(0.2484, 0.0005);
    expect(() => estimate([])).to.throw('no readings');
    const many = estimate(Array.from({ length: 50 }, (_, i) => 5 + (i % 2)));
    expect(many.within).to.be.below(0.15);
  });

  it('the hole that a rod presses into, slides in, turns in become the allowances of the process', () => {
    const m = machine(
      reading('press', 6.02, 5.99, 1),
      reading('sliding', 6.02, 6.12, 2),
      reading('free', 6.02, 6.27, 3),
    );
    expect(withFitted(LASER, fittedFrom(m, LASER)).fits).to.deep.equal({
      press: -0.03,
      sliding: 0.1,
      free: 0.25,
    });
    expect(withFitted(LASER, {}).fits).to.equal(undefined);
  });

  it(
    'all can be cut: every line that is not engraved closed, holes as large as they are ' +
      'named less the kerf that burns them open',
    () => {
      for (const kind of ['laser', 'router', 'saw', 'printer'] as const)
        for (const coupon of couponsFor(kind)) {
          if (coupon === 'wheel pair') continue;
          const drawing = must(couponDrawing(coupon, { ...LASER, kind, cutter: 1 }, 6, 0.005));
          for (const l of must(readDxf(writeDxf(drawing))).lines)
            expect(l.closed || l.layer === 'engrave', coupon).to.equal(true);
        }
      const ladder = must(couponDrawing('bore ladder', LASER, 6, 0.005));
      const run = must(
        runCutter({ name: 'l.dxf', text: writeDxf(ladder) }, { kerf: 0.2, rate: 10, travel: 100, pierce: 1 }),
      );
      const [part] = run.dropped.filter(d => d.kind === 'part');
      const sizes = part!.paths
        .slice(1)
        .map(h => bounds(h))
        .map(b => b.maxX - b.minX)
        .sort((a, b) => a - b);
      ladderHoles(6).forEach((d, i) => expect(sizes[i]).to.be.closeTo(d, 0.01));
      expect(pairGaps()[0]).to.equal(0.05);
    },
  );

  it('a pair of wheels stands at plays from none on: 0.1 mm further apart at 20° is 0.0728 mm (conventions 13)', () => {
    expect(pairPlays(20)[0]).to.equal(0);
    expect(pairPlays(20)[2]).to.be.closeTo(0.0728, 5e-5);
    const drawing = must(wheelPairDrawing(ISO_53_A, 1.5, LASER, 5, 0.005));
    const plate = drawing.groups.at(-1)!;
    const holes = plate.shapes.find(s => s.name === 'holes')!.paths.map(p => bounds(flatten(p, 0.01)));
    const apart = (i: number): number => holes[2 * i + 1]!.minX - holes[2 * i]!.minX;
    expect(apart(0)).to.be.closeTo((1.5 * 30) / 2, 1e-6);
    expect(apart(3) - apart(0)).to.be.closeTo(0.15, 1e-6);
    expect(wheelPairDrawing(ISO_53_A, 0.5, LASER, 5, 0.005).ok).to.equal(false);
  });

  it('letters stay on their height and do not run into each other; 66 and 89 are underlined, 12 is not', () => {
    const box = bounds(strokeText('AW 0189', { x: 10, y: 20 }, 3).flatMap(p => flatten(p, 0.01)));
    expect(box.maxY - box.minY).to.be.closeTo(3, 1e-9);
    expect((box.minX + box.maxX) / 2).to.be.closeTo(10, 1e-9);
    const low = (t: string): number =>
      bounds(strokeText(t, { x: 0, y: 0 }, 6).flatMap(p => flatten(p, 0.01))).minY;
    expect([low('66') < 0, low('89') < 0, low('12') < 0, low('60 A') < 0]).to.deep.equal([
      true,
      true,
      false,
      false,
    ]);
    expect(strokeText('☾', { x: 0, y: 0 }, 6).length).to.equal(1);
    expect(strokeText('é', { x: 0, y: 0 }, 6)).to.deep.equal(strokeText('E', { x: 0, y: 0 }, 6));
  });
});

describe('the parts of a coupon', () => {
  it('are numbered from one, side by side', () => {
    const comb = must(couponDrawing('kerf comb', LASER, 6, 0.01));
    const names = comb.groups.map(g => g.name).filter(n => n.startsWith('strip'));
    expect(names).to.deep.equal(Array.from({ length: STRIPS }, (_, i) => `strip ${i + 1}`));
    const at = comb.groups.map(g => g.x);
    expect([...at].sort((a, b) => a - b)).to.deep.equal(at);
  });
});
