import { expect } from 'chai';
import { isDeepStrictEqual } from 'node:util';
import { donorsOf, soundChanges } from '../../../test/leaves.ts';
import { MACHINES } from '../../../test/machines.ts';
import { byId, type Machine } from '../../document/machine/index.ts';
import { type Derived, stage } from '../state/index.ts';
import { derive } from './index.ts';

const donors = donorsOf(Object.values(MACHINES));
/** Outlines need not be fine for this, mm. */
const COARSE = 0.1;
/** Derived with every stage asked for, so that there is something to keep. */
function derived(machine: Machine, before?: Derived, asks = (_: string): boolean => true): Derived {
  const made = derive(machine, before, COARSE);
  for (const [name, s] of Object.entries(made.stages)) if (asks(name)) void s.value;
  return made;
}
const RUNS = Number(process.env['TESSERON_RUNS'] ?? 1);

/** The names of what differs between what was made from before and what is made anew; none when they agree. */
function stale(machine: Machine, before: Derived): string[] {
  const kept = derived(machine, before) as unknown as Record<string, unknown>;
  const fresh = derived(machine) as unknown as Record<string, unknown>;
  return Object.keys(fresh).filter(k => k !== 'stages' && !isDeepStrictEqual(kept[k], fresh[k]));
}

describe('what is kept from before', () => {
  for (const [name, machine] of Object.entries(MACHINES))
    it(`never differs from what is made anew: every leaf of ${name}`, function () {
      this.timeout(0);
      const before = derived(machine);
      let tried = 0;
      for (const [where, next] of soundChanges(machine, donors, RUNS, 7)) {
        expect(stale(next, before), where).to.deep.equal([]);
        tried++;
      }
      expect(tried, 'changes that leave a sound document').to.be.above(20);
    });

  it('nor along random edits, each kept from the one before', function () {
    this.timeout(0);
    for (const [n, name] of ['two clutches at one drive', 'saltreach-tide-clock', 'wading-heron'].entries()) {
      let machine = MACHINES[name] as Machine;
      let before = derived(machine);
      let steps = 0;
      for (let round = 0; steps < 40 * RUNS && round < 20; round++)
        for (const [where, next] of soundChanges(machine, donors, 1, 100 * n + round)) {
          if (steps % 4 === round % 4) {
            expect(stale(next, before), `${name}: ${where}`).to.deep.equal([]);
            machine = next;
            // Some stages are never asked for between one edit and the next.
            before = derived(machine, before, s => (steps + s.length) % 3 > 0);
          }
          steps++;
          if (steps >= 40 * RUNS) break;
        }
      expect(steps).to.be.at.least(40);
    }
  });

  it('a stage is given what it declares and nothing else, and is made anew when one of it is another', () => {
    const seen: unknown[] = [];
    const make = (i: { a: number }): number => {
      seen.push(i);
      return i.a + 1;
    };
    const first = stage(undefined, () => ({ a: 1 }), make);
    expect(seen, 'nothing is made until it is asked for').to.deep.equal([]);
    expect(first.value).to.equal(2);
    expect(stage(first, () => ({ a: 1 }), make).value).to.equal(2);
    expect(seen).to.deep.equal([{ a: 1 }]);
    const unasked = stage(first, () => ({ a: 2 }), make);
    expect(stage(unasked, () => ({ a: 1 }), make).value, 'what was made last is kept').to.equal(2);
    expect(seen).to.deep.equal([{ a: 1 }]);
    expect(stage(unasked, () => ({ a: 3 }), make).value).to.equal(4);
    expect(seen).to.deep.equal([{ a: 1 }, { a: 3 }]);
  });

  it('a mode that lets the other side drive shows which drives, without a reload', () => {
    const machine = MACHINES['two clutches at one drive'] as Machine;
    const says = (m: Machine, before?: Derived): string[] =>
      derive(m, before).findings.flatMap(f =>
        f.code === 'wheel-drives' || f.code === 'pinion-drives' ? [`${f.code} ${f.subjects.join(' ')}`] : [],
      );
    const [one, other] = machine.modes.map(m => ({ ...machine, mode: m.id }));
    expect(byId(machine.modes, one?.mode)?.engaged).to.not.deep.equal(
      byId(machine.modes, other?.mode)?.engaged,
    );
    const before = derive(one as Machine);
    expect(says(other as Machine, before)).to.deep.equal(says(other as Machine));
    expect(says(one as Machine), 'the sides differ').to.not.deep.equal(says(other as Machine));
  });
});
