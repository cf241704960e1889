import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import { diameterOf, flatParts } from '../../making/workshop/index.ts';
import { hardwareList } from '../../making/lists/index.ts';
import { integrityProblems, type Machine, type Wheel } from '../../document/machine/index.ts';
import { mend } from '../../edits/edit/index.ts';
import { must } from '../../ground/result/index.ts';
import { type Point } from '../../ground/geometry/index.ts';
import { setBody, setToothing, setWheel } from '../../edits/change/index.ts';
import { dividesInto } from './index.ts';

type Body = NonNullable<Wheel['body']>;
const pair = arrange({ a: {}, b: { at: [50, 0] } }, { 'a.u': 20, 'b.w': 60 }, [['a.u', 'b.w']]);
/** A wheel of 60, module 2: roots 115 across; bore 8. */
const made = (bolts: Body['bolts'], web: Body['web'] = { kind: 'solid' }): Machine =>
  setWheel('b-w', { bore: { kind: 'round', diameter: 8 } })(
    setBody('b-w', { bolts, web })(setToothing('toothing1', { size: { by: 'module', module: 2 } })(pair)),
  );
const codes = (m: Machine): string[] =>
  derive(m)
    .findings.map(f => f.code)
    .filter(c => c.startsWith('bolts'));

describe('a bolt circle', () => {
  it('is holes that let its screws pass, evenly on the circle, the first at tooth 0', () => {
    const m = made({ number: 6, circle: 60, screw: 'M4' });
    expect(codes(m)).to.deep.equal([]);
    const part = flatParts(derive(m)).parts.find(p => p.id === 'b-w')!;
    const holes = part.holes.filter(h => Math.abs((diameterOf(h) ?? 0) - 4.5) < 1e-9);
    expect(holes).to.have.length(6);
    const at = holes.map(h => (h.segments[0] as { centre: Point }).centre);
    for (const p of at) expect(Math.hypot(p.x, p.y)).to.be.closeTo(30, 1e-9);
    // A hexagon has sides as long as its radius.
    expect(Math.hypot(at[0]!.x - at[1]!.x, at[0]!.y - at[1]!.y)).to.be.closeTo(30, 1e-9);
    expect(
      hardwareList(derive(m))
        .rows.find(r => r[0] === 'screw with nut')!
        .slice(0, 4),
    ).to.deep.equal(['screw with nut', 'M4', '', 6]);
    const wheel = m.wheels.find(w => w.id === 'b-w')!;
    expect(
      [2, 3, 4, 6].map(n => dividesInto(wheel, n)),
      'pieces that are alike',
    ).to.deep.equal([true, true, false, true]);
  });

  it('keeps stock to bore, roots and itself, and says between what it must lie; each is mended', () => {
    // By hand: 8/2 + 2 + 3.4/2 from the middle, and 115/2 − 2 − 3.4/2.
    for (const [circle, code] of [
      [15.3, 'bolts-at-edge'],
      [107.7, 'bolts-at-edge'],
    ] as const) {
      const m = made({ number: 2, circle, screw: 'M3' });
      expect(codes(m), `${circle}`).to.deep.equal([code]);
      expect(codes(must(mend(derive(m).findings.find(f => f.code === code)!.fixes[0]!)(m)))).to.deep.equal(
        [],
      );
    }
    for (const circle of [15.5, 107.5])
      expect(codes(made({ number: 2, circle, screw: 'M3' })), `${circle}`).to.deep.equal([]);
    // Side by side holes of 3.4 need 5.4 from middle to middle: 30·sin(π/17) = 5.51 and 30·sin(π/18) = 5.21.
    expect(codes(made({ number: 17, circle: 30, screw: 'M3' }))).to.deep.equal([]);
    const many = made({ number: 18, circle: 30, screw: 'M3' });
    const finding = derive(many).findings.find(f => f.code === 'bolts-meet')!;
    expect(finding.data).to.deep.equal({ number: 18, most: 17 });
    expect(codes(must(mend(finding.fixes[0]!)(many)))).to.deep.equal([]);
  });

  it('lies in the spokes, or breaks into the web and is told', () => {
    const web: Body['web'] = { kind: 'spokes', number: 4, width: 12 };
    expect(codes(made({ number: 4, circle: 70, screw: 'M3' }, web))).to.deep.equal([]);
    const m = made({ number: 5, circle: 70, screw: 'M3' }, web);
    expect(codes(m)).to.deep.equal(['bolts-in-opening']);
    const { fixes } = derive(m).findings.find(f => f.code === 'bolts-in-opening')!;
    for (const f of fixes) expect(codes(must(mend(f)(m))), f.code).to.deep.equal([]);
  });

  it('of screws that are not bought is refused', () => {
    expect(integrityProblems(made({ number: 4, circle: 40, screw: 'M3.3' })).map(p => p.code)).to.deep.equal([
      'screw-unknown',
    ]);
  });
});
