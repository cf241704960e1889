import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../core/src/state/derive/index.ts';
import { readMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { readyToRoll, rollCheck } from '../core/src/teeth/mesh/index.ts';
import { toFraction } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { noons } from '../scripts/noons.ts';

const file = readFileSync(new URL('./two-noons.json', import.meta.url), 'utf8');

describe('two noons', () => {
  const machine = must(readMachine(file));
  const d = derive(machine);

  it('is what its script makes, and has nothing to mend', () => {
    expect(writeMachine(noons())).to.equal(file);
    expect(d.findings.filter(f => f.severity !== 'note')).to.deep.equal([]);
  });

  it('has 12 : 1 of motion work, 60 : 1 to the seconds, and a sidereal day, worked by hand', () => {
    expect(toFraction(d.train.rates['hour']!)).to.equal('1/12');
    expect(toFraction(d.train.rates['escape']!), '80/10 · 75/10').to.equal('60');
    expect(toFraction(d.train.rates['sidereal']!), '11/53 · 11/45 · 14/17').to.equal('1694/40545');
    for (const aim of machine.aims) expect(d.aims[aim.id]!.status, aim.name).to.equal('met');
  });

  it('rolls every mesh without overlap, wheels driving pinions and pinions driving wheels', () => {
    for (const [id, mesh] of Object.entries(d.meshes)) {
      const roll = rollCheck(readyToRoll(mesh.engagement!, d.chordError), 24, d.chordError);
      expect(roll?.deepestOverlap, id).to.equal(0);
      expect(roll!.leastPlay, id).to.be.greaterThan(0.04);
    }
  });
});
