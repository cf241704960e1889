import { expect } from 'chai';
import { Clipper, FillRule } from 'clipper2-ts';
import { KINDS } from '../../../test/kinds.ts';
import type { Machine } from '../../document/machine/index.ts';
import { setWheel } from '../../edits/change/index.ts';
import { flatten, type Point, rotate } from '../../ground/geometry/index.ts';
import { derive } from '../../state/derive/index.ts';
import { AT_REST, stancesAt } from '../motion/index.ts';

/** Pinion of 20 and rack of 30, module 2, the slide in a direction, on one side or the other. */
const racked = (directionDeg: number, opposite: boolean, more: (m: Machine) => Machine = m => m): Machine => {
  const m = KINDS['rack']!;
  return more({
    ...m,
    members: m.members.map(x => (x.kind === 'slide' ? { ...x, directionDeg } : x)),
    joints: m.joints.map(j => (j.kind === 'mesh' && opposite ? { ...j, opposite: true as const } : j)),
  });
};

/** Outline of a wheel where it stands at rest. */
function standing(m: Machine, wheel: string): Point[] {
  const d = derive(m);
  const of = d.machine.wheels.find(w => w.id === wheel)!;
  const { centre, angle } = stancesAt(d.moving, AT_REST).get(of.member)!;
  const phase = of.role === 'rack' ? 0 : (d.phases.at[wheel] ?? 0);
  const figure = d.wheels[wheel]!.figure;
  if (!figure.ok) throw new Error(wheel);
  return flatten(figure.value.outline, 0.001).map(p => {
    const q = rotate(p, angle + phase);
    return { x: q.x + centre.x, y: q.y + centre.y };
  });
}

const common = (a: Point[], b: Point[]): number =>
  Math.abs(Clipper.areaPathsD(Clipper.intersectD([a], [b], FillRule.NonZero, 4)));

describe('a rack in the plan', () => {
  it('stands in mesh with its pinion, in any direction and on either side: no outline in the other', () => {
    for (const direction of [0, 37, 90, 200])
      for (const opposite of [false, true])
        for (const shift of [0, 0.4]) {
          const m = racked(direction, opposite, setWheel('w', { shift }));
          expect(common(standing(m, 'w'), standing(m, 'r')), `${direction} ${opposite}`).to.be.below(1e-3);
          const moved = standing(m, 'r').map(p => {
            // Half a pitch along, teeth stand on teeth.
            const by = Math.PI;
            const along = (direction * Math.PI) / 180;
            return { x: p.x + by * Math.cos(along), y: p.y + by * Math.sin(along) };
          });
          expect(common(standing(m, 'w'), moved)).to.be.greaterThan(1);
        }
  });

  it('lies on its pinion’s right, seen along its direction, its middle beside it at 20 mm', () => {
    const at = (direction: number, opposite: boolean): { across: number; middle: Point } => {
      const d = derive(racked(direction, opposite));
      const [place] = d.racks;
      const { centre, angle } = stancesAt(d.moving, AT_REST).get('slide')!;
      const middle = { x: centre.x + 29 * Math.PI * Math.cos(angle + Math.PI / 2), y: 0 };
      middle.y = centre.y + 29 * Math.PI * Math.sin(angle + Math.PI / 2);
      expect(place!.axis).to.equal(d.machine.axes[0]!.id);
      return { across: Math.hypot(centre.x, centre.y), middle };
    };
    const right = at(0, false).middle;
    expect(right.y, 'sliding to the right: below').to.be.closeTo(-20, 1e-9);
    expect(Math.abs(right.x), 'within half a pitch of its pinion').to.be.at.most(Math.PI + 1e-9);
    expect(at(0, true).middle.y).to.be.closeTo(20, 1e-9);
    expect(at(90, false).middle.x, 'sliding up: on the right').to.be.closeTo(20, 1e-9);
  });
});
