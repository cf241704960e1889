import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive, foldQuery, layoutOf } from '../../state/derive/index.ts';
import { distance } from '../../ground/geometry/index.ts';
import { type Machine, readMachine } from '../../document/machine/index.ts';
import { setAxis } from '../../edits/change/index.ts';
import { must } from '../../ground/result/index.ts';
import { boxOf, centred, foldCost, weight } from './fold/fold-cost.ts';
import { foldPlan } from './fold/fold-plan.ts';
import { seeded } from '../../ground/rational/index.ts';
import { topologyOf } from './fold/topology.ts';

const demo = (file: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${file}.json`, import.meta.url), 'utf8')));
const ready = (
  m: Machine,
): { plan: ReturnType<typeof foldPlan>; at: Record<string, { x: number; y: number }> } => {
  const d = derive(m);
  const { distances } = foldQuery(d, { starts: 1, wanted: 1, seed: 1, pillarsStay: true });
  return { plan: foldPlan(layoutOf(d), distances), at: d.positions.at };
};
const clock = ready(demo('saltreach-tide-clock'));
const now = clock.plan.turns.map(t => t.now);

describe('a train ready to be folded', () => {
  it('stands, unfolded, where it stands', () => {
    const placed = clock.plan.place(now)!;
    for (const [i, node] of clock.plan.nodes.entries())
      expect(distance(placed[i]!, clock.at[node.axis]!), node.axis).to.be.below(1e-9);
  });

  it('keeps every centre distance however its axes are swung', () => {
    const random = seeded(5);
    const apart = (p: readonly { x: number; y: number }[]): number[] =>
      clock.plan.nodes.flatMap((n, i) => (n.parent === undefined ? [] : [distance(p[i]!, p[n.parent]!)]));
    const before = apart(clock.plan.place(now)!);
    for (let n = 0; n < 30; n++) {
      const swung = clock.plan.place(now.map(() => 7 * random()))!;
      for (const [i, d] of apart(swung).entries()) expect(d).to.be.closeTo(before[i]!, 1e-9);
    }
  });

  it('has an angle for every axis at a mesh, a side for one between two, and none for a locked one', () => {
    expect(clock.plan.turns.map(t => t.kind)).to.deep.equal(['angle', 'angle', 'angle', 'angle', 'angle']);
    const locked = ready(setAxis('axis3', { locked: true })(demo('saltreach-tide-clock')));
    expect(locked.plan.turns.length).to.equal(4);
    expect([clock.plan.moves, locked.plan.moves]).to.deep.equal([true, false]);
  });

  it('counts what arms sweep as round their own line', () => {
    const heron = ready(demo('wading-heron'));
    expect(heron.plan.nodes.length, 'the wheels about one line, and the hip').to.equal(2);
    const [node] = heron.plan.nodes;
    // Rings of 60 at module 1.5 and their rims, or planets of 20 carried 30 mm out: the rings reach furthest.
    expect(node!.reach).to.be.within(45, 60);
  });
});

describe('the weight of an arrangement', () => {
  const { nodes } = clock.plan;
  const { layout } = demo('saltreach-tide-clock');
  const placed = clock.plan.place(now)!;

  it('is nothing wrong as the demo stands, and more the further it is pushed out of its case', () => {
    expect(foldCost(nodes, placed, layout, 0.3, false).wrong).to.equal(0);
    const wrongs = [20, 40, 80].map(
      x =>
        foldCost(
          nodes,
          placed.map(p => ({ x: p.x + x, y: p.y })),
          layout,
          0.3,
          false,
        ).wrong,
    );
    expect([...wrongs].sort((a, b) => a - b)).to.deep.equal(wrongs);
    expect(wrongs[0]).to.be.greaterThan(0);
  });

  it('counts rods that run into each other as wrong', () => {
    const together = placed.map(() => ({ x: 0, y: 0 }));
    expect(foldCost(nodes, together, layout, 0.3, false).wrong).to.be.greaterThan(10);
    expect(weight(foldCost(nodes, together, layout, 0.3, false))).to.be.greaterThan(
      weight(foldCost(nodes, placed, layout, 0.3, false)),
    );
  });

  it('centres the box of everything in the middle of the envelope', () => {
    const region = { kind: 'circle' as const, x: 50, y: 70, diameter: 400 };
    const shift = centred(nodes, placed, region);
    const box = boxOf(
      nodes,
      placed.map(p => ({ x: p.x + shift.x, y: p.y + shift.y })),
    );
    expect((box.minX + box.maxX) / 2).to.be.closeTo(50, 1e-9);
    expect((box.minY + box.maxY) / 2).to.be.closeTo(70, 1e-9);
  });
});

describe('the topology of an arrangement', () => {
  const read = (turns: readonly number[]): string => topologyOf(clock.plan, turns, clock.plan.place(turns)!);

  it('is the same for a mirror image, and for small swings', () => {
    expect(read(now.map(t => -t))).to.equal(read(now));
    expect(read(now.map(t => t + 0.001))).to.equal(read(now));
  });

  it('changes when an axis goes to the other side of the line on which it hangs', () => {
    const kinds = new Set<string>();
    for (let i = 0; i < 24; i++) kinds.add(read(now.map((t, k) => (k === 2 ? t + (i * Math.PI) / 12 : t))));
    expect(kinds.size).to.equal(2);
  });
});

describe('chance', () => {
  it('is the same for the same seed, another for another, and evenly spread', () => {
    const draw = (seed: number, n: number): number[] => {
      const random = seeded(seed);
      return Array.from({ length: n }, () => random());
    };
    expect(draw(1, 5)).to.deep.equal(draw(1, 5));
    expect(draw(1, 5)).to.not.deep.equal(draw(2, 5));
    const many = draw(9, 20_000);
    expect(many.reduce((s, x) => s + x, 0) / many.length).to.be.closeTo(0.5, 0.01);
    for (const x of many) expect(x >= 0 && x < 1).to.equal(true);
  });
});
