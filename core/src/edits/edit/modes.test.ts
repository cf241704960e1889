import { expect } from 'chai';
import { KINDS } from '../../../test/kinds.ts';
import { byId, type Machine, readMachine, writeMachine } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { derive } from '../../state/derive/index.ts';
import { addMode, holdInMode, joinInMode, modeParts, removeMode, renameMode, setModeDrive } from './index.ts';

const cords = { ...KINDS['cord through an eye, cord on a drum']!, modes: [] };
const begun = (): { m: Machine; id: string } => {
  const { machine, made } = must(addMode(cords));
  return { m: machine, id: made };
};

describe('modes made by hand', () => {
  it('begin with all joined, and the machine stands in them', () => {
    const { m, id } = begun();
    expect(m.mode).to.equal(id);
    expect(modeParts(m, byId(m.modes, id)!).joints.every(j => j.joined)).to.equal(true);
    expect(derive(m).train.rates).to.deep.equal(derive(cords).train.rates);
  });

  it('let any joint go: what it drove stands still, and nothing is judged of it', () => {
    const { m, id } = begun();
    const loose = joinInMode(id, 'j2', false)(m);
    expect(derive(m).train.rates['bucket']?.num).to.not.equal(0n);
    expect(derive(loose).train.rates['bucket']).to.equal(undefined);
    const short = { ...m, joints: m.joints.map(j => (j.kind === 'cord' ? { ...j, length: 60 } : j)) };
    const codes = (x: Machine): string[] => derive(x).findings.map(f => f.code);
    expect(codes(short)).to.include('cord-too-short');
    expect(codes(joinInMode(id, 'j1', false)(short))).to.not.include('cord-too-short');
    // A mesh that is let go: the other arbor is not driven.
    expect(derive(joinInMode(id, 'm1', false)(m)).train.rates['winch']).to.equal(undefined);
    expect(readMachine(writeMachine(loose)).ok).to.equal(true);
    expect(joinInMode(id, 'j2', true)(loose).modes).to.deep.equal(m.modes);
  });

  it('hold members, take another drive, another name, and go', () => {
    const { m, id } = begun();
    const held = holdInMode(id, 'winch', true)(joinInMode(id, 'm1', false)(m));
    expect(derive(held).train.rates['winch']?.num).to.equal(0n);
    expect(holdInMode(id, 'winch', false)(held).modes[0]?.held).to.deep.equal([]);
    const other = setModeDrive(id, 'winch')(m);
    expect(derive(other).train.rates['winch']).to.deep.equal({ num: 1n, den: 1n });
    expect(setModeDrive(id, undefined)(other).modes).to.deep.equal(m.modes);
    expect(renameMode(id, 'letting down')(m).modes[0]?.name).to.equal('letting down');
    expect(removeMode(id)(m)).to.deep.equal(cords);
  });

  it('switch clutches by what they engage', () => {
    const clutched = Object.values(KINDS).find(k => k.joints.some(j => j.kind === 'clutch'))!;
    const { machine, made } = must(addMode({ ...clutched, modes: [], mode: undefined }));
    const clutch = machine.joints.find(j => j.kind === 'clutch')!.id;
    expect(machine.modes[0]?.engaged).to.include(clutch);
    const open = joinInMode(made, clutch, false)(machine);
    expect(open.modes[0]?.engaged).to.not.include(clutch);
    expect(modeParts(open, open.modes[0]!).joints.find(j => j.id === clutch)?.joined).to.equal(false);
  });
});
