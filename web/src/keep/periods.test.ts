import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { dropPeriod, keepPeriod, listPeriods } from './periods';
import { openDatabase } from './db';

describe('the maker’s own periods', () => {
  it('are kept by name, can be replaced and taken away; what cannot be read is not offered', async () => {
    const db = openDatabase('own-periods');
    await keepPeriod(db, { id: 'b', name: 'Weather vane', text: '3 d', source: 'your own' });
    await keepPeriod(db, { id: 'a', name: 'Lighthouse', text: '15 s', source: 'your own' });
    await keepPeriod(db, { id: 'c', name: 'Broken', text: '3 moons', source: 'your own' });
    expect((await listPeriods(db)).map(p => p.name)).to.deep.equal(['Lighthouse', 'Weather vane']);
    await keepPeriod(db, { id: 'a', name: 'Lighthouse', text: '20 s', source: 'your own' });
    expect((await listPeriods(db))[0]).to.include({ text: '20 s', group: 'your own' });
    await dropPeriod(db, 'a');
    expect(await listPeriods(db)).to.have.length(1);
  });
});
