import 'fake-indexeddb/auto';
import { newMachine } from '@tesseron/core/machine';
import { renameMachine as rename, setWheel } from '@tesseron/core/change';
import { expect } from 'chai';
import { createPinia, setActivePinia } from 'pinia';
import { database } from '../keep/database';
import { addMachine } from '../keep/shelf';
import { loadMachine, writeMachineIf } from '../keep/machines';
import { useMachine } from './store';

async function until(condition: () => boolean): Promise<void> {
  for (let i = 0; i < 200 && !condition(); i++) await new Promise(resolve => setTimeout(resolve, 5));
  expect(condition()).to.equal(true);
}

describe('the open machine', () => {
  let n = 0;
  let id = '';
  beforeEach(async () => {
    setActivePinia(createPinia());
    id = `machine${n++}`;
    await addMachine(database, id, newMachine('kept'), 1);
  });

  it('opens what is kept, and says so when it is not there', async () => {
    const store = useMachine();
    expect(await store.open(id)).to.equal(undefined);
    expect(store.machine?.name).to.equal('kept');
    expect(await store.open('nobody')).to.match(/not on the shelf/);
    expect(store.derived).to.equal(undefined);
    await store.close();
  });

  it('does not open a damaged document, and says what is wrong with it', async () => {
    await database.machines.update(id, { document: { ...newMachine('x'), wheels: 'none' } });
    const store = useMachine();
    expect(await store.open(id)).to.match(/cannot be opened\. At wheels/);
  });

  it('keeps every change at once, and the last of many', async () => {
    const store = useMachine();
    await store.open(id);
    for (const name of ['a', 'b', 'c']) store.change('Name', rename(name));
    await store.settled();
    expect(store.keepState).to.equal('kept');
    const found = await loadMachine(database, id);
    expect(found?.machine.ok && found.machine.value.name).to.equal('c');
    expect(found?.kept.name).to.equal('c');
    await store.close();
  });

  it('undoes and redoes, names what it would undo, and keeps that too', async () => {
    const store = useMachine();
    await store.open(id);
    expect(store.undoLabel).to.equal(undefined);
    store.change('Name it a', rename('a'));
    store.change('Name it b', rename('b'));
    expect(store.undoLabel).to.equal('Name it b');
    store.undo();
    expect([store.machine?.name, store.undoLabel, store.redoLabel]).to.deep.equal([
      'a',
      'Name it a',
      'Name it b',
    ]);
    store.redo();
    store.undo();
    store.undo();
    store.undo();
    await store.settled();
    expect((await database.machines.get(id))?.name).to.equal('kept');
    await store.close();
  });

  it('takes an edit that changes nothing for no step', async () => {
    const store = useMachine();
    await store.open(id);
    store.change('Nothing', m => m);
    expect(store.steps.length).to.equal(1);
    store.change('A wheel that is not there', setWheel('nobody', { layer: 3 }));
    expect(store.machine?.wheels).to.deep.equal([]);
    await store.close();
  });

  it('follows what another tab writes, as a step that can be undone', async () => {
    const store = useMachine();
    await store.open(id);
    await new Promise(resolve => setTimeout(resolve, 20));
    expect((await writeMachineIf(database, id, newMachine('theirs'), 1, 2)).kind).to.equal('written');
    await until(() => store.machine?.name === 'theirs');
    expect(store.notice).to.match(/another tab/);
    store.undo();
    await store.settled();
    expect((await database.machines.get(id))?.name).to.equal('kept');
    await store.close();
  });

  it('stops writing when overtaken; ours can be kept as a copy, theirs taken over', async () => {
    const store = useMachine();
    await store.open(id);
    store.change('Name', rename('ours'));
    const theirs = database.machines.update(id, {
      revision: 9,
      document: newMachine('theirs'),
      name: 'theirs',
    });
    store.change('Name', rename('ours too'));
    await theirs;
    await store.settled();
    expect(store.keepState).to.equal('overtaken');
    store.change('Name', rename('ours still'));
    await store.settled();
    expect((await database.machines.get(id))?.name).to.equal('theirs');
    await store.keepOurs(`${id}copy`);
    expect((await database.machines.get(`${id}copy`))?.name).to.equal('ours still (copy)');
    await store.takeTheirs();
    expect([store.machine?.name, store.keepState]).to.deep.equal(['theirs', 'kept']);
    await store.close();
  });

  it('says when the browser does not keep', async () => {
    const store = useMachine();
    await store.open(id);
    await database.machines.delete(id);
    store.change('Name', rename('lost'));
    await store.settled();
    expect(store.keepState).to.equal('failed');
    expect(store.machine?.name, 'what is on screen stays').to.equal('lost');
    await store.close();
  });

  it('judges the machine that is open, and no longer tells of the one before it', async () => {
    const store = useMachine();
    await store.open(id);
    await until(() => !store.judging);
    expect(store.judged?.machine).to.equal(store.machine);
    await addMachine(database, `${id}other`, newMachine('other'), 2);
    await store.open(`${id}other`);
    expect([undefined, store.machine]).to.include(store.judged?.machine);
    await until(() => !store.judging);
    expect(store.judged?.machine.name).to.equal('other');
    expect(store.judged?.findings).to.deep.equal(store.derived?.findings);
    store.change('Name', rename('again'));
    await until(() => !store.judging);
    expect(store.judged?.machine.name, 'after an edit too').to.equal('again');
    await store.close();
    expect([store.judged, store.judging]).to.deep.equal([undefined, false]);
  });
});
