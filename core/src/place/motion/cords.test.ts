import { expect } from 'chai';
import fc from 'fast-check';
import { linkage, pin, slideBeside, standing } from '../../../test/linkage.ts';
import type { Joint, Machine } from '../../document/machine/index.ts';
import { distance, polar } from '../../ground/geometry/index.ts';
import { editForFix } from '../../edits/change/index.ts';
import { fix } from '../../ground/result/index.ts';
import { derive } from '../../state/derive/index.ts';
import { leavesDrum } from './index.ts';

const DEG = Math.PI / 180;
const cord = (more: Partial<Extract<Joint, { kind: 'cord' }>> = {}): Joint => ({
  ...{
    kind: 'cord',
    id: 'j1',
    pin: pin('drive', 20),
    eye: { along: 80, aside: 0 },
    length: 140,
    slide: 'bob',
  },
  ...more,
});
const bob = (joint: Joint, offset = -40): Machine => linkage({}, [slideBeside('bob', offset, 90)], [joint]);
const codes = (m: Machine): string[] => derive(m).findings.map(f => f.code);

describe('cords', () => {
  it('hang a slide as far from the eye as the pin leaves of them', () => {
    const at = standing(bob(cord()));
    // The eye stands at (40, 80): from the pin at 0° it is √(20² + 80²) = 82.4621 away, at 180° √(60² + 80²) = 100.
    expect(at(0)('bob').centre.y).to.be.closeTo(80 - (140 - 82.4621), 5e-5);
    expect(at(180)('bob').centre.y).to.be.closeTo(80 - 40, 1e-9);
    expect(at(0)('bob').centre.x).to.be.closeTo(40, 1e-12);
  });

  it('keep their length wherever pin, eye and line are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 25, noNaN: true }),
        fc.double({ min: -15, max: 15, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.double({ min: -720, max: 720, noNaN: true }),
        fc.boolean(),
        (radius, aside, line, deg, other) => {
          const joint = cord({
            ...{ pin: pin('drive', radius, 40), eye: { along: 90, aside }, length: 190 },
            ...(other && { other }),
          });
          const at = standing(linkage({}, [slideBeside('bob', -30, line)], [joint]))(deg);
          const onPin = polar(at('drive').centre, radius, at('drive').angle + 40 * DEG);
          const [eye, end] = [at('eye j1').centre, at('bob').centre];
          expect(distance(onPin, eye) + distance(eye, end)).to.be.closeTo(190, 1e-9);
          const beyond = (end.x - eye.x) * Math.cos(line * DEG) + (end.y - eye.y) * Math.sin(line * DEG);
          expect(beyond > 0).to.equal(other);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('that are too short are told by how much, and the length offered lets them go round', () => {
    const short = bob(cord({ length: 95 }));
    const found = derive(short).findings.find(f => f.code === 'cord-too-short');
    // The pin is furthest from the eye where it lies in line with it: √(40² + 80²) + 20.
    expect(found?.code === 'cord-too-short' && found.data.least).to.be.closeTo(109.4427, 0.01);
    const fixed = Number(found?.fixes[0]?.value);
    expect(fixed).to.equal(111);
    expect(codes(bob(cord({ length: fixed })))).to.not.include('cord-too-short');
  });

  it('on a drum draw by its rim: π times its diameter for a turn, forwards from its right side', () => {
    for (const opposite of [undefined, true] as const) {
      const m = bob(
        { kind: 'drum', id: 'j1', arbor: 'drive', diameter: 30, slide: 'bob', ...(opposite && { opposite }) },
        opposite ? 15 : -15,
      );
      const at = standing(m);
      const way = at(900)('bob').centre.y - at(0)('bob').centre.y;
      expect(way).to.be.closeTo((opposite ? -1 : 1) * 2.5 * Math.PI * 30, 1e-9);
      expect(codes(m)).to.not.include('cord-aslant');
      expect(codes(m)).to.include('cord-only-draws');
    }
  });

  it('that leave their drum aslant are told, and are laid along its rim', () => {
    const m = bob({ kind: 'drum', id: 'j1', arbor: 'drive', diameter: 30, slide: 'bob' }, -40);
    const found = derive(m).findings.find(f => f.code === 'cord-aslant');
    expect(found?.code === 'cord-aslant' && found.data).to.deep.include({ rim: 15 });
    expect(found?.fixes.map(f => f.code)).to.deep.equal(['line-on-rim']);
    const laid = editForFix(fix('line-on-rim', 'j1'))(m);
    expect(codes(laid)).to.not.include('cord-aslant');
    expect(standing(laid)(0)('bob').centre.x, 'on the right of the drum').to.be.closeTo(15, 1e-9);
  });

  it('leave a drum at a tangent, on the side that is said', () => {
    for (const side of ['right', 'left'] as const) {
      const from = { x: 3, y: -60 };
      const on = leavesDrum(from, { x: 1, y: 2 }, 12, side);
      const [rx, ry, dx, dy] = [on.x - 1, on.y - 2, from.x - on.x, from.y - on.y];
      expect(Math.hypot(rx, ry)).to.be.closeTo(12, 1e-12);
      expect(rx * dx + ry * dy, 'square to the radius').to.be.closeTo(0, 1e-9);
      expect(on.x > 1, 'the slide goes upwards').to.equal(side === 'right');
    }
  });
});
