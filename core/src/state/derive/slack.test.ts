import { expect } from 'chai';
import { plantPlanetary } from '../../edits/planting/index.ts';
import { holdMember, setToothing } from '../../edits/change/index.ts';
import { newAim, newMachine, type Machine } from '../../document/machine/index.ts';
import { torquesLeft } from '../ask/index.ts';
import { derive } from './index.ts';

describe('lost motion through planetary sets', () => {
  const PLAY = 0.2;
  const MODULE = 1.5;
  const built = (stages: number): Machine => {
    const base = newMachine('set');
    const aim = newAim(base, 'Output', `1/${4.5 ** stages}`);
    const set = { sun: 12, planet: 15, ring: 42, planets: 3 };
    const choice = { set, held: 'ring', driver: 'sun', module: MODULE, stages, aim: aim.id } as const;
    const m = plantPlanetary({ ...base, aims: [aim] }, choice);
    return m.toothings.reduce((now, t) => setToothing(t.id, { play: PLAY })(now), m);
  };

  it('reaches the arm: play over sun and ring radius for either mesh of a planet (virtual work, derived here)', () => {
    // Sun fixed, an arm that turns by δ slips at either mesh by (r_sun + r_ring) δ.
    const d = derive(built(1));
    const output = d.machine.aims[0]!.member!;
    const each = ((PLAY / ((MODULE / 2) * (12 + 42))) * 180) / Math.PI;
    const slack = d.slack[output]!;
    expect(slack.meshes).to.have.length(2);
    for (const m of slack.meshes) expect(m.degrees).to.be.closeTo(each, 1e-9);
    expect(slack.total).to.be.closeTo(2 * each, 1e-9);
  });

  it('of the first of two stages passes on a part of 4.5, and torque comes through all meshes', () => {
    const d = derive(built(2));
    const output = d.machine.aims[0]!.member!;
    const each = ((PLAY / ((MODULE / 2) * (12 + 42))) * 180) / Math.PI;
    const lost = d.slack[output]!.meshes.map(m => m.degrees).sort((a, b) => a - b);
    expect(lost).to.have.length(4);
    for (const [i, of] of [each / 4.5, each / 4.5, each, each].entries())
      expect(lost[i]).to.be.closeTo(of, 1e-9);
    const at = torquesLeft(d, 1).find(t => t.member === output)!;
    expect(at.times, 'without loss as the rate asks').to.be.closeTo(4.5 ** 2, 1e-9);
    expect(at.meshes).to.equal(4);
    expect(torquesLeft(d, 0.9).find(t => t.member === output)!.times).to.be.closeTo(
      4.5 ** 2 * 0.9 ** 4,
      1e-9,
    );
  });

  it('is none for a held arbor', () => {
    const m = built(1);
    const output = m.aims[0]!.member!;
    expect(derive(holdMember(output, 'ground')(m)).slack[output]).to.equal(undefined);
  });
});
