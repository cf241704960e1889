import { lengthsOf } from './four-bar.ts';
import type { LinkageFound } from './wanted-motion.ts';

/** What was found so far, the best first: no two nearly alike. */
export interface Shortlist {
  readonly add: (found: LinkageFound) => void;
  readonly best: () => readonly LinkageFound[];
}

/** Those count as equally near the wanted motion that are off by less, mm or degrees; then transmission decides. */
const NEAR = 0.02;

/** So many are remembered for each that is shown: alike ones step back behind the best of them. */
const BEHIND = 60;

export function shortlist(top: number): Shortlist {
  const all: LinkageFound[] = [];
  return {
    add: found => {
      const after = all.findIndex(k => before(found, k) < 0);
      all.splice(after < 0 ? all.length : after, 0, found);
      all.splice(top * BEHIND);
    },
    best: () => {
      const kept: LinkageFound[] = [];
      for (const found of all) {
        if (kept.length === top) break;
        if (!kept.some(k => alike(k, found))) kept.push(found);
      }
      return kept;
    },
  };
}

const before = (a: LinkageFound, b: LinkageFound): number =>
  Math.floor(a.off / NEAR) - Math.floor(b.off / NEAR) || b.transmissionDeg - a.transmissionDeg;

/** Whether two have lengths that differ by less than a part in twenty-five, and the point in the same place. */
function alike(a: LinkageFound, b: LinkageFound): boolean {
  const values = ({ linkage }: LinkageFound): number[] => {
    const { crank, coupler, rocker, ground } = lengthsOf(linkage);
    return [crank, coupler, rocker, ground, linkage.point.x, linkage.point.y];
  };
  const [p, q] = [values(a), values(b)];
  const size = Math.max(...p.map(Math.abs));
  return a.linkage.other === b.linkage.other && p.every((v, i) => Math.abs(v - (q[i] ?? 0)) < 0.04 * size);
}
