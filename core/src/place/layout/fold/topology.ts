import { direction, type Point } from '../../../ground/geometry/index.ts';
import type { FoldPlan } from './fold-plan.ts';

/**
 * On which side everything lies, as a text: for an axis further out the side of the line on which it hangs, for
 * those round one axis their order round it, for one between two its side. A mirror image reads the same.
 */
export function topologyOf(plan: FoldPlan, turns: readonly number[], at: readonly Point[]): string {
  const read = (mirror: 1 | -1): string => {
    const words: string[] = [];
    plan.turns.forEach((t, i) => {
      const node = plan.nodes[t.node];
      if (t.kind === 'side') {
        words.push((turns[i] ?? 0) * mirror > 0 ? 'l' : 'r');
        return;
      }
      const [here, parent] = [at[t.node], node?.parent === undefined ? undefined : at[node.parent]];
      const above = node?.parent === undefined ? undefined : plan.nodes[node.parent]?.parent;
      if (!here || !parent) return;
      words.push(
        above === undefined ? roundParent(plan, t.node, at, mirror) : turnOf(at[above], parent, here, mirror),
      );
    });
    return words.join(' ');
  };
  const [one, other] = [read(1), read(-1)];
  return one < other ? one : other;
}

/** Left, right or straight on, by the way in and the way out. */
function turnOf(above: Point | undefined, parent: Point, here: Point, mirror: number): string {
  if (!above) return '-';
  const cross = (parent.x - above.x) * (here.y - parent.y) - (parent.y - above.y) * (here.x - parent.x);
  return cross * mirror > 0 ? 'l' : 'r';
}

/** How many brothers lie between the first and this one, going round their parent. */
function roundParent(plan: FoldPlan, node: number, at: readonly Point[], mirror: number): string {
  const parent = plan.nodes[node]?.parent ?? -1;
  const pivot = at[parent];
  if (!pivot) return '-';
  const brothers = plan.nodes.flatMap((n, i) => (n.parent === parent && at[i] ? [i] : []));
  const angle = (i: number): number => mirror * direction(pivot, at[i] ?? pivot);
  const first = angle(brothers[0] ?? node);
  const from = (i: number): number => (angle(i) - first + 4 * Math.PI) % (2 * Math.PI);
  return String(brothers.filter(i => from(i) < from(node)).length);
}
