import { expect } from 'chai';
import { soundFacets } from './sound-facets.ts';
import { isClosed, meshVolume, type TriMesh } from './tri-mesh.ts';

const mesh = (positions: number[], triangles: number[]): TriMesh => ({
  positions: Float64Array.from(positions),
  triangles: Uint32Array.from(triangles),
});
const facets = (m: TriMesh): number => m.triangles.length / 3;

describe('facets as files hold them', () => {
  // A tetrahedron whose edge 0-1 bears a corner 4, with a facet without area between its two halves.
  const [o, x, y, z, middle] = [
    [0, 0, 0],
    [10, 0, 0],
    [0, 10, 0],
    [0, 0, 10],
    [5, 0, 0],
  ];
  const corners = [o, x, y, z, middle].flat() as number[];
  const split = mesh(corners, [0, 2, 1, 0, 4, 3, 4, 1, 3, 0, 3, 2, 1, 2, 3, 0, 1, 4]);

  it('a corner on an edge splits the facet beyond it, and the body stays as it was', () => {
    expect(isClosed(split)).to.equal(true);
    const sound = soundFacets(split);
    expect(isClosed(sound)).to.equal(true);
    expect(facets(sound)).to.equal(6);
    expect(meshVolume(sound)).to.be.closeTo(1000 / 6, 1e-6);
    for (let i = 0; i < sound.triangles.length; i += 3) {
      const [a, b, c] = [0, 1, 2].map(k => {
        const at = 3 * sound.triangles[i + k]!;
        return [...sound.positions.slice(at, at + 3)];
      }) as [number[], number[], number[]];
      const [u, v] = [b, c].map(q => q.map((x, k) => x - a[k]!)) as [number[], number[]];
      const n = [0, 1, 2].map(k => u[(k + 1) % 3]! * v[(k + 2) % 3]! - u[(k + 2) % 3]! * v[(k + 1) % 3]!);
      expect(Math.hypot(...n), 'twice its area').to.be.above(1);
    }
  });

  it('corners that a file would hold as one become one', () => {
    const near = mesh(
      [...o, ...x, ...y, ...z, 10 + 2e-5, 0, 0] as number[],
      [0, 2, 1, 0, 4, 3, 4, 0, 1, 0, 3, 2, 1, 2, 3, 4, 1, 3],
    );
    expect(isClosed(near)).to.equal(true);
    const sound = soundFacets(near);
    expect([isClosed(sound), facets(sound), sound.positions.length / 3]).to.deep.equal([true, 4, 4]);
  });

  it('what is sound stays; what would open stays too', () => {
    const plain = mesh(corners.slice(0, 12), [0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 3]);
    const same = soundFacets(plain);
    expect([isClosed(same), facets(same)]).to.deep.equal([true, 4]);
    expect(meshVolume(same)).to.be.closeTo(meshVolume(plain), 1e-9);
    const open = mesh(corners.slice(0, 12), [0, 2, 1, 0, 1, 3, 0, 3, 2]);
    expect(soundFacets(open)).to.equal(open);
  });
});
