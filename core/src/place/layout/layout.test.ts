import { expect } from 'chai';
import { KINDS } from '../../../test/kinds.ts';
import { distance, triangleApex } from '../../ground/geometry/index.ts';
import { type Machine, newMachine } from '../../document/machine/index.ts';
import { arrange } from '../../../test/arrange.ts';
import { insertIdler, setWheel } from '../../edits/change/index.ts';
import { plantTrain } from '../../edits/planting/index.ts';
import { derive } from '../../state/derive/index.ts';
import { axisPositions, freeLayers, wheelThickness } from './index.ts';

const machine = (): Machine => ({
  ...newMachine('m'),
  aims: [
    {
      id: 'a',
      name: 'a',
      wanted: '1/2',
      sense: 'with the drive',
      tolerance: { amount: '1', over: '100 turns' },
      frame: 'ground',
    },
  ],
});
const equalSums = (): Machine =>
  plantTrain(machine(), 'a', {
    stages: [
      { driving: 20, driven: 40 },
      { driving: 30, driven: 30 },
    ],
    module: 2,
    coaxial: 'equal sums',
  });

describe('positions of axes', () => {
  it('follow the meshes: a changed count moves the centre and all that hangs on it', () => {
    const m = plantTrain(machine(), 'a', {
      stages: [
        { driving: 20, driven: 40 },
        { driving: 30, driven: 30 },
      ],
      module: 2,
      coaxial: 'none',
    });
    const before = derive(m);
    const lay = m.axes[1]!.id;
    const out = m.axes[2]!.id;
    const at = before.positions.at;
    expect(distance(at['axis1']!, at[lay]!)).to.be.closeTo(60, 1e-9);
    const next = {
      ...m,
      wheels: m.wheels.map(w =>
        w.teeth.kind === 'count' && w.teeth.count === 40
          ? { ...w, teeth: { kind: 'count' as const, count: 50 } }
          : w,
      ),
    };
    const after = derive(next, before).positions.at;
    expect(distance(after['axis1']!, after[lay]!)).to.be.closeTo(70, 1e-9);
    expect(distance(after[lay]!, after[out]!)).to.be.closeTo(60, 1e-9);
  });

  it('bring a train with equal sums back to the drive’s centre without a finding', () => {
    const d = derive(equalSums());
    expect(d.findings.map(f => f.code)).to.deep.equal(['stands-in-nothing']);
    expect(d.aims['a']!.status).to.equal('met');
  });

  it('say by how much a mesh between fixed axes misses', () => {
    const m = equalSums();
    const wrong = {
      ...m,
      wheels: m.wheels.map((w, i) => (i === 3 ? { ...w, teeth: { kind: 'count' as const, count: 31 } } : w)),
    };
    const found = derive(wrong).findings.find(f => f.code === 'centres-disagree');
    expect(found?.data['is']).to.be.closeTo(60, 1e-9);
    expect(found?.data['needs']).to.be.closeTo(61, 1e-9);
  });

  it('place an idler at the right distance from both of its neighbours', () => {
    const m = plantTrain(
      { ...machine(), aims: [{ ...machine().aims[0]!, wanted: '1/4', sense: 'against the drive' }] },
      'a',
      {
        stages: [
          { driving: 30, driven: 60 },
          { driving: 20, driven: 40 },
        ],
        module: 2,
        coaxial: 'idler',
      },
    );
    const d = derive(m);
    expect(d.findings.map(f => f.code)).to.deep.equal(['stands-in-nothing']);
    expect(d.aims['a']!.achieved!.num < 0n).to.equal(true);
    for (const j of m.joints) {
      if (j.kind !== 'mesh') continue;
      const centre = (id: string): { x: number; y: number } => {
        const w = m.wheels.find(x => x.id === id)!;
        const a = m.members.find(x => x.id === w.member)!;
        return d.positions.at[a.kind === 'arbor' ? a.axis : '']!;
      };
      expect(distance(centre(j.a), centre(j.b))).to.be.closeTo(d.meshes[j.id]!.distance, 1e-9);
    }
  });

  it('report an idler that cannot reach both wheels, once, with the teeth it needs, and draw it between them', () => {
    const start = arrange({ a: {}, b: { at: [100, 0] } }, { 'a.u': 20, 'b.v': 24 }, [['a.u', 'b.v']]);
    const m = insertIdler(start.joints[0]!.id, 20)(start);
    const d = derive(m);
    const about = ['idler-too-small', 'axis-not-placed', 'centres-disagree'];
    const told = d.findings.filter(f => about.includes(f.code));
    expect(told.map(f => f.code)).to.deep.equal(['idler-too-small']);
    const [f] = told;
    if (f?.code !== 'idler-too-small') return;
    const axis = m.axes.at(-1)!.id;
    expect(Math.hypot(d.positions.at[axis]!.x, d.positions.at[axis]!.y), 'not on the origin').to.be.above(1);
    const withTeeth = (count: number): string[] =>
      derive(setWheel(f.subjects[0]!, { teeth: { kind: 'count', count } })(m)).findings.map(x => x.code);
    // (20 + n)/2 + (n + 24)/2 modules reach 100 mm.
    const module = Object.values(d.modules)[0]!;
    expect(f.data.needs).to.equal(Math.ceil(100 / module - 22));
    expect(withTeeth(f.data.needs)).to.not.include('idler-too-small');
    expect(withTeeth(f.data.needs - 1)).to.include('idler-too-small');
  });

  it('report an axis that has no place for another reason', () => {
    const m = insertIdler(equalSums().joints[1]!.id, 6)(equalSums());
    const { findings } = axisPositions(
      m,
      Object.fromEntries(m.joints.map((j, i) => [j.id, i === 2 ? 200 : 5])),
    );
    expect(findings.map(f => f.code)).to.include('axis-not-placed');
  });

  it('find the corner of a triangle on the side that is asked for', () => {
    expect(triangleApex({ x: 0, y: 0 }, { x: 5, y: 0 }, 3, 4, true)).to.deep.equal({ x: 1.8, y: 2.4 });
    expect(triangleApex({ x: 0, y: 0 }, { x: 5, y: 0 }, 3, 4, false)).to.deep.equal({ x: 1.8, y: -2.4 });
    expect(triangleApex({ x: 0, y: 0 }, { x: 50, y: 0 }, 3, 4, true)).to.equal(undefined);
  });
});

describe('clearance', () => {
  it('names wheels that strike in one layer, and an arbor in the way', () => {
    const base = KINDS['nested tubes']!;
    const crossing: Machine = {
      ...base,
      axes: [...base.axes, { id: 'axis9', frame: 'ground', place: { kind: 'given', x: 30, y: 30 } }],
      members: [...base.members, { kind: 'arbor', id: 'stray', name: 'stray', axis: 'axis9' }],
      wheels: [...base.wheels, { ...base.wheels[0]!, id: 'stray1', member: 'stray' }],
    };
    const codes = derive(crossing).findings.map(f => f.code);
    expect(codes).to.include('wheels-strike');
    const onTop: Machine = {
      ...base,
      wheels: base.wheels.map(w => (w.id === 'w2' ? { ...w, layer: 0 } : w)),
    };
    expect(derive(onTop).findings.map(f => f.code)).to.include('wheels-in-one-place');
    const reach: Machine = {
      ...crossing,
      wheels: crossing.wheels.map(w =>
        w.id === 'stray1' ? { ...w, teeth: { kind: 'count' as const, count: 60 }, layer: 1 } : w,
      ),
    };
    expect(derive(reach).findings.map(f => f.code)).to.include('wheel-strikes-arbor');
  });

  it('gives the lowest free layers, and the stock’s thickness where a wheel has none of its own', () => {
    const m = equalSums();
    expect(freeLayers(m, 2)).to.deep.equal([2, 3]);
    expect(freeLayers({ ...m, wheels: m.wheels.filter(w => w.layer !== 0) }, 2)).to.deep.equal([0, 2]);
    expect(wheelThickness(m.stack, { ...m.wheels[0]!, thickness: 6 })).to.equal(6);
  });
});

describe('phases', () => {
  it('find a loop of wheels whose teeth cannot all stand in gaps', () => {
    const ids = ['a', 'b', 'c', 'd'];
    const places = [
      [0, 0],
      [40, 0],
      [40, 40],
      [0, 40],
    ] as const;
    const square = (count: number): Machine => ({
      ...newMachine('square'),
      axes: ids.map((id, i) => ({
        id: `axis${id}`,
        frame: 'ground',
        place: { kind: 'given' as const, x: places[i]![0], y: places[i]![1] },
      })),
      members: ids.map((id, i) => ({
        kind: 'arbor' as const,
        id: i === 0 ? 'drive' : `m${id}`,
        name: id,
        axis: `axis${id}`,
      })),
      wheels: ids.map((id, i) => ({
        id,
        name: id,
        member: i === 0 ? 'drive' : `m${id}`,
        toothing: 'toothing1',
        role: 'wheel' as const,
        teeth: { kind: 'count' as const, count },
        layer: 0,
      })),
      joints: ids.map((id, i) => ({
        kind: 'mesh' as const,
        id: `j${i}`,
        type: 'external' as const,
        a: id,
        b: ids[(i + 1) % 4]!,
      })),
    });
    expect(derive(square(20)).phases.findings.map(f => f.code)).to.deep.equal([]);
    const skewed = square(20);
    const moved = {
      ...skewed,
      axes: skewed.axes.map(a =>
        a.id === 'axisc' ? { ...a, place: { kind: 'given' as const, x: 41.3, y: 39 } } : a,
      ),
    };
    expect(derive(moved).phases.findings.map(f => f.code)).to.deep.equal(['phase-clash']);
  });
});
