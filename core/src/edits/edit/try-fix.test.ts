import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import type { Machine } from '../../document/machine/index.ts';
import { type Finding, type Fix, finding, fix, must } from '../../ground/result/index.ts';
import { derive } from '../../state/derive/index.ts';
import { fixesThatMend, mend, type TriedFix } from './index.ts';

/** All the steps of the trial at once. */
function tried(m: Machine, found: Finding): readonly TriedFix[] {
  const steps = fixesThatMend(derive(m), found);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
const codes = (m: Machine, found: Finding): string[] => tried(m, found).map(t => t.fix.code);
const undercutOf = (m: Machine): Finding => derive(m).findings.find(f => f.code === 'undercut')!;
/** 12 : 36 at module 2; its second axis is set by the mesh, or stands where both must meet. */
const small = (place: Machine['axes'][number]['place']): Machine => {
  const m = arrange({ a: {}, b: { at: [48, 0] } }, { 'a.u': 12, 'b.v': 36 }, [['a.u', 'b.v']]);
  return { ...m, axes: m.axes.map(a => (a.id === 'on-b' ? { ...a, place } : a)) };
};

describe('a fix', () => {
  it('is offered when it mends: a shift where the axis swings with it', () => {
    const m = small({ kind: 'mesh', joint: 'm0', angleDeg: 0 });
    expect(undercutOf(m).fixes.map(f => f.code)).to.include('set-shift');
    expect(codes(m, undercutOf(m))).to.include('set-shift');
  });

  it('is not, when the wheels would not meet after it: a shift between fixed centres', () => {
    const m = small({ kind: 'given', x: 48, y: 0 });
    expect(undercutOf(m).fixes.map(f => f.code)).to.include('set-shift');
    expect(codes(m, undercutOf(m))).to.not.include('set-shift');
  });

  it('is not, when it is refused, changes nothing, or leaves the finding there', () => {
    const m = small({ kind: 'mesh', joint: 'm0', angleDeg: 0 });
    const of = (...fixes: Fix[]): Finding => ({ ...undercutOf(m), fixes });
    expect(codes(m, of(fix('set-shift', 'nothing', 0.3)))).to.deep.equal([]);
    expect(codes(m, of(fix('set-shift', 'a-u', 9))), 'beyond what a file may hold').to.deep.equal([]);
    expect(codes(m, of(fix('set-shift', 'a-u', 0.01))), 'still undercut').to.deep.equal([]);
  });

  it('tells what it would leave behind, where that is less', () => {
    const m = small({ kind: 'mesh', joint: 'm0', angleDeg: 0 });
    // Pretend the machine cannot be cut: then a fix that leaves only something to look at is worth having.
    const bad = finding(
      'teeth-impossible',
      'stop',
      'teeth',
      ['a-u'],
      { problem: { code: 'nothing-typed', data: {} } },
      [fix('set-shift', 'a-u', 0.8)],
    );
    const [made] = tried(m, bad);
    expect(made?.leaves.map(f => f.code)).to.deep.equal(['thin-tip']);
  });

  it('is the set of shifts that keeps every centre, where one shift alone does not', () => {
    const m = small({ kind: 'given', x: 48, y: 0 });
    const [only] = tried(m, undercutOf(m)).filter(t => t.fix.code === 'shift-together');
    expect(only?.fix.value).to.equal(only?.fix.subject === 'a-u' ? 0.3 : undefined);
    const after = must(mend(only!.fix)(m));
    expect(after.wheels.map(w => w.shift)).to.deep.equal([0.3, -0.3]);
    const codesAfter = derive(after).findings.map(f => f.code);
    expect(codesAfter).to.not.include('undercut');
    expect(codesAfter).to.not.include('centres-disagree');
    const swings = small({ kind: 'mesh', joint: 'm0', angleDeg: 0 });
    expect(codes(swings, undercutOf(swings)), 'one shift will do there').to.not.include('shift-together');
  });

  it('in a planetary set shifts all so that they meet: sun and planets against each other, the ring alike', () => {
    const planets = arrange(
      {
        a: {},
        arm: { with: 'a' },
        p: { frame: 'arm', at: [40, 0], copies: 3 },
        r: { with: 'a', held: true },
      },
      { 'a.u': 28, 'p.v': 12, 'r.ring': 52 },
      [
        ['a.u', 'p.v'],
        ['p.v', 'r.ring', 'internal'],
      ],
    );
    const flat = { ...planets, wheels: planets.wheels.map(w => ({ ...w, layer: 0 })) };
    const found = undercutOf(flat);
    expect(found.subjects).to.deep.equal(['p-v']);
    const [set] = tried(flat, found);
    expect(set?.fix.code).to.equal('shift-together');
    const after = must(mend(set!.fix)(flat));
    const x = Object.fromEntries(after.wheels.map(w => [w.id, w.shift]));
    expect(x['a-u']).to.be.closeTo(-x['p-v']!, 1e-9);
    expect(x['r-ring']).to.be.closeTo(x['p-v']!, 1e-9);
    const d = derive(after);
    const distances = ['m0', 'm1'].map(id => d.meshes[id]!.distance);
    for (const a of distances) expect(a, '(28 + 12)·2/2').to.be.closeTo(40, 1e-6);
  });
});
