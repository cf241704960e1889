import { expect } from 'chai';
import {
  cycloidalDimensions,
  cycloidalHalf,
  type HalfTooth,
  involuteHalf,
  lanternHalf,
  type LeafTip,
  pinHalf,
  rackHalf,
  reducerHalf,
  type ReducerSpec,
  ringHalf,
  STANDARD_SPEC,
  type ToothSpec,
} from '../tooth/index.ts';
import { must, type Result } from '../../ground/result/index.ts';
import {
  AS_MADE,
  contactRatio,
  type Engagement,
  internalContactRatio,
  playFromSpread,
  readyToRoll,
  rollCheck,
  rollFindings,
  type RollResult,
  whatIf,
} from './index.ts';

const FORM = { kind: 'involute', pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.38 } as const;
const spec = (count: number, play = 0, module = 2, more: Partial<ToothSpec> = {}): ToothSpec => ({
  ...{ form: FORM, module, count, ...STANDARD_SPEC, thinning: play / 2 },
  ...more,
});
const teeth = (half: Result<HalfTooth>, count: number): { half: HalfTooth; count: number } => ({
  half: must(half),
  count,
});
const roll = (e: Engagement, chord = 0.005): RollResult => {
  const found = rollCheck(readyToRoll(e, chord), 40, chord);
  if (!found) throw new Error('they do not meet');
  return found;
};

function external(za: number, zb: number, play: number, chord = 0.005, module = 2): Engagement {
  return {
    stand: 'external',
    a: teeth(involuteHalf(spec(za, play, module), chord), za),
    b: teeth(involuteHalf(spec(zb, play, module), chord), zb),
    distance: (module * (za + zb)) / 2,
    ...{ lever: (module * zb) / 2, pitch: 0 },
  };
}

function inRing(za: number, zb: number, play: number, shortening: number): Engagement {
  const chord = 0.005;
  return {
    stand: 'internal',
    a: teeth(involuteHalf(spec(za, play), chord), za),
    b: teeth(ringHalf(spec(zb, play, 2, { shortening }), chord), zb),
    distance: zb - za,
    ...{ lever: zb, pitch: 0 },
  };
}

const onRack = (z: number, play: number): Engagement => ({
  stand: 'rack',
  a: teeth(involuteHalf(spec(z, play), 0.005), z),
  b: teeth(rackHalf(spec(1, play)), 1),
  ...{ distance: z, lever: 1, pitch: 2 * Math.PI },
});

/** A clock wheel of module 1 driving a pinion, as a maker has it who says nothing. */
function clock(wheel: number, leaves: number, tip: LeafTip, chord: number): Engagement {
  const leaf = leaves > 10 ? 1.25 : 1.05;
  const common = { module: 1, practical: 0.95, fillet: 0.2, tip };
  const w = { ...common, count: wheel, mate: leaves, drives: true, thickness: Math.PI / 2, dedendum: 1.5 };
  const deep = cycloidalDimensions(w).addendum + 0.4;
  const p = { ...common, count: leaves, mate: wheel, drives: false, thickness: leaf, dedendum: deep };
  return {
    stand: 'external',
    a: teeth(cycloidalHalf(w, chord), wheel),
    b: teeth(cycloidalHalf(p, chord), leaves),
    ...{ distance: (wheel + leaves) / 2, lever: leaves / 2, pitch: 0 },
  };
}

const CHORD = 0.005;
/** Conjugate pairs of every kind, with the play that was asked for. */
const PAIRS: Readonly<Record<string, (play: number) => Engagement>> = {
  'involute 20 and 40': p => external(20, 40, p),
  'involute 18 and 24, module 3': p => external(18, 24, p, CHORD, 3),
  'wheel of 20 in a ring of 60': p => inRing(20, 60, p, -0.2),
  'wheel of 30 on a rack': p => onRack(30, p),
  'lantern, 40 and 10 pins': p => ({
    stand: 'external',
    a: teeth(
      lanternHalf(
        { module: 2, count: 40, pins: 10, pinDiameter: 2.6, play: p, practical: 0.9, clearance: 0.2 },
        CHORD,
      ),
      40,
    ),
    b: { half: pinHalf(10, 2.6), count: 10 },
    ...{ distance: 50, lever: 10, pitch: 0 },
  }),
};

describe('pairs that roll on each other', () => {
  for (const [name, pair] of Object.entries(PAIRS)) {
    it(`with play roll without overlap, with the play that was asked: ${name}`, () => {
      const r = roll(pair(0.1));
      expect(r.deepestOverlap).to.equal(0);
      expect(r.leastGap).to.be.greaterThan(0.03);
      expect(r.leastPlay, 'play as asked to 0.005 mm').to.be.within(0.095, 0.11);
      expect(r.mostPlay).to.be.below(0.112);
      expect(r.contactRatio).to.be.greaterThan(1.1);
      expect(rollFindings('m', r, CHORD)).to.deep.equal([]);
    });

    it(`without play overlap by no more than the chord error, and turn evenly: ${name}`, () => {
      const r = roll(pair(0));
      expect(r.deepestOverlap).to.be.at.most(CHORD);
      expect(r.transmissionError, 'one and a half chord errors (conventions 12)').to.be.at.most(
        1.5 * CHORD + 1e-4,
      );
    });
  }

  it('keep to 15.5 seconds of arc at chords of 0.002 mm and a radius of 40 mm (conventions 12)', () => {
    const r = roll(external(20, 40, 0.05, 0.002), 0.002);
    expect((r.transmissionError / 40) * 206265).to.be.below(15.5);
  });

  it('a clock wheel drives its pinion within the bounds for its leaves, with eased tips', () => {
    const chord = 0.0005;
    for (const [leaves, most] of [
      [12, 0.0025],
      [10, 0.0025],
      [8, 0.004],
      [6, 0.013],
    ] as const) {
      const r = roll(clock(60, leaves, 'eased', chord), chord);
      expect(r.transmissionError, `${leaves} leaves`).to.be.below(most);
      expect(r.deepestOverlap).to.equal(0);
      expect(r.contactRatio, 'a chord error at most between them, nearly throughout').to.be.greaterThan(0.9);
    }
  });

  it('tips of leaves from round to high ogive strike the earlier the more pointed they are', () => {
    const errors = (['eased', 'round', 'medium ogive', 'high ogive'] as const).map(
      tip => roll(clock(60, 8, tip, 0.005)).transmissionError,
    );
    expect([...errors].sort((a, b) => a - b)).to.deep.equal(errors);
    expect(errors[3]! / errors[0]!).to.be.greaterThan(5);
  });

  it('pins of a reducer stand off its disc within two and a half chord errors of each other', () => {
    const s: ReducerSpec = {
      lobes: 11,
      pins: 12,
      pinDiameter: 6,
      pinCircleRadius: 30,
      eccentricity: 1.5,
      offset: 0.1,
    };
    const e: Engagement = {
      stand: 'internal',
      a: teeth(reducerHalf(s, CHORD), 11),
      b: { half: pinHalf(30, 6), count: 12 },
      ...{ distance: 1.5, lever: 30, pitch: 0 },
    };
    const r = roll(e);
    expect(r.deepestOverlap).to.equal(0);
    expect(r.leastGap, 'the gap that was asked').to.be.within(0.1 - 1.25 * CHORD, 0.1 + 1.25 * CHORD);
  });

  it('lobes that reach far round their pins are clear all round too, and overlap when the pins grow', () => {
    for (const [lobes, eccentricity, pinDiameter] of [
      [10, 2.045, 4.8],
      [10, 2.3, 4.8],
      [7, 2.5, 5],
      [16, 1.3, 3],
    ] as const) {
      const pins = lobes + 1;
      const s = { lobes, pins, pinDiameter, pinCircleRadius: 30, eccentricity, offset: 0.1 };
      const e = (pin: number): Engagement => ({
        stand: 'internal',
        a: teeth(reducerHalf(s, CHORD), lobes),
        b: { half: pinHalf(30, pin), count: pins },
        ...{ distance: eccentricity, lever: 30, pitch: 0 },
      });
      const r = roll(e(pinDiameter));
      expect(r.deepestOverlap, `${lobes} lobes`).to.equal(0);
      expect(r.leastGap).to.be.within(0.1 - 1.25 * CHORD, 0.1 + 1.25 * CHORD);
      const thick = roll(e(pinDiameter + 0.3));
      expect(thick.deepestOverlap, 'pins 0.15 mm thicker all round').to.be.above(0.04);
    }
  });
});

describe('rolled and by formula', () => {
  it('contact ratios agree: external, ring and rack (ISO 21771)', () => {
    for (const [za, zb] of [
      [20, 40],
      [19, 37],
      [30, 90],
    ] as const)
      expect(
        roll(external(za, zb, 0.05, 0.002), 0.002).contactRatio / contactRatio(spec(za), spec(zb), za + zb),
      ).to.be.within(0.95, 1.06);
    const ring = roll(inRing(20, 60, 0.05, -0.2)).contactRatio;
    expect(ring / internalContactRatio([spec(20), spec(60, 0, 2, { shortening: -0.2 })], 40)).to.be.within(
      0.95,
      1.1,
    );
  });

  it('centres moved apart add 2Δa·tan α of play (conventions 13)', () => {
    const e = external(20, 40, 0);
    const more = roll(whatIf(e, { apart: 0.1, thicker: 0 }, CHORD)).leastPlay - roll(e).leastPlay;
    expect(more).to.be.closeTo(playFromSpread(0.1, 20), 0.004);
  });

  it('everything thicker by t takes 4t/cos α of play, and so does a ring', () => {
    for (const e of [external(20, 40, 0.3), inRing(20, 60, 0.3, -0.2)]) {
      const less = roll(e).leastPlay - roll(whatIf(e, { apart: 0, thicker: 0.03 }, CHORD)).leastPlay;
      expect(less).to.be.closeTo((4 * 0.03) / Math.cos(Math.PI / 9), 0.01);
    }
    const e = external(20, 40, 0.3);
    expect(whatIf(e, AS_MADE, CHORD)).to.deep.equal(e);
  });

  it('a ring of very many teeth is a rack', () => {
    const ring = roll(inRing(30, 4000, 0.1, 0));
    const rack = roll(onRack(30, 0.1));
    expect(ring.contactRatio).to.be.closeTo(rack.contactRatio, 0.1);
    expect(ring.leastPlay).to.be.closeTo(rack.leastPlay, 0.003);
  });

  it('teeth that are no mates overlap, knock or turn unevenly, and are said to', () => {
    const odd: Engagement = { ...external(20, 40, 0.1), b: external(20, 40, 0.1, CHORD, 2.2).b };
    const codes = rollFindings('m', rollCheck(readyToRoll(odd, CHORD), 40, CHORD), CHORD).map(f => f.code);
    expect(codes).to.include('outlines-overlap');
    const far = rollCheck(readyToRoll({ ...external(20, 40, 0.1), distance: 80 }, CHORD), 20, CHORD);
    expect(rollFindings('m', far, CHORD).map(f => f.code)).to.deep.equal(['rolls-without-meeting']);
    const apart = roll(whatIf(external(20, 40, 0.1), { apart: 3, thicker: 0 }, CHORD));
    expect(rollFindings('m', apart, CHORD).map(f => f.code)).to.include('contact-broken');
  });

  it('a law that is no constant ratio is rolled by its samples over whole turns', () => {
    const e = external(20, 40, 0.1);
    const straight = { ...e, law: [0, -Math.PI / 2, -Math.PI] };
    const same = rollCheck(readyToRoll(straight, CHORD), 60, CHORD, 1);
    expect(same?.deepestOverlap).to.equal(0);
    const bent = { ...e, law: [0, -Math.PI / 2 - 0.02, -Math.PI] };
    const other = rollCheck(readyToRoll(bent, CHORD), 60, CHORD, 1);
    expect(
      other!.deepestOverlap,
      'a wheel that does not follow its own law runs into its mate',
    ).to.be.greaterThan(0.05);
  });
});
