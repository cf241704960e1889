import { expect } from 'chai';
import { newAim, newMachine } from '../../document/machine/index.ts';
import { derive } from '../../state/derive/index.ts';
import { sayFinding } from './index.ts';

describe('an output beyond its limit', () => {
  it('is said to turn too fast or too slowly, by the limit that it passes', () => {
    const empty = newMachine('m');
    const said = (wanted: string): string => {
      const machine = {
        ...empty,
        drive: { member: 'drive', speed: { kind: 'period' as const, text: '1 min' } },
        aims: [{ ...newAim(empty, 'Fan', wanted), member: 'drive' }],
      };
      const found = derive(machine).findings.find(f => f.code === 'limit-missed');
      return found ? `${sayFinding(found, machine).title}: ${sayFinding(found, machine).why}` : 'none';
    };
    expect(said('under 0.5 rpm')).to.match(/^Fan turns too fast: .*at most 0\.50* are wanted/);
    expect(said('over 2 rpm')).to.match(/^Fan turns too slowly: .*at least 2\.0* are wanted/);
    expect(said('under 2 rpm')).to.equal('none');
  });
});
