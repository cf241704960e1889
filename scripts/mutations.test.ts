import { expect } from 'chai';
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { NAMED } from './mutations/named.ts';

const root = join(import.meta.dirname, '..');

describe('faults by name', () => {
  it('stand in the file that they name, differ from it, and name tests that there are', () => {
    const read = new Map<string, string>();
    for (const { what, file, from, to, tests } of NAMED) {
      const text = read.get(file) ?? readFileSync(join(root, file), 'utf8');
      read.set(file, text);
      expect(text.includes(from), `${what}: ${file}`).to.equal(true);
      expect(to, what).to.not.equal(from);
      const where = tests.includes('*') ? dirname(tests) : tests;
      expect(existsSync(join(root, where)), `${what}: ${tests}`).to.equal(true);
    }
  });
});
