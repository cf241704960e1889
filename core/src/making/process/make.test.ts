import { expect } from 'chai';
import fc from 'fast-check';
import { KINDS } from '../../../test/kinds.ts';
import { newMachine, type Process } from '../../document/machine/index.ts';
import { bedOf, cautionsFor, cautionsOf, gapOf, inchDrill, metricDrill, rateOf, sheetsOf } from './index.ts';

const tool = (kind: Process['kind'], more: Partial<Process> = {}): Process => ({
  id: 'p',
  name: 'p',
  kind,
  ...more,
});

describe('drills', () => {
  it('of fractions of an inch are sixty-fourths in lowest terms: 3.175 mm is 1/8, 7.938 is 5/16, 38.1 is 1 1/2', () => {
    expect(inchDrill(3.175).name).to.equal('1/8 in');
    expect(inchDrill(7.938).name).to.equal('5/16 in');
    expect(inchDrill(38.1).name).to.equal('1 1/2 in');
    expect(inchDrill(25.4).name).to.equal('1 in');
    expect(inchDrill(0.1).name, 'the least there is').to.equal('1/64 in');
  });

  it('are never further off than half a step, and say by how much', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.05, max: 30, noNaN: true }), d => {
        const [mm, inch] = [metricDrill(d), inchDrill(d)];
        expect(Math.abs(mm.over)).to.be.at.most(0.05 + 1e-9);
        expect(Math.abs(inch.over)).to.be.at.most(25.4 / 128 + 1e-9);
        expect(mm.size - mm.over).to.be.closeTo(d, 1e-9);
        expect(inch.size - inch.over).to.be.closeTo(d, 1e-9);
      }),
    );
  });
});

describe('what is usual of a tool', () => {
  it('gives way to what its maker says', () => {
    expect(gapOf(tool('laser'))).to.equal(2);
    expect(gapOf(tool('laser', { gap: 0 }))).to.equal(0);
    expect(rateOf(tool('saw', { rate: 7 }))).to.equal(7);
    expect(bedOf(tool('printer', { bed: { width: 1, depth: 2, height: 3 } }))).to.deep.equal({
      width: 1,
      depth: 2,
      height: 3,
    });
  });

  it('a printer lays on its bed, others on the sheets of their material, or a usual one', () => {
    const stock = { id: 'm', name: 'm', sheets: [{ width: 300, height: 200, number: 2 }] };
    expect(sheetsOf(tool('printer', { bed: { width: 180, depth: 170, height: 90 } }), stock)).to.deep.equal([
      { width: 180, height: 170 },
    ]);
    expect(sheetsOf(tool('router'), stock)).to.deep.equal(stock.sheets);
    expect(sheetsOf(tool('router'), { ...stock, sheets: [] }).length).to.equal(1);
    expect(sheetsOf(tool('saw'), undefined).length).to.equal(1);
  });
});

describe('cautions', () => {
  it('say of every tool what is usual, and of all that running gears pinch (common practice, no source)', () => {
    for (const kind of ['laser', 'printer', 'router', 'saw'] as const)
      expect(cautionsFor(kind)).to.include.members(['pinch', 'strength']);
    expect(cautionsFor('laser')).to.include('laser-chlorine');
    expect(cautionsFor('saw')).to.include('no-gloves');
    expect(cautionsFor('printer')).to.not.include('guards');
  });

  it('follow from magnets, springs and weights, motors, and small pins', () => {
    const plain = newMachine('m');
    expect(cautionsOf(plain)).to.deep.equal([]);
    expect(cautionsOf({ ...plain, drive: { ...plain.drive!, by: 'clockwork' } })).to.deep.equal([
      'stored-energy',
    ]);
    expect(cautionsOf({ ...plain, drive: { ...plain.drive!, by: 'motor' } })).to.deep.equal(['mains']);
    const magnetic = {
      ...plain,
      toothings: [
        {
          ...plain.toothings[0]!,
          form: {
            kind: 'magnetic' as const,
            magnet: { shape: 'round' as const, diameter: 5 },
            gap: 1,
            wall: 1,
          },
        },
      ],
    };
    expect(cautionsOf(magnetic)).to.deep.equal(['magnets']);
    expect(cautionsOf(KINDS['reducer with output pins']!)).to.include('small-parts');
  });
});
