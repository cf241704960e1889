import { expect } from 'chai';
import { newAim, newMachine } from '../../document/machine/index.ts';
import { derive } from '../../state/derive/index.ts';
import { DIAL_STARTS, newIndicator, startRings, withHandAndDial } from './index.ts';

const machine = (wanted: string): ReturnType<typeof newMachine> => {
  const empty = newMachine('m');
  return { ...empty, aims: [{ ...newAim(empty, 'Moon', wanted), member: 'drive' }] };
};

describe('a new indicator', () => {
  it('is of a size that goes with the radius it is given', () => {
    const made = (kind: 'hand' | 'dial' | 'globe' | 'body'): unknown =>
      newIndicator(machine('29.53 d'), kind, 'drive', 48);
    expect(made('globe')).to.include({ kind: 'globe', radius: 12, name: 'Moon' });
    expect(made('body')).to.include({ kind: 'body', radius: 4, distance: 48 });
    expect(made('hand')).to.include({ kind: 'hand', radius: 48, settingDeg: 90 });
    expect(made('dial')).to.include({ kind: 'dial', radius: 48 });
  });

  it('has its rings within the dial, the track outside and the numerals within it, at every size', () => {
    for (const start of DIAL_STARTS)
      for (const radius of [10, 60]) {
        const [ring] = startRings(start, radius);
        expect(ring!.outer, start).to.be.closeTo(0.96 * radius, 1e-9);
        expect(ring!.inner).to.be.closeTo(0.88 * radius, 1e-9);
        if (ring!.numerals) {
          expect(ring!.numerals.radius).to.be.within(0.7 * radius, ring!.inner);
          expect(ring!.numerals.height).to.be.within(0.05 * radius, 0.15 * radius);
        }
      }
  });

  it('over a dial of its own counts the days of what its output keeps, or 30 where that is none', () => {
    const names = (wanted: string): readonly string[] => {
      const m = machine(wanted);
      const made = withHandAndDial(m, derive(m).train.rates, 'drive', 40).machine;
      const dial = made.indicators.find(i => i.kind === 'dial')!;
      const writes = dial.kind === 'dial' ? dial.rings[0]!.numerals?.writes : undefined;
      return writes?.kind === 'names' ? writes.names : [];
    };
    expect(names('29.53 d')[5]).to.equal('14.8');
    expect(names('224.7 d')[5]).to.equal('112.3');
  });
});
