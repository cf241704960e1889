import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { machinePage, machinePageNow } from './machine-format.ts';

const root = join(import.meta.dirname, '..');
const files = execFileSync('git', ['ls-files'], { cwd: root, encoding: 'utf8' })
  .split('\n')
  .filter(f => /\.(ts|vue|md|mjs)$/.test(f) && existsSync(join(root, f)));
const read = (f: string): string => readFileSync(join(root, f), 'utf8');

describe('the documents', () => {
  it('have every clause of the conventions that is cited', () => {
    const clauses = new Set([...read('docs/conventions.md').matchAll(/^(\d+)\. \*\*/gm)].map(m => m[1]));
    expect(clauses.size).to.equal(17);
    const cited = files.flatMap(f =>
      [...read(f).matchAll(/\bconventions,?\s+\(?(\d+)(?:\s+and\s+(\d+))?/g)].flatMap(m =>
        [m[1], m[2]].flatMap(n => (n ? [`${n} in ${f}`] : [])),
      ),
    );
    expect(cited.length).to.be.above(40);
    expect(cited.filter(c => !clauses.has(c.split(' ')[0]))).to.deep.equal([]);
  });

  it('have every decision that is cited, and every file that formulas stand in', () => {
    const cited = files.flatMap(f =>
      [...read(f).matchAll(/decisions?\/(\d{4})/g)].map(m => `${m[1]} in ${f}`),
    );
    const known = files.filter(f => f.startsWith('docs/decisions/')).map(f => f.slice(15, 19));
    expect(cited.filter(c => !known.includes(c.slice(0, 4)))).to.deep.equal([]);
    const stand = [...read('docs/formulas.md').matchAll(/`(core\/[^`]*)`/g)].map(m => m[1] as string);
    expect(stand.length).to.be.above(50);
    expect(stand.filter(f => !f.includes('*') && !existsSync(join(root, f)))).to.deep.equal([]);
  });

  it('name only files that are there, in README and CONTRIBUTING', () => {
    const named = ['README.md', 'CONTRIBUTING.md'].flatMap(f =>
      [...read(f).matchAll(/`([\w./-]+\.(?:ts|vue|mjs))`/g)].map(m => m[1] as string),
    );
    expect(named.length).to.be.above(25);
    expect(named.filter(n => !files.some(f => f === n || f.endsWith(`/${n}`)))).to.deep.equal([]);
  });

  it('name every room of core in the README, each once', () => {
    const { wings } = JSON.parse(read('core/layers.json')) as {
      wings: Record<string, Record<string, number>>;
    };
    const rooms = Object.entries(wings).flatMap(([wing, inside]) =>
      Object.keys(inside).map(r => `${wing}/${r}`),
    );
    const named: string[] = [];
    let wing = '';
    for (const [, w, room] of read('README.md').matchAll(/^\| (?:`([\w-]+)\/`)? *\| `([\w-]+)` +\|/gm)) {
      wing = w ?? wing;
      named.push(`${wing}/${room}`);
    }
    expect(named.sort()).to.deep.equal(rooms.sort());
    for (const room of rooms) {
      expect(existsSync(join(root, 'core/src', room, 'index.ts')), room).to.equal(true);
      const door = read('core/package.json').includes(`"./src/${room}/index.ts"`);
      expect(door || room === 'files/format', `a door of ${room}`).to.equal(true);
      expect(read(`core/src/${room}/index.ts`), `the sentence at the head of ${room}`).to.match(
        /^\/\*\* .+\. \*\/\n/,
      );
    }
  });

  it('say of the machine file what the schema says', async () => {
    expect(await machinePage()).to.equal(machinePageNow());
  });
});
