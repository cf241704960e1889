import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { derive } from '../core/src/state/derive/index.ts';
import { readMachine } from '../core/src/document/machine/index.ts';
import { readyToRoll, rollCheck, rollFindings } from '../core/src/teeth/mesh/index.ts';
import { must } from '../core/src/ground/result/index.ts';

const folder = new URL('.', import.meta.url);

describe('every mesh of every demo machine', () => {
  for (const name of readdirSync(folder).filter(f => f.endsWith('.json')))
    it(`rolls on its outlines, as the formulas say: ${name}`, () => {
      const d = derive(must(readMachine(readFileSync(new URL(name, folder), 'utf8'))));
      const flat = Object.entries(d.meshes).filter(([, m]) => m.engagement);
      expect(flat.length).to.be.greaterThan(0);
      for (const [id, mesh] of flat) {
        const roll = rollCheck(readyToRoll(mesh.engagement!, d.chordError), 24, d.chordError);
        expect(rollFindings(id, roll, d.chordError), id).to.deep.equal([]);
        expect(roll!.leastPlay, `${id}: play`).to.be.closeTo(mesh.play, 0.012);
        if (mesh.contactRatio !== undefined)
          expect(roll!.contactRatio / mesh.contactRatio, `${id}: contact`).to.be.within(0.92, 1.1);
      }
    });
});
