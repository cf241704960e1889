import { divisionsOf, leastRim, pieceRoom, webSizes } from '../../teeth/body/index.ts';
import { flatten, type Path, type Point, polar, polygon } from '../../ground/geometry/index.ts';
import { type Piece, wheelThickness } from '../../place/layout/index.ts';
import {
  circleCount,
  teethOutside,
  byId,
  type Machine,
  materialOf,
  type Process,
  processOf,
  type Wheel,
} from '../../document/machine/index.ts';
import { bedOf, leftUncut, sheetsOf } from '../../making/process/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { holeOf, webRoom } from './body-findings.ts';
import type { WheelState } from '../state/index.ts';
import { onePieceFindings } from './one-piece-findings.ts';
import { isPins, leastFeature } from './feature-findings.ts';
import { partSizes, type PartSize, type SizeParts } from './part-sizes.ts';

const ORIGIN: Point = { x: 0, y: 0 };
type Making = Pick<
  Machine,
  | 'wheels'
  | 'toothings'
  | 'stack'
  | 'making'
  | 'processes'
  | 'process'
  | 'materials'
  | 'indicators'
  | 'members'
  | 'axes'
  | 'joints'
  | 'layout'
>;

/** Stock may measure so far from what the machine is drawn with, mm, before it is told: common practice, no source. */
const THICKNESS_WITHIN = 0.05;
/** Parts of a gap's area that a cutter may leave before it is told. */
const LEFT_WITHIN = 0.005;

/**
 * Judgements about what the maker's tools can make of the parts: walls, corners, sizes, and stock as it was
 * measured.
 */
export function makeFindings(
  machine: Making,
  wheels: Readonly<Record<string, WheelState>>,
  layout: SizeParts['laid'],
  { extents, at }: Pick<SizeParts, 'extents' | 'at'>,
): Finding[] {
  const told = new Set<string>();
  const found = machine.wheels.flatMap(wheel => {
    const [state, process] = [wheels[wheel.id], processOf(machine, wheel.id)];
    if (!state?.figure.ok || !process) return [];
    return [
      ...wallFindings(wheel, state, process),
      ...cornerFindings(wheel, state, process, told),
      ...stockFindings(machine, wheel, told),
    ];
  });
  const rooms = partSizes({ ...machine, states: wheels, extents, at, laid: layout }).flatMap(size =>
    roomFindings(machine, size),
  );
  return [
    ...found,
    ...onePieceFindings({ ...machine, laid: layout }),
    ...rooms,
    ...layout.pieces.flatMap(p => tubeFindings(machine, p)),
  ];
}

/** The wall of a printed tube against two lines of the nozzle. */
function tubeFindings(machine: Making, { kind, arbor, bore, outside }: Piece): Finding[] {
  const process = processOf(machine, arbor);
  const least = process && leastFeature(process);
  if (process?.kind !== 'printer' || least === undefined || kind !== 'tube' || bore === undefined) return [];
  const is = (outside - bore) / 2;
  if (is >= least - 1e-9) return [];
  const data = { what: 'the wall of the tube', is, least, process: process.kind };
  return [finding('wall-too-fine', 'warn', 'make', [arbor], data)];
}

/** Rims, spokes and the wall round a bore against the least feature. */
function wallFindings(wheel: Wheel, state: WheelState, process: Process): Finding[] {
  const least = leastFeature(process);
  if (least === undefined || process.kind === 'router') return [];
  const room = webRoom(wheel, state, process.fits);
  if (room.rootRadius === 0) return [];
  const walls: (readonly [string, number])[] = [];
  if (holeOf(wheel)) walls.push(['the wall round the bore', room.rootRadius - room.boreRadius]);
  if (wheel.body && wheel.body.web.kind !== 'solid') {
    const sizes = webSizes(wheel.body, room);
    walls.push(['the rim', sizes.rim]);
    if (wheel.body.web.kind !== 'holes') walls.push(['a spoke', sizes.spoke]);
  }
  // The first layer is drawn in by what it spreads, on both sides of a wall.
  const drawn = process.kind === 'printer' ? 2 * (process.flare ?? 0) : 0;
  const first = walls
    .filter(([, is]) => drawn > 0 && is >= least && is - drawn < least)
    .map(([what, is]) => [`the first layer of ${what}`, is - drawn] as const);
  return [...walls, ...first]
    .filter(([, is]) => is < least && (is > 0 || drawn > 0))
    .map(([what, is]) => {
      const fixes =
        what === 'the rim'
          ? [fix('set-rim', wheel.id, Math.ceil(Math.max(least, leastRim(room.module)) * 10) / 10)]
          : [];
      return finding(
        'wall-too-fine',
        'warn',
        'make',
        [wheel.id],
        { what, is, least, process: process.kind },
        fixes,
      );
    });
}

/** What a round cutter cannot reach between two teeth: told once for all wheels of one toothing and count. */
function cornerFindings(wheel: Wheel, state: WheelState, process: Process, told: Set<string>): Finding[] {
  const figure = state.figure.ok ? state.figure.value : undefined;
  if (
    process.kind !== 'router' ||
    !process.cutter ||
    !figure?.half ||
    isPins(state) ||
    told.has(`corner ${state.key}`)
  )
    return [];
  const module = (2 * state.dimensions.pitchRadius) / figure.count;
  const gap = gapBetween(
    flatten({ ...figure.half, closed: false }, 0.02),
    (2 * Math.PI) / figure.count,
    module,
  );
  const left = leftUncut(gap, process.cutter / 2, 0.01);
  if (left <= LEFT_WITHIN * module * module) return [];
  told.add(`corner ${state.key}`);
  return [finding('corner-too-sharp', 'warn', 'make', [wheel.id], { left, cutter: process.cutter })];
}

/**
 * The stock round one gap, from the middle of one tooth to the middle of the next; `half` runs from root to tip
 * below the x axis.
 */
function gapBetween(half: readonly Point[], step: number, module: number): Path {
  const radius = (p: Point | undefined): number => (p ? Math.hypot(p.x, p.y) : 0);
  const [root, tip] = [radius(half[0]), radius(half.at(-1))];
  const behind = root + (tip > root ? -1 : 1) * Math.min(root / 2, 2 * module);
  const mirrored = half.map(p => polar(ORIGIN, radius(p), -step - Math.atan2(p.y, p.x))).reverse();
  return polygon([polar(ORIGIN, behind, -step), ...mirrored, ...half.slice(1), polar(ORIGIN, behind, 0)]);
}

/** Parts that go on no sheet or bed. A part that fits only askew is told, too: it is laid by quarters. */
function roomFindings(machine: Making, { part, called, along, across, high, body }: PartSize): Finding[] {
  const process = processOf(machine, part);
  if (!process || (body && process.kind !== 'printer')) return [];
  const tall = process.kind === 'printer' ? bedOf(process).height : Infinity;
  if (high > tall) return [finding('part-too-high', 'warn', 'make', [called], { is: high, most: tall })];
  const material = materialOf(machine, part);
  const said = process.kind === 'printer' ? process.bed !== undefined : (material?.sheets.length ?? 0) > 0;
  if (!said) return [];
  const [most, least] = [Math.max(along, across), Math.min(along, across)];
  const rooms = sheetsOf(process, material);
  const fits = rooms.some(s => most <= Math.max(s.width, s.height) && least <= Math.min(s.width, s.height));
  if (fits) return [];
  const largest = rooms.reduce((a, b) => (b.width * b.height > a.width * a.height ? b : a));
  const data = {
    ...{ is: most, by: least, width: largest.width, height: largest.height },
    place: process.kind === 'printer' ? 'bed' : 'sheet',
  };
  const wheel = byId(machine.wheels, part);
  const pieces = wheel && piecesThatFit(machine, wheel, along / 2, rooms);
  const mends = wheel && pieces !== undefined ? [fix('divide', wheel.id, pieces)] : [];
  return [finding('part-too-large', 'warn', 'make', [called], data, mends)];
}

/** The fewest equal pieces of a whole wheel that go on a sheet or a bed, as wide as if they were full to the middle. */
const piecesThatFit = (
  machine: Pick<Machine, 'wheels'>,
  wheel: Wheel,
  radius: number,
  rooms: readonly { readonly width: number; readonly height: number }[],
): number | undefined => {
  const outside = teethOutside(machine, wheel);
  return divisionsOf(wheel, outside && circleCount(outside)).find(n => {
    const { along, across } = pieceRoom(0, radius, n);
    const [most, least] = [Math.max(along, across), Math.min(along, across)];
    return rooms.some(s => most <= Math.max(s.width, s.height) && least <= Math.min(s.width, s.height));
  });
};

/** Stock that measures otherwise than the layer that is drawn. */
function stockFindings(machine: Making, wheel: Wheel, told: Set<string>): Finding[] {
  const process = processOf(machine, wheel.id);
  const thick = wheelThickness(machine.stack, wheel);
  if (process?.kind === 'printer') return [];
  const material = materialOf(machine, wheel.id);
  const is = material?.thickness;
  if (!material || is === undefined || Math.abs(is - thick) <= THICKNESS_WITHIN) return [];
  const own = wheel.thickness !== undefined;
  if (!own && told.has(material.id)) return [];
  if (!own) told.add(material.id);
  const fixes = own ? [] : [fix('take-thickness', material.id, is)];
  const name = byId(machine.materials, material.id)?.name ?? '';
  return [
    finding('stock-thickness', 'warn', 'make', [wheel.id], { is, drawn: thick, material: name }, fixes),
  ];
}
