import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import {
  byId,
  groupsOf,
  inMeshWith,
  integrityProblems,
  type Machine,
  meshes,
  type Toothing,
} from '../../document/machine/index.ts';
import { fix } from '../../ground/result/index.ts';
import { must } from '../../ground/result/index.ts';
import { derive } from '../../state/derive/index.ts';
import { editForFix, ownToothing, setToothing, setWheel } from '../change/index.ts';
import { addWheel, meshWheels, setToothForm, takeToothing } from './index.ts';

/** Drive 20 : 40 on b, b 15 : 45 on c, c 12 : 36 on d. */
const three = (): Machine =>
  arrange(
    { a: {}, b: { at: [60, 0] }, c: { at: [120, 0] }, d: { at: [170, 0] } },
    { 'a.u': 20, 'b.v': 40, 'b.w': 15, 'c.x': 45, 'c.y': 12, 'd.z': 36 },
    [
      ['a.u', 'b.v'],
      ['b.w', 'c.x'],
      ['c.y', 'd.z'],
    ],
  );
const teethOf = (m: Machine, wheel: string): Toothing => byId(m.toothings, byId(m.wheels, wheel)!.toothing)!;
const wheelId = (m: Machine, n: number): string => m.wheels[n]!.id;

describe('teeth of their own', () => {
  it('go by what meshes with what: an idler takes all its mates along', () => {
    const m = three();
    expect(groupsOf(m, m.toothings[0]!.id).map(g => g.length)).to.deep.equal([2, 2, 2]);
    const idled = must(meshWheels(wheelId(m, 1), wheelId(m, 4))(m)).machine;
    expect(inMeshWith(idled, wheelId(m, 0)).size).to.equal(4);
    expect(inMeshWith(m, 'nothing').size).to.equal(0);
  });

  it('a mesh takes new teeth in one step, and nothing else changes', () => {
    const m = three();
    const [first, second] = meshes(m);
    const own = ownToothing(second!.id)(m);
    expect(integrityProblems(own)).to.deep.equal([]);
    expect(own.toothings).to.have.length(2);
    expect(teethOf(own, second!.a)).to.equal(teethOf(own, second!.b));
    expect(teethOf(own, first!.a)).to.equal(m.toothings[0]);
    expect(teethOf(own, second!.a)).to.deep.include({
      form: m.toothings[0]!.form,
      play: m.toothings[0]!.play,
    });
    expect(teethOf(own, second!.a).name).to.not.equal(m.toothings[0]!.name);
    expect(ownToothing(second!.id)(own), 'they are its own already').to.equal(own);
    const larger = setToothing(teethOf(own, second!.a).id, { size: { by: 'module', module: 3 } })(own);
    const d = derive(larger);
    expect(d.meshes[second!.id]!.distance).to.be.closeTo((3 * 60) / 2, 1e-9);
    expect(d.meshes[first!.id]!.distance).to.equal(derive(m).meshes[first!.id]!.distance);
  });

  it('several chosen share one new toothing, and go back to another of the machine', () => {
    const m = three();
    const [first, second, third] = meshes(m);
    const own = ownToothing(first!.id, third!.id)(m);
    expect(own.toothings).to.have.length(2);
    expect(teethOf(own, first!.a)).to.equal(teethOf(own, third!.b));
    const back = must(takeToothing([first!.id, wheelId(m, 4)], m.toothings[0]!.id)(own));
    expect(back.toothings, 'teeth that nothing has go').to.deep.equal(m.toothings);
    expect(back.wheels).to.deep.equal(m.wheels);
    expect(takeToothing([second!.id], 'nothing')(own).ok).to.equal(false);
    expect(takeToothing(['nothing'], m.toothings[0]!.id)(own).ok).to.equal(false);
  });

  it('sizes by a wheel that leaves are kept as a module, on either side', () => {
    const m = three();
    const [first, second] = meshes(m);
    const sized = setToothing(m.toothings[0]!.id, {
      size: { by: 'outside diameter', wheel: first!.a, diameter: 44 },
    })(m);
    const stays = ownToothing(second!.id)(sized);
    expect(teethOf(stays, first!.a).size.by).to.equal('outside diameter');
    expect(teethOf(stays, second!.a).size).to.deep.equal({ by: 'module', module: 2 });
    const leaves = ownToothing(first!.id)(sized);
    expect(teethOf(leaves, first!.a).size.by).to.equal('outside diameter');
    expect(teethOf(leaves, second!.a).size).to.deep.equal({ by: 'module', module: 2 });
    expect(derive(leaves).meshes[second!.id]!.distance).to.be.closeTo(60, 1e-9);
  });

  it('of another form give wheels the roles it asks; a ring cannot take clock teeth', () => {
    const m = three();
    const [first, second] = meshes(m);
    const own = ownToothing(first!.id)(m);
    const lantern = must(setToothForm(teethOf(own, first!.a).id, 'lantern')(own));
    expect(byId(lantern.wheels, first!.a)!.role).to.equal('pins');
    expect(byId(lantern.wheels, second!.a)!.role).to.equal('wheel');
    const both = must(takeToothing([second!.id], teethOf(lantern, first!.a).id)(lantern));
    expect(byId(both.wheels, second!.a)!.role).to.equal('pins');
    const plain = must(takeToothing([first!.id], m.toothings[0]!.id)(both));
    expect(byId(plain.wheels, first!.a)!.role, 'and back').to.equal('wheel');
    const ring: Machine = {
      ...lantern,
      joints: lantern.joints.map(j =>
        j.id === second!.id && j.kind === 'mesh' ? { ...j, type: 'internal' } : j,
      ),
      wheels: lantern.wheels.map(w => (w.id === second!.b ? { ...w, role: 'ring' } : w)),
    };
    const refused = takeToothing([second!.id], teethOf(lantern, first!.a).id)(ring);
    expect(!refused.ok && refused.problem.code).to.equal('form-not-inside');
  });

  it('mends of a form change their own mesh only, and all where the whole toothing is named', () => {
    const m = three();
    const [first, second] = meshes(m);
    const stub = editForFix(fix('set-addendum', second!.a, 0.8))(m);
    expect(teethOf(stub, second!.b).form).to.include({ addendum: 0.8 });
    expect(teethOf(stub, first!.a).form).to.include({ addendum: 1 });
    const all = editForFix(fix('set-addendum', m.toothings[0]!.id, 0.8))(m);
    expect(all.toothings).to.have.length(1);
    expect(teethOf(all, first!.a).form).to.include({ addendum: 0.8 });
    const clock = must(setToothForm(m.toothings[0]!.id, 'cycloidal')(m));
    const turned = editForFix(fix('form-pinion-drives', first!.id))(clock);
    expect(teethOf(turned, first!.a).form).to.include({ drives: 'pinion' });
    expect(teethOf(turned, second!.a).form).to.include({ drives: 'wheel' });
    expect(editForFix(fix('set-fillet', 'nothing', 0.2))(m)).to.equal(m);
  });

  it('a fillet that fits no gap is told of the toothing, or of the one mesh whose gaps are narrower', () => {
    const m = three();
    const [, second] = meshes(m);
    const round = (at: Machine): string[][] =>
      derive(at)
        .findings.filter(f => f.code === 'fillet-too-large')
        .map(f => [...f.subjects]);
    const all = setToothing(m.toothings[0]!.id, { form: { ...m.toothings[0]!.form, fillet: 0.6 } as never })(
      m,
    );
    expect(round(all)).to.deep.equal([[m.toothings[0]!.id]]);
    expect(round(ownToothing(second!.id)(all))).to.have.length(2);
  });

  it('are given to a new wheel, and two wheels put into mesh take the first’s with all their mates', () => {
    const m = three();
    const arbor = byId(m.wheels, wheelId(m, 5))!.member;
    const made = must(addWheel(arbor, 24, undefined, true)(m));
    expect(teethOf(made.machine, made.made)).to.not.equal(m.toothings[0]);
    expect(addWheel(arbor, 24, 'nothing')(m).ok).to.equal(false);
    const [first, second] = meshes(m);
    const own = ownToothing(second!.id)(m);
    const met = must(meshWheels(first!.a, second!.b)(own)).machine;
    expect(new Set([first!.a, first!.b, second!.a, second!.b].map(w => teethOf(met, w).id)).size).to.equal(1);
    expect(setWheel(first!.a, { shift: 0.1 })(met).toothings).to.equal(met.toothings);
  });
});
