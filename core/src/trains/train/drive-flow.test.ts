import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { KINDS } from '../../../test/kinds.ts';
import { driveFlow, wayTo } from './index.ts';

describe('the way motion takes', () => {
  const m = arrange(
    { drive: {}, lay: { at: [40, 0] }, out: { at: [80, 0] }, alone: { at: [200, 0] } },
    { 'drive.w': 20, 'lay.w': 40, 'lay.p': 12, 'out.w': 48 },
    [
      ['lay.w', 'drive.w'],
      ['lay.p', 'out.w'],
    ],
  );

  it('names the wheel that drives in every mesh, however the mesh was written down', () => {
    expect(driveFlow(m).drives).to.deep.equal({ m0: 'drive-w', m1: 'lay-p' });
  });

  it('lists the joints from the drive to a member in order; none to what is not reached', () => {
    const flow = driveFlow(m);
    expect(wayTo(flow, 'out', 'drive')).to.deep.equal(['m0', 'm1']);
    expect(wayTo(flow, 'drive', 'drive')).to.deep.equal([]);
    expect(wayTo(flow, 'alone', 'drive')).to.equal(undefined);
  });

  it('starts nowhere without a drive, and goes through joints of every kind', () => {
    const { drive: _, ...still } = m;
    expect(driveFlow({ ...still, drive: undefined })).to.deep.equal({ into: {}, drives: {} });
    for (const [name, kind] of Object.entries(KINDS)) {
      const flow = driveFlow(kind);
      for (const [id, step] of Object.entries(flow.into)) {
        expect(
          kind.members.some(x => x.id === id),
          `${name}: ${id}`,
        ).to.equal(true);
        expect(
          kind.joints.some(j => j.id === step.joint),
          `${name}: ${step.joint}`,
        ).to.equal(true);
        expect(wayTo(flow, id, kind.drive!.member)!.length).to.be.greaterThan(0);
      }
    }
  });
});
