import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import { type Machine, readMachine, type Wheel } from '../../document/machine/index.ts';
import { setIndicator, setWheel } from '../../edits/change/index.ts';
import { must, problem } from '../../ground/result/index.ts';
import { onePieces } from '../../place/layout/index.ts';
import { lacksStepOnly, partSteps } from './part-steps.ts';

const demo = (name: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')));
const codes = (m: Machine): string[] => partSteps(derive(m)).left.map(l => l.problem.code);
const names = (m: Machine): string[] => partSteps(derive(m)).files.map(([name]) => name);

describe('parts as STEP', () => {
  it('no wheel whose teeth lean and no part of one piece is written, and each is named', () => {
    const daisy = demo('daisy-bearing');
    expect(names(daisy)).to.deep.equal([]);
    expect(codes(daisy).filter(c => c === 'step-leaning')).to.have.length(3);
    const kit = demo('orchard-turntable');
    const ones = onePieces(kit, derive(kit).layout.pieces);
    expect(ones).to.not.be.empty;
    expect(partSteps(derive(kit)).left.every(lacksStepOnly)).to.equal(true);
    expect(lacksStepOnly({ name: 'ball', problem: problem('ball-no-file', { diameter: 6 }) })).to.equal(
      false,
    );
    expect(codes(kit).filter(c => c === 'step-one-piece')).to.have.length(ones.length);
    for (const id of ones.flatMap(o => o.wheels))
      expect(names(kit)).to.not.include(kit.wheels.find(w => w.id === id)!.name);
  });

  it('a printed hub is written with its wheel, at the back turned over; a tapped hole and a bent arm are named', () => {
    const pair: Machine = {
      ...arrange({ a: {}, b: { at: [30, 0] } }, { 'a.u': 30, 'b.w': 30 }, [['a.u', 'b.w']]),
      processes: [{ id: 'p', name: 'p', kind: 'printer' }],
      process: 'p',
    };
    const hub = (side: 'front' | 'back', more: Partial<Wheel> = {}): Machine =>
      setWheel('a-u', {
        bore: { kind: 'round', diameter: 4 },
        body: { web: { kind: 'solid' }, mark: true, engraved: false, proud: { side, height: 8 } },
        ...more,
      })(pair);
    const lines = (m: Machine): number =>
      partSteps(derive(m))
        .files.find(([n]) => n === 'a.u')![1]
        .split('\n').length;
    const bare = setWheel('a-u', { bore: { kind: 'round', diameter: 4 } })(pair);
    for (const side of ['front', 'back'] as const) {
      expect(codes(hub(side))).to.deep.equal([]);
      expect(lines(hub(side))).to.be.greaterThan(lines(bare));
      expect(codes(hub(side, { hold: 'grub screw' }))).to.deep.equal(['step-without-tap']);
    }
    // Half a turn about x makes its front what was its back: tooth 0 stays, the next is on the other side.
    const heights = (m: Machine): number[] =>
      [
        ...partSteps(derive(m))
          .files.find(([n]) => n === 'a.u')![1]
          .matchAll(/CARTESIAN_POINT\('',\([^,]+,[^,]+,([^)]+)\)/g),
      ].map(p => Number(p[1]));
    expect([Math.min(...heights(hub('back'))), Math.max(...heights(hub('back')))]).to.deep.equal([0, 12]);
    const body = {
      kind: 'body' as const,
      id: 'p',
      name: 'Planet',
      member: 'b',
      settingDeg: 0,
      radius: 6,
      distance: 60,
    };
    const bent = setIndicator('p', { bent: true, lift: 8 })({ ...pair, indicators: [body] });
    expect(codes(bent)).to.deep.equal(['step-bent']);
    expect(names(bent)).to.not.include('arm, Planet');
  });
});
