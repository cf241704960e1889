import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../../state/derive/index.ts';
import { writeSvg } from '../format/index.ts';
import { type Indicator, newMachine, readMachine, type Machine } from '../../document/machine/index.ts';
import { stancesAt } from '../../place/motion/index.ts';
import { must } from '../../ground/result/index.ts';
import { newIndicator } from '../../edits/indicators/index.ts';
import {
  dialsFirst,
  sideDrawing,
  sideFrame,
  type SideRect,
  type SideRound,
  sideScene,
  sideTeeth,
  type SideView,
} from './index.ts';

const demo = (name: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')));
const tide = derive(demo('saltreach-tide-clock'));
const scene = sideScene(tide);
const turns = { whole: 3n, part: 0.37 };
const frame = (view: SideView): SideRect[] =>
  sideFrame(scene, view, stancesAt(tide.moving, turns), tide.positions.at);
const wheels = (rects: SideRect[]): SideRect[] =>
  rects.filter(r => r.what === 'round' && (r.of as SideRound).kind === 'wheel');

describe('the machine from the side', () => {
  it(
    'every wheel is as wide as it is across, at its layer’s height, where its axis stands, ' +
      'whichever way it is seen',
    () => {
      for (const angle of [0, 0.7, 2, 4.4]) {
        const seen = wheels(frame({ angle, cut: undefined }));
        expect(seen).to.have.length(tide.machine.wheels.length);
        for (const r of seen) {
          const wheel = tide.machine.wheels.find(w => w.id === r.of.id)!;
          expect(r.right - r.left).to.be.closeTo(2 * tide.extents[wheel.id]!.outer, 1e-9);
          expect(r.low).to.equal(tide.layout.stack.layers.get(wheel.layer)!.from);
          const member = tide.machine.members.find(m => m.id === wheel.member)!;
          const p = tide.positions.at[member.kind === 'arbor' ? member.axis : '']!;
          const u = (p.x - scene.middle.x) * Math.cos(angle) + (p.y - scene.middle.y) * Math.sin(angle);
          expect((r.left + r.right) / 2).to.be.closeTo(u, 1e-9);
        }
      }
    },
  );

  it('what is nearer comes later, so that it covers what is behind', () => {
    const rects = frame({ angle: 1.1, cut: undefined });
    rects.slice(1).forEach((r, i) => expect(r.depth).to.be.at.most(rects[i]!.depth));
  });

  it('a cut through the axis of a wheel shows it whole less its bore; at half its radius a chord of √3 r', () => {
    const [angle, wheel] = [0.4, tide.machine.wheels.find(w => w.id === 'wheel4b')!];
    const round = scene.rounds.find(r => r.id === wheel.id)!;
    const p = tide.positions.at['axis4']!;
    const depth = (p.y - scene.middle.y) * Math.cos(angle) - (p.x - scene.middle.x) * Math.sin(angle);
    const faces = (cut: number): number[] =>
      frame({ angle, cut })
        .filter(r => r.of === round && r.cut)
        .map(r => r.right - r.left);
    const through = faces(depth);
    expect(through).to.have.length(2);
    expect(through.reduce((a, b) => a + b)).to.be.closeTo(2 * (round.radius - round.inner), 1e-9);
    expect(faces(depth + round.radius / 2)).to.have.length(1);
    expect(faces(depth + round.radius / 2)[0]).to.be.closeTo(Math.sqrt(3) * round.radius, 1e-9);
    expect(faces(depth - round.radius - 0.01), 'the cut lies before it').to.deep.equal([]);
    expect(
      frame({ angle, cut: depth + round.radius + 0.01 }).filter(r => r.of === round),
      'taken away',
    ).to.deep.equal([]);
  });

  it('the area of the faces of a wheel, over all cuts, is its volume: π (R² − r²) h', () => {
    const round = scene.rounds.find(r => r.id === 'wheel2b')!;
    const step = 0.05;
    let volume = 0;
    for (let cut = -200; cut < 200; cut += step)
      for (const r of frame({ angle: 0, cut }))
        if (r.of === round && r.cut) volume += (r.right - r.left) * (r.high - r.low) * step;
    const exact = Math.PI * (round.radius ** 2 - round.inner ** 2) * (round.high - round.low);
    expect(volume / exact).to.be.closeTo(1, 0.003);
  }).timeout(20000);

  it('shows half of a wheel’s teeth, each where its angle puts it, and moves them as it turns', () => {
    const r = wheels(frame({ angle: 0, cut: undefined })).find(x => x.of.id === 'wheel4b')!;
    const edges: number[] = [];
    sideTeeth(r, 0, u => edges.push(u));
    expect(edges.length).to.be.within(40, 41);
    for (const u of edges) expect(Math.abs(u - r.at)).to.be.at.most((r.of as SideRound).radius);
    const turned: number[] = [];
    sideTeeth({ ...r, angle: r.angle + (2 * Math.PI) / 81 }, 0, u => turned.push(u));
    const sorted = (list: number[]): number[] => [...list].sort((a, b) => a - b);
    sorted(turned).forEach((u, i) =>
      expect(u, 'a whole tooth on looks the same').to.be.closeTo(sorted(edges)[i]!, 1e-6),
    );
  });

  it('what an arm carries moves with it', () => {
    const kestrels = derive(demo('round-of-kestrels'));
    const birds = sideScene(kestrels);
    const at = (part: number): number => {
      const rects = sideFrame(
        birds,
        { angle: 0, cut: undefined },
        stancesAt(kestrels.moving, { whole: 0n, part }),
        kestrels.positions.at,
      );
      const r = rects.find(x => x.of.id === 'bird2wheel')!;
      return (r.left + r.right) / 2 + birds.middle.x;
    };
    const p = kestrels.positions.at['bird2axis']!;
    expect(at(0)).to.be.closeTo(p.x, 1e-9);
    expect(at(0.5), 'half a turn of the arm').to.be.closeTo(
      2 * kestrels.positions.at['axis1']!.x - p.x,
      1e-9,
    );
    expect(birds.bars.filter(b => b.kind === 'arm').length).to.be.above(2);
  });

  it('hands and bodies lie above everything else, and are drawn', () => {
    const quartet = derive(demo('quartet-of-moons'));
    const s = sideScene(quartet);
    const balls = s.bars.filter(b => b.kind === 'body');
    expect(balls).to.have.length(4);
    for (const b of balls) expect(b.low).to.be.at.least(quartet.layout.stack.height);
    const svg = writeSvg(must(sideDrawing(quartet, { angle: 0.3, cut: undefined }, turns)));
    expect(svg.match(/data-role="reference"/g)!.length).to.be.above(20);
    const cut = writeSvg(must(sideDrawing(quartet, { angle: 0.3, cut: 0 }, turns)));
    expect(cut).to.include('data-role="engrave"');
  });
});

describe('the order in which indicators lie', () => {
  it('is dials that turn, dials that stand, then what stands above them, hands last', () => {
    const made = (kind: 'hand' | 'dial' | 'globe', member: string): Indicator => ({
      ...newIndicator(newMachine('m'), kind, 'drive', 20),
      ...({ id: `${kind} ${member}`, member } as object),
    });
    const order = dialsFirst([
      ...[made('hand', 'drive'), made('dial', 'ground'), made('globe', 'drive'), made('dial', 'drive')],
    ]);
    expect(order.map(i => i.id)).to.deep.equal(['dial drive', 'dial ground', 'globe drive', 'hand drive']);
  });
});
