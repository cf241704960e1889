import { setRodLength } from '../core/src/edits/change/index.ts';
import { byId } from '../core/src/document/machine/index.ts';
import { AT_REST, linkFigure, type Stance, stancesAt } from '../core/src/place/motion/index.ts';
import { derive } from '../core/src/state/derive/index.ts';
import type { Derived } from '../core/src/state/state/index.ts';
import { findLinkage } from '../core/src/trains/linkage/index.ts';
import { clock, report } from './clock.ts';
import { linkedWheels } from './linked-wheels.ts';
import { sixtyWheels } from './sixty-wheels.ts';
import { deriveWhole } from './whole.ts';

const FRAMES = 200;
const EDITS = 50;

/** Linkages and cams: positions for frames, an edit of a length until it is drawn and judged, the search. */
export function linkageBench(): void {
  const machine = linkedWheels();
  const d = deriveWhole(machine);
  const plain = deriveWhole(sixtyWheels());
  const frames = (of: Derived): number => {
    const into = new Map<string, Stance>();
    return clock(() => {
      for (let i = 0; i < FRAMES; i++)
        stancesAt(of.moving, { whole: BigInt(i), part: (i * 0.618) % 1 }, into);
    });
  };
  const what = '60 wheels, 12 linkages, 20 cams';
  report(`${what}: positions of ${FRAMES} frames`, frames(d), 'of the wheels alone', frames(plain));

  const rod = machine.members.find(m => m.kind === 'link');
  const length = rod?.kind === 'link' ? rod.length : 0;
  let from = d;
  let drawn = 0;
  const all = clock(() => {
    for (let i = 0; i < EDITS; i++) {
      const next = setRodLength(rod?.id ?? '', length + i / 10)(from.machine);
      const start = performance.now();
      const made = derive(next, from);
      stancesAt(made.moving, AT_REST);
      linkFigure(made.machine);
      drawn += performance.now() - start;
      deriveWhole(next, from);
      from = made;
    }
  }, 1);
  if (!byId(from.machine.members, rod?.id)) throw new Error('the rod is gone');
  report(`${what}: an edit of a length, drawn (16 ms wanted)`, drawn / EDITS, 'judged too', all / EDITS);

  const points = [-24, 0, 24].map(x => ({ x, y: -90 })).concat({ x: 0, y: -76 });
  const search = findLinkage({
    ...{ wanted: { kind: 'path', points, closed: true, placed: true } as const },
    ...{ leastTransmissionDeg: 40, top: 6, rounds: 40 },
  });
  const start = performance.now();
  let first: number | undefined;
  for (let step = search.next(); !step.done; step = search.next())
    if (first === undefined && (step.value.linkages?.length ?? 0) > 0) first = performance.now() - start;
  report(
    'a linkage for a path, first proposals (2 s wanted)',
    first ?? NaN,
    'the whole search',
    performance.now() - start,
  );
}
