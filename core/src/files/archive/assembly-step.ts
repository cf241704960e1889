import type { Derived } from '../../state/state/index.ts';
import { circle, type Space } from '../../ground/geometry/index.ts';
import { AT_REST, type Stance, stancesAt } from '../../place/motion/index.ts';
import { flatParts } from '../../making/workshop/index.ts';
import { fusedParts, inSpace, onePieces, type SpaceFrame, wheelThickness } from '../../place/layout/index.ts';
import { hubAtBack, hubItems, type SpaceItem, spaceScene } from '../../making/solid/index.ts';
import { byId } from '../../document/machine/index.ts';
import { type ColouredPrism, type PartPlace, writeStepAssembly } from '../format/index.ts';

/** Colours by what a body is: brass for wheels, steel for rods, boxwood for what stands, slate for the rest (ours). */
const COLOURS: { readonly [G in SpaceItem['group']]: ColouredPrism['colour'] } = {
  wheels: [0.8, 0.65, 0.3],
  arbors: [0.62, 0.64, 0.66],
  arms: [0.35, 0.45, 0.55],
  'back plate': [0.85, 0.77, 0.6],
  'front plate': [0.85, 0.77, 0.6],
  'dials and hands': [0.25, 0.3, 0.33],
};

const LEVEL: SpaceFrame = {
  ...{ origin: { x: 0, y: 0, z: 0 }, x: { x: 1, y: 0, z: 0 } },
  ...{ y: { x: 0, y: 1, z: 0 }, z: { x: 0, y: 0, z: 1 }, middle: 0, upsideDown: new Set<string>() },
};

/** A machine as STEP, and what of it no prism stands for, by name. */
export interface AssemblyFile {
  readonly step: string;
  readonly without: readonly string[];
}

/**
 * The whole machine as it stands at nought turns, every part that is drawn up from a plane figure in its place: wheels,
 * plates, arms, hands, dials, rods, tubes, spacers. Balls, pins, bevels, what is one piece with an arbor and other
 * bodies are left out, and each is named in the head of the file.
 */
export function assemblyStep(derived: Derived): AssemblyFile {
  const scene = spaceScene(derived);
  const stances = stancesAt(derived.moving, AT_REST);
  const shapes = prisms(derived);
  const [parts, index]: [ColouredPrism[], Map<string, number>] = [[], new Map()];
  const without = new Set<string>();
  const fused = fusedParts(onePieces(derived.machine, derived.layout.pieces));
  const hubs = hubItems(derived, true).filter(i => !fused.has(i.body.slice('hub '.length)));
  const items = [...scene.items.map(i => unturned(derived, i)), ...hubs];
  const places = items.flatMap((item): PartPlace[] => {
    const prism = shapes.get(item.body);
    if (!prism) {
      without.add(item.name);
      return [];
    }
    const part = index.get(item.body) ?? parts.push({ ...prism, colour: COLOURS[item.group] }) - 1;
    index.set(item.body, part);
    const stance = item.place === undefined ? undefined : stances.get(item.place);
    return [{ part, name: item.name, ...placeOf(item, scene.frames.get(item.axis) ?? LEVEL, stance) }];
  });
  const { name, toothings } = derived.machine;
  const told = [
    ...[...without].map(w => `without ${w}`),
    ...(toothings.some(t => (t.helixDeg ?? 0) > 0) ? ['teeth that lean are drawn straight'] : []),
  ];
  return { step: writeStepAssembly(name, parts, places, told), without: [...without] };
}

/** A wheel that is printed over for the hub at its back, the right way up: its figure is drawn up without that. */
function unturned({ machine }: Derived, item: SpaceItem): SpaceItem {
  const wheel = byId(machine.wheels, item.body);
  if (!wheel || !hubAtBack(machine, wheel)) return item;
  const thick = wheelThickness(machine.stack, wheel);
  return { ...item, over: !item.over, at: { ...item.at, z: item.at.z + (item.over ? -thick : thick) } };
}

/** Where a body stands: at its stance and its own place there, turned with both, or turned over about its x axis. */
function placeOf(
  item: SpaceItem,
  frame: SpaceFrame,
  stance: Stance | undefined,
): Pick<PartPlace, 'origin' | 'x' | 'z'> {
  const angle = item.spin + (stance?.angle ?? 0);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const at = { x: (stance?.centre.x ?? 0) + item.at.x, y: (stance?.centre.y ?? 0) + item.at.y };
  const origin = inSpace(frame, { x: at.x + item.out * c, y: at.y + item.out * s }, item.at.z);
  const along = (key: 'x' | 'y' | 'z'): number => c * frame.x[key] + s * frame.y[key];
  const way = item.over ? -1 : 1;
  const x: Space = { x: along('x'), y: along('y'), z: along('z') };
  return { origin, x, z: { x: way * frame.z.x, y: way * frame.z.y, z: way * frame.z.z } };
}

/** Everything that is drawn up from a plane figure, by its body. */
function prisms(derived: Derived): Map<string, Omit<ColouredPrism, 'colour'>> {
  const flat = flatParts(derived).parts.flatMap(({ id, raised, name, outline, holes, thickness, hub }) => [
    ...(raised ? [] : [[id, { name, outline, holes, height: thickness }] as const]),
    ...(hub ? [[`hub ${id}`, { ...hub, name: `hub, ${name}` }] as const] : []),
  ]);
  const origin = { x: 0, y: 0 };
  const round = derived.layout.pieces.map((p, i) => {
    const holes = p.bore ? [circle(origin, p.bore / 2, false)] : [];
    const shape = { outline: circle(origin, p.outside / 2), holes, height: p.length / p.number };
    return [`piece ${i}`, { name: `${p.kind} ${i + 1}`, ...shape }] as const;
  });
  const ones = onePieces(derived.machine, derived.layout.pieces).map(one => one.id);
  return new Map([...flat, ...round].filter(([id]) => !ones.includes(id)));
}
