import { expect } from 'chai';
import { KINDS } from '../../../test/kinds.ts';
import { linkage, pin } from '../../../test/linkage.ts';
import { deletionOf } from '../../edits/edit/index.ts';
import { hardwareList } from '../../making/lists/index.ts';
import { must } from '../../ground/result/index.ts';
import { editForFix } from '../../edits/change/index.ts';
import { byId, type Joint, type Machine } from '../../document/machine/index.ts';
import type { Finding } from '../../ground/result/index.ts';
import { linkPins, linkPlates } from '../../place/layout/index.ts';
import { derive, wheelPlane } from '../derive/index.ts';

/** A wheel of 60 teeth of module 2 whose face carries the pin of a cord, and another arbor. */
const cords = KINDS['cord through an eye, cord on a drum']!;
const pinned = (change: Partial<Extract<Joint, { kind: 'cord' }>['pin']>): Machine => ({
  ...cords,
  joints: cords.joints.map(j => (j.kind === 'cord' ? { ...j, pin: { ...j.pin, ...change } } : j)),
});
const told = (m: Machine, code: string): Finding | undefined => derive(m).findings.find(f => f.code === code);
const mended = (m: Machine, f: Finding): Machine =>
  editForFix(f.fixes[0] as Parameters<typeof editForFix>[0])(m);

describe('pins on faces of wheels', () => {
  it('make a hole in the wheel where they are said to stand, however its teeth are turned, and no arm', () => {
    const d = derive(pinned({ member: 'winch', wheel: 'other', radius: 12, angleDeg: 30 }));
    const wheel = byId(d.machine.wheels, 'other')!;
    const { holes } = must(wheelPlane(d, wheel));
    const phase = d.phases.at['other']!;
    expect(Math.abs(phase), 'tooth 0 does not stand at 0°').to.be.above(0.1);
    const [x, y] = [12 * Math.cos(Math.PI / 6 - phase), 12 * Math.sin(Math.PI / 6 - phase)];
    const middles = holes.map(h => {
      const far = h.segments.map(s => s.to);
      const all = [h.start, ...far];
      return {
        x: all.reduce((s, p) => s + p.x, 0) / all.length,
        y: all.reduce((s, p) => s + p.y, 0) / all.length,
      };
    });
    expect(
      middles.some(m => Math.hypot(m.x - x, m.y - y) < 2),
      'a hole is there',
    ).to.equal(true);
    expect(linkPlates(pinned({})).map(p => p.kind)).to.not.include('crank');
  });

  it('are told where they stand outside their roots, and in their hub; the mend puts them inside', () => {
    for (const [radius, code] of [
      [58, 'pin-outside-wheel'],
      [1, 'pin-in-hub'],
    ] as const) {
      const found = told(pinned({ radius }), code);
      expect(found?.fixes.map(f => f.code)).to.deep.equal(['set-pin-out', 'pin-on-arm']);
      const better = mended(pinned({ radius }), found!);
      expect(told(better, 'pin-outside-wheel') ?? told(better, 'pin-in-hub')).to.equal(undefined);
    }
    // 60 teeth of module 2: roots at 57.5 (rack of ISO 53); a pin of 3 mm with half as much about it goes to 54.5.
    const found = told(pinned({ radius: 58 }), 'pin-outside-wheel');
    expect(found?.code === 'pin-outside-wheel' && found.data.most).to.be.closeTo(54.5, 1e-9);
    expect(told(pinned({ radius: 20 }), 'pin-outside-wheel')).to.equal(undefined);
  });

  it('stand on an arm of their own when their wheel is deleted: the joint stays', () => {
    const { machine } = deletionOf(cords, 'face');
    const joint = machine.joints.find(j => j.kind === 'cord');
    expect(joint?.kind === 'cord' && joint.pin).to.deep.equal({ member: 'drive', radius: 20, angleDeg: 0 });
    expect(linkPlates(machine).map(p => p.kind)).to.include('crank');
  });

  it('are bought with their cords, each as long as it is said', () => {
    const { columns, rows } = hardwareList(derive(cords));
    const found = rows.filter(r => r[columns.indexOf('item')] === 'cord');
    expect(found.map(r => [r[columns.indexOf('length mm')], r[columns.indexOf('for')]])).to.have.deep.members(
      [
        [150, 'bob'],
        ['', 'bucket'],
      ],
    );
  });

  it('are told where their wheel is on another arbor', () => {
    const found = told(pinned({ wheel: 'other' }), 'pin-on-other');
    const joint = mended(pinned({ wheel: 'other' }), found!).joints.find(j => j.kind === 'cord');
    expect(joint?.kind === 'cord' && joint.pin.wheel).to.equal(undefined);
  });

  it('carry a rod over their wheel, on a pin that stands in it', () => {
    const m: Machine = {
      ...cords,
      members: [...cords.members, { kind: 'link', id: 'rod', name: 'rod', length: 70 }],
      joints: [
        ...cords.joints.filter(j => j.kind === 'mesh'),
        {
          ...{ kind: 'crank', id: 'c', rod: 'rod', slide: 'bob' },
          pin: { member: 'drive', radius: 20, angleDeg: 0, wheel: 'face' },
        },
      ],
    };
    expect(linkPins(m).map(p => p.in)).to.deep.equal(['face', 'slide bob']);
    const rod = linkPlates(m).find(p => p.kind === 'rod')!;
    expect(rod.layer).to.be.above(byId(m.wheels, 'face')!.layer);
  });

  it('a slot that would reach its arm’s bore is told how near it comes', () => {
    const slot: Joint = { kind: 'slot', id: 's', pin: pin('drive', 20), driven: 'arm', slotDeg: 90 };
    const near = told(linkage({ arm: [0, -22] }, [], [slot]), 'slot-reaches-arbor');
    expect(near?.code === 'slot-reaches-arbor' && near.data.near).to.be.closeTo(2, 1e-9);
    expect(told(linkage({ arm: [0, -40] }, [], [slot]), 'slot-reaches-arbor')).to.equal(undefined);
  });
});

describe('racks that run off', () => {
  it('a 14-tooth pinion of module 2 moves its rack 87.96 mm a turn; one of 20 teeth is off it after 1.43 turns', () => {
    const rack = KINDS['rack']!;
    const counted: Machine = {
      ...rack,
      toothings: rack.toothings.map(t => ({ ...t, size: { by: 'module', module: 2 } })),
      wheels: rack.wheels.map(w => ({ ...w, teeth: { kind: 'count', count: w.role === 'rack' ? 20 : 14 } })),
    };
    const found = told(counted, 'rack-runs-off');
    if (found?.code !== 'rack-runs-off') throw new Error('not told');
    expect(found.data.turn).to.be.closeTo(87.96, 0.005);
    expect(found.data.whole).to.be.closeTo(1.43, 0.005);
    expect(found.data.forwards + found.data.backwards).to.be.closeTo(20 / 14, 1e-12);
  });

  it('one whose pinion swings runs off where the swing is longer than it is, and else not', () => {
    const swinging = (teeth: number): Machine => {
      const m = linkage(
        { rocker: [80, 0] },
        [
          { kind: 'link', id: 'coupler', name: 'coupler', length: 75 },
          { kind: 'slide', id: 'slide', name: 'slide', frame: 'ground', x: 0, y: 0, directionDeg: 90 },
        ],
        [
          {
            ...{ kind: 'four-bar', id: 'j1', rod: 'coupler', pin: pin('drive', 20) },
            to: { member: 'rocker', radius: 50, angleDeg: 90 },
          },
          { kind: 'mesh', id: 'm1', type: 'rack', a: 'pinion', b: 'rack' },
        ],
      );
      const wheel = KINDS['rack']!.wheels[0]!;
      const count = (n: number): { kind: 'count'; count: number } => ({ kind: 'count', count: n });
      return {
        ...m,
        toothings: KINDS['rack']!.toothings,
        wheels: [
          { ...wheel, id: 'pinion', member: 'rocker', teeth: count(60) },
          { ...wheel, id: 'rack', member: 'slide', role: 'rack', teeth: count(teeth) },
        ],
      };
    };
    // The rocker swings through some 47°: 8 of the pinion’s 60 teeth.
    expect(told(swinging(40), 'rack-runs-off')).to.equal(undefined);
    expect(told(swinging(4), 'rack-runs-off')?.severity).to.equal('warn');
  });
});
