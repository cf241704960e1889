import { GROUND } from '../schema/basic.ts';
import type {
  Aim,
  Arbor,
  Axis,
  Indicator,
  Layout,
  Machine,
  Member,
  MeshJoint,
  Toothing,
  Wheel,
} from '../types.ts';

/** A change of the document: a pure function from one machine to the next. */
export type Edit = (machine: Machine) => Machine;

type ListName =
  | 'materials'
  | 'indicators'
  | 'axes'
  | 'members'
  | 'toothings'
  | 'wheels'
  | 'joints'
  | 'aims'
  | 'processes'
  | 'searches';
type Item<K extends ListName> = Machine[K][number];

/** Replaces the thing of that id in one list; every other thing stays the very same value. */
export const patch =
  <K extends ListName>(list: K, id: string, change: (item: Item<K>) => Item<K>): Edit =>
  machine => ({
    ...machine,
    [list]: machine[list].map(item => (item.id === id ? change(item as Item<K>) : item)),
  });

/** Changes some fields of a wheel; a field given as undefined goes. */
export const setWheel = (id: string, change: Partial<Omit<Wheel, 'id'>>): Edit =>
  patch('wheels', id, w => withoutUndefined({ ...w, ...change }));

/** Changes some fields of a toothing. */
export const setToothing = (id: string, change: Partial<Omit<Toothing, 'id'>>): Edit =>
  patch('toothings', id, t => ({ ...t, ...change }));

type IndicatorField = Indicator extends infer I ? (I extends Indicator ? keyof I : never) : never;

/** Changes some fields of an indicator; a field given as undefined goes. The fields must be those of its kind. */
export const setIndicator = (id: string, change: { readonly [K in IndicatorField]?: unknown }): Edit =>
  patch('indicators', id, i => withoutUndefined({ ...i, ...change } as unknown as Indicator));

/** Takes an indicator away; hands that were read against it are read without a dial. */
export const removeIndicator =
  (id: string): Edit =>
  machine => ({
    ...machine,
    indicators: machine.indicators
      .filter(i => i.id !== id)
      .map(i =>
        i.kind === 'hand' && i.dial === id ? withoutUndefined({ ...i, dial: undefined }) : i,
      ) as Indicator[],
  });

/** Says which way the drive turns, seen from the front. */
export const setDriveWay =
  (clockwise: boolean): Edit =>
  machine => {
    if (!machine.drive) return machine;
    const { turns: _, ...drive } = machine.drive;
    return { ...machine, drive: clockwise ? { ...drive, turns: 'clockwise' } : drive };
  };

/** Changes some fields of an aim. */
export const setAim = (id: string, change: Partial<Omit<Aim, 'id'>>): Edit =>
  patch('aims', id, a => ({ ...a, ...change }));

/** Says from which arm an aim is seen; undefined: it stands on the ground. */
export const setSeenFrom = (id: string, seenFrom: Aim['seenFrom']): Edit =>
  patch('aims', id, ({ seenFrom: _, ...a }) => (seenFrom ? { ...a, seenFrom } : a));

/** Gives an axis another place. */
export const setAxisPlace = (id: string, place: Axis['place']): Edit =>
  patch('axes', id, a => ({ ...a, place }));

/** Changes some fields of an axis; a field given as undefined goes. */
export const setAxis = (id: string, change: { readonly [K in keyof Axis]?: Axis[K] | undefined }): Edit =>
  patch('axes', id, a => withoutUndefined({ ...a, ...change } as Axis));

/** Changes some fields of an arbor; a field given as undefined goes. */
export const setArbor = (id: string, change: { readonly [K in keyof Arbor]?: Arbor[K] | undefined }): Edit =>
  patch('members', id, m => (m.kind === 'arbor' ? withoutUndefined({ ...m, ...change } as Arbor) : m));

/** Changes the layout; a field given as undefined goes. */
export const setLayout =
  (change: { readonly [K in keyof Layout]?: Layout[K] | undefined }): Edit =>
  machine => ({ ...machine, layout: withoutUndefined({ ...machine.layout, ...change } as Layout) });

const withoutUndefined = <T extends object>(item: T): T =>
  Object.fromEntries(Object.entries(item).filter(([, value]) => value !== undefined)) as T;

/** Gives a member another name. */
export const renameMember = (id: string, name: string): Edit =>
  patch('members', id, m => ({ ...m, name }) as Member);

/** Holds an arbor still on the ground. */
export const holdMember = (id: string): Edit =>
  patch('members', id, m => (m.kind === 'arbor' ? { ...m, held: GROUND } : m));

/** Moves the centres of a mesh apart by so much, mm. */
export const setSpread = (id: string, spread: number): Edit =>
  patch('joints', id, j => (j.kind === 'mesh' ? { ...j, spread } : j));

/** Changes some fields of a mesh. */
export const setMesh = (id: string, change: Partial<Omit<MeshJoint, 'id' | 'kind'>>): Edit =>
  patch('joints', id, j => (j.kind === 'mesh' ? { ...j, ...change } : j));

/** Adds an aim after the others. */
export const addAim =
  (aim: Aim): Edit =>
  machine => ({ ...machine, aims: [...machine.aims, aim] });
