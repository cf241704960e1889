import 'fake-indexeddb/auto';
import { newMachine } from '@tesseron/core/machine';
import { expect } from 'chai';
import { type Database, openDatabase } from './db';
import { loadMachine, writeMachineIf } from './machines';
import { addMachine, listMachines, setRemoved } from './shelf';

describe('keeping machines in the browser', () => {
  let db: Database;
  let n = 0;
  beforeEach(async () => {
    db = openDatabase(`test${n++}`);
    await addMachine(db, 'a', newMachine('first'), 1);
  });
  afterEach(() => db.delete());

  it('loses nothing between writing and loading', async () => {
    const machine = { ...newMachine('changed'), notes: 'ä\n"' };
    expect(await writeMachineIf(db, 'a', machine, 1, 2)).to.deep.equal({ kind: 'written', revision: 2 });
    const found = await loadMachine(db, 'a');
    expect(found?.machine).to.deep.equal({ ok: true, value: machine });
    expect(found?.kept.revision).to.equal(2);
  });

  it('lets the second of two tabs not overwrite the first', async () => {
    const other = openDatabase(db.name);
    const results = await Promise.all([
      writeMachineIf(db, 'a', newMachine('one'), 1, 2),
      writeMachineIf(other, 'a', newMachine('two'), 1, 2),
    ]);
    expect(results.map(r => r.kind).sort()).to.deep.equal(['overtaken', 'written']);
    const overtaken = results.find(r => r.kind === 'overtaken');
    const written = results[0]?.kind === 'written' ? 'one' : 'two';
    expect(overtaken?.kind === 'overtaken' && overtaken.theirs.name).to.equal(written);
    expect((await db.machines.get('a'))?.name).to.equal(written);
    other.close();
  });

  it('says so when the machine is gone', async () => {
    expect(await writeMachineIf(db, 'nobody', newMachine('x'), 1, 2)).to.deep.equal({ kind: 'gone' });
    expect(await loadMachine(db, 'nobody')).to.equal(undefined);
  });

  it('takes a machine off the shelf and puts it back whole', async () => {
    await setRemoved(db, 'a', 5);
    expect((await listMachines(db))[0]?.removedAt).to.equal(5);
    await setRemoved(db, 'a', undefined);
    const [back] = await listMachines(db);
    expect(back?.removedAt).to.equal(undefined);
    expect((await loadMachine(db, 'a'))?.machine.ok).to.equal(true);
  });

  it('reports a damaged document instead of opening it', async () => {
    await db.machines.update('a', { document: { format: 'tesseron-machine', version: 1 } });
    const found = await loadMachine(db, 'a');
    expect(found?.machine.ok).to.equal(false);
  });
});
