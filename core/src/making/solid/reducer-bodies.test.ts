import { expect } from 'chai';
import { derive } from '../../state/derive/index.ts';
import { type Machine, newMachine } from '../../document/machine/index.ts';
import { READY } from '../../edits/arrangements/index.ts';
import { hardwareList, partsList } from '../lists/index.ts';
import { must } from '../../ground/result/index.ts';
import { spaceScene } from './index.ts';
import { expectApart } from '../../../test/apart.ts';

const start: Machine = {
  ...newMachine('r'),
  processes: [{ id: 'p', name: 'Printer', kind: 'printer' as const }],
  process: 'p',
};
const built = (values: Readonly<Record<string, string>>): Machine =>
  must(
    READY.find(r => r.id === 'reducer')!.build(start, {
      ...{ lobes: '15', pins: '16', output: '6', discs: '1', ring: 'lobes', turns: 'plate', ...values },
    }),
  );

describe('a reducer as it is made', function () {
  this.timeout(120_000);

  for (const [what, values, bodies, positions = 8] of [
    ['15 in 16', {}, ['eccentric', 'output', 'wheel', 'wheel'], 24],
    ['10 in 11', { lobes: '10', pins: '11' }, ['eccentric', 'output', 'wheel', 'wheel']],
    ['on pins in a plate', { ring: 'pins' }, ['eccentric', 'output', 'standing', 'wheel']],
    ['with two discs', { discs: '2' }, ['eccentric', 'output', 'wheel', 'wheel', 'wheel', 'wheel']],
    [
      'of an even difference, two discs on pins',
      { lobes: '14', discs: '2', ring: 'pins' },
      ['eccentric', 'output', 'standing', 'wheel', 'wheel'],
      24,
    ],
    ['whose ring turns', { turns: 'ring' }, ['eccentric', 'output', 'wall', 'wheel', 'wheel']],
    [
      'whose plate of pins turns, two discs',
      { turns: 'ring', ring: 'pins', discs: '2', pins: '17', lobes: '16' },
      ['eccentric', 'output', 'standing', 'wheel', 'wheel'],
    ],
  ] as [string, Record<string, string>, string[], number?][])
    it(`${what}: all its bodies are apart at ${positions} positions of the crank`, async () => {
      const d = derive(built(values));
      const all = spaceScene(d).items;
      const kinds = all.map(i => i.body.split(/[ \d]/)[0]).filter(k => k !== 'piece');
      expect(kinds.sort()).to.deep.equal(bodies);
      await expectApart(
        d,
        all.filter(i => !i.body.startsWith('piece')),
        positions,
      );
    });

  it('stands in the lists with its plate, its eccentric and its pins', () => {
    const d = derive(built({ ring: 'pins', discs: '2' }));
    const out = d.machine.members.find(m => m.name === 'Reducer output')!;
    expect(d.layout.spans.of.get(out.id), 'its output has a rod or tube').to.not.equal(undefined);
    const rows = partsList(d).rows.map(r => String(r[0]));
    expect(rows).to.include('output plate, Lobed disc').and.include('eccentric, Lobed disc');
    const pins = hardwareList(d).rows.find(r => r[0] === 'pin')!;
    const { thickness, gap } = d.machine.stack;
    // Sixteen pins through the plate and both discs, with the gaps between.
    expect(Number(pins[3])).to.equal(16);
    expect(Number(pins[2])).to.be.closeTo(3 * thickness + 2 * gap, 0.01);
  });
});
