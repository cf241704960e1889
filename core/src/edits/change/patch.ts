import type { Result } from '../../ground/result/index.ts';
import { byId } from '../../document/machine/lookup.ts';
import type {
  Arbor,
  Axis,
  Indicator,
  Link,
  Joint,
  Layout,
  Machine,
  Member,
  MeshJoint,
  Toothing,
  Wheel,
} from '../../document/machine/types.ts';

/** A change of the document: a pure function from one machine to the next. */
export type Edit = (machine: Machine) => Machine;

/** A change that may be refused: the same, with the reason in its place where it cannot be made. */
export type Attempt<T = Machine> = (machine: Machine) => Result<T>;

type ListName =
  | 'modes'
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

/** Gives a rod a width of its own, mm; undefined leaves it to its pins. */
export const setRodWidth = (id: string, width: number | undefined): Edit =>
  patch('members', id, m => (m.kind === 'link' ? withoutUndefined({ ...m, width }) : m));

/** Gives a rod its further points; none of them takes the list away. */
export const setRodPoints = (id: string, points: NonNullable<Link['points']>): Edit =>
  patch('members', id, m =>
    m.kind === 'link' ? withoutUndefined({ ...m, points: points.length > 0 ? points : undefined }) : m,
  );

/** Changes some fields of a wheel; a field given as undefined goes. */
export const setWheel = (id: string, change: Partial<Omit<Wheel, 'id'>>): Edit =>
  patch('wheels', id, w => withoutUndefined({ ...w, ...change }));

/** Changes what lies between hub and teeth of a wheel. */
export const setBody =
  (id: string, change: Partial<NonNullable<Wheel['body']>>): Edit =>
  machine => {
    const body = byId(machine.wheels, id)?.body ?? { web: { kind: 'solid' }, mark: false, engraved: false };
    return setWheel(id, { body: withoutUndefined({ ...body, ...change }) })(machine);
  };

/** Lets the hub of a wheel stand out of a face, or end with it. */
export const setProud =
  (id: string, proud: NonNullable<Wheel['body']>['proud']): Edit =>
  machine => {
    if (proud) return setBody(id, { proud })(machine);
    const body = byId(machine.wheels, id)?.body;
    if (!body) return machine;
    const { proud: _, ...flush } = body;
    return setWheel(id, { body: flush })(machine);
  };

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

type Plates = NonNullable<Layout['plates']>;

/** Changes the plates, where there are any; a field given as undefined goes. */
export const setPlates =
  (change: { readonly [K in keyof Plates]?: Plates[K] | undefined }): Edit =>
  machine => {
    const { plates } = machine.layout;
    return plates
      ? setLayout({ plates: withoutUndefined({ ...plates, ...change } as Plates) })(machine)
      : machine;
  };

const withoutUndefined = <T extends object>(item: T): T =>
  Object.fromEntries(Object.entries(item).filter(([, value]) => value !== undefined)) as T;

/** Gives a member another name, and those of its wheels that are called after it. */
export const renameMember =
  (id: string, name: string): Edit =>
  machine => {
    const before = machine.members.find(m => m.id === id)?.name;
    const named = patch('members', id, m => ({ ...m, name }) as Member)(machine);
    if (!before || !name || before === name) return named;
    const wheels = named.wheels.map(w =>
      w.member === id && (w.name === before || w.name.startsWith(`${before} wheel`))
        ? { ...w, name: `${name}${w.name.slice(before.length)}`.slice(0, 120) }
        : w,
    );
    return { ...named, wheels };
  };

/** Holds an arbor still against a frame; undefined lets it go. */
export const holdMember = (id: string, frame: string | undefined): Edit => setArbor(id, { held: frame });

/** Moves the centres of a mesh apart by so much, mm. */
export const setSpread = (id: string, spread: number): Edit =>
  patch('joints', id, j => (j.kind === 'mesh' ? { ...j, spread } : j));

/** Moves the centres of all those meshes apart by so much, mm. */
export const spreadAll =
  (ids: ReadonlySet<string>, spread: number): Edit =>
  machine => ({
    ...machine,
    joints: machine.joints.map(j => (j.kind === 'mesh' && ids.has(j.id) ? { ...j, spread } : j)),
  });

/** Leans the teeth of a toothing by so many degrees; 0: straight teeth. */
export const setHelix = (id: string, deg: number): Edit =>
  patch('toothings', id, ({ helixDeg: _, ...t }) => (deg === 0 ? t : { ...t, helixDeg: deg }));

/** Lets a leaning toothing lean both ways, or one. */
export const setDoubleHelix = (id: string, on: boolean): Edit =>
  patch('toothings', id, ({ double: _, ...t }) => (on ? { ...t, double: true as const } : t));

/** Changes some fields of a joint of that kind; a field given as undefined goes. */
export const setJoint = <K extends Joint['kind']>(
  id: string,
  kind: K,
  change: { readonly [F in keyof Extract<Joint, { kind: K }>]?: unknown },
): Edit => patch('joints', id, j => (j.kind === kind ? (withoutUndefined({ ...j, ...change }) as Joint) : j));

/** Makes a rod so long between its pins, mm. */
export const setRodLength = (id: string, length: number): Edit =>
  patch('members', id, m => (m.kind === 'link' ? { ...m, length } : m));

/** Changes some fields of a mesh. */
export const setMesh = (id: string, change: Partial<Omit<MeshJoint, 'id' | 'kind'>>): Edit =>
  patch('joints', id, j => (j.kind === 'mesh' ? { ...j, ...change } : j));
