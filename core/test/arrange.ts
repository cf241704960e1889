import { newMachine, type Machine } from '../src/document/machine/index.ts';

type Wheel = Machine['wheels'][number];
type MeshType = Extract<Machine['joints'][number], { kind: 'mesh' }>['type'];

/** An arbor as a test states it: the frame of its axis, what it shares a line with, whether it is held. */
export interface ArborSpec {
  readonly frame?: string;
  /** Stands on the line of this other arbor. */
  readonly with?: string;
  readonly at?: readonly [number, number];
  readonly held?: boolean;
  readonly copies?: number;
}
type MeshSpec = readonly [a: string, b: string, type?: MeshType, opposite?: boolean];

/**
 * A machine from few words: arbors by name, wheels as `arbor.name: count`, meshes as pairs of wheel names. The
 * first arbor drives. Arbors that share a line in one frame share an axis.
 */
export function arrange(
  arbors: Readonly<Record<string, ArborSpec>>,
  wheels: Readonly<Record<string, number>>,
  meshes: readonly MeshSpec[],
  more: Partial<Machine> = {},
): Machine {
  const base = newMachine('arranged');
  const [first = ''] = Object.keys(arbors);
  const shared = (id: string): string => {
    const { with: on, frame } = arbors[id] ?? {};
    const same = on !== undefined && (arbors[on]?.frame ?? 'ground') === (frame ?? 'ground');
    return same ? shared(on) : `on-${id}`;
  };
  const own = Object.entries(arbors).filter(([id]) => shared(id) === `on-${id}`);
  return {
    ...base,
    drive: { member: first, speed: { kind: 'free' } },
    axes: own.map(([id, spec], i) => ({
      id: `on-${id}`,
      frame: spec.frame ?? 'ground',
      place:
        spec.with === undefined
          ? { kind: 'given' as const, x: spec.at?.[0] ?? 50 * i, y: spec.at?.[1] ?? 0 }
          : { kind: 'coaxial' as const, with: shared(spec.with) },
      ...(spec.copies !== undefined && { copies: { count: spec.copies } }),
    })),
    members: Object.entries(arbors).map(([id, spec]) => ({
      kind: 'arbor' as const,
      id,
      name: id,
      axis: shared(id),
      ...(spec.held === true && { held: 'ground' }),
    })),
    wheels: Object.entries(wheels).map(([name, count], layer): Wheel => {
      const ring = name.endsWith('ring');
      return {
        id: name.replace('.', '-'),
        name,
        member: name.split('.')[0] ?? '',
        toothing: 'toothing1',
        role: ring ? 'ring' : 'wheel',
        teeth: { kind: 'count', count },
        layer,
      };
    }),
    joints: meshes.map(([a, b, type = 'external', opposite], i) => ({
      kind: 'mesh' as const,
      id: `m${i}`,
      type,
      a: a.replace('.', '-'),
      b: b.replace('.', '-'),
      ...(opposite === true && { opposite: true as const }),
    })),
    ...more,
  };
}
