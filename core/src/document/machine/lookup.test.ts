import { expect } from 'chai';
import { KINDS } from '../../../test/kinds.ts';
import { nameOf, wheelName } from '../../files/words/index.ts';
import {
  axisOfWheel,
  circleCount,
  freeId,
  integrityProblems,
  jointEnds,
  meshes,
  newMachine,
} from './index.ts';

describe('looking things up', () => {
  it('gives ids that are free in the whole document, not only in one list', () => {
    const m = KINDS['open counts, indicators, poses, log']!;
    expect(freeId(m, 'axis')).to.equal('axis3');
    expect(freeId(m, 'pose')).to.equal('pose2');
    expect(freeId(m, 'l')).to.equal('l2');
    expect(freeId(newMachine('x'), 'wheel')).to.equal('wheel1');
  });

  it('knows the count of the full circle of a wheel, a sector, and none of an open one', () => {
    expect(circleCount(KINDS['sector wheel']!.wheels[0]!)).to.equal(40);
    expect(circleCount(KINDS['open counts, indicators, poses, log']!.wheels[1]!)).to.equal(undefined);
    expect(wheelName(KINDS['open counts, indicators, poses, log']!.wheels[1]!)).to.equal('b (open)');
  });

  it('knows the axis of a wheel, and none for one on a slide', () => {
    const rack = KINDS['rack']!;
    expect(axisOfWheel(rack, rack.wheels[0]!)).to.equal('axis1');
    expect(axisOfWheel(rack, rack.wheels[1]!)).to.equal(undefined);
  });

  it('knows both ends of every joint of every kind', () => {
    for (const m of Object.values(KINDS)) {
      for (const j of m.joints) expect(jointEnds(j).length, `${m.name}: ${j.kind}`).to.be.at.least(2);
      expect(integrityProblems(m), m.name).to.deep.equal([]);
    }
  });

  it('calls things by the maker’s names', () => {
    const m = KINDS['ring']!;
    expect(nameOf(m, meshes(m)[0]!.id)).to.equal('w (20) and r (60)');
    expect(nameOf(m, 'axis2')).to.equal('ring');
    expect(nameOf(m, 'nothing')).to.equal('nothing');
  });
});
