import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { KINDS } from '../../../test/kinds.ts';
import {
  byId,
  type Indicator,
  type Machine,
  newAim,
  newMachine,
  recounted,
} from '../../document/machine/index.ts';
import { READY } from '../../edits/arrangements/index.ts';
import { editForFix, setArbor, setHelix, setWheel } from '../../edits/change/index.ts';
import { sayFinding } from '../../files/words/index.ts';
import { eyeOf, sideScene } from '../../files/drawings/index.ts';
import type { Finding, FindingCode } from '../../ground/result/index.ts';
import { must } from '../../ground/result/index.ts';
import { derive } from '../derive/index.ts';

const PLATES: Machine['layout'] = {
  keepOuts: [],
  plates: { thickness: 4, margin: 8, fit: 'free', shape: 'round the holes', pillars: [] },
} as never;
const plated = (m: Machine): Machine => ({ ...m, layout: { ...m.layout, ...PLATES } });
const found = (m: Machine, code: FindingCode): Finding | undefined =>
  derive(m).findings.find(f => f.code === code);
const mended = (m: Machine, f: Finding): Machine => editForFix(f.fixes[0] as never)(m);
const pair = (): Machine =>
  arrange({ a: {}, b: { at: [60, 0] } }, { 'a.u': 20, 'b.v': 40 }, [['a.u', 'b.v']]);

describe('whether a machine can stand', () => {
  it('is not judged without plates, which is said', () => {
    expect(found(newMachine('empty'), 'stands-in-nothing')).to.equal(undefined);
    expect(found(pair(), 'stands-in-nothing')?.severity).to.equal('note');
    expect(found(plated(pair()), 'stands-in-nothing')).to.equal(undefined);
    const held = setArbor('b', { held: 'ground' })(pair());
    expect(sayFinding(found(held, 'stands-in-nothing')!, held).why).to.contain('holds b still');
  });

  it('an orrery arm’s fixed wheels are held by a rod through the arm’s tube, down to the back plate', () => {
    const arm = READY.find(r => r.id === 'orrery-arm')!;
    const offered = Object.fromEntries(arm.fields.map(f => [f.key, f.offered]));
    const m = plated(must(arm.build(newMachine('orrery'), offered)));
    const fixed = m.members.find(x => x.name === 'Fixed wheels')!.id;
    const { spans, stack, sizes } = derive(m).layout;
    expect(found(m, 'held-by-nothing')).to.equal(undefined);
    expect(spans.of.get('drive')!.within).to.include(fixed);
    expect(spans.of.get(fixed)!.whole.from).to.be.at.most(stack.back!.from);
    expect(sizes.get('drive')!.bore).to.be.greaterThan(sizes.get(fixed)!.diameter);
  });

  it('a held ring is held by lugs, a wall or glue to the plate beside it; else that is told, and mended', () => {
    const ring = (layer: number, change: Partial<Machine['wheels'][number]> = {}, held = true): Machine => {
      const m = plated(
        arrange(
          { a: {}, arm: { with: 'a' }, p: { frame: 'arm', at: [36, 0] }, r: { with: 'a', held } },
          { 'a.u': 24, 'p.v': 18, 'r.ring': 60 },
          [
            ['a.u', 'p.v'],
            ['p.v', 'r.ring', 'internal'],
          ],
        ),
      );
      return { ...m, wheels: m.wheels.map(w => ({ ...w, layer, ...(w.role === 'ring' ? change : {}) })) };
    };
    const bare = found(ring(2), 'held-by-nothing')!;
    expect(bare.data).to.deep.equal({ what: 'ring' });
    const lugged = mended(ring(2), bare);
    expect(found(lugged, 'held-by-nothing')).to.equal(undefined);
    // Three rods through the lugs into both plates, outside the rim.
    const { layout, extents } = derive(lugged);
    expect(layout.lugRods).to.have.length(3);
    const id = lugged.wheels.find(w => w.role === 'ring')!.id;
    for (const rod of layout.lugRods) {
      expect(Math.hypot(rod.at.x, rod.at.y)).to.be.above(extents[id]!.outer + rod.diameter / 2);
      for (const plate of layout.plates)
        expect(plate.holes.some(h => Math.hypot(h.at.x - rod.at.x, h.at.y - rod.at.y) < 1e-9)).to.equal(true);
    }
    expect(found(ring(2, { hold: 'glue' }), 'held-by-nothing'), 'glued to the plate beside it').to.equal(
      undefined,
    );
    expect(found(ring(2, { hold: 'loose' }), 'held-by-nothing')).to.not.equal(undefined);
    const deep = { ...ring(2, { hold: 'glue' }) };
    const more = [-3, 6].map(layer => ({ ...deep.wheels[0]!, id: `at${layer}`, layer }));
    expect(
      found({ ...deep, wheels: [...deep.wheels, ...more] }, 'held-by-nothing'),
      'no plate beside',
    ).to.not.equal(undefined);
    // One that turns something needs a wall; a ring that turns nothing is a bearing.
    expect(found(ring(2, {}, false), 'ring-off-arbor')).to.equal(undefined);
    const turning: Machine = { ...ring(2, {}, false), drive: { member: 'r', speed: { kind: 'free' } } };
    const off = found(turning, 'ring-off-arbor')!;
    const walled = mended(turning, off);
    expect(found(walled, 'ring-off-arbor')).to.equal(undefined);
    expect(derive(walled).layout.spans.of.get('r')).to.not.equal(undefined);
  });

  it('a drive turned by hand has an end for its crank, or is told and mended', () => {
    const m: Machine = { ...pair(), drive: { member: 'a', by: 'hand', speed: { kind: 'free' } } };
    const f = found(m, 'crank-no-seat')!;
    expect(found(pair(), 'crank-no-seat'), 'no hand turns it').to.equal(undefined);
    expect(found(mended(m, f), 'crank-no-seat')).to.equal(undefined);
    expect(derive(mended(m, f)).layout.spans.of.get('a')!.whole.from).to.be.below(0);
  });

  it('a bore with flats needs a rod with them', () => {
    for (const bore of [
      { kind: 'hex', across: 5 },
      { kind: 'square', across: 4 },
      { kind: 'D', diameter: 5, flat: 4.5 },
    ] as const) {
      const m = setWheel('a-u', { bore })(pair());
      const f = found(m, 'bore-on-round')!;
      expect(f.data, bore.kind).to.deep.equal({ bore: bore.kind });
      expect(found(mended(m, f), 'bore-on-round')).to.equal(undefined);
    }
    expect(found(pair(), 'bore-on-round')).to.equal(undefined);
  });

  it('bodies at one radius about one line meet; the outer one is put out of the way', () => {
    const body = (id: string, member: string, distance: number): Indicator => ({
      ...{ id, name: id, kind: 'body', member, radius: 6, distance, settingDeg: 0 },
    });
    const two = arrange(
      { a: {}, t: { with: 'a' }, b: { at: [60, 0] } },
      { 'a.u': 20, 'b.v': 40, 't.w': 30 },
      [['a.u', 'b.v']],
    );
    const m: Machine = { ...two, indicators: [body('venus', 'a', 60), body('mars', 't', 65)] };
    const f = found(m, 'bodies-meet')!;
    expect(f.data).to.deep.equal({ overlap: 7 });
    expect(f.subjects).to.deep.equal(['venus', 'mars']);
    expect(found(mended(m, f), 'bodies-meet')).to.equal(undefined);
    expect(
      found({ ...m, indicators: [body('venus', 'a', 60), body('mars', 'b', 60)] }, 'bodies-meet'),
    ).to.equal(undefined);
  });

  it('nested tubes end one beyond the other, the hand of the outer one lies below, a dial lets all through', () => {
    const three = arrange(
      { a: {}, t: { with: 'a' }, o: { with: 'a' }, lay: { at: [60, 0] } },
      { 'a.u': 20, 'lay.v': 40, 't.w': 30, 'lay.x': 30, 'o.y': 40, 'lay.z': 20 },
      [
        ['a.u', 'lay.v'],
        ['t.w', 'lay.x'],
        ['o.y', 'lay.z'],
      ],
    );
    const hand = (id: string, member: string): Indicator => ({
      ...{ id, name: id, kind: 'hand', member, radius: 30, settingDeg: 0, shape: 'tapered' },
    });
    const dial = {
      ...{
        id: 'dial',
        name: 'dial',
        kind: 'dial',
        member: 'ground',
        axis: 'on-a',
        radius: 40,
        settingDeg: 0,
      },
      ...{ sense: 'clockwise', rings: [], windows: [] },
    } as Indicator;
    const m: Machine = { ...three, indicators: [hand('ha', 'a'), hand('ht', 't'), hand('ho', 'o'), dial] };
    const d = derive(m);
    const { sizes, spans, stack } = d.layout;
    const byWidth = ['a', 't', 'o'].sort((p, q) => sizes.get(p)!.diameter - sizes.get(q)!.diameter);
    expect(sizes.get(byWidth[0]!)!.diameter).to.be.below(sizes.get(byWidth[2]!)!.diameter);
    const tops = byWidth.map(id => spans.of.get(id)!.whole.to);
    // Each stands out past the one round it by the hand that sits on it, and the air before that.
    expect(tops[0]! - tops[1]!).to.be.closeTo(1.6 + 0.4, 1e-9);
    expect(tops[1]! - tops[2]!).to.be.closeTo(1.6 + 0.4, 1e-9);
    expect(tops[2]!).to.be.greaterThan(stack.height);
    const lows = byWidth.map(id => sideScene(d).bars.find(b => b.id === `h${id}`)!.low);
    expect(lows, 'inner ones above').to.deep.equal([...lows].sort((p, q) => q - p));
    expect(new Set(lows).size).to.equal(3);
    expect(eyeOf(d, dial)!).to.be.at.least(sizes.get(byWidth[2]!)!.diameter);
    const p = derive(plated(m));
    expect(eyeOf(p, dial)!, 'in plates').to.be.at.least(p.layout.sizes.get(byWidth[2]!)!.diameter);
  });

  it('a stud beyond the front plate keeps its hole there', () => {
    const base = plated(pair());
    const m: Machine = {
      ...base,
      layout: { ...base.layout, plates: { ...base.layout.plates!, front: 0 } },
      wheels: base.wheels.map(w => ({ ...w, layer: w.member === 'b' ? 2 : 0 })),
      members: base.members.map(x =>
        x.kind === 'arbor' && x.id === 'b' ? { ...x, support: 'front' as const } : x,
      ),
    };
    const d = derive(m);
    const front = d.layout.plates.find(p => p.side === 'front')!;
    expect(front.holes.map(h => h.for)).to.include('b');
  });

  it('says at every station what of a joint is not worked out there, and calls none of it fine', () => {
    const at = (m: Machine): string[] =>
      derive(m)
        .findings.filter(f => f.code === 'not-worked-out')
        .map(f => f.station)
        .sort();
    expect(at(KINDS['chain over three wheels']!)).to.deep.equal(['make', 'plan', 'teeth']);
    expect(at(KINDS['ratchet']!)).to.deep.equal(['make', 'plan', 'run']);
    expect(at(KINDS['crank and rod']!)).to.deep.equal([]);
    expect(at(pair())).to.deep.equal([]);
    const spiral = {
      ...pair(),
      toothings: [{ ...pair().toothings[0]!, form: { kind: 'spiral', least: 10, most: 20 } as const }],
    };
    expect(at(spiral), 'a spiral pair has no law').to.include('run');
    for (const f of derive(spiral).findings.filter(x => x.code === 'teeth-not-drawn'))
      expect(f.severity).to.equal('warn');
  });

  it('a crank whose rod is none is told', () => {
    const m = KINDS['crank and rod']!;
    const crank = m.joints.find(j => j.kind === 'crank')!;
    expect(found(m, 'wrong-member')).to.equal(undefined);
    const other: Machine = {
      ...m,
      joints: m.joints.map(j => (j.kind === 'crank' ? { ...j, rod: crank.slide } : j)),
    };
    expect(found(other, 'wrong-member')?.data).to.deep.equal({ is: 'slide', needs: 'link' });
  });

  it('a sector is told, and stays one when its count is changed', () => {
    const m = KINDS['sector wheel']!;
    const sector = m.wheels.find(w => w.teeth.kind === 'sector')!;
    const f = found(m, 'sector-as-full')!;
    expect(f.station).to.equal('run');
    expect(recounted({ kind: 'sector', circle: 40, present: 20 }, 60)).to.deep.equal({
      ...{ kind: 'sector', circle: 60, present: 30 },
    });
    expect(recounted({ kind: 'count', count: 9 }, 12)).to.deep.equal({ kind: 'count', count: 12 });
    const fixed = editForFix({ code: 'set-teeth', subject: sector.id, value: 48 } as never)(m);
    expect(byId(fixed.wheels, sector.id)!.teeth).to.include({ kind: 'sector', circle: 48 });
  });

  it('an output that is the drive on purpose is none that went wrong', () => {
    const aim = { ...newAim(pair(), 'Drive hand', '1'), id: 'x', member: 'a' };
    expect(found({ ...pair(), aims: [aim] }, 'aim-on-drive')).to.equal(undefined);
    expect(found({ ...pair(), aims: [{ ...aim, wanted: '1/2' }] }, 'aim-on-drive')?.subjects).to.deep.equal([
      'x',
    ]);
  });

  it('play is not counted where clockwork presses every mesh one way', () => {
    const aim = {
      ...newAim(pair(), 'Hand', '1/2'),
      member: 'b',
      tolerance: { amount: '0.01', over: '100 turns' },
    };
    const by = (who: 'hand' | 'clockwork'): Machine => {
      const m = pair();
      return {
        ...m,
        aims: [{ ...aim, sense: 'either' }],
        wheels: m.wheels.map(w => ({ ...w, layer: 0 })),
        drive: { member: 'a', by: who, speed: { kind: 'free' } },
      };
    };
    expect(found(by('hand'), 'slack-exceeds')).to.not.equal(undefined);
    expect(found(by('clockwork'), 'slack-exceeds')).to.equal(undefined);
  });

  it('crossed wheels need leaning teeth', () => {
    const m = pair();
    const crossed: Machine = {
      ...m,
      joints: m.joints.map(j => (j.kind === 'mesh' ? { ...j, type: 'crossed' } : j)),
    };
    expect(found(crossed, 'crossed-needs-helix')?.severity).to.equal('stop');
    expect(found(setHelix('toothing1', 45)(crossed), 'crossed-needs-helix')).to.equal(undefined);
    expect(found(m, 'crossed-needs-helix')).to.equal(undefined);
  });
});
