import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../../state/derive/index.ts';
import { readMachine, writeMachine } from '../../document/machine/index.ts';
import { setWheel } from '../change/index.ts';
import { must } from '../../ground/result/index.ts';
import { sayProblem } from '../../files/words/index.ts';
import { movedSince, namePose, poseTurns } from './index.ts';

const file = readFileSync(new URL('../../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8');
const derived = derive(must(readMachine(file)));

describe('poses', () => {
  const turns = { whole: -3n, part: 0.125 };
  const named = must(namePose(derived, ' High water ', turns));
  const [pose] = named.poses;

  it('are named, kept in the file, and returned to exactly', () => {
    expect(pose!.name).to.equal('High water');
    expect(poseTurns(pose!)).to.deep.equal(turns);
    const again = must(readMachine(writeMachine(named)));
    expect(again.poses).to.deep.equal(named.poses);
  });

  it('of a name that is there are set anew, and keep their place', () => {
    const more = must(namePose(derive(named), 'Low water', { whole: 1n, part: 0 }));
    const reset = must(namePose(derive(more), 'High water', { whole: 9n, part: 0.5 }));
    expect(reset.poses.map(p => p.name)).to.deep.equal(['High water', 'Low water']);
    expect(poseTurns(reset.poses[0]!)).to.deep.equal({ whole: 9n, part: 0.5 });
  });

  it('need a name', () => {
    const refused = namePose(derived, '  ', turns);
    expect(refused.ok ? '' : sayProblem(refused.problem)).to.match(/name/);
  });

  it('tell which outputs stand elsewhere since wheels have changed, and nothing is lost', () => {
    expect(movedSince(derive(named), pose!)).to.deep.equal([]);
    const changed = setWheel('wheel1', { teeth: { kind: 'count', count: 84 } })(named);
    expect(movedSince(derive(changed), pose!)).to.deep.equal([named.aims[0]!.id]);
    expect(changed.poses).to.equal(named.poses);
    const gone = { ...named, aims: named.aims.map((a, i) => (i === 1 ? { ...a, member: undefined } : a)) };
    expect(movedSince(derive(gone), pose!)).to.deep.equal([named.aims[1]!.id]);
  });
});
