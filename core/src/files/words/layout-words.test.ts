import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../../state/derive/index.ts';
import { type Machine, readMachine } from '../../document/machine/index.ts';
import { setArbor, setLayout, setWheel } from '../../edits/change/index.ts';
import {
  type Finding,
  type FindingCode,
  type Findings,
  type Fix,
  fix,
  must,
} from '../../ground/result/index.ts';
import { withFix } from '../../../test/find.ts';
import { sayFinding, sayFix } from './index.ts';

const clock = must(
  readMachine(readFileSync(new URL('../../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8')),
);
const say = <C extends FindingCode>(code: C, subjects: string[], data: Findings[C]): string => {
  const found = { code, severity: 'stop', station: 'plan', subjects, data, fixes: [] };
  const { title, why, advice } = sayFinding(found as unknown as Finding, clock);
  return `${title}. ${why} ${advice ?? ''}`;
};
/** What a machine's findings of a code say. */
const said = (m: Machine, code: string): string => {
  const found = derive(m).findings.find(f => f.code === code);
  if (!found) return `no ${code}`;
  const { title, why } = sayFinding(found, m);
  return `${title}. ${why}`;
};

describe('what the layout says', () => {
  it('names both things that strike, and by how much', () => {
    expect(say('wheels-strike', ['wheel1', 'wheel3b'], { overlap: 2.345, moving: false })).to.match(
      /^Tide hand wheel 1 \(83\) strikes Moon-age dial wheel 2 \(105\)\. They overlap by 2\.35 mm in one layer and/,
    );
    expect(say('wheels-strike', ['wheel1', 'wheel3b'], { overlap: 1, moving: true })).to.include(
      'room that they sweep',
    );
    expect(say('arbors-strike', ['arbor1', 'arbor3'], { overlap: 0.5, moving: false })).to.include(
      'Tide hand lay arbor',
    );
    expect(say('pillar-strikes', ['wheel1', 'pillar3'], { overlap: 0.5, moving: false })).to.include(
      'pillar 3',
    );
    expect(say('outside-envelope', ['wheel1'], { overlap: 7, moving: false })).to.match(
      /sticks out.*7\.00 mm/,
    );
  });

  it('of a loop says the distance there is, the one it needs, and the sum of teeth that would close it', () => {
    const text = say('centres-disagree', ['mesh1'], { is: 96, needs: 97.5, sum: 128, now: 130 });
    expect(text).to.match(/stand 96\.000 mm apart; the mesh needs 97\.500 mm: it misses by 1\.500 mm/);
    expect(text).to.include('have to sum to 128');
    expect(text).to.include('they sum to 130');
    expect(say('centres-disagree', ['mesh1'], { is: 96, needs: 97.5 })).to.not.include('NaN');
  });

  it('of bores, tubes and holes says both measures', () => {
    const bored = setWheel('wheel1', { bore: { kind: 'round', diameter: 3 } })(
      setArbor('drive', { section: { kind: 'rod', diameter: 6 } })(clock),
    );
    expect(said(bored, 'bore-not-for-tube')).to.match(
      /Bored 3\.00 mm; the arbor it sits on measures 6\.00 mm/,
    );
    expect(say('tube-binds', ['arbor2', 'drive'], { bore: 4, inner: 4, least: 0.02 })).to.include('0.02 mm');
    expect(say('holes-meet', ['arbor1', 'pillar1'], { bridge: -1, least: 2, plate: 'back' })).to.match(
      /run into each other by 1\.00 mm in the back plate/,
    );
    expect(say('holes-meet', ['arbor1', 'pillar1'], { bridge: 1.2, least: 2, plate: 'front' })).to.match(
      /1\.20 mm of stock/,
    );
    expect(say('hole-at-edge', ['arbor1'], { edge: 0.4, least: 2, plate: 'front' })).to.include(
      '0.40 mm from the edge',
    );
  });

  it('of an arbor held on one side says at which mesh, and whether its teeth push most', () => {
    expect(say('held-one-side', ['arbor4', 'mesh4'], { type: 'external', side: 'back' })).to.not.include(
      'most of all',
    );
    expect(say('held-one-side', ['arbor4', 'mesh4'], { type: 'pegs', side: 'back' })).to.include(
      'pegs most of all',
    );
    expect(said(clock, 'held-one-side')).to.match(/^Moon-age dial is held on one side only/);
  });

  it('of height and room says what there is and what is needed', () => {
    const low = setLayout({ envelope: { ...clock.layout.envelope!, height: 20 } })(clock);
    expect(said(low, 'too-high')).to.match(/come to 29\.0 mm; there are 20\.0 mm/);
    const small = setLayout({ envelope: { region: { kind: 'circle', x: 0, y: 0, diameter: 100 } } })(clock);
    expect(said(small, 'envelope-too-small')).to.match(
      /^Moon-age dial wheel 2 \(105\) is larger than the envelope\. .*162 mm.*100\.0 mm/,
    );
  });

  it('of fixes says what they do, with the name of what they change', () => {
    const said = (...of: Parameters<typeof fix>): string => sayFix(fix(...of), clock);
    expect(said('set-teeth', 'wheel1', 80)).to.equal('Tide hand wheel 1 (83): 80 teeth');
    expect(said('own-module', 'mesh1', 1.51234567)).to.equal('A module of their own, 1.51235 mm');
    expect(said('slot-bearing', 'mesh3', 1)).to.equal('Slots of 2.0 mm');
    expect(said('set-arm-layer', 'drive', 2)).to.equal('Its bar into layer 3');
    expect(said('grow-envelope', 'envelope', 161)).to.equal('Envelope of 161 mm');
  });
});

describe('fixes of the layout', () => {
  const mended = (of: Fix): Machine => withFix(clock, of);

  it('give a pair a module of its own and leave all other wheels theirs', () => {
    const m = mended(fix('own-module', 'mesh3', 1.4));
    const own = m.toothings.at(-1)!;
    expect(own.size).to.deep.equal({ by: 'module', module: 1.4 });
    expect(m.wheels.filter(w => w.toothing === own.id).map(w => w.id)).to.deep.equal(['wheel3', 'wheel3b']);
    expect(m.toothings.length).to.equal(clock.toothings.length + 1);
  });

  it('slot the axis that hangs on the mesh, along it', () => {
    const m = mended(fix('slot-bearing', 'mesh3', 1.5));
    expect(m.axes.filter(a => a.slot).map(a => [a.id, a.slot])).to.deep.equal([
      ['axis3', { joint: 'mesh3', travel: 1.5 }],
    ]);
  });

  it('bore tubes, press bores, hold on both sides, put bars in layers', () => {
    const arbor = (m: Machine, id: string): Extract<Machine['members'][number], { kind: 'arbor' }> =>
      m.members.find(x => x.id === id) as never;
    expect(arbor(mended(fix('set-tube', 'arbor2', 5)), 'arbor2').section).to.deep.equal({
      kind: 'tube',
      bore: 5,
      diameter: 6,
    });
    expect(arbor(mended(fix('support-both', 'arbor4')), 'arbor4').support).to.equal('both');
    expect(arbor(mended(fix('set-arm-layer', 'drive', 3)), 'drive').arm).to.deep.equal({ layer: 3 });
    const pressed = mended(fix('press-bore', 'wheel1')).wheels.find(w => w.id === 'wheel1')!;
    expect(pressed.bore && 'fit' in pressed.bore && pressed.bore.fit).to.equal('press');
  });

  it('grow a round envelope and no other', () => {
    const region = mended(fix('grow-envelope', 'envelope', 300)).layout.envelope!.region;
    expect(region.kind === 'circle' && region.diameter).to.equal(300);
    const none = setLayout({ envelope: undefined })(clock);
    expect(withFix(none, fix('grow-envelope', 'envelope', 300))).to.equal(none);
  });
});
