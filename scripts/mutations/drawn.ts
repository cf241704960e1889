import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { seeded } from '../../core/src/ground/rational/index.ts';
import type { Mutation } from './named.ts';

/** Faults drawn in every room, and the draw. */
const IN_A_ROOM = 3;
const SEED = 16;

type Site = Pick<Mutation, 'at' | 'from' | 'to'>;

const BINARY: Readonly<Record<string, string>> = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '>=',
  '>': '<=',
  '<=': '>',
  '>=': '<',
  '===': '!==',
  '!==': '===',
  '&&': '||',
};
const CALLS: Readonly<Record<string, string>> = {
  'Math.min': 'Math.max',
  'Math.max': 'Math.min',
  'Math.sin': 'Math.cos',
  'Math.cos': 'Math.sin',
  'Math.floor': 'Math.ceil',
  'Math.ceil': 'Math.floor',
};

const isText = (node: ts.Node): boolean =>
  ts.isStringLiteralLike(node) ||
  ts.isTemplateExpression(node) ||
  (ts.isBinaryExpression(node) && (isText(node.left) || isText(node.right)));

/** Places of a file where one sign can be another: between two values, least for most, the other way of a choice. */
function sitesOf(file: string): Site[] {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found: Site[] = [];
  const put = (node: ts.Node, to: string): void => {
    found.push({ at: node.getStart(), from: node.getText(), to });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isBinaryExpression(node)) {
      const to = BINARY[node.operatorToken.getText()];
      if (to && !isText(node)) put(node.operatorToken, to);
    }
    if (ts.isCallExpression(node)) {
      const to = CALLS[node.expression.getText()];
      if (to) put(node.expression, to);
    }
    if (ts.isConditionalExpression(node))
      found.push({
        at: node.condition.getStart(),
        from: node.condition.getText(),
        to: `!(${node.condition.getText()})`,
      });
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap(name => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? filesIn(path) : [path];
  });

/** The same few faults in every room of core each time, drawn by chance; a room with nothing to turn round has none. */
export function drawnFaults(root: string): Mutation[] {
  const { wings } = JSON.parse(readFileSync(join(root, 'core/layers.json'), 'utf8')) as {
    wings: Record<string, Record<string, number>>;
  };
  return Object.entries(wings).flatMap(([wing, inside]) =>
    Object.keys(inside).flatMap(room => {
      const folder = join('core/src', wing, room);
      const files = filesIn(join(root, folder))
        .filter(f => f.endsWith('.ts') && !f.endsWith('.test.ts'))
        .sort();
      const sites = files.flatMap(f => sitesOf(f).map(s => ({ ...s, file: f.slice(root.length + 1) })));
      const own = filesIn(join(root, folder)).some(f => f.endsWith('.test.ts'));
      const tests = [...(own ? [`${folder}/**/*.test.ts`] : []), `core/src/${wing}/**/*.test.ts`];
      return draw(sites, `${wing}/${room}`).map(s => ({
        ...s,
        what: `${s.file.slice('core/src/'.length)}: ${s.from.slice(0, 40)} → ${s.to.slice(0, 40)} (at ${s.at})`,
        tests,
      }));
    }),
  );
}

function draw<T>(sites: readonly T[], room: string): T[] {
  const chance = seeded([...room].reduce((n, c) => n * 31 + c.charCodeAt(0), SEED) >>> 0);
  const left = [...sites];
  const taken: T[] = [];
  while (taken.length < IN_A_ROOM && left.length > 0)
    taken.push(...left.splice(Math.floor(chance() * left.length), 1));
  return taken;
}
