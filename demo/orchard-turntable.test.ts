import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { torquesLeft } from '../core/src/state/ask/index.ts';
import { derive } from '../core/src/state/derive/index.ts';
import { readMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { isClosed } from '../core/src/ground/geometry/index.ts';
import { hardwareList, notMade, partsList } from '../core/src/making/lists/index.ts';
import { partMaker, solidParts } from '../core/src/making/solid/index.ts';
import { toFraction } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { turntable } from '../scripts/turntable.ts';

const file = readFileSync(new URL('./orchard-turntable.json', import.meta.url), 'utf8');

describe('orchard turntable', () => {
  const machine = must(readMachine(file));
  const d = derive(machine);
  const out = machine.aims[0]!.member!;

  it('is what its script makes, and nothing is to be mended or looked at', () => {
    expect(writeMachine(turntable())).to.equal(file);
    expect(d.findings.filter(f => f.severity !== 'note')).to.deep.equal([]);
  });

  it('turns its table once in 729/8 turns, worked by hand: (1 + 56/16)³; with torque and lost motion there', () => {
    expect(toFraction(d.train.rates[out]!)).to.equal('8/729');
    // Each mesh loses its play; those nearest to the table count most (docs/conventions.md 13).
    const lost = d.slack[out]!;
    expect(lost.meshes).to.have.length(6);
    expect(lost.total).to.be.within(0.3, 1.5);
    // 729/8 times the crank's torque, less what six meshes take: 0.85 of each (a guess, said so on screen).
    const torque = torquesLeft(d, 0.85).find(t => t.member === out)!;
    expect(torque.meshes).to.equal(6);
    expect(torque.times).to.be.closeTo((729 / 8) * 0.85 ** 6, 1e-6);
  });

  it('stands on three rods through the lugs of three rings, and three pillars', () => {
    expect(d.layout.lugRods).to.have.length(3);
    for (const plate of d.layout.plates)
      expect(plate.holes.filter(h => h.kind !== 'bearing')).to.have.length(6);
    expect(
      hardwareList(d)
        .rows.find(r => r[5] === 'lugs of rings')
        ?.slice(0, 4),
    ).to.deep.equal(['rod', '3', 48.2, 3]);
  });

  it('is made of closed bodies only; arm, pegs and next sun are one of them in each stage', async function () {
    this.timeout(60_000);
    const { default: Module } = await import('manifold-3d');
    const kit = await Module();
    kit.setup();
    const parts = solidParts(d);
    expect(parts.filter(p => p.kind === 'one piece')).to.have.length(3);
    expect(notMade(d)).to.deep.equal([]);
    const make = partMaker(kit, d);
    for (const part of parts) expect(isClosed(must(make(part))), part.name).to.equal(true);
    expect(
      partsList(d)
        .rows.filter(r => /one piece$/.test(String(r[0])))
        .map(r => r[9]),
    ).to.deep.equal([19.2, 19.2, 19.2]);
  });
});
