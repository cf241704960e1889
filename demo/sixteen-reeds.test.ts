import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { readMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { flatten } from '../core/src/ground/geometry/index.ts';
import { flatParts } from '../core/src/making/workshop/index.ts';
import { stancesAt } from '../core/src/place/motion/index.ts';
import { derive } from '../core/src/state/derive/index.ts';
import { BOW, REEDS, reeds } from '../scripts/reeds.ts';

const file = readFileSync(new URL('./sixteen-reeds.json', import.meta.url), 'utf8');

describe('sixteen reeds', () => {
  const d = derive(must(readMachine(file)));

  it('is what its script makes, and has nothing to mend', () => {
    expect(writeMachine(reeds())).to.equal(file);
    expect(d.findings.map(f => f.code)).to.deep.equal(['stands-in-nothing']);
    // Reeds and shaft keep 17 mm apart, cams and rollers of other layers never meet: nothing comes within 12 mm.
    const linked = d.layout.clearances.filter(c => c.kind === 'linkage');
    expect(linked).to.deep.equal([]);
  });

  it('makes a wave that goes along the row once in three turns of the crank', () => {
    const shaft = d.positions.at['shaft-axis']!;
    for (const turns of [0, 0.4, 1, 1.7, 2.5]) {
      const places = stancesAt(d.moving, { whole: BigInt(Math.floor(turns)), part: turns % 1 });
      for (let i = 0; i < REEDS; i++) {
        const height = places.get(`reed${i + 1}`)!.centre.y - shaft.y - 29;
        const wave = BOW * Math.cos(2 * Math.PI * (turns / 3 - i / REEDS));
        expect(height, `reed ${i + 1} after ${turns} turns`).to.be.closeTo(wave, 1e-9);
      }
    }
  });

  it('has sixteen cams that are one and the same, turned on, and as many reeds', () => {
    const { parts } = flatParts(d);
    const cams = parts.filter(p => p.kind === 'cam');
    expect(cams).to.have.length(REEDS);
    const size = (i: number): string[] =>
      flatten(cams[i]!.outline, 0.01)
        .map(p => Math.hypot(p.x, p.y).toFixed(3))
        .sort();
    expect(size(5)).to.deep.equal(size(0));
    expect(parts.filter(p => p.id.startsWith('slide'))).to.have.length(REEDS);
  });
});
