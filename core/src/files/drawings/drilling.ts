import type { Derived } from '../../state/state/index.ts';
import type { Drawing, Label, Shape, Table } from '../../ground/drawing/index.ts';
import { bounds, circle, flatten, type Path, type Point } from '../../ground/geometry/index.ts';
import { holePath, type Plate, type PlateHole } from '../../place/layout/index.ts';
import { arbors, byId, type Machine } from '../../document/machine/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/** The point from which holes are measured: the datum axis of the plates, the drive’s where none is said. */
export function datumOf({ machine, positions }: Pick<Derived, 'machine' | 'positions'>): Point {
  const drive = byId(arbors(machine), machine.drive?.member)?.axis;
  const id = machine.layout.plates?.datum ?? drive ?? machine.axes[0]?.id;
  return positions.at[id ?? ''] ?? { x: 0, y: 0 };
}

/** What a hole is for, in the maker’s names. */
function purpose(machine: Machine, hole: PlateHole): string {
  if (hole.kind === 'pillar' || hole.kind === 'column') return hole.kind;
  if (hole.kind === 'hanger') return 'screw in the wall';
  if (hole.kind === 'lug') return 'rod of lugs';
  if (hole.kind === 'screw') return `screw of ${byId(machine.indicators, hole.for)?.name ?? ''}`;
  const arbor = byId(machine.members, hole.for);
  const name = arbor?.name ?? '';
  if (hole.kind === 'bracket') return `bracket, ${name}`;
  if (hole.seat) return `${name}, bearing ${hole.seat.name}`;
  return hole.kind === 'rod' ? `standing rod for ${name}` : name;
}

/** All holes of both plates: number, what for, place from the datum, diameter, slot. mm. */
export function drillingTable(derived: Derived): Table {
  const datum = datumOf(derived);
  const rows = derived.layout.plates.flatMap(plate =>
    plate.holes.map(h => [
      plate.side,
      h.number,
      purpose(derived.machine, h),
      h.kind,
      round(h.at.x - datum.x),
      round(h.at.y - datum.y),
      round(h.diameter),
      h.slot ? round(2 * h.slot.travel) : 0,
    ]),
  );
  return {
    columns: ['plate', 'hole', 'for', 'kind', 'x mm', 'y mm', 'diameter mm', 'slot travel mm'],
    rows,
  };
}

const TEXT = 2.6;
const CROSS = 4;
/** Width of a letter by its height, roughly. */
const LETTER = 0.62;

/**
 * The drilling template of one plate at true size: its outline to cut, round holes to drill, slots to cut, a cross
 * at every middle and at the datum, and beside each hole its number and its coordinates from the datum.
 */
export function plateDrawing(derived: Derived, side: Plate['side']): Result<Drawing> {
  const plate = derived.layout.plates.find(p => p.side === side);
  if (!plate) return fail('no-plates');
  const datum = datumOf(derived);
  const box = bounds(flatten(plate.outline, 0.1));
  const shapes: Shape[] = [{ name: `${side} plate`, role: 'cut', paths: [plate.outline] }];
  const labels: Label[] = [];
  for (const hole of plate.holes) {
    const name = `hole ${hole.number}, ${purpose(derived.machine, hole)}`;
    if (hole.slot || hole.neck) shapes.push({ name, role: 'cut', paths: [holePath(hole)] });
    else shapes.push({ name, role: 'drill', paths: [circle(hole.at, hole.diameter / 2)] });
    shapes.push({
      name: `${name}, middle`,
      role: 'reference',
      paths: cross(hole.at, hole.diameter / 2 + CROSS),
    });
    const [x, y] = [hole.at.x - datum.x, hole.at.y - datum.y];
    const text = `${hole.number}: ${fix(x)}, ${fix(y)}  ⌀${fix(hole.diameter)}`;
    const half = (text.length * TEXT * LETTER) / 2;
    const down = hole.diameter / 2 + CROSS + TEXT;
    const inside = Math.max(box.minX + half, Math.min(box.maxX - half, hole.at.x));
    labels.push({ text, x: inside, y: hole.at.y - down, height: TEXT, role: 'reference' });
  }
  shapes.push({ name: 'datum', role: 'reference', paths: cross(datum, 3 * CROSS) });
  const notes = [
    'True size in millimetres.',
    'Coordinates from the datum, the long cross.',
    `${side === 'back' ? 'Back' : 'Front'} plate, seen from the front.`,
  ];
  const group = { name: `${side} plate`, x: 0, y: 0, angle: 0, shapes, labels };
  return ok({ title: `${derived.machine.name}: ${side} plate`, notes, groups: [group] });
}

function cross(p: Point, arm: number): Path[] {
  const line = (dx: number, dy: number): Path => ({
    start: { x: p.x - dx, y: p.y - dy },
    segments: [{ kind: 'line', to: { x: p.x + dx, y: p.y + dy } }],
    closed: false,
  });
  return [line(arm, 0), line(0, arm)];
}

const round = (x: number): number => Math.round(x * 10000) / 10000 + 0;
const fix = (x: number): string => (Math.round(x * 100) / 100 + 0).toFixed(2);
