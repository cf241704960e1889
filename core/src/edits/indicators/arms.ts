import { type Attempt, type Edit, setIndicator } from '../change/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { type BodyIndicator, bodyBalance } from '../../place/indicator/index.ts';
import { type LayoutState, linesOf, spansOf } from '../../place/layout/index.ts';
import type { Machine } from '../../document/machine/index.ts';

/** What a counterweight is reckoned from: the machine, and how thick its arbors are. */
export interface Laid {
  readonly machine: Machine;
  readonly layout: Pick<LayoutState, 'sizes'>;
}

const two = (x: number): number => Math.round(100 * x) / 100;

/** Across a counterweight from whose height another is reckoned, mm. */
const TRIED = 10;

/**
 * Gives the arm of a body a counterweight a third of the way out on the other side, half as high as it is across, that
 * balances it; or takes it away.
 */
export function weigh({ machine, layout }: Laid, id: string, on: boolean): Edit {
  const body = machine.indicators.find(i => i.id === id);
  if (!on || body?.kind !== 'body') return setIndicator(id, { weight: undefined });
  const distance = two(Math.max(8, body.distance / 3));
  const highAt = (diameter: number): number =>
    bodyBalance({ machine, sizes: layout.sizes }, { ...body, weight: { distance, diameter, height: 1 } })
      ?.height ?? 1;
  // Half as high as it is across: π/4 · d² · d/2 is what a disc of 10 mm would need.
  const diameter = two(Math.max(4, Math.cbrt(2 * TRIED ** 2 * highAt(TRIED))));
  return setIndicator(id, { weight: { distance, diameter, height: Math.max(0.1, two(highAt(diameter))) } });
}

/** The bodies that go round the line of one, itself among them. */
function roundTheLine(machine: Machine, id: string): BodyIndicator[] {
  const member = machine.indicators.find(i => i.id === id)?.member;
  const line = linesOf(machine).find(l => l.arbors.some(a => a.id === member));
  return machine.indicators.filter(
    (i): i is BodyIndicator => i.kind === 'body' && (line?.arbors.some(a => a.id === i.member) ?? false),
  );
}

/** Balls so near to one plane lie in it, mm. */
const IN_PLANE = 0.03;

/**
 * Lifts the balls of all bodies that go round one line into one plane: that of the highest without a lift. Refused
 * where an arm passes over the ball of another: it lies above that ball however this is lifted.
 */
export const ballsInOnePlane =
  (id: string): Attempt =>
  machine => {
    const bodies = roundTheLine(machine, id);
    const ballOf = (m: Machine): ((i: BodyIndicator) => number) => {
      const { seats } = spansOf(m);
      return i => seats.get(i.id)?.ball ?? 0;
    };
    const bare = bodies.reduce((m, i) => setIndicator(i.id, { lift: undefined })(m), machine);
    const at = ballOf(bare);
    const plane = Math.max(0, ...bodies.map(at));
    const lifted = bodies.reduce((m, i) => {
      const lift = two(plane - at(i));
      return lift > 0 ? setIndicator(i.id, { lift })(m) : m;
    }, bare);
    const made = ballOf(lifted);
    const off = bodies.find(i => Math.abs(made(i) - plane) > IN_PLANE);
    return off ? fail('balls-not-level', { body: off.name }) : ok(lifted);
  };
