import { expect } from 'chai';
import Module from 'manifold-3d';
import { DEMOS } from '../../../test/machines.ts';
import type { Machine } from '../../document/machine/index.ts';
import { isClosed, type TriMesh } from '../../ground/geometry/index.ts';
import { derive } from '../../state/derive/index.ts';
import { partMaker, printGrowth, solidParts } from './index.ts';

const PRINTER = {
  ...{ id: 'p', name: 'Printer', kind: 'printer' as const, nozzle: 0.4, layer: 0.2, flare: 0.15 },
  ...{ outlineGrowth: 0.05, holeShrink: 0.15 },
};
const printed = (m: Machine): Machine => ({ ...m, processes: [PRINTER], process: 'p', making: [] });

/** Facets without area once their corners are rounded as a file holds them. */
function flatFacets({ positions, triangles: t }: TriMesh, rounded: (x: number) => number): number {
  const p = positions.map(rounded);
  let flat = 0;
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [0, 1, 2].map(k => 3 * t[i + k]!) as [number, number, number];
    const from = (q: number): number[] => [0, 1, 2].map(k => p[q + k]! - p[a + k]!);
    const [u, v] = [from(b), from(c)] as [number[], number[]];
    const n = [0, 1, 2].map(k => u[(k + 1) % 3]! * v[(k + 2) % 3]! - u[(k + 2) % 3]! * v[(k + 1) % 3]!);
    if (Math.hypot(...n) < 1e-9) flat++;
  }
  return flat;
}

/** How many pieces a mesh falls into that share no corner. */
function shells({ positions, triangles: t }: TriMesh): number {
  const parent = Int32Array.from({ length: positions.length / 3 }, (_, i) => i);
  const find = (x: number): number => {
    let at = x;
    while (parent[at] !== at) at = parent[at] = parent[parent[at]!]!;
    return at;
  };
  for (let i = 0; i < t.length; i += 3) {
    parent[find(t[i]!)] = find(t[i + 1]!);
    parent[find(t[i + 1]!)] = find(t[i + 2]!);
  }
  return new Set(Array.from(t, find)).size;
}

describe('bodies as their files hold them', function () {
  this.timeout(120_000);

  for (const name of [
    'wading-heron',
    'two-noons',
    'saltreach-tide-clock',
    'quartet-of-moons',
    'orchard-turntable',
  ])
    it(`of ${name} are one shell each, without a facet that has no area`, async () => {
      const kit = await Module();
      kit.setup();
      const d = derive(printed(DEMOS[name]!));
      const make = partMaker(kit, d);
      let [seen, facets] = [0, 0];
      for (const part of solidParts(d)) {
        const { growth, process } = printGrowth(d, part);
        const made = make(part, growth, process);
        if (!made.ok) continue;
        seen++;
        expect(isClosed(made.value), part.name).to.equal(true);
        expect(shells(made.value), part.name).to.equal(1);
        const own =
          flatFacets(made.value, Math.fround) + flatFacets(made.value, x => Math.round(x * 1e4) / 1e4);
        expect(own, part.name).to.equal(0);
        facets += made.value.triangles.length / 3;
      }
      expect(seen).to.be.greaterThan(10);
      expect(facets).to.be.greaterThan(5000);
    });
});
