import type { Derived } from '@tesseron/core/derive';
import { circleCount, meshes } from '@tesseron/core/machine';
import type { Rational } from '@tesseron/core/rational';

/** A wheel in the elevation: a bar at its layer, with its axis' place along the row. */
interface Bar {
  readonly id: string;
  readonly member: string;
  readonly x: number;
  readonly layer: number;
  readonly half: number;
  readonly text: string;
  readonly rate: Rational | undefined;
}

export interface Elevation {
  readonly bars: readonly Bar[];
  readonly axes: readonly {
    readonly id: string;
    readonly x: number;
    readonly low: number;
    readonly high: number;
    readonly name: string;
    readonly drive: boolean;
  }[];
  readonly meshes: readonly {
    readonly id: string;
    readonly x1: number;
    readonly x2: number;
    readonly layer: number;
  }[];
  readonly layers: number;
}

/** The arrangement as a row of axes in the order in which they hang on each other, one unit apart; bars as long as their wheels. */
export function layoutElevation(derived: Derived): Elevation {
  const { machine } = derived;
  const axisOf = new Map(machine.members.flatMap(m => (m.kind === 'arbor' ? [[m.id, m.axis] as const] : [])));
  const used = machine.axes.filter(a => machine.members.some(m => m.kind === 'arbor' && m.axis === a.id));
  const place = new Map(used.map((a, i) => [a.id, i] as const));
  const pitch = (id: string): number => derived.wheels[id]?.dimensions.pitchRadius ?? 10;
  const largest = Math.max(1, ...machine.wheels.map(w => pitch(w.id)));
  const bars = machine.wheels.flatMap(w => {
    const x = place.get(axisOf.get(w.member) ?? '');
    if (x === undefined) return [];
    const half = 0.1 + 0.3 * Math.sqrt(pitch(w.id) / largest);
    return [
      {
        id: w.id,
        member: w.member,
        x,
        layer: w.layer,
        half,
        text: String(circleCount(w) ?? '?'),
        rate: derived.train.rates[w.member],
      },
    ];
  });
  const barOf = new Map(bars.map(b => [b.id, b] as const));
  return {
    bars,
    axes: used.map((a, i) => {
      const own = bars.filter(b => b.x === i).map(b => b.layer);
      const names = machine.members.filter(m => m.kind === 'arbor' && m.axis === a.id);
      return {
        id: a.id,
        x: i,
        low: Math.min(0, ...own),
        high: Math.max(0, ...own),
        name: names.map(m => m.name).join(', '),
        drive: names.some(m => m.id === machine.drive?.member),
      };
    }),
    meshes: meshes(machine).flatMap(j => {
      const [a, b] = [barOf.get(j.a), barOf.get(j.b)];
      if (!a || !b) return [];
      const [left, right] = a.x <= b.x ? [a, b] : [b, a];
      return [{ id: j.id, x1: left.x + left.half, x2: right.x - right.half, layer: left.layer }];
    }),
    layers: Math.max(1, ...machine.wheels.map(w => w.layer + 1)),
  };
}
