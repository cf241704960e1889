import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { derive, layoutOf } from '../../state/derive/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { layersFound } from '../../edits/edit/index.ts';
import { type Machine, newAim } from '../../document/machine/index.ts';
import { setLayout } from '../../edits/change/index.ts';
import { must } from '../../ground/result/index.ts';
import { sayProblem } from '../../files/words/index.ts';
import { clearancesOf, findLayers, layoutParts, withLayers } from './index.ts';

/** Strikes and clashes that layers decide, by the clearances themselves; axes and extents do not change with layers. */
function strikes(m: Machine, d: Derived = derive(m)): number {
  const motion = { rates: d.train.rates, uneven: new Set<string>(), at: d.positions.at };
  const parts = layoutParts(m, motion, d.extents);
  return clearancesOf(parts).filter(c => c.gap < -1e-6).length + parts.spans.clashes.length;
}

/** The fewest layers without strikes, by trying every assignment of the meshes. */
function fewest(m: Machine, most: number): number | undefined {
  const d = derive(m);
  const groups = m.joints.map(j => (j.kind === 'mesh' ? [j.a, j.b] : []));
  for (let layers = 1; layers <= most; layers++) {
    const total = layers ** groups.length;
    for (let n = 0; n < total; n++) {
      const laid = m.wheels.map(w => {
        const g = groups.findIndex(ids => ids.includes(w.id));
        return { ...w, layer: Math.floor(n / layers ** g) % layers };
      });
      if (strikes({ ...m, wheels: laid }, d) === 0) return layers;
    }
  }
  return undefined;
}

/** A train of pairs from axis to axis at chance places. */
function train(
  counts: readonly (readonly [number, number])[],
  turns: readonly number[],
  outputs: boolean,
): Machine {
  const names = counts.map((_, i) => `b${i}`);
  const arbors = Object.fromEntries([
    ['drive', {}],
    ...names.map(n => [n, { at: [0, 0] as const }] as const),
  ]);
  const wheels = Object.fromEntries(
    counts.flatMap(([a, b], i) => [
      [`${i === 0 ? 'drive' : names[i - 1]}.d${i}`, a],
      [`${names[i]}.w${i}`, b],
    ]),
  );
  const pairs = counts.map(
    (_, i) => [`${i === 0 ? 'drive' : names[i - 1]}.d${i}`, `${names[i]}.w${i}`] as const,
  );
  const m = arrange(arbors, wheels, pairs);
  const hung: Machine = {
    ...m,
    axes: m.axes.map((a, i) =>
      i === 0 ? a : { ...a, place: { kind: 'mesh', joint: `m${i - 1}`, angleDeg: turns[i - 1] ?? 0 } },
    ),
  };
  return outputs
    ? { ...hung, aims: names.map(n => ({ ...newAim(hung, n, '1 d'), id: `aim-${n}`, member: n })) }
    : hung;
}

describe('layers that are found', () => {
  it('are as few as trying every assignment finds, and nothing strikes in them', () => {
    const count = fc.integer({ min: 8, max: 40 });
    const pair = fc.tuple(count, count);
    fc.assert(
      fc.property(
        fc.array(pair, { minLength: 2, maxLength: 3 }),
        fc.array(fc.integer({ min: 0, max: 359 }), { minLength: 4, maxLength: 4 }),
        fc.boolean(),
        (counts, turns, outputs) => {
          const m = setLayout({ clearance: 0 })(train(counts, turns, outputs));
          const brute = fewest(m, counts.length + 1);
          const found = findLayers(layoutOf(derive(m)));
          expect(found.ok).to.equal(brute !== undefined);
          if (!found.ok) return;
          expect(strikes(withLayers(m, found.value))).to.equal(0);
          expect(found.value.layers).to.equal(brute);
          expect(found.value.least).to.be.at.most(found.value.layers);
        },
      ),
      { numRuns: 25 },
    );
  }).timeout(60_000);

  it('of a straight row of equal wheels are three: every other pair overlaps by two addenda', () => {
    const m = train(
      [
        [20, 20],
        [20, 20],
        [20, 20],
      ],
      [0, 0, 0],
      false,
    );
    const found = must(findLayers(layoutOf(derive(m))));
    expect([found.layers, found.least]).to.deep.equal([3, 3]);
  });

  it('have a proven least: wheels that strike each other pairwise need a layer each', () => {
    const m = train(
      [
        [30, 12],
        [40, 12],
        [40, 12],
      ],
      [0, 180, 0],
      false,
    );
    const found = must(findLayers(layoutOf(derive(m))));
    expect(found.least).to.be.at.least(2);
    expect(fewest(m, found.layers)).to.equal(found.layers);
  });

  it('fail with a sentence where no order works, and nothing is moved', () => {
    // The wheel of 60 on a covers the arbor of c, which passes every layer between the plates.
    const m = arrange(
      { a: {}, b: { at: [100, 0] }, c: { at: [30, 0] } },
      { 'a.w': 60, 'b.w': 40, 'c.w': 10 },
      [['a.w', 'b.w']],
    );
    const plates = {
      thickness: 4,
      margin: 5,
      shape: 'round the holes' as const,
      fit: 'free' as const,
      pillars: [],
    };
    const stood = setLayout({ plates })(m);
    const found = layersFound(stood);
    expect(found.ok).to.equal(false);
    if (!found.ok) expect(sayProblem(found.problem)).to.match(/a.w|c.w/);
    expect(layersFound(m).ok, 'without plates c need not pass').to.equal(true);
  });

  it('keep wheels that mesh together, and put bars of arms where they sweep clear', () => {
    const set = arrange(
      {
        sun: {},
        arm: { with: 'sun' },
        ring: { with: 'sun', held: true },
        planet: { frame: 'arm', at: [42, 0], copies: 3 },
      },
      { 'sun.w': 24, 'planet.w': 18, 'ring.ring': 60 },
      [
        ['sun.w', 'planet.w'],
        ['planet.w', 'ring.ring', 'internal'],
      ],
    );
    const laid = must(layersFound(set));
    const layers = new Set(laid.wheels.map(w => w.layer));
    expect(layers.size).to.equal(1);
    const arm = laid.members.find(m => m.id === 'arm')!;
    expect(arm.kind === 'arbor' && arm.arm!.layer).to.not.equal([...layers][0]);
    expect(strikes(laid)).to.equal(0);
  });

  it('of an empty machine are none', () => {
    const none = arrange({ a: {} }, {}, []);
    expect(must(findLayers(layoutOf(derive(none))))).to.deep.include({ layers: 0, least: 0 });
  });
});
