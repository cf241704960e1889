import type { Machine } from '../../document/machine/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { baseOf, type CountPair, equalSums, freeDirection, parsePairs } from './pairs.ts';
import type { ReadyArrangement } from './ready.ts';

/** A row of stages, each on an axis of its own: the ratios multiply, every mesh turns the sense. */
export const compoundReduction: ReadyArrangement = {
  id: 'compound',
  title: 'Compound reduction',
  does: 'Stages one after the other, each arbor with a wheel and a pinion; the ratios multiply.',
  fields: [{ key: 'stages', label: 'Stages', kind: 'pairs', offered: '15:60, 15:60' }],
  build: (machine, values, on) => {
    const [pairs, base] = [parsePairs(values['stages'] ?? ''), baseOf(machine, on)];
    if (!pairs.ok) return pairs;
    if (!base.ok) return base;
    const { b, on: start, toothing } = base.value;
    let from = start;
    const angleDeg = freeDirection(machine);
    for (const [i, counts] of pairs.value.entries()) {
      const last = i === pairs.value.length - 1;
      const name = last ? 'Reduction output' : `Reduction arbor ${i + 1}`;
      from = b.mesh({ from, to: { name }, counts, toothing, angleDeg }).arbor;
    }
    return ok(b.machine());
  },
};

/**
 * Each output driven from the one before by a compound pair that turns loose on a common rod: all meshes stand
 * between the same two lines, so all sums are equal, and every output keeps the sense of the drive. Errors of all
 * steps before add up.
 */
export const cascade: ReadyArrangement = {
  id: 'cascade',
  title: 'Cascade on a lay arbor',
  does:
    'Each output is driven from its neighbour by a compound pair loose on one rod; ' +
    'outputs are nested tubes. All sums are equal.',
  fields: [
    {
      key: 'pairs',
      label: 'Two pairs for each output',
      kind: 'pairs',
      offered: '20:40, 24:36, 18:42, 25:35',
    },
  ],
  build: (machine, values, on) => {
    const pairs = parsePairs(values['pairs'] ?? '');
    const checked = pairs.ok ? checkCascade(pairs.value) : pairs;
    const base = baseOf(machine, on);
    if (!pairs.ok || !checked.ok) return pairs.ok ? (checked as Result<Machine>) : pairs;
    if (!base.ok) return base;
    const { b, on: start, axis, toothing } = base.value;
    let from = start;
    let rod: string | undefined;
    for (let i = 0; i < pairs.value.length; i += 2) {
      const [out, back] = [pairs.value[i], pairs.value[i + 1]];
      if (!out || !back) break;
      const n = i / 2 + 1;
      const angleDeg = freeDirection(machine);
      const pair = b.mesh({
        from,
        to: { name: `Cascade pair ${n}`, axis: rod },
        counts: out,
        toothing,
        angleDeg,
      });
      const made = b.machine().members.find(m => m.id === pair.arbor);
      rod = made?.kind === 'arbor' ? made.axis : rod;
      from = b.mesh({
        from: pair.arbor,
        to: { name: `Cascade output ${n}`, axis },
        counts: back,
        toothing,
      }).arbor;
    }
    return ok(b.machine());
  },
};

function checkCascade(pairs: readonly CountPair[]): Result<void> {
  return pairs.length % 2 === 0 ? equalSums(pairs) : fail('pairs-odd', { count: pairs.length });
}

/** One lay arbor, from which every output is driven by one mesh of its own onto nested tubes: errors do not add up. */
export const parallelBranches: ReadyArrangement = {
  id: 'branches',
  title: 'Parallel branches',
  does:
    'One lay arbor drives every output by a mesh of its own, onto nested tubes on the ' +
    'line of its arbor. All sums are equal.',
  fields: [
    { key: 'first', label: 'Drive to lay arbor', kind: 'pairs', offered: '30:30' },
    { key: 'branches', label: 'Lay arbor to each output', kind: 'pairs', offered: '15:45, 20:40, 25:35' },
  ],
  build: (machine, values, on) => {
    const [first, more, base] = [
      parsePairs(values['first'] ?? ''),
      parsePairs(values['branches'] ?? ''),
      baseOf(machine, on),
    ];
    if (!first.ok) return first;
    if (!more.ok) return more;
    const [shared] = first.value;
    if (!shared || first.value.length !== 1) return fail('pairs-one', { count: first.value.length });
    const sums = equalSums([shared, ...more.value]);
    if (!sums.ok) return sums;
    if (!base.ok) return base;
    const { b, on: start, axis, toothing } = base.value;
    const angleDeg = freeDirection(machine);
    const lay = b.mesh({ from: start, to: { name: 'Lay arbor' }, counts: shared, toothing, angleDeg }).arbor;
    for (const [i, counts] of more.value.entries())
      b.mesh({ from: lay, to: { name: `Branch output ${i + 1}`, axis }, counts, toothing });
    return ok(b.machine());
  },
};

/**
 * Minutes to hours on one centre: 12 : 1 in two meshes of equal sums, and a tube for the hour hand over the minute
 * arbor.
 */
export const motionWork: ReadyArrangement = {
  id: 'motion-work',
  title: 'Motion work',
  does: 'From the minute arbor to an hour tube on the same line, 12 : 1 in two meshes of equal sums.',
  fields: [{ key: 'pairs', label: 'Minute arbor out, and back', kind: 'pairs', offered: '15:45, 12:48' }],
  build: (machine, values, on) => {
    const [pairs, base] = [parsePairs(values['pairs'] ?? ''), baseOf(machine, on)];
    if (!pairs.ok) return pairs;
    const [out, back] = pairs.value;
    if (!out || !back || pairs.value.length !== 2) return fail('pairs-two', { count: pairs.value.length });
    const ratio = (out[1] * back[1]) / (out[0] * back[0]);
    if (ratio !== 12) return fail('motion-work-ratio', { ratio });
    const sums = equalSums(pairs.value);
    if (!sums.ok) return sums;
    if (!base.ok) return base;
    const { b, on: start, axis, toothing } = base.value;
    const angleDeg = freeDirection(machine);
    const minute = b.mesh({
      from: start,
      to: { name: 'Minute wheel' },
      counts: out,
      toothing,
      angleDeg,
    }).arbor;
    b.mesh({ from: minute, to: { name: 'Hour tube', axis }, counts: back, toothing });
    return ok(b.machine());
  },
};
