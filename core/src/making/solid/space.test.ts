import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { KINDS } from '../../../test/kinds.ts';
import { derive } from '../../state/derive/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { axisOfWheel, type Machine, meshes, readMachine, type Wheel } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { CHORD_ERROR, bevelApex } from '../../teeth/tooth/index.ts';
import { inSpace, spaceFrames } from '../../place/layout/index.ts';
import type { Space } from '../../ground/geometry/index.ts';
import { spaceScene } from './index.ts';

const demo = (name: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')));
const dot = (a: Space, b: Space): number => a.x * b.x + a.y * b.y + a.z * b.z;
const far = (a: Space, b: Space): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);

/** The middle of a wheel's bed face, and the way its own upright points. */
function standsAt(d: Derived, wheel: Wheel): { bed: Space; up: Space } {
  const frame = spaceFrames(d, 0).get(axisOfWheel(d.machine, wheel)!)!;
  const item = spaceScene(d).items.find(i => i.body.replace(/^standing /, '') === wheel.id)!;
  const at = d.positions.at[axisOfWheel(d.machine, wheel)!]!;
  const up = item.over ? { x: -frame.z.x, y: -frame.z.y, z: -frame.z.z } : frame.z;
  return { bed: inSpace(frame, at, item.at.z), up };
}

describe('the machine in space', function () {
  this.timeout(120_000);

  it('frames are right-handed and at right angles, whatever they hang on', () => {
    for (const machine of [...Object.values(KINDS), demo('ossel-brine-pump'), demo('wading-heron')]) {
      for (const f of spaceFrames(derive(machine), 3).values()) {
        for (const v of [f.x, f.y, f.z]) expect(dot(v, v)).to.be.closeTo(1, 1e-9);
        expect(dot(f.x, f.y)).to.be.closeTo(0, 1e-9);
        expect(dot(f.y, f.z)).to.be.closeTo(0, 1e-9);
        const z = {
          x: f.x.y * f.y.z - f.x.z * f.y.y,
          y: f.x.z * f.y.x - f.x.x * f.y.z,
          z: f.x.x * f.y.y - f.x.y * f.y.x,
        };
        expect(far(z, f.z)).to.be.below(1e-9);
      }
    }
  });

  for (const opposite of [false, true])
    it(`bevels have one apex, and axes at their shaft angle${opposite ? ', also on the other side' : ''}`, () => {
      const base = demo('ossel-brine-pump');
      const machine = {
        ...base,
        joints: base.joints.map(j =>
          j.kind === 'mesh' && j.type === 'bevel' && opposite ? { ...j, opposite: true as const } : j,
        ),
      };
      const d = derive(machine);
      const mesh = meshes(machine).find(j => j.type === 'bevel')!;
      const pair = [mesh.a, mesh.b].map(id => machine.wheels.find(w => w.id === id)!);
      const apexes = pair.map(w => {
        const { bed, up } = standsAt(d, w);
        const high = bevelApex(d.wheels[w.id]?.teeth, CHORD_ERROR)!;
        return { x: bed.x + up.x * high, y: bed.y + up.y * high, z: bed.z + up.z * high };
      });
      expect(far(apexes[0]!, apexes[1]!)).to.be.below(1e-6);
      const [a, b] = pair.map(w => standsAt(d, w).up);
      const angle = (Math.acos(dot(a!, b!)) * 180) / Math.PI;
      expect(angle).to.be.closeTo(90, 1e-6);
    });

  it('discs of pegs stand at right angles, their pegs reach past each other by their length at the near side', () => {
    const d = derive(demo('ossel-brine-pump'));
    const mesh = meshes(d.machine).find(j => j.type === 'pegs')!;
    const [p, q] = [mesh.a, mesh.b].map(id => d.machine.wheels.find(w => w.id === id)!);
    const [a, b] = [standsAt(d, p!), standsAt(d, q!)];
    expect(dot(a.up, b.up)).to.be.closeTo(0, 1e-9);
    const form = d.machine.toothings.find(t => t.id === p!.toothing)!.form as { pegLength: number };
    const thick = (w: Wheel): number => w.thickness ?? d.machine.stack.thickness;
    const radius = (w: Wheel): number => d.wheels[w.id]!.dimensions.pitchRadius;
    const middle = { x: b.bed.x - a.bed.x, y: b.bed.y - a.bed.y, z: b.bed.z - a.bed.z };
    // Along the first one's axis the second one's middle is as far over its face as its own pegs reach down, to
    // half a peg.
    expect(dot(middle, a.up)).to.be.closeTo(thick(p!) + form.pegLength / 2 + radius(q!), 1e-6);
    expect(-dot(middle, b.up)).to.be.closeTo(thick(q!) + form.pegLength / 2 + radius(p!), 1e-6);
  });

  it('of wheels side by side is the plan with the heights of the layout', () => {
    const d = derive(demo('two-noons'));
    const scene = spaceScene(d);
    for (const f of scene.frames.values())
      expect([f.z.z, f.origin.x, f.origin.y, f.origin.z]).to.deep.equal([1, 0, 0, 0]);
    for (const w of d.machine.wheels) {
      const items = scene.items.filter(i => i.body === w.id);
      expect(items.length).to.equal(1);
      expect(items[0]!.at.z).to.equal(d.layout.stack.layers.get(w.layer)!.from);
    }
    const groups = new Set(scene.items.map(i => i.group));
    expect([...groups]).to.include.members(['wheels', 'arbors', 'dials and hands']);
  });

  it('shows every planet, each where its copy is', () => {
    const d = derive(demo('wading-heron'));
    const scene = spaceScene(d);
    for (const copy of d.moving.copies) {
      const wheel = d.machine.wheels.find(w => w.member === copy.member)!;
      const alike = d.moving.copies.filter(c => c.member === copy.member).length;
      expect(scene.items.filter(i => i.body === wheel.id).length).to.equal(1 + alike);
    }
    expect(new Set(scene.items.map(i => `${i.body} ${i.place}`)).size).to.be.at.least(
      scene.items.length - d.layout.pieces.length * 4,
    );
  });
});
