import 'fake-indexeddb/auto';
import { LIMITS, type Machine, newMachine, soundAfter } from '@tesseron/core/machine';
import { setAxisPlace, setToothing } from '@tesseron/core/change';
import { expect } from 'chai';
import { openDatabase } from './db';
import { keepReadable, lastReadable, loadMachine, writeMachineIf } from './machines';
import { addMachine } from './shelf';

describe('what is kept can always be opened again', () => {
  const machine = newMachine('m');

  it('a change that the reader would refuse is told, with where and what, and nothing else is', () => {
    const [axis] = machine.axes;
    const circle = setAxisPlace(axis!.id, { kind: 'polar', from: axis!.id, radius: 5, angleDeg: 0 })(machine);
    expect(soundAfter(machine, circle)?.code).to.equal('axis-on-itself');
    const thin = setToothing(machine.toothings[0]!.id, { play: LIMITS.play[1] + 1 })(machine);
    const wrong = soundAfter(machine, thin);
    expect(wrong?.code === 'change-invalid' && wrong.data.where).to.match(/^toothings\[0\]\.play$/);
    const sheet = { width: 100, height: 100 };
    const of = (n: number): Machine => ({
      ...machine,
      materials: [{ id: 'material1', name: 'ply', sheets: Array.from({ length: n }, () => sheet) }],
    });
    expect(soundAfter(machine, of(20))).to.equal(undefined);
    expect(soundAfter(machine, of(21))?.code, 'a sheet too many').to.equal('change-invalid');
    expect(soundAfter(machine, { ...machine, name: 'other' })).to.equal(undefined);
    const alien = { ...machine, wheels: [{ id: 'w' }] } as unknown as Machine;
    expect(soundAfter(machine, alien)?.code).to.equal('change-invalid');
  });

  it('the store writes nothing that it could not read, and keeps what it last read beside', async () => {
    const db = openDatabase('sound');
    await addMachine(db, 'a', machine, 1);
    const bad = { ...machine, wheels: [{ id: 'w' }] } as unknown as Machine;
    expect((await writeMachineIf(db, 'a', bad, 1, 2)).kind).to.equal('unsound');
    const loaded = (await loadMachine(db, 'a'))!;
    expect(loaded.machine.ok).to.equal(true);
    expect(lastReadable(loaded.kept)).to.equal(undefined);
    await keepReadable(db, loaded.kept);
    await db.machines.update('a', { document: { format: 'tesseron-machine', version: 'x' } });
    const broken = (await loadMachine(db, 'a'))!;
    expect(broken.machine.ok).to.equal(false);
    expect(lastReadable(broken.kept)).to.deep.equal(machine);
    db.close();
  });
});
