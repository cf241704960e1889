import { expect } from 'chai';
import { DEMOS } from '../../../test/machines.ts';
import { type Machine } from '../../document/machine/index.ts';
import { editForFix, setToothing } from '../../edits/change/index.ts';
import { sayFinding } from '../../files/words/index.ts';
import { derive } from '../derive/index.ts';

const heron = DEMOS['wading-heron']!;
const toothing = heron.toothings[0]!;
const fuses = (m: Machine): ReturnType<typeof derive>['findings'] =>
  derive(m).findings.filter(f => f.code === 'in-place-fuses');
const withFits = (free: number, m: Machine = heron): Machine => ({
  ...m,
  processes: m.processes.map(p => ({ ...p, fits: { free } })),
});

describe('what is printed in mesh', () => {
  it('fuses where less stands between flanks than the printer keeps apart, on each side', () => {
    expect(fuses(heron)).to.deep.equal([]);
    const tight = setToothing(toothing.id, { play: 0.1 })(heron);
    const [first, ...more] = fuses(tight);
    expect(more.length, 'two sets, each with a sun and a ring').to.equal(3);
    // 0.1 along the pitch circle, half on each side, across flanks of 20°: 0.05·cos 20°.
    expect(first?.data).to.deep.include({ least: 0.125, where: 'flanks' });
    expect((first?.data as { is: number }).is).to.be.closeTo(0.05 * Math.cos((20 * Math.PI) / 180), 1e-9);
    expect(sayFinding(first!, tight).title).to.contain('would fuse');
  });

  it('goes by what the printer’s own coupon says', () => {
    expect(fuses(withFits(0.6)).length).to.be.greaterThan(0);
    expect(fuses(withFits(0.1, setToothing(toothing.id, { play: 0.15 })(heron)))).to.deep.equal([]);
  });

  it('is mended by so much play, and by no less', () => {
    const tight = setToothing(toothing.id, { play: 0.1 })(heron);
    const mend = fuses(tight)[0]!.fixes[0]!;
    expect(mend.code).to.equal('set-play');
    const first = editForFix(mend as never)(tight);
    expect(fuses(first).length, 'its own set, and not the other').to.equal(2);
    expect(fuses(editForFix(fuses(first)[0]!.fixes[0] as never)(first))).to.deep.equal([]);
    const less = setToothing(toothing.id, { play: (mend.value as number) - 0.01 })(heron);
    expect(fuses(less).length).to.be.greaterThan(0);
  });

  it('fuses at its tips where the clearance there is less, however much play the flanks have', () => {
    const deep = { ...toothing, form: { ...toothing.form, dedendum: 1.02 } } as typeof toothing;
    const m = withFits(0.1, { ...heron, toothings: [deep] });
    const [found] = fuses(m);
    expect(found?.data).to.deep.include({ where: 'tips' });
    // 0.02 modules of 1.5 mm.
    expect((found?.data as { is: number }).is).to.be.closeTo(0.03, 1e-6);
  });

  it('is not judged for what is cut', () => {
    const cut = {
      ...heron,
      processes: heron.processes.map(p => ({ ...p, kind: 'laser' as const, kerf: 0.1 })),
    };
    expect(fuses(setToothing(toothing.id, { play: 0.02 })(cut))).to.deep.equal([]);
  });
});
