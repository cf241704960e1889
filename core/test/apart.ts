import { expect } from 'chai';
import Module from 'manifold-3d';
import { isClosed, type TriMesh } from '../src/ground/geometry/index.ts';
import { partMaker, type SpaceItem } from '../src/making/solid/index.ts';
import { stancesAt } from '../src/place/motion/index.ts';
import { must } from '../src/ground/result/index.ts';
import type { Derived } from '../src/state/state/index.ts';

/**
 * Expects that bodies of the machine in space are closed and that no two of them share any room at so many positions of
 * a turn of the drive, by a library that is not ours (manifold).
 */
export async function expectApart(d: Derived, items: readonly SpaceItem[], positions: number): Promise<void> {
  const kit = await Module();
  kit.setup();
  const make = partMaker(kit, d);
  const solid = ({ positions: at, triangles }: TriMesh): InstanceType<typeof kit.Manifold> =>
    new kit.Manifold(
      new kit.Mesh({ numProp: 3, vertProperties: Float32Array.from(at), triVerts: triangles }),
    );
  const made = items.map(i => {
    const mesh = must(make({ id: i.body, name: i.body }));
    expect(isClosed(mesh), i.body).to.equal(true);
    return i.over ? solid(mesh).rotate([180, 0, 0]) : solid(mesh);
  });
  for (let k = 0; k < positions; k++) {
    const places = stancesAt(d.moving, { whole: 0n, part: k / positions });
    const stood = items.flatMap((item, n) => {
      const still = { centre: { x: item.at.x, y: item.at.y }, angle: 0 };
      const [stance, body] = [item.place === undefined ? still : places.get(item.place), made[n]];
      if (!stance || !body) throw new Error(`${item.body} stands nowhere`);
      const { centre, angle } = stance;
      const turned = body.rotate([0, 0, ((item.spin + angle) * 180) / Math.PI]);
      return { name: item.body, body: turned.translate([centre.x, centre.y, item.at.z]) };
    });
    stood.forEach((a, n) => {
      for (const b of stood.slice(n + 1))
        expect(a.body.intersect(b.body).volume(), `${k}: ${a.name} and ${b.name}`).to.be.below(1e-6);
    });
  }
}
