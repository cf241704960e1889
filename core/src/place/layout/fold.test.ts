import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive, foldQuery } from '../../state/derive/index.ts';
import { distance } from '../../ground/geometry/index.ts';
import { type Machine, readMachine } from '../../document/machine/index.ts';
import { setAxis, setLayout } from '../../edits/change/index.ts';
import { must, type Result } from '../../ground/result/index.ts';
import { sayProblem } from '../../files/words/index.ts';
import { type Folded, type FoldNews, foldTrain, type FoldQuery, withFold } from './index.ts';

const demo = (file: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${file}.json`, import.meta.url), 'utf8')));
const clock = demo('saltreach-tide-clock');
const round = (m: Machine, diameter: number, height?: number): Machine =>
  setLayout({
    envelope: { region: { kind: 'circle', x: 0, y: 0, diameter }, ...(height !== undefined && { height }) },
  })(m);

function fold(
  machine: Machine,
  more: Partial<FoldQuery> = {},
): { answer: Result<readonly Folded[]>; news: FoldNews[] } {
  const query = {
    ...foldQuery(derive(machine), { starts: 80, wanted: 6, seed: 7, pillarsStay: false }),
    ...more,
  };
  const job = foldTrain(query);
  const news: FoldNews[] = [];
  for (;;) {
    const step = job.next();
    if (step.done) return { answer: step.value, news };
    news.push(step.value);
  }
}

describe('folding a train', () => {
  const { answer, news } = fold(round(clock, 300));
  const folds = must(answer);

  it('finds three or more that differ in which side an axis lies; compact first, those whose hands strike last', () => {
    expect(folds.length).to.be.at.least(3);
    expect(new Set(folds.map(f => f.topology)).size).to.equal(folds.length);
    const size = (f: (typeof folds)[number]): number => f.radius ** 2 * f.height;
    for (const [i, f] of folds.slice(1).entries()) {
      const before = folds[i]!;
      expect(f.shown - before.shown || size(f) - size(before)).to.be.at.least(0);
    }
  });

  it('keeps everything in its round case and clear of everything, at the true centre distances', () => {
    for (const f of folds) {
      const d = derive(withFold(round(clock, 300), f));
      const bad = d.findings.filter(
        x => x.severity === 'stop' && !x.subjects.some(s => s.startsWith('pillar')),
      );
      // Hands that would strike an arbor beside them are told with the arrangement.
      expect(bad.filter(x => x.code !== 'shown-strikes').map(x => x.code)).to.deep.equal([]);
      expect(bad.length > 0).to.equal(f.shown > 0);
      expect(d.positions.findings).to.deep.equal([]);
      for (const w of d.machine.wheels) {
        const member = d.machine.members.find(m => m.id === w.member) as { axis: string };
        const reach = distance(d.positions.at[member.axis]!, { x: 0, y: 0 }) + d.extents[w.id]!.outer;
        expect(reach).to.be.below(150 + 1e-6);
      }
      expect(f.tightest).to.be.at.least(0.3 - 1e-9);
      const pillars = new Set(
        d.findings
          .filter(x => x.code === 'pillar-strikes')
          .map(x => x.subjects.find(s => s.startsWith('pillar'))),
      );
      expect(pillars.size, 'pillars that would be struck are counted').to.equal(f.pillars);
    }
  });

  it('tells how far it is, never going back, and shows what it has so far', () => {
    const done = news.map(n => n.done);
    expect([...done].sort((a, b) => a - b)).to.deep.equal(done);
    expect(news.at(-1)!.folded.length).to.be.greaterThan(0);
  });

  it('is the same for the same seed', () => {
    expect(fold(round(clock, 300)).answer).to.deep.equal(answer);
  });

  it('leaves locked axes where they are', () => {
    const locked = setAxis('axis1', { locked: true })(setAxis('axis3', { locked: true })(round(clock, 420)));
    const before = derive(locked).positions.at;
    const found = must(fold(locked).answer);
    for (const f of found)
      for (const id of ['axis1', 'axis3']) {
        const after = derive(withFold(locked, f)).positions.at[id]!;
        expect(distance(after, before[id]!)).to.be.below(1e-6);
      }
  });

  it('keeps pillars where they are when asked', () => {
    const { answer: kept } = fold(round(clock, 300), { pillarsStay: true });
    if (kept.ok) for (const f of kept.value) expect(f.pillars).to.equal(0);
    else expect(sayProblem(kept.problem)).to.match(/\.$/);
  });

  it('says why it cannot: too small a room, nothing free, an arbor that is always covered', () => {
    const problem = (m: Machine): string => {
      const { answer: a } = fold(m);
      return a.ok ? '' : sayProblem(a.problem);
    };
    expect(problem(round(clock, 150))).to.match(/160\.\d mm across and the envelope only 150\.0 mm/);
    const all = clock.axes.reduce((m, a) => setAxis(a.id, { locked: true })(m), clock);
    expect(problem(all)).to.include('No axis is free');
    expect(problem(round(clock, 190))).to.include('none keeps clear');
    const both = {
      ...clock,
      members: clock.members.map(m => (m.kind === 'arbor' ? { ...m, support: 'both' as const } : m)),
    };
    expect(problem(both)).to.match(/reaches over the arbor of “Moon-age dial”/);
  });

  it('keeps to the height that there is', () => {
    const { answer: low } = fold(round(clock, 300, 30));
    for (const f of must(low)) expect(f.height).to.be.at.most(30);
  });

  it('folds idlers between two axes to either side, and machines with arms', () => {
    const noons = round(demo('two-noons'), 140);
    const found = must(fold(noons, { starts: 40 }).answer);
    expect(found.length).to.be.at.least(3);
    for (const f of found.slice(0, 2)) {
      const stops = derive(withFold(noons, f)).findings.filter(x => x.severity === 'stop');
      expect(stops).to.deep.equal([]);
    }
  });
}).timeout(120_000);
