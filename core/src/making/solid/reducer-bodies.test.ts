import { expect } from 'chai';
import Module from 'manifold-3d';
import { derive } from '../../state/derive/index.ts';
import { isClosed, type TriMesh } from '../../ground/geometry/index.ts';
import { type Machine, newMachine } from '../../document/machine/index.ts';
import { READY } from '../../edits/arrangements/index.ts';
import { hardwareList, partsList } from '../lists/index.ts';
import { stancesAt } from '../../place/motion/index.ts';
import { must } from '../../ground/result/index.ts';
import { partMaker, spaceScene } from './index.ts';

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
      const kit = await Module();
      kit.setup();
      const d = derive(built(values));
      const make = partMaker(kit, d);
      const all = spaceScene(d).items;
      const kinds = all.map(i => i.body.split(/[ \d]/)[0]).filter(k => k !== 'piece');
      expect(kinds.sort()).to.deep.equal(bodies);
      const solid = ({ positions, triangles }: TriMesh): InstanceType<typeof kit.Manifold> =>
        new kit.Manifold(
          new kit.Mesh({ numProp: 3, vertProperties: Float32Array.from(positions), triVerts: triangles }),
        );
      const items = all.filter(i => !i.body.startsWith('piece'));
      const made = items.map(i => {
        const mesh = must(make({ id: i.body, name: i.body }));
        expect(isClosed(mesh), i.body).to.equal(true);
        return i.over ? solid(mesh).rotate([180, 0, 0]) : solid(mesh);
      });
      for (let k = 0; k < positions; k++) {
        const places = stancesAt(d.moving, { whole: 0n, part: k / positions });
        const stood = items.map((i, n) => {
          const { centre, angle } = places.get(i.place!)!;
          return made[n]!.rotate([0, 0, ((i.spin + angle) * 180) / Math.PI]).translate([
            centre.x,
            centre.y,
            i.at.z,
          ]);
        });
        stood.forEach((a, n) => {
          for (const [j, b] of stood.slice(n + 1).entries())
            expect(
              a.intersect(b).volume(),
              `${k}: ${items[n]!.body} and ${items[n + 1 + j]!.body}`,
            ).to.be.below(1e-6);
        });
      }
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
