import type { Derived } from '../../state/state/index.ts';
import type { Drawing, Group, Label, Shape } from '../../ground/drawing/index.ts';
import { bounds, flatten, type Path, type Point } from '../../ground/geometry/index.ts';
import { processOf, type Process } from '../../document/machine/index.ts';
import { inchDrill, metricDrill } from '../process/index.ts';
import {
  bevelDrawing,
  type BevelPattern,
  fileNotes,
  indicatorDrawing,
  plateDrawing,
} from '../../files/drawings/index.ts';
import { diameterOf, type FlatPart } from './flat-part.ts';
import { flatParts } from './flat-parts.ts';

/** A pattern to be printed on paper: what it is of, and its drawing. */
export interface Pattern {
  readonly id: string;
  readonly kind: 'wheel' | 'plate' | 'dial' | 'bevel';
  readonly name: string;
  /** Made when it is first looked at. */
  readonly drawing: Drawing;
}

/** A pattern whose drawing is made when it is asked for, and kept. */
function pattern(kind: Pattern['kind'], id: string, name: string, draw: () => Drawing): Pattern {
  let drawn: Drawing | undefined;
  return {
    ...{ id, kind, name },
    get drawing() {
      return (drawn ??= draw());
    },
  };
}

/**
 * All paper patterns of a machine: wheels with their holes to drill, drilling templates of the plates, dials and
 * hands, strips and ends of bevels.
 */
export function patternsOf(derived: Derived): Pattern[] {
  const { machine } = derived;
  const flat = flatParts(derived).parts;
  const wheels = flat
    .filter(p => p.kind === 'wheel')
    .map(p => pattern('wheel', p.id, p.name, () => wheelPattern(derived, p)));
  const plates = derived.layout.plates.flatMap((p): Pattern[] => {
    const drawing = plateDrawing(derived, p.side);
    return drawing.ok
      ? [{ id: `plate ${p.side}`, kind: 'plate', name: `${p.side} plate`, drawing: drawing.value }]
      : [];
  });
  const dials = machine.indicators.flatMap((i): Pattern[] =>
    i.kind === 'dial' || i.kind === 'hand'
      ? [pattern('dial', i.id, i.name, () => indicatorDrawing(derived, i))]
      : [],
  );
  const bevels = machine.wheels.flatMap(w => {
    if (derived.wheels[w.id]?.teeth.family !== 'bevel') return [];
    return (['strip', 'end', 'blank'] as const).flatMap((of: BevelPattern): Pattern[] => {
      const drawing = bevelDrawing(derived, w.id, of);
      return drawing.ok
        ? [{ id: `${w.id} ${of}`, kind: 'bevel', name: `${w.name}, ${of}`, drawing: drawing.value }]
        : [];
    });
  });
  return [...wheels, ...plates, ...dials, ...bevels];
}

const TEXT = 2.6;
const CROSS = 3;

/**
 * A wheel to be glued on stock and sawn along its line: a cross in every hole, and beside the wheel which drill and
 * how many to cut together.
 */
function wheelPattern(derived: Derived, part: FlatPart): Drawing {
  const { outline, holes, drilled, engraved } = part;
  const process = processOf(derived.machine, part.id);
  const round = holes.filter(h => drilled.has(h));
  const shapes: Shape[] = [
    { name: part.name, role: 'cut', paths: [outline, ...holes.filter(h => !drilled.has(h))] },
    { name: `${part.name}, drilled`, role: 'drill', paths: round },
    {
      name: `${part.name}, middles`,
      role: 'reference',
      paths: [{ x: 0, y: 0 }, ...round.map(middleOf)].flatMap(cross),
    },
  ];
  if (engraved.length > 0) shapes.push({ name: `${part.name}, marks`, role: 'engrave', paths: engraved });
  const box = bounds(flatten(outline, 0.1));
  const says = [`${part.name}: ${stacked(part, process)}`, ...drills(round)];
  const labels: Label[] = says.map((text, i) => ({
    ...{
      text,
      x: (box.minX + box.maxX) / 2,
      y: box.minY - (i + 2) * TEXT * 1.5,
      height: TEXT,
      role: 'reference',
    },
  }));
  const group: Group = { name: part.name, x: 0, y: 0, angle: 0, shapes, labels: [...part.labels, ...labels] };
  return {
    title: `${derived.machine.name}: ${part.name}`,
    notes: [...fileNotes(derived), 'Saw along the outside of the line.'],
    groups: [group],
  };
}

/** How many are cut, and how many layers lie on each other under one pattern. */
function stacked({ number, thickness }: FlatPart, process: Process | undefined): string {
  const most = Math.max(1, Math.floor(STACK / thickness));
  if (process?.kind !== 'saw' || number === 1) return `${number} of ${Number(thickness.toFixed(2))} mm`;
  const at = Math.min(number, most);
  const times = Math.ceil(number / at);
  return (
    `${number} of ${Number(thickness.toFixed(2))} mm, ${at} layers nailed together and ` +
    `cut at once${times > 1 ? `, ${times} times` : ''}`
  );
}

/** The height of a stack that a scroll saw still cuts square, mm: common practice, no source. */
const STACK = 18;

/** One line for each size of hole: how many, and which drill. */
function drills(holes: readonly Path[]): string[] {
  const sizes = new Map<string, { diameter: number; number: number }>();
  for (const h of holes) {
    const diameter = diameterOf(h) ?? 0;
    const known = sizes.get(diameter.toFixed(3));
    sizes.set(diameter.toFixed(3), { diameter, number: (known?.number ?? 0) + 1 });
  }
  return [...sizes.values()].map(
    ({ diameter, number }) => `${number} × ⌀${diameter.toFixed(2)}: ${drillText(diameter)}`,
  );
}

/** The next drills to a hole, in mm and in fractions of an inch, and by how much each is off. */
export function drillText(diameter: number): string {
  const say = ({ name, over }: ReturnType<typeof metricDrill>): string =>
    Math.abs(over) < 0.005 ? name : `${name} (${over > 0 ? '+' : '−'}${Math.abs(over).toFixed(2)})`;
  return `drill ${say(metricDrill(diameter))} or ${say(inchDrill(diameter))}`;
}

const middleOf = (path: Path): Point => {
  const [first] = path.segments;
  return first?.kind === 'arc' ? first.centre : path.start;
};

const cross = ({ x, y }: Point): Path[] => [
  { start: { x: x - CROSS, y }, segments: [{ kind: 'line', to: { x: x + CROSS, y } }], closed: false },
  { start: { x, y: y - CROSS }, segments: [{ kind: 'line', to: { x, y: y + CROSS } }], closed: false },
];
