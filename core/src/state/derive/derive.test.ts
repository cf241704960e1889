import { Clipper, FillRule } from 'clipper2-ts';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { KINDS } from '../../../test/kinds.ts';
import { plantTrain } from '../../edits/planting/index.ts';
import { flatten, rotate, signedArea } from '../../ground/geometry/index.ts';
import { type Aim, type Machine, newAim, newMachine, readMachine } from '../../document/machine/index.ts';
import { patch, setAim, setSpread, setToothing, setWheel } from '../../edits/change/index.ts';
import { mend } from '../../edits/edit/index.ts';
import { stancesAt } from '../../place/motion/index.ts';
import { rational, toNumber } from '../../ground/rational/index.ts';
import { type Finding, type FindingCode, must } from '../../ground/result/index.ts';
import { sayFinding, sayFix, sayProblem } from '../../files/words/index.ts';
import { type AimState, searchedState } from '../state/index.ts';
import { askedInTurn } from '../state/index.ts';
import { derive } from './index.ts';
import { findingIn, withFix } from '../../../test/find.ts';

const starter = must(
  readMachine(readFileSync(new URL('../../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8')),
);
const pair = (a: number, b: number): Machine =>
  plantTrain(
    {
      ...newMachine('pair'),
      aims: [
        {
          id: 'a',
          name: 'a',
          wanted: `${a}/${b}`,
          sense: 'either',
          tolerance: { amount: '1', over: '100 turns' },
          frame: 'ground',
        },
      ],
    },
    'a',
    { stages: [{ driving: a, driven: b }], module: 2, coaxial: 'none' },
  );
const found = <C extends FindingCode>(m: Machine, code: C): Finding<C> | undefined =>
  findingIn(derive(m).findings, code);
const firstWheel = (m: Machine): string => m.wheels[0]!.id;

describe('what follows from a machine', () => {
  it('is made anew only where an edit reaches', () => {
    const before = derive(starter);
    for (const _ of askedInTurn(before.stages));
    const named = derive(setAim('tide', { name: 'Tide' })(starter), before);
    expect(named.train).to.equal(before.train);
    expect(named.wheels).to.equal(before.wheels);
    expect(named.positions).to.equal(before.positions);
    const arbor = derive(
      patch('members', starter.members[1]!.id, m => ({ ...m, name: 'Lay' }))(starter),
      before,
    );
    expect(arbor.wheels).to.equal(before.wheels);
    const swung = derive(
      patch('axes', 'axis2', a => ({ ...a, place: { ...a.place, angleDeg: 30 } as typeof a.place }))(starter),
      before,
    );
    expect(swung.wheels).to.equal(before.wheels);
    expect(swung.positions).to.not.equal(before.positions);
    const id = starter.wheels[0]!.id;
    const counted = derive(setWheel(id, { teeth: { kind: 'count', count: 82 } })(starter), before);
    expect(counted.wheels[id]!.outline).to.not.equal(before.wheels[id]!.outline);
    const other = starter.wheels[5]!.id;
    expect(counted.wheels[other]!.outline, 'other outlines are the very same').to.equal(
      before.wheels[other]!.outline,
    );
  });

  it('is the same whether made at once or step by step', () => {
    let derived = derive(newMachine('x'));
    for (const m of [
      pair(20, 30),
      setWheel(firstWheel(pair(20, 30)), { shift: 0.2 })(pair(20, 30)),
      starter,
    ]) {
      derived = derive(m, derived);
      for (const _ of askedInTurn(derived.stages));
    }
    const { stages: _a, ...grown } = derived;
    const { stages: _b, ...fresh } = derive(starter);
    expect(grown).to.deep.equal(fresh);
  });

  it('never crashes on any kind of machine, and every finding has words and every fix works', () => {
    for (const m of Object.values(KINDS)) {
      for (const f of derive(m).findings) {
        const words = sayFinding(f, m);
        expect(words.title.length * words.why.length).to.be.greaterThan(0);
        for (const fix of f.fixes) {
          const mended = mend(fix)(m);
          if (mended.ok) expect(mended.value, sayFix(fix, m)).to.not.equal(m);
          else expect(sayProblem(mended.problem), sayFix(fix, m)).to.match(/\.$/);
        }
      }
    }
  });

  it('says of what it cannot do yet that it cannot, and does the rest', () => {
    expect(found(KINDS['sector wheel']!, 'teeth-not-drawn')).to.not.equal(undefined);
  });
});

describe('findings about teeth', () => {
  const fixed = (m: Machine, code: FindingCode): boolean => {
    const f = found(m, code);
    expect(f, code).to.not.equal(undefined);
    expect(f!.fixes.length, `${code} offers a fix`).to.be.greaterThan(0);
    return found(withFix(m, f!.fixes[0]), code) === undefined;
  };

  it('undercut: found, and mended by its fix; 17 at 20° is only a note (conventions 14)', () => {
    expect(fixed(pair(10, 40), 'undercut')).to.equal(true);
    expect(found(pair(10, 40), 'undercut')!.severity).to.equal('warn');
    expect(found(pair(17, 40), 'undercut')!.severity).to.equal('note');
    expect(found(pair(18, 40), 'undercut')).to.equal(undefined);
  });

  it('pointed and thin tips', () => {
    const m = setWheel(firstWheel(pair(10, 40)), { shift: 1.2 })(pair(10, 40));
    expect(fixed(m, 'pointed-tip')).to.equal(true);
    const thin = setWheel(firstWheel(pair(12, 40)), { shift: 0.75 })(pair(12, 40));
    expect(found(thin, 'thin-tip') ?? found(thin, 'pointed-tip')).to.not.equal(undefined);
  });

  it('pointed tips without any shift are mended by stub teeth', () => {
    const m = pair(9, 40);
    const t = m.toothings[0]!;
    const steep = setToothing(t.id, {
      form: { ...t.form, pressureAngleDeg: 32, addendum: 1.3, fillet: 0.1, dedendum: 1 } as typeof t.form,
    })(m);
    const code = found(steep, 'pointed-tip') ? 'pointed-tip' : 'thin-tip';
    expect(fixed(steep, code)).to.equal(true);
  });

  it('too little contact by profile shift is mended by less of it', () => {
    const m = pair(18, 24);
    const shifted = setWheel(m.wheels[0]!.id, { shift: 0.7 })(setWheel(m.wheels[1]!.id, { shift: 0.9 })(m));
    expect(fixed(shifted, 'little-contact')).to.equal(true);
  });

  it('bore through the root, and a wall too thin', () => {
    const bore = (diameter: number): Machine =>
      setWheel(firstWheel(pair(20, 40)), { bore: { kind: 'round', diameter } })(pair(20, 40));
    expect(fixed(bore(40), 'bore-through-root')).to.equal(true);
    expect(fixed(bore(33), 'thin-wall')).to.equal(true);
    expect(found(bore(30), 'thin-wall')).to.equal(undefined);
  });

  it('too little contact when the centres are spread, mended by bringing them back', () => {
    const m = pair(20, 40);
    expect(fixed(setSpread(m.joints[0]!.id, 2)(m), 'little-contact')).to.equal(true);
    expect(fixed(setSpread(m.joints[0]!.id, -1)(m), 'no-play')).to.equal(true);
  });

  it('a fillet larger than the gap', () => {
    const m = pair(20, 40);
    const t = m.toothings[0]!;
    const big = setToothing(t.id, {
      form: { ...t.form, pressureAngleDeg: 25, fillet: 0.8 } as typeof t.form,
    })(m);
    expect(fixed(big, 'fillet-too-large')).to.equal(true);
  });

  it('wheels of different toothings or layers, and a wheel with itself', () => {
    const m = pair(20, 40);
    const other = { ...m.toothings[0]!, id: 'other' };
    expect(
      found(
        {
          ...m,
          toothings: [...m.toothings, other],
          wheels: m.wheels.map((w, i) => (i === 1 ? { ...w, toothing: 'other' } : w)),
        },
        'toothings-differ',
      ),
    ).to.not.equal(undefined);
    expect(found(setWheel(firstWheel(m), { layer: 3 })(m), 'layers-differ')).to.not.equal(undefined);
    expect(
      found(
        { ...m, joints: m.joints.map(j => (j.kind === 'mesh' ? { ...j, b: j.a } : j)) },
        'wheel-meshes-itself',
      ),
    ).to.not.equal(undefined);
  });
});

describe('aims', () => {
  it('turned the wrong way are mended by an idler', () => {
    const m = setAim('a', { sense: 'with the drive' })(pair(20, 40));
    const f = found(m, 'wrong-sense')!;
    const mended = withFix(m, f.fixes[0]);
    expect(derive(mended).aims['a']!.status).to.equal('met');
  });

  it('are missed by the drift that is said, and met again when more is allowed', () => {
    const m = setAim('a', { wanted: '0.5001' })(pair(20, 40));
    const state = derive(m).aims['a']!;
    expect(state.status).to.equal('missed');
    expect(found(m, 'aim-missed')!.data.drift).to.be.closeTo(-0.0001 * 100 * 360, 1e-9);
    expect(
      derive(setAim('a', { tolerance: { amount: '4', over: '100 turns' } })(m)).aims['a']!.status,
    ).to.equal('met');
  });

  it('of a free drive say between themselves what its turn stands for; alone, an output is always right', () => {
    const m = setAim('a', { wanted: '24 h' })({
      ...pair(20, 40),
      drive: { member: 'drive', speed: { kind: 'free' } },
    });
    const d = derive(m);
    expect(toNumber(d.standsFor!), 'half a turn in 24 h').to.equal(43200);
    expect(d.aims['a']!.status).to.equal('met');
    const bare = derive({ ...m, aims: m.aims.map(({ member: _, ...a }) => a) });
    expect(bare.standsFor).to.equal(undefined);
    expect(bare.aims['a']!.problem?.code).to.equal('drive-has-no-period');
  });

  it('that are limits are met on their side only', () => {
    const timed = {
      ...pair(20, 40),
      drive: { member: 'drive', speed: { kind: 'period' as const, text: '90 rpm' } },
    };
    const status = (wanted: string): string => derive(setAim('a', { wanted })(timed)).aims['a']!.status;
    expect(status('under 45 rpm')).to.equal('met');
    expect(status('under 44.99 rpm')).to.equal('missed');
    expect(status('over 45 rpm')).to.equal('met');
    expect(status('over 46 rpm')).to.equal('missed');
    expect(found(setAim('a', { wanted: 'over 46 rpm' })(timed), 'limit-missed')).to.not.equal(undefined);
  });

  it('per distance follow the way that the drive rolls', () => {
    const m = setAim('a', { wanted: '1 per 0.8 m' })(pair(20, 40));
    expect(derive(m).aims['a']!.problem?.code).to.equal('drive-has-no-travel');
    const rolling = { ...m, drive: { ...m.drive!, travel: '0.4 m round' } };
    expect(derive(rolling).aims['a']!.error).to.deep.equal(rational(0));
  });

  it('seen from an arm are reckoned in its frame (conventions 8)', () => {
    const day = { member: 'drive', speed: { kind: 'period' as const, text: '24 h' } };
    const on = (wanted: string, seenFrom: Partial<NonNullable<Aim['seenFrom']>>): AimState =>
      derive(
        setAim('a', {
          wanted,
          seenFrom: {
            arm: '365.256363 d',
            armSense: 'with the drive',
            stated: 'against the ground',
            drivenBy: 'the drive',
            ...seenFrom,
          },
        })({ ...pair(20, 40), drive: day }),
      ).aims['a']!;
    const moon = on('27.321661547 d', {}).frame!;
    expect(1 / toNumber(moon.seen), 'a sidereal month from the Earth’s arm is a synodic one').to.be.closeTo(
      29.530589,
      1e-5,
    );
    expect(1 / toNumber(on('29.530588853 d', { stated: 'seen from the arm' }).frame!.ground)).to.be.closeTo(
      27.321662,
      1e-5,
    );
    const still = on('still', { drivenBy: 'a standing wheel' });
    const slow = on('10 d', { arm: '5 d', drivenBy: 'a standing wheel' });
    expect(searchedState(slow).wanted, 'searched: (1/10 − 1/5) / (−1/5)').to.deep.equal(rational(1, 2));
    expect(searchedState({ ...slow, frame: undefined }).wanted).to.deep.equal(slow.wanted);
    expect(
      [still.wanted, still.sense],
      'a globe that keeps its tilt: 1 : 1 from a standing wheel',
    ).to.deep.equal([rational(1), 'with the drive']);
    const twice = on('1/365.256363', { armSense: 'against the drive', drivenBy: 'a standing wheel' });
    expect(twice.frame!.ratio, 'seen − arm over − arm').to.deep.equal(rational(2));
    expect(on('365.256363 d', {}).problem?.code).to.equal('turns-with-arm');
    expect(on('1 d', { arm: '24 h' }).problem?.code).to.equal('turns-with-arm');
    expect(on('2 d', { arm: '24 h' }).problem?.code).to.equal('arm-is-drive');
    expect(on('2 d', { arm: 'still' }).problem?.code).to.equal('arm-stands-still');
    const alone = derive(setAim('a', { wanted: 'still' })({ ...pair(20, 40), drive: day })).aims['a']!;
    expect(alone.problem?.code).to.equal('still-needs-arm');
  });
});

describe('the starter', () => {
  it('meets all its aims and has nothing to mend', () => {
    const d = derive(starter);
    expect(Object.values(d.aims).map(a => a.status)).to.deep.equal(['met', 'met', 'met']);
    expect(d.findings.filter(f => f.severity !== 'note')).to.deep.equal([]);
  });

  it('runs without any tooth overlapping another, at any turn, by another library’s reckoning', () => {
    const d = derive(starter, undefined, 0.02);
    for (const part of [0, 0.013, 0.37, 0.81]) {
      const placed = starter.wheels.map(w => {
        const s = stancesAt(d.moving, { whole: 7n, part }).get(w.member)!;
        const angle = s.angle + d.phases.at[w.id]!;
        const points = flatten(must(d.wheels[w.id]!.outline), 0.02).map(p => {
          const q = rotate(p, angle);
          return { x: q.x + s.centre.x, y: q.y + s.centre.y };
        });
        return { layer: w.layer, points };
      });
      placed.forEach((a, i) =>
        placed.slice(i + 1).forEach(b => {
          if (a.layer !== b.layer) return;
          const common = Clipper.intersectD([a.points], [b.points], FillRule.NonZero, 5);
          expect(
            common.reduce((sum, p) => sum + Math.abs(signedArea(p)), 0),
            `layer ${a.layer} at ${part}`,
          ).to.be.below(1e-4);
        }),
      );
    }
  });

  it('an aim that is met in another mode is a note there, not one that turns the wrong way', () => {
    const two = KINDS['two clutches at one drive']!;
    const aim = (id: string, member: string, wanted: string): Machine['aims'][number] => ({
      ...newAim(two, id, wanted),
      ...{ id, member, sense: 'against the drive' },
    });
    const m = { ...two, aims: [aim('a', 'small', '6'), aim('b', 'great', '1/6')] };
    const told = (mode: string, of: string): string[] =>
      derive({ ...m, mode }).findings.flatMap(f =>
        f.subjects.includes(of) ? [f.code === 'aim-in-other-mode' ? `in ${f.data.mode}` : f.code] : [],
      );
    expect(told('by-wheel', 'b')).to.include('in by the pinion').and.not.include('wrong-sense');
    expect(told('by-pinion', 'a')).to.include('in by the wheel').and.not.include('wrong-sense');
    expect(told('by-wheel', 'a')).to.not.include('in by the pinion');
    const neither = derive({ ...m, mode: 'by-wheel', aims: [{ ...m.aims[1]!, wanted: '2' }] });
    expect(
      neither.findings.map(f => f.code),
      'met in no mode',
    ).to.include('wrong-sense');
  });
});
