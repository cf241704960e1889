import { newMachine } from '@tesseron/core/machine';
import { expect } from 'chai';
import { goTo, type History, present, record, redo, startHistory, undo } from './history';

const step = (name: string, gesture?: string): Parameters<typeof record>[1] => ({
  label: name,
  machine: newMachine(name),
  gesture,
});
const name = (h: History): string => present(h).machine.name;

describe('undo and redo', () => {
  it('go back and forth through every step, and stop at both ends', () => {
    let h = startHistory(newMachine('0'));
    for (const n of ['1', '2', '3']) h = record(h, step(n));
    h = undo(undo(h));
    expect(name(h)).to.equal('1');
    expect(h.future[0]?.label).to.equal('2');
    h = redo(h);
    expect(name(h)).to.equal('2');
    expect(name(undo(undo(undo(undo(h)))))).to.equal('0');
    expect(name(redo(redo(redo(h))))).to.equal('3');
  });

  it('forget what was undone when something new is done', () => {
    const h = record(undo(record(startHistory(newMachine('0')), step('1'))), step('2'));
    expect(redo(h)).to.equal(h);
    expect(name(undo(h))).to.equal('0');
  });

  it('can go to any step of the row, done or undone', () => {
    let h = startHistory(newMachine('0'));
    for (const n of ['1', '2', '3']) h = record(h, step(n));
    h = goTo(h, 1);
    expect([name(h), h.future.length]).to.deep.equal(['1', 2]);
    h = goTo(h, 3);
    expect([name(h), h.future.length]).to.deep.equal(['3', 0]);
    expect(goTo(h, 3)).to.equal(h);
    expect(name(goTo(h, 99))).to.equal('3');
    expect(name(goTo(h, -1))).to.equal('0');
  });

  it('take a gesture as one step', () => {
    let h = startHistory(newMachine('0'));
    for (const n of ['1', '2', '3']) h = record(h, step(n, 'drag 1'));
    h = record(h, step('4', 'drag 2'));
    expect(name(undo(h))).to.equal('3');
    expect(name(undo(undo(h)))).to.equal('0');
  });
});
