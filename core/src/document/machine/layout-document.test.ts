import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { nameOf } from '../../files/words/index.ts';
import { must } from '../../ground/result/index.ts';
import { freeId, type Machine, newMachine, placeHangsOn, readMachine, writeMachine } from './index.ts';
import { removeArbor, setArbor, setAxis, setLayout, setWheel } from '../../edits/change/index.ts';

const file = readFileSync(new URL('../../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8');
const clock = must(readMachine(file));
const parsed = (): Record<string, unknown> & {
  layout: Record<string, unknown>;
  axes: Record<string, unknown>[];
} => JSON.parse(file) as never;
const reads = (data: unknown): string => {
  const read = readMachine(JSON.stringify(data));
  return read.ok ? 'ok' : read.problem.code;
};

describe('the layout in the document', () => {
  it('comes back as it was written, all of it', () => {
    const region = {
      kind: 'outline' as const,
      name: 'case.dxf',
      points: [
        [0, 0],
        [9, 0],
        [9, 9],
      ] as [number, number][],
    };
    const full: Machine = setArbor('arbor1', {
      support: 'back',
      reach: 'neither',
      arm: { layer: 2, width: 9 },
    })(
      setWheel('wheel1', { hold: 'cross pin' })(
        setAxis('axis2', { slot: { joint: 'mesh1', travel: 2 }, locked: true })(
          setLayout({
            ...{ clearance: 0.4, washer: 0.3, endShake: 0.1 },
            envelope: { region, height: 30 },
            keepOuts: [{ id: 'k1', name: 'lamp', region, layers: { least: -1, most: 3 } }],
          })(clock),
        ),
      ),
    );
    expect(must(readMachine(writeMachine(full)))).to.deep.equal(full);
  });

  it('of a file of version 4 is empty', () => {
    const { layout: _, ...rest } = parsed();
    const processes = (rest['processes'] as Record<string, unknown>[]).map(({ material: __, ...p }) => p);
    const old = { ...rest, processes };
    const read = must(readMachine(JSON.stringify({ ...old, version: 4 })));
    expect(read.layout).to.deep.equal({ keepOuts: [] });
    expect(must(readMachine(writeMachine(newMachine('x')))).layout).to.deep.equal({ keepOuts: [] });
  });

  it('is refused where it cannot be, and says where', () => {
    const with_ = (layout: Record<string, unknown>): unknown => ({
      ...parsed(),
      layout: { ...parsed().layout, ...layout },
    });
    expect(reads(with_({}))).to.equal('ok');
    expect(reads(with_({ clearance: -1 }))).to.equal('file-invalid');
    expect(reads(with_({ envelope: { region: { kind: 'circle', x: 0, y: 0, diameter: 0 } } }))).to.equal(
      'file-invalid',
    );
    expect(
      reads(
        with_({
          envelope: {
            region: {
              kind: 'outline',
              name: 'x',
              points: [
                [0, 0],
                [1, 1],
              ],
            },
          },
        }),
      ),
    ).to.equal('file-invalid');
    expect(
      reads(
        with_({
          keepOuts: [{ id: 'wheel1', name: 'x', region: { kind: 'circle', x: 0, y: 0, diameter: 1 } }],
        }),
      ),
    ).to.equal('id-twice');
    const plates = {
      thickness: 3,
      margin: 2,
      shape: 'round the holes',
      fit: 'H7/g6',
      pillars: [],
      datum: 'nowhere',
    };
    expect(reads(with_({ plates }))).to.equal('missing-axis');
    expect(reads(with_({ plates: { ...plates, datum: 'axis2', fit: 'H7/p6' } }))).to.equal('file-invalid');
  });

  it('refuses axes that mirror or line up with what is not there, or with themselves in a circle', () => {
    const place = (index: number, to: object): unknown => {
      const data = parsed();
      data.axes[index] = { ...data.axes[index], place: to };
      return data;
    };
    expect(reads(place(1, { kind: 'mirror', of: 'axis3', through: 'axis1', angleDeg: 3 }))).to.equal('ok');
    expect(reads(place(1, { kind: 'mirror', of: 'gone', through: 'axis1', angleDeg: 3 }))).to.equal(
      'missing-axis',
    );
    expect(
      reads(place(1, { kind: 'line', through: 'axis1', angleDeg: 3, joint: 'gone', further: true })),
    ).to.equal('missing-joint');
    expect(reads(place(0, { kind: 'mirror', of: 'axis2', through: 'axis3', angleDeg: 3 }))).to.equal(
      'axis-on-itself',
    );
  });

  it('knows what every kind of place hangs on', () => {
    expect(placeHangsOn({ kind: 'given', x: 0, y: 0 })).to.deep.equal({ joints: [], axes: [] });
    expect(
      placeHangsOn({ kind: 'line', through: 'a', angleDeg: 0, joint: 'j', further: false }),
    ).to.deep.equal({ joints: ['j'], axes: ['a'] });
    expect(placeHangsOn({ kind: 'mirror', of: 'b', through: 'a', angleDeg: 0 }).axes).to.deep.equal([
      'b',
      'a',
    ]);
    expect(placeHangsOn({ kind: 'between', joints: ['j', 'k'], side: 'left' }).joints).to.deep.equal([
      'j',
      'k',
    ]);
  });

  it('loses a slot with its mesh and a datum with its axis, and nothing else', () => {
    const plates = { ...clock.layout.plates!, datum: 'axis4' };
    const m = setLayout({ plates })(setAxis('axis3', { slot: { joint: 'mesh4', travel: 1 } })(clock));
    const without = removeArbor(m, 'arbor4');
    expect(without.layout.plates!.datum).to.equal(undefined);
    expect(without.layout.plates!.pillars).to.equal(plates.pillars);
    expect(without.axes.find(a => a.id === 'axis3')!.slot).to.equal(undefined);
    expect(reads(JSON.parse(writeMachine(without)))).to.equal('ok');
  });

  it('gives pillars and rooms names, and ids of their own', () => {
    expect(nameOf(clock, 'pillar2')).to.equal('pillar 2');
    expect(nameOf(clock, 'envelope')).to.equal('the envelope');
    const keepOuts = [
      { id: 'keepout1', name: '', region: { kind: 'circle' as const, x: 0, y: 0, diameter: 4 } },
    ];
    expect(nameOf(setLayout({ keepOuts })(clock), 'keepout1')).to.equal('the room kept free');
    expect(freeId(setLayout({ keepOuts })(clock), 'keepout')).to.equal('keepout2');
    expect(freeId(clock, 'pillar')).to.equal('pillar5');
  });

  it('drops fields that are set to nothing', () => {
    const held = setArbor('arbor1', { support: 'front' })(clock);
    const free = setArbor('arbor1', { support: undefined })(held);
    expect('support' in free.members.find(m => m.id === 'arbor1')!).to.equal(false);
    expect('hold' in setWheel('wheel1', { hold: undefined })(clock).wheels[0]!).to.equal(false);
  });
});
