import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
type Said = { status: number | null; out: string; err: string };
const spawned = (command: string, args: string[]): Said => {
  const { status, stdout, stderr } = spawnSync(command, args, { cwd: root, encoding: 'utf8' });
  return { status, out: stdout, err: stderr };
};
const counts = (...args: string[]): Said =>
  spawned(process.execPath, ['--import=tsx', 'scripts/counts.ts', ...args]);
interface Answer {
  proven: boolean;
  top: { num: string; den: string; ppm: number; total: number; driving: number[]; driven: number[] }[];
  front?: Answer['top'];
}
const json = (...args: string[]): Answer => JSON.parse(counts(...args, '--json').out) as Answer;

describe('counts on the command line', function () {
  this.timeout(90000);

  it('gives the best train of Mars as documented, and the front', () => {
    const found = json(
      ...'--target 0.5316751872932182 --stages 2 --min 12 --max 100 --top 20 --front'.split(' '),
    );
    expect(found.proven).to.equal(true);
    expect(found.top).to.have.length(20);
    expect(found.top[0]).to.include({ num: '2501', den: '4704', total: 242 });
    expect(found.top[0]!.ppm).to.be.closeTo(-0.0324, 0.00005);
    expect([...found.top[0]!.driving, ...found.top[0]!.driven].sort()).to.deep.equal([41, 56, 61, 84]);
    expect(found.front!.at(-1)).to.deep.equal(found.top[0]);
    const npm = spawned('npm', ['run', '-s', 'counts', '--', '--target', '1/12', '--json', '--top', '1']);
    expect((JSON.parse(npm.out) as Answer).top[0]).to.include({ num: '1', den: '12' });
  });

  it('takes modules, stock and an exact total', () => {
    const golden = json(
      '--target',
      '1.6180339887498948482',
      '--coaxial',
      '--modules',
      '1:1.25',
      '--top',
      '1',
    );
    expect(golden.top[0]).to.deep.include({ driving: [91, 75], driven: [74, 57] });
    const stock = json('--target', '1/3', '--stages', '1-2', '--stock', '8,24,10x1');
    expect(stock.top[0]).to.deep.include({ num: '1', den: '3', driving: [8], driven: [24] });
    expect(stock.top.every(c => [...c.driving, ...c.driven].filter(n => n === 10).length <= 1)).to.equal(
      true,
    );
    const total = json('--target', '0.3', '--exact-total', '100', '--top', '3');
    expect(total.top.map(c => c.total)).to.deep.equal([100, 100, 100]);
  });

  it('says at once what cannot be: a total too small, one piece of a stock; an empty list is no proven best', () => {
    const small = counts(...'--target 0.3 --stages 3 --exact-total 71'.split(' '));
    expect([small.status, small.err]).to.deep.equal([
      2,
      'No train within these limits has 71 teeth in all: the least is 72, the most 600.\n',
    ]);
    const one = counts(...'--target 1/2 --stages 1 --stock 12x1'.split(' '));
    expect(one.status).to.equal(2);
    expect(one.err).to.match(/1 piece in stock; a train of these stages needs 2 wheels/);
    const none = counts(...'--target 1 --stages 1 --stock 12x1,13x1 --hunting --forbid 13'.split(' '));
    expect(none.status).to.not.equal(0);
    expect(none.out + none.err).to.not.match(/Proven best/);
  });

  it('finds all outputs at once: the joint search, each school with what is proven of it', () => {
    const branches = (...args: string[]): Said =>
      spawned(process.execPath, ['--import=tsx', 'scripts/branches.ts', ...args]);
    const asked = '--targets 1/3,1/2,5/7 --min 15 --max 45 --sums 60'.split(' ');
    const said = branches(...asked);
    expect(said.status).to.equal(0);
    // 15/45, 20/40 and 25/35 of a lay arbor that turns as the drive do: all sums are 60.
    expect(said.out).to.match(/lay arbor.*: worst 0\.0000 ppm, sum 60, proven best\n/i);
    expect(said.out).to.match(/proven best/);
    const all = JSON.parse(branches(...asked, '--json').out) as { school: string; worstPpm: number }[];
    expect(all.map(a => a.school)).to.deep.equal(['loose pairs', 'lay arbor', 'cascade', 'mixed']);
    expect(all[1]!.worstPpm).to.equal(0);
    expect(branches('--targets', '1/2').err).to.match(/^[A-Z].*\.\n$/);
    expect(branches(...asked, '--school', 'none').err).to.match(/“none” is none of these: loose pairs/);
    expect(branches('--targets', '1/2,x').status).to.equal(2);
    expect(branches('--help').out).to.contain('--targets LIST');
  });

  it('says in a sentence what is wrong, and fails', () => {
    const wrong: [string[], RegExp][] = [
      [['--target', 'seven'], /not a number/],
      [['--target', '0'], /nought/],
      [['--target', '-1/2'], /without a sign|argument/],
      [['--target', '1/2', '--stock', '12,12'], /twice/],
      [['--target', '1/2', '--min', '50', '--max', '20'], /Swap/],
      [['--target', '1/2', '--stages', '7'], /stages/],
      [['--target', '1/2', '--top', 'many'], /whole number/],
      [['--target', '1/2', '--modules', '1:x'], /not a number/],
      [['--target', '1/2', '--turbo'], /turbo/],
      [
        ['--target', '1/2', '--min', '12', '--max', '13', '--exact-total', '99'],
        /the least is 48, the most 52/,
      ],
    ];
    for (const [args, sentence] of wrong) {
      const { status, err } = counts(...args);
      expect(status, args.join(' ')).to.equal(2);
      expect(err).to.match(sentence);
    }
    expect(counts('--target', '1/2', '--stages', '1', '--stock', '12x2', '--hunting').status).to.equal(1);
  });
});
