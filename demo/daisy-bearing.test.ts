import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../core/src/state/derive/index.ts';
import { circleCount, readMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { inPlaceSets } from '../core/src/place/layout/index.ts';
import { isClosed, type TriMesh } from '../core/src/ground/geometry/index.ts';
import { printedInPlace, solidParts } from '../core/src/making/solid/index.ts';
import { overlapRatio } from '../core/src/teeth/tooth/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { bearing } from '../scripts/bearing.ts';

const file = readFileSync(new URL('./daisy-bearing.json', import.meta.url), 'utf8');

describe('daisy bearing', () => {
  const machine = must(readMachine(file));
  const d = derive(machine);

  it('is what its script makes, and has nothing to mend', () => {
    expect(writeMachine(bearing())).to.equal(file);
    expect(d.findings.filter(f => f.severity !== 'note')).to.deep.equal([]);
    expect(machine.wheels.map(circleCount)).to.deep.equal([41, 14, 69]);
  });

  it('is three wheels and nothing else: no arm, no rods for the planets', () => {
    const kinds = solidParts(d).map(p => [p.kind, p.number]);
    expect(kinds.filter(([k]) => k === 'wheel')).to.deep.equal([
      ['wheel', 1],
      ['wheel', 10],
      ['wheel', 1],
    ]);
    expect(kinds.filter(([k]) => k === 'arm' || k === 'tube')).to.deep.equal([]);
  });

  it('is printed in mesh as twelve closed bodies that touch nowhere, by a library that is not ours', async function () {
    this.timeout(120_000);
    const { default: Module } = await import('manifold-3d');
    const kit = await Module();
    kit.setup();
    const [set] = inPlaceSets(machine);
    const bodies = must(printedInPlace(kit, d, set!));
    expect(bodies).to.have.length(12);
    const solid = ({ positions, triangles }: TriMesh): InstanceType<typeof kit.Manifold> =>
      new kit.Manifold(
        new kit.Mesh({ numProp: 3, vertProperties: Float32Array.from(positions), triVerts: triangles }),
      );
    const made = bodies.map(b => solid(b.mesh));
    bodies.forEach((b, i) => expect(isClosed(b.mesh), b.name).to.equal(true, String(i)));
    made.forEach((a, i) => {
      for (const b of made.slice(i + 1)) expect(a.intersect(b).volume()).to.be.below(1e-6);
    });
  });

  it('chevrons of 30°, 12 mm high: 14 in 64 of module 2 overlaps by 0.95 and warns of no contact (ISO 21771)', () => {
    // ε_β = b sin β/(π m_n): 12·0.5/(π·2) = 0.955; of one half, which is what meets at a time, 0.477.
    expect(overlapRatio(12, 2, 30)).to.be.closeTo(0.9549, 1e-4);
    expect(d.findings.map(f => f.code)).to.not.include('little-contact');
  });
});
