import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { must } from '../../ground/result/index.ts';
import {
  integrityProblems,
  type Machine,
  MachineSchema,
  materialOf,
  processOf,
  readMachine,
} from '../../document/machine/index.ts';
import {
  addMaterial,
  addMeasurement,
  addProcess,
  changeMaterial,
  changeProcess,
  type Edit,
  removeMaterial,
  removeMeasurement,
  removeProcess,
  removeTrainTo,
  setMaking,
  setProcess,
  takeThickness,
} from './index.ts';

const demo = (): Machine =>
  must(readMachine(readFileSync(new URL('../../../../demo/quartet-of-moons.json', import.meta.url), 'utf8')));

describe('tools and stock of a machine', () => {
  it('a part is made by the tool of the rest, unless it says its own; of its own material, or its tool’s', () => {
    const m = demo();
    const [wheel] = m.wheels;
    expect(processOf(m, wheel!.id)?.name).to.equal('Printer');
    expect(processOf(m, 'plate back')?.name).to.equal('Laser');
    expect(materialOf(m, 'plate back')?.name).to.equal('Birch plywood');
    const own = setMaking(wheel!.id, { material: 'material1' })(m);
    expect(processOf(own, wheel!.id)?.name).to.equal('Printer');
    expect(materialOf(own, wheel!.id)?.name).to.equal('Birch plywood');
    const cut = setProcess('process2')(m);
    expect(processOf(cut, wheel!.id)?.name).to.equal('Laser');
    expect(processOf({ ...m, processes: [] }, wheel!.id)).to.equal(undefined);
  });

  it('a tool that goes leaves its parts to the rest, and the last one stays', () => {
    const m = demo();
    const without = removeProcess('process2')(m);
    expect(without.making).to.deep.equal([]);
    expect(integrityProblems(without)).to.deep.equal([]);
    const other = removeProcess('process1')(m);
    expect(other.process).to.equal('process2');
    expect(removeProcess('process2')(without)).to.not.equal(without);
    expect(removeProcess('process1')(without)).to.equal(without);
  });

  it('a tool that goes takes only itself from a part that says more', () => {
    const m = setMaking('plate back', { number: 2 })(demo());
    expect(removeProcess('process2')(m).making).to.deep.equal([{ part: 'plate back', number: 2 }]);
  });

  it('a material that goes is taken from tools and parts; a new one goes to the tool it was made for', () => {
    const m = setMaking('plate front', { material: 'material1' })(demo());
    const gone = removeMaterial('material1')(m);
    expect(gone.processes.find(p => p.id === 'process2')).to.not.have.property('material');
    expect(gone.making.find(x => x.part === 'plate front')).to.deep.equal({
      part: 'plate front',
      process: 'process2',
    });
    const added = addMaterial({ name: 'Brass', density: 8.5, sheets: [] }, 'process2')(gone);
    expect(materialOf(added, 'plate back')?.name).to.equal('Brass');
    expect(addMaterial({ name: 'Loose', sheets: [] })(gone).processes).to.equal(gone.processes);
  });

  it('fields given as undefined go', () => {
    const m = changeProcess('process1', { nozzle: undefined, kerf: 0.3 })(demo());
    const tool = m.processes.find(p => p.id === 'process1')!;
    expect(tool).to.not.have.property('nozzle');
    expect(tool.kerf).to.equal(0.3);
    const bare = changeMaterial('material2', { density: undefined })(m);
    expect(bare.materials.find(x => x.id === 'material2')).to.not.have.property('density');
  });

  it('layers are drawn as thick as the stock measures, when it was measured', () => {
    const m = changeMaterial('material1', { thickness: 3.85 })(demo());
    expect(takeThickness('material1')(m).stack.thickness).to.equal(3.85);
    expect(takeThickness('material2')(m)).to.equal(m);
  });

  it('readings are noted and taken away by themselves', () => {
    const read = {
      subject: 'process1',
      what: 'hole',
      nominal: 12,
      value: 11.8,
      unit: 'mm',
      at: '2026-01-01',
    };
    const m = addMeasurement(read)(addMeasurement(read)(demo()));
    expect(new Set(m.measurements.map(x => x.id)).size).to.equal(2);
    expect(removeMeasurement(m.measurements[0]!.id)(m).measurements.map(x => x.id)).to.deep.equal([
      m.measurements[1]!.id,
    ]);
  });

  it('whatever is done in whatever order, the document stays whole and can be read again', () => {
    const start = demo();
    const part = fc.constantFrom('plate back', 'plate front', ...start.wheels.map(w => w.id));
    const tool = fc.constantFrom('process1', 'process2', 'process3', 'process4');
    const stock = fc.constantFrom('material1', 'material2', 'material3');
    const has = (m: Machine, id: string): boolean => [...m.processes, ...m.materials].some(x => x.id === id);
    const edit: fc.Arbitrary<Edit> = fc.oneof(
      fc
        .constantFrom('laser' as const, 'printer' as const, 'router' as const, 'saw' as const)
        .map(k => addProcess(k, k)),
      tool.map(id => removeProcess(id)),
      stock.map(id => removeMaterial(id)),
      fc.constant(addMaterial({ name: 'new', sheets: [{ width: 10, height: 10 }] }, 'process1')),
      fc.tuple(part, tool).map(
        ([p, id]): Edit =>
          m =>
            has(m, id) ? setMaking(p, { process: id })(m) : m,
      ),
      fc.tuple(part, stock).map(
        ([p, id]): Edit =>
          m =>
            has(m, id) ? setMaking(p, { material: id })(m) : m,
      ),
      fc.tuple(part, fc.integer({ min: 0, max: 9 })).map(([p, number]) => setMaking(p, { number })),
      fc.constantFrom(...start.aims.map(a => a.member!)).map(id => removeTrainTo(id)),
    );
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 14 }), edits => {
        const m = edits.reduce((machine, e) => e(machine), start);
        expect(integrityProblems(m)).to.deep.equal([]);
        expect(MachineSchema.safeParse(JSON.parse(JSON.stringify(m))).success).to.equal(true);
        expect(m.processes.length).to.be.above(0);
      }),
      { numRuns: 60 },
    );
  });
});
