import { expect } from 'chai';
import { KINDS } from '../../../test/kinds.ts';
import { standing } from '../../../test/linkage.ts';
import {
  byId,
  type Joint,
  type Machine,
  newMachine,
  readMachine,
  writeMachine,
} from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { derive } from '../../state/derive/index.ts';
import {
  jointFields,
  joinFrom,
  JOIN_KINDS,
  type JointRow,
  rowFrom,
  rowOf,
  setInRow,
  turnInRow,
} from './index.ts';

const empty = newMachine('row');
const drive = empty.members[0]!.id;
const begun = (kind: (typeof JOIN_KINDS)[number]['kind']): Machine =>
  must(joinFrom({ kind, from: drive, radius: 20, at: derive(empty).positions.at })(empty)).machine;
const line = (m: Machine, more: Partial<JointRow> = {}): Machine =>
  must(
    rowFrom(m.joints.at(-1)!.id, {
      ...{ count: 16, phaseDeg: 22.5, dx: 15, dy: 0, layers: 1, at: derive(m).positions.at },
      ...more,
    })(m),
  ).machine;
const field = (
  m: Machine,
  j: Joint,
  key: string,
): NonNullable<ReturnType<typeof jointFields>['fields'][number]> =>
  jointFields(m, j).fields.find(f => f.key.startsWith(key))!;

describe('a row of joints', () => {
  it('of sixteen cords on one crank makes a wave: each does what the one before it did a phase ago', () => {
    const m = line(begun('cord'), { dx: 0 });
    expect(rowOf(m, m.joints[0]!)).to.have.length(16);
    expect(readMachine(writeMachine(m)).ok).to.equal(true);
    const at = standing(m);
    const slides = m.joints.map(j => (j.kind === 'cord' ? j.slide : ''));
    expect(new Set(slides).size).to.equal(16);
    for (const deg of [0, 100, 250])
      for (let i = 1; i < 16; i++) {
        const before = at(deg + 22.5)(slides[i - 1]!).centre;
        const here = at(deg)(slides[i]!).centre;
        expect(here.y).to.be.closeTo(before.y, 1e-9);
      }
    expect(byId(m.members, slides[15])?.name).to.match(/ 16$/);
  });

  it('stands so far on, its eyes and its new axes too', () => {
    const cords = line(begun('cord'), { count: 3, dx: 15, dy: 6 });
    const at = standing(cords)(0);
    const eyes = cords.joints.map(j => at(`eye ${j.id}`).centre);
    expect(eyes[2]!.x - eyes[0]!.x).to.be.closeTo(30, 1e-9);
    expect(eyes[2]!.y - eyes[0]!.y).to.be.closeTo(12, 1e-9);
    // Where the pin stands as it did, each slide hangs as far from its eye as the first: its cord is longer.
    const alike = line(begun('cord'), { count: 3, phaseDeg: 0, dx: 40 });
    const left = alike.joints.map(
      j => j.kind === 'cord' && j.length - Math.hypot(standing(alike)(0)(`eye ${j.id}`).centre.x, 80),
    );
    expect(left[1]).to.be.closeTo(Number(left[0]), 1e-4);
    expect(left[2]).to.be.closeTo(Number(left[0]), 1e-4);
    const drawn = setInRow(alike, alike.joints[0]!, field(alike, alike.joints[0]!, 'length'), 150);
    const lengths = (m: Machine): number[] => m.joints.map(j => (j.kind === 'cord' ? j.length : 0));
    lengths(drawn).forEach((l, i) => expect(l).to.be.closeTo(lengths(alike)[i]! + 10, 1e-9));
    const arms = line(begun('four-bar'), { count: 3 });
    const rockers = arms.joints.map(j => standing(arms)(0)(j.kind === 'four-bar' ? j.to.member : '').centre);
    expect(rockers[2]!.x - rockers[0]!.x).to.be.closeTo(30, 1e-9);
  });

  it('can be made of every kind that one member leads, and the file is whole', () => {
    for (const { kind } of JOIN_KINDS) {
      if (['two rods', 'universal', 'friction', 'slip', 'clutch'].includes(kind)) continue;
      const m = line(begun(kind), { count: 4 });
      expect(readMachine(writeMachine(m)).ok, kind).to.equal(true);
      expect(rowOf(m, m.joints.at(-1)!), kind).to.have.length(4);
    }
    const refused = rowFrom('m1', { count: 3, phaseDeg: 0, dx: 0, dy: 0, layers: 1, at: {} })(KINDS['ring']!);
    expect(refused.ok ? '' : refused.problem.code).to.equal('row-not-of');
  });

  it('is changed together: lengths are taken over, phases and places keep their steps', () => {
    const m = line(begun('crank'), { count: 5 });
    const [first] = m.joints as [Joint];
    const longer = setInRow(m, first, field(m, first, 'length-'), 90);
    for (const j of longer.joints) expect(field(longer, j, 'length-').value).to.equal(90);
    const turned = setInRow(m, first, field(m, first, 'pin-angle'), 10);
    expect(turned.joints.map(j => field(turned, j, 'pin-angle').value)).to.deep.equal([
      10, 32.5, 55, 77.5, 100,
    ]);
    const other = turnInRow(m, first, 'other', true);
    expect(other.joints.every(j => j.kind === 'crank' && j.other === true)).to.equal(true);
    const cams = line(begun('cam'), { count: 3 });
    const flat = turnInRow(cams, cams.joints[1]!, 'touch', 'flat');
    expect(flat.joints.every(j => j.kind === 'cam' && j.touch.kind === 'flat')).to.equal(true);
    const up = setInRow(cams, cams.joints[0]!, field(cams, cams.joints[0]!, 'layer'), 4);
    expect(up.joints.map(j => (j.kind === 'cam' ? j.layer : -1))).to.deep.equal([4, 5, 6]);
  });
});
