import { expect } from 'chai';
import { damaged } from '../../../test/damage.ts';
import { MACHINES } from '../../../test/machines.ts';
import { wholeWay } from '../../../test/whole-way.ts';
import { seeded } from '../../ground/rational/index.ts';
import { readMachine } from './index.ts';

/** So many in the ordinary run; the campaign tries a hundred thousand. */
const RUNS = Number(process.env['TESSERON_DAMAGED'] ?? 2500);
/** A machine that takes longer all the way is one on which a page would hang, ms. */
const PATIENCE = 2000;

describe('machines damaged in their structure', function () {
  this.timeout(0);
  const names = Object.keys(MACHINES).sort();

  it(`are refused with a sentence or go all the way: ${RUNS} of them`, () => {
    let sound = 0;
    for (let seed = 0; seed < RUNS; seed++) {
      const chance = seeded(seed);
      const name = names[Math.floor(chance() * names.length)] as string;
      const text = JSON.stringify(damaged(MACHINES[name]!, chance));
      const [began, used] = [performance.now(), process.cpuUsage()];
      const read = readMachine(text);
      if (!read.ok) continue;
      sound++;
      expect(wholeWay(read.value), `seed ${seed}, ${name}`).to.deep.equal([]);
      const cpu = process.cpuUsage(used).user / 1000;
      expect(Math.min(cpu, performance.now() - began), `ms, seed ${seed}, ${name}`).to.be.below(PATIENCE);
    }
    expect(sound / RUNS, 'most are refused, many are not').to.be.within(0.05, 0.6);
  });

  it('ids that mean something to the language are ids like any other', () => {
    for (const [name, machine] of Object.entries(MACHINES))
      for (const id of ['constructor', 'valueOf', '__proto__', 'toString', 'hasOwnProperty']) {
        const from = (machine.wheels[0] ?? machine.members[0])!.id;
        const text = JSON.stringify(machine, (_, v: unknown) => (v === from ? id : v));
        const read = readMachine(text);
        expect(read.ok, `${name}: ${id}`).to.equal(true);
        if (read.ok) expect(wholeWay(read.value), `${name}: ${id}`).to.deep.equal([]);
      }
  });
});
