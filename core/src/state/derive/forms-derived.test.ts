import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { KINDS } from '../../../test/kinds.ts';
import { flatten, signedArea } from '../../ground/geometry/index.ts';
import { setToothForm } from '../../edits/edit/index.ts';
import type { FormKind, Machine } from '../../document/machine/index.ts';
import { setSpread, setToothing, setWheel } from '../../edits/change/index.ts';
import { readyToRoll, rollCheck } from '../../teeth/mesh/index.ts';
import { must } from '../../ground/result/index.ts';
import { sayFinding } from '../../files/words/index.ts';
import { derive, wheelPlane } from './index.ts';
import { opposedDiscDeg } from '../judge/index.ts';
import { withFix } from '../../../test/find.ts';

/** A wheel of one count driving another of some count, in one layer, at module 2. */
function pair(a: number, b: number, change: (m: Machine) => Machine = m => m): Machine {
  const m = arrange({ drive: {}, out: { at: [90, 0] } }, { 'drive.w': a, 'out.w': b }, [
    ['drive.w', 'out.w'],
  ]);
  const flat = { ...m, wheels: m.wheels.map(w => ({ ...w, layer: 0 })) };
  return change(setToothing('toothing1', { size: { by: 'module', module: 2 } })(flat));
}
const formed = (kind: FormKind, a: number, b: number): Machine =>
  must(setToothForm('toothing1', kind)(pair(a, b)));
const codes = (m: Machine): string[] =>
  derive(m)
    .findings.filter(f => f.station === 'teeth')
    .map(f => f.code);
const A = 'drive-w';
const B = 'out-w';

describe('a pair given another form', () => {
  it('is drawn and rolls in every form that lies in a plane', () => {
    for (const [kind, a, b] of [
      ['involute', 40, 20],
      ['cycloidal', 60, 10],
      ['lantern', 40, 10],
    ] as const) {
      const d = derive(formed(kind, a, b));
      const mesh = d.meshes['m0']!;
      expect(mesh.distance, kind).to.be.closeTo(a + b, 1e-9);
      const roll = rollCheck(readyToRoll(mesh.engagement!, 0.005), 30, 0.005);
      expect(roll?.deepestOverlap, kind).to.equal(0);
      expect(roll!.leastPlay, kind).to.be.closeTo(mesh.play, 0.03);
    }
  });

  it('rolls without overlap when either may drive a clock pair', () => {
    const both = setToothing('toothing1', {
      form: { kind: 'cycloidal', drives: 'both', tip: 'round', practical: 0.95, clearance: 0.4 },
      play: 0.2,
    });
    const d = derive(both(formed('cycloidal', 48, 12)));
    const roll = rollCheck(readyToRoll(d.meshes['m0']!.engagement!, 0.005), 40, 0.005)!;
    expect(roll.deepestOverlap).to.equal(0);
    expect(roll.transmissionError).to.be.below(1.5 * 0.005);
    expect(roll.contactRatio, 'contact before and after the line of centres').to.be.greaterThan(1.5);
  });

  it('goes back to involute teeth, with roles as they were', () => {
    for (const kind of ['cycloidal', 'lantern', 'magnetic'] as const) {
      const back = must(setToothForm('toothing1', 'involute')(formed(kind, 40, 10)));
      expect(back.wheels).to.deep.equal(pair(40, 10).wheels);
      expect(back.joints).to.deep.equal(pair(40, 10).joints);
    }
  });

  it('as magnets keeps a reducer’s disc swinging in its ring, with the gap of air between the rims', () => {
    const m = must(setToothForm('toothing1', 'magnetic')(KINDS['reducer with output pins']!));
    const form = m.toothings[0]!.form as { eccentricity?: number; gap: number };
    const wide = setToothing('toothing1', { size: { by: 'module', module: 8 } })(m);
    const d = derive(wide);
    expect(d.meshes['m1']!.distance).to.equal(form.eccentricity);
    const [disc, ring] = ['lobes', 'ring'].map(id => d.wheels[id]!.dimensions.tipRadius) as [number, number];
    expect(ring - disc - form.eccentricity!, 'the gap of air at the nearest place').to.be.closeTo(
      form.gap,
      1e-9,
    );
    expect(codes(wide)).to.include('magnets-slip');
  });

  it('is refused with a sentence where a form cannot be', () => {
    const code = (m: Machine, kind: FormKind): string => {
      const r = setToothForm('toothing1', kind)(m);
      return r.ok ? 'ok' : r.problem.code;
    };
    expect(code(pair(20, 40), 'reducer')).to.equal('form-needs-ring');
    expect(code(KINDS['ring']!, 'lantern')).to.equal('form-not-inside');
    expect(code(KINDS['ring']!, 'reducer')).to.equal('ok');
  });
});

describe('judgements by form', () => {
  it('a pinion that drives a wheel formed for the opposite is named, with the fix that mends it', () => {
    const m = formed('cycloidal', 10, 60);
    const f = derive(m).findings.find(x => x.code === 'pinion-drives')!;
    expect(f.subjects).to.include(A);
    const mended = withFix(m, f.fixes[0]);
    expect(codes(mended)).to.not.include('pinion-drives');
    expect(codes(formed('cycloidal', 60, 10))).to.not.include('pinion-drives');
    const roll = rollCheck(readyToRoll(derive(mended).meshes['m0']!.engagement!, 0.005), 30, 0.005);
    expect(roll?.deepestOverlap).to.equal(0);
  });

  it('a clock wheel with two different mates is named', () => {
    const m = arrange(
      { drive: {}, p: { at: [70, 0] }, q: { at: [0, 72] } },
      { 'drive.w': 60, 'p.w': 10, 'q.w': 12 },
      [
        ['drive.w', 'p.w'],
        ['drive.w', 'q.w'],
      ],
    );
    const flat = { ...m, wheels: m.wheels.map(w => ({ ...w, layer: 0 })) };
    const two = derive(must(setToothForm('toothing1', 'cycloidal')(flat))).findings.filter(
      f => f.code === 'two-mates',
    );
    expect(two.map(f => f.subjects[0])).to.deep.equal([A]);
    expect(two[0]!.data).to.deep.equal({ first: 10, other: 12 });
  });

  it('lantern pins that drive, and too few of them', () => {
    expect(codes(formed('lantern', 10, 40))).to.include('pins-drive');
    expect(codes(formed('lantern', 40, 10))).to.not.include('pins-drive');
    expect(codes(formed('lantern', 40, 5))).to.include('few-pins');
  });

  it('pegs that bind are named with who drives, and only noted for the way that is not used', () => {
    const wood = (a: number, b: number): Machine =>
      setToothing('toothing1', {
        form: { kind: 'pegs', pegDiameter: 6.35, pegLength: 0.55 * 7.15, friction: 0.35 },
        size: { by: 'module', module: (2.03 * 7.15) / Math.PI },
      })(formed('pegs', a, b));
    const found = (m: Machine): [string, string, string][] =>
      derive(m)
        .findings.filter(f => f.code === 'pegs-fail')
        .map(f => [f.severity, String(f.subjects[1]), String(f.data['fault'])]);
    expect(found(wood(5, 10))).to.deep.equal([['stop', A, 'binds']]);
    expect(found(wood(10, 5))).to.deep.equal([['note', B, 'binds']]);
    expect(found(wood(10, 20))).to.deep.equal([]);
    expect(
      sayFinding(
        derive(wood(5, 10)).findings.find(f => f.code === 'pegs-fail')!,
        wood(5, 10),
      ).why,
    ).to.match(/friction of \d/);
  });

  it('helices must be of opposite hands, and their thrust is said with its direction', () => {
    const leaning = pair(20, 40, m => setToothing('toothing1', { helixDeg: 30 })(m));
    const wrong = derive(leaning).findings.find(f => f.code === 'hands-wrong')!;
    const mended = withFix(leaning, wrong.fixes[0]);
    const thrust = derive(mended).findings.find(f => f.code === 'thrust')!;
    expect(thrust.subjects).to.deep.equal([A, B]);
    expect(thrust.data['share']).to.be.closeTo(Math.tan(Math.PI / 6), 1e-12);
    expect(thrust.data['sense']).to.equal(1);
    expect(derive(mended).meshes['m0']!.distance, 'm_t·(z₁ + z₂)/2').to.be.closeTo(
      60 / Math.cos(Math.PI / 6),
      1e-9,
    );
    const double = setToothing('toothing1', { double: true })(mended);
    expect(codes(double)).to.not.include('thrust');
  });

  it('a ring whose tips foul the wheel says by how much to cut them, and then it does not', () => {
    const m = arrange({ drive: {}, out: { at: [40, 0] } }, { 'drive.ring': 60, 'out.w': 20 }, [
      ['drive.ring', 'out.w', 'internal'],
    ]);
    const flat = { ...m, wheels: m.wheels.map(w => ({ ...w, layer: 0 })) };
    const f = derive(flat).findings.find(x => x.code === 'ring-involute')!;
    expect(f.fixes[0]!.code).to.equal('set-shorten');
    const mended = derive(withFix(flat, f.fixes[0]));
    expect(mended.findings.map(x => x.code)).to.not.include('ring-involute');
    expect(mended.meshes['m0']!.contactRatio).to.be.greaterThan(1.5);
    const tight = {
      ...flat,
      wheels: flat.wheels.map(w => (w.id === B ? { ...w, teeth: { kind: 'count' as const, count: 55 } } : w)),
    };
    expect(derive(tight).findings.map(x => x.code)).to.include('ring-trochoid');
  });

  it('a bevel face wider than a third of its cone is named, with the usual width', () => {
    const m = derive(setToothing('toothing1', { faceWidth: 500 })(KINDS['bevels on crossed axes']!));
    const f = m.findings.find(x => x.code === 'face-wide')!;
    expect(f.data['most']).to.be.at.most(Number(f.data['cone']) / 3 + 1e-9);
  });

  it('a cusp in a reducer is named, with the pins that would do', () => {
    const m = setToothing('toothing1', {
      form: { kind: 'reducer', pinDiameter: 40, eccentricity: 1, offset: 0, ring: 'pins' },
    })(KINDS['reducer with output pins']!);
    const f = derive(m).findings.find(x => x.code === 'teeth-impossible')!;
    expect(f.data.problem.code).to.equal('cusp-in-lobes');
    const mended = derive(withFix(m, f.fixes[0]));
    const left = mended.findings.map(x => (x.code === 'teeth-impossible' ? x.data.problem.code : x.code));
    expect(left).to.not.include('cusp-in-lobes');
  });

  it(
    'a disc too thin round its output holes is named; a second disc is the same part for an ' +
      'even number of pins',
    () => {
      const m = KINDS['reducer with output pins']!;
      expect(derive(m).findings.map(f => f.code)).to.not.include('disc-wall');
      const wide = {
        ...m,
        joints: m.joints.map(j => (j.kind === 'pins in holes' ? { ...j, circle: 30 } : j)),
      };
      const f = derive(wide).findings.find(x => x.code === 'disc-wall')!;
      expect(f.data['to']).to.equal('the lobes');
      expect(must(wheelPlane(derive(m), m.wheels[0]!)).holes, 'six holes').to.have.length(6);
      expect([opposedDiscDeg(11, 12), opposedDiscDeg(10, 11)]).to.deep.equal([0, 18]);
    },
  );

  it('teeth finer than the process can make are named', () => {
    const coarse = pair(20, 40, m => ({
      ...m,
      processes: [{ id: 'process1', name: 'Printer', kind: 'printer', nozzle: 0.4 }],
      process: 'process1',
    }));
    expect(codes(coarse)).to.not.include('tooth-too-fine');
    const fine = setToothing('toothing1', { size: { by: 'module', module: 0.3 } })(coarse);
    expect(codes(fine)).to.include('tooth-too-fine');
    const routed = {
      ...coarse,
      processes: [{ id: 'process1', name: 'Router', kind: 'router' as const, cutter: 3 }],
    };
    expect(codes(routed)).to.include('gap-too-fine');
  });

  it('play beyond an output’s tolerance is added up along its train, and named', () => {
    const m = pair(20, 40, x => ({
      ...setToothing('toothing1', { play: 0.2 })(x),
      aims: [
        {
          id: 'aim1',
          name: 'Hand',
          wanted: '1/2',
          sense: 'either',
          tolerance: { amount: '0.1', over: '1 turn' },
          frame: 'ground',
          member: 'out',
        },
      ],
    })) as Machine;
    const d = derive(m);
    expect(d.slack['out']!.total).to.be.closeTo(((0.2 / 40) * 180) / Math.PI, 1e-9);
    expect(d.findings.map(f => f.code)).to.include('slack-exceeds');
  });
});

describe('a wheel’s body', () => {
  const plane = (change: object): ReturnType<typeof wheelPlane> => {
    const m = setWheel(B, change)(pair(20, 40));
    return wheelPlane(derive(m), m.wheels[1]!);
  };
  const area = (change: object): number => {
    const p = must(plane(change));
    return [p.outline, ...p.holes].reduce((sum, path) => sum + signedArea(flatten(path, 0.001)), 0);
  };
  const bare = area({ bore: { kind: 'none' } });

  it('has bores of every shape, as large as their figure, and larger by the fit', () => {
    const cut = (bore: object): number => bare - area({ bore });
    expect(cut({ kind: 'round', diameter: 8 })).to.be.closeTo(16 * Math.PI, 0.05);
    expect(cut({ kind: 'hex', across: 8 })).to.be.closeTo((Math.sqrt(3) / 2) * 64, 0.01);
    expect(cut({ kind: 'square', across: 8 })).to.be.closeTo(64, 0.01);
    expect(cut({ kind: 'D', diameter: 8, flat: 7 })).to.be.within(46, 16 * Math.PI - 1);
    expect(cut({ kind: 'keyed', diameter: 8, width: 2, depth: 1 })).to.be.closeTo(16 * Math.PI + 2.2, 0.3);
    expect(cut({ kind: 'round', diameter: 8, fit: 'free' })).to.be.closeTo((8.25 / 2) ** 2 * Math.PI, 0.05);
    expect(cut({ kind: 'round', diameter: 8, fit: 'press' })).to.be.below(
      cut({ kind: 'round', diameter: 8 }),
    );
  });

  it('has spokes, curved ones and holes that leave rim, hub and mark whole; or says why not', () => {
    const body = { mark: true, engraved: false };
    for (const web of [
      { kind: 'spokes', number: 5 },
      { kind: 'curved spokes', number: 5, sweepDeg: 30 },
      { kind: 'holes', number: 6 },
    ] as const) {
      const change = { bore: { kind: 'round' as const, diameter: 8 }, body: { ...body, web } };
      const p = must(plane(change));
      expect(p.holes).to.have.length(1 + web.number);
      expect(p.engraved).to.have.length(1);
      for (const hole of p.holes.slice(1))
        for (const q of flatten(hole, 0.01)) {
          const r = Math.hypot(q.x, q.y);
          expect(r, 'within the rim, outside the hub').to.be.within(4 + 2.9, 37.5 - 5 + 0.1);
        }
      expect(area(change)).to.be.below(0.8 * bare);
      const crowded = setWheel(B, { ...change, body: { ...body, web, rim: 30 } })(pair(20, 40));
      const f = derive(crowded).findings.find(x => x.code === 'web-impossible')!;
      expect(codes(withFix(crowded, f.fixes[0]))).to.not.include('web-impossible');
    }
  });

  it('a flat or a key that cannot be is named, and thin rims too', () => {
    expect(codes(setWheel(B, { bore: { kind: 'D', diameter: 8, flat: 3 } })(pair(20, 40)))).to.include(
      'bore-fault',
    );
    expect(
      codes(setWheel(B, { bore: { kind: 'keyed', diameter: 8, width: 9, depth: 1 } })(pair(20, 40))),
    ).to.include('bore-fault');
    const thin = setWheel(B, {
      body: { web: { kind: 'spokes', number: 4, width: 1 }, mark: false, engraved: false, rim: 1 },
    })(pair(20, 40));
    expect(codes(thin)).to.include.members(['thin-rim', 'thin-spokes']);
  });
});

describe('a reducer whose centres are spread', () => {
  it('has its disc so much nearer the middle of its ring, not farther from it', () => {
    const m = KINDS['reducer with output pins']!;
    const spread = (by: number): number => derive(setSpread('m1', by)(m)).meshes['m1']!.distance;
    expect(spread(0.2) - spread(0)).to.be.closeTo(-0.2, 1e-9);
  });
});

describe('magnets that face each other', () => {
  it('leave their gap of air between the rims, beside each other and in a ring', () => {
    const air = (m: Machine, a: string, b: string, inside = false): [number, number] => {
      const made = must(setToothForm('toothing1', 'magnetic')(m));
      const d = derive(made);
      const form = made.toothings[0]!.form;
      const joint = made.joints.find(
        j => j.kind === 'mesh' && [j.a, j.b].includes(a) && [j.a, j.b].includes(b),
      )!;
      const mesh = d.meshes[joint.id]!;
      const [first, second] = [d.wheels[a]!.dimensions.tipRadius, d.wheels[b]!.dimensions.tipRadius];
      const between = inside ? second - first - mesh.distance : mesh.distance - first - second;
      return [between, form.kind === 'magnetic' ? form.gap : NaN];
    };
    const [beside, gap] = air(pair(20, 40), pair(20, 40).wheels[0]!.id, pair(20, 40).wheels[1]!.id);
    expect(beside).to.be.closeTo(gap, 1e-9);
    const inRing = KINDS['ring']!;
    const ring = inRing.wheels.find(w => w.role === 'ring')!.id;
    const mesh = inRing.joints.find(j => j.kind === 'mesh' && j.type === 'internal')!;
    const inner = mesh.kind === 'mesh' ? (mesh.a === ring ? mesh.b : mesh.a) : '';
    const [within, same] = air(inRing, inner, ring, true);
    expect(within).to.be.closeTo(same, 1e-9);
  });
});
