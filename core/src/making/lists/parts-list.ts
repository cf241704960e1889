import { boreReach } from '../../teeth/body/index.ts';
import type { Derived } from '../../state/state/index.ts';
import type { Table } from '../../ground/drawing/index.ts';
import {
  INDICATORS,
  byId,
  circleCount,
  type Machine,
  materialOf,
  type Process,
  processOf,
  ringWithin,
  type Wheel,
} from '../../document/machine/index.ts';
import {
  baseOf,
  fusedParts,
  type OnePiece,
  onePieces,
  type Piece,
  pillarsOf,
  wheelThickness,
} from '../../place/layout/index.ts';
import { extraParts, isBought, onePieceBand, onePieceVolume } from '../solid/index.ts';
import {
  type BevelMeasures,
  bevelMeasures,
  estimateBody,
  estimateOf,
  type FlatPart,
  flatParts,
  type PartEstimate,
  piecesNeeded,
} from '../workshop/index.ts';

/**
 * All parts of a machine as a table: wheels, then rods, tubes, spacers, washers, plates and pillars, arms, hands
 * and dials, cranks, pins, caps and clips. Lengths in mm; process, material and estimates for what is made rather than
 * bought: mass, way of the cut, time and cost of all pieces of a row.
 */
export function partsList(derived: Derived): Table {
  const { machine } = derived;
  const flat = new Map(flatParts(derived).parts.map(p => [p.id, p]));
  const made = (id: string): (string | number)[] => madeCells(machine, flat.get(id));
  const ones = onePieces(machine, derived.layout.pieces);
  const fused = fusedParts(ones);
  const rows = machine.wheels.map(w => {
    const d = derived.wheels[w.id]?.dimensions;
    const hole = w.bore && w.bore.kind !== 'none' ? w.bore : undefined;
    const bore = hole ? round(2 * boreReach(hole)) : 0;
    const bevel = bevelMeasures(derived, w);
    const number = bevel ? wheelsOf(derived, w) : (flat.get(w.id)?.number ?? 1);
    const within = ringWithin(machine, w) ?? fused.get(w.id);
    return [
      w.name,
      byId(machine.members, w.member)?.name ?? '',
      circleCount(w) ?? '',
      derived.modules[w.toothing] ?? '',
      w.shift ?? 0,
      d ? round(2 * d.pitchRadius) : '',
      d ? round(2 * d.tipRadius) : '',
      d ? round(2 * d.rootRadius) : '',
      bore,
      bevel ? round(bevel.height) : wheelThickness(machine.stack, w),
      w.layer + 1,
      byId(machine.toothings, w.toothing)?.name ?? '',
      '',
      number,
      ...(within ? inOnePiece(within.name) : bevel ? bevelCells(machine, w, bevel, number) : made(w.id)),
    ];
  });
  return {
    columns: [
      'part',
      'arbor',
      'teeth',
      'module mm',
      'profile shift',
      'pitch diameter mm',
      'outside diameter mm',
      'root diameter mm',
      'bore mm',
      'thickness mm',
      'layer',
      'toothing',
      'length mm',
      'number',
      'process',
      'material',
      'mass g',
      'cut length mm',
      'time min',
      'cost',
    ],
    rows: [
      ...rows,
      ...ones.map(one => onePieceRow(derived, one)),
      ...cutToLength(derived, fused),
      ...plateRows(derived, made),
      ...armRows(flat, made, fused),
      ...leafRows(derived, flat, made, fused),
      ...extraRows(derived),
    ],
  };
}

type Fused = ReadonlyMap<string, OnePiece>;

/** In place of how it is made: with what a wheel is of one piece. */
const inOnePiece = (name: string): (string | number)[] => [`one piece with ${name}`, '', '', '', '', ''];

/** What is made as one with an arbor. */
function onePieceRow(derived: Derived, one: OnePiece): Table['rows'][number] {
  const { machine, extents } = derived;
  const band = onePieceBand(derived, one);
  const number = machine.making.find(m => m.part === one.id)?.number ?? piecesNeeded(derived, one.arbor);
  const outside = 2 * Math.max(0, ...one.wheels.map(id => extents[id]?.outer ?? 0));
  return [
    ...row(`${one.name}, one piece`, one.name, { outside, thickness: band.to - band.from, number }).slice(
      0,
      14,
    ),
    ...bodyCells(machine, one.id, onePieceVolume(derived, one), number),
  ];
}

/** How a flat part is made and what that takes. */
function madeCells(machine: Machine, part: FlatPart | undefined): (string | number)[] {
  const process = part && processOf(machine, part.id);
  if (!process) return NOT_MADE;
  const estimate = estimateOf(part, process, materialOf(machine, part.id));
  return cellsOf(machine, part.id, process, estimate, part.number);
}

function cellsOf(
  machine: Machine,
  part: string,
  process: Process,
  { mass, cutLength, seconds, cost }: Pick<PartEstimate, 'mass' | 'cutLength' | 'seconds' | 'cost'>,
  number: number,
): (string | number)[] {
  const all = (x: number | undefined, decimals: number): string | number =>
    x === undefined ? '' : Number((x * number).toFixed(decimals));
  return [
    process.name || process.kind,
    materialOf(machine, part)?.name ?? '',
    all(mass, 1),
    cutLength === 0 ? '' : all(cutLength, 0),
    all(seconds / 60, 1),
    all(cost, 2),
  ];
}

const NOT_MADE = ['', '', '', '', '', ''];

/** How a body is made that only a printer makes; nothing where it is another tool's. */
function bodyCells(machine: Machine, part: string, volume: number, number: number): (string | number)[] {
  const process = processOf(machine, part);
  if (process?.kind !== 'printer') return NOT_MADE;
  const estimate = estimateBody(volume, process, materialOf(machine, part));
  return cellsOf(machine, part, process, estimate, number);
}

const bevelCells = (
  machine: Machine,
  wheel: Wheel,
  { volume }: BevelMeasures,
  number: number,
): (string | number)[] => bodyCells(machine, wheel.id, volume, number);

/** How many of a wheel are made. */
const wheelsOf = (derived: Derived, wheel: Wheel): number =>
  derived.machine.making.find(m => m.part === wheel.id)?.number ?? piecesNeeded(derived, wheel.member);

/** Cranks, knobs, pins, caps, clips and the like; pillars have rows of their own. */
const extraRows = (derived: Derived): Table['rows'] =>
  extraParts(derived)
    .filter(p => p.kind !== 'pillar')
    .map(p => [
      ...row(p.name, '', { outside: p.outside, thickness: p.height, number: p.number }).slice(0, 14),
      ...(isBought(p) ? NOT_MADE : bodyCells(derived.machine, p.id, p.volume, p.number)),
    ]);

const BARS: ReadonlySet<FlatPart['kind']> = new Set(['arm', 'wall', 'bracket', 'cam', 'link']);

/** The bars of arms, the walls of rings, brackets, cams and the parts of linkages. */
const armRows = (flat: ReadonlyMap<string, FlatPart>, made: Made, fused: Fused): Table['rows'] =>
  [...flat.values()]
    .filter(p => BARS.has(p.kind) && !fused.has(p.id))
    .map(p => [...row(p.name, '', { thickness: p.thickness, number: p.number }).slice(0, 14), ...made(p.id)]);

/** Hands and dials. */
function leafRows(
  derived: Derived,
  flat: ReadonlyMap<string, FlatPart>,
  made: Made,
  fused: Fused,
): Table['rows'] {
  return derived.machine.indicators.flatMap(i => {
    const part = fused.has(i.id) ? undefined : flat.get(i.id);
    const arbor = byId(derived.machine.members, i.member)?.name ?? '';
    return part
      ? [
          [
            ...row(part.name, arbor, {
              outside: 2 * (INDICATORS[i.kind].flat ? i.radius : 0),
              thickness: part.thickness,
              number: part.number,
            }).slice(0, 14),
            ...made(i.id),
          ],
        ]
      : [];
  });
}

type Made = (id: string) => (string | number)[];

/** Rods, tubes, spacers and washers with the lengths that the elevation gives them; equal ones in one row. */
function cutToLength(derived: Derived, fused: Fused): Table['rows'] {
  const { machine, layout } = derived;
  const counted = new Map<string, { piece: Piece; index: number; number: number }>();
  for (const [index, piece] of layout.pieces.entries()) {
    if (fused.has(`piece ${index}`)) continue;
    const loose = piece.kind === 'spacer' || piece.kind === 'washers';
    const size = [piece.length / piece.number, piece.bore ?? 0, piece.outside].map(round).join(' ');
    const key = `${piece.kind} ${loose ? '' : piece.arbor} ${size}`;
    const number = piece.number * piecesNeeded(derived, piece.arbor);
    const known = counted.get(key);
    counted.set(key, { piece, index: known?.index ?? index, number: (known?.number ?? 0) + number });
  }
  return [...counted.values()].map(({ piece, index, number }) => {
    const arbor = byId(machine.members, piece.arbor)?.name ?? '';
    const loose = piece.kind === 'spacer' || piece.kind === 'washers';
    const name = piece.kind === 'washers' ? 'washer' : loose ? 'spacer' : `${piece.kind}, ${arbor}`;
    const each = piece.kind === 'washers' ? piece.length / piece.number : piece.length;
    const measures = { outside: piece.outside, bore: piece.bore ?? 0, length: each, number };
    const volume = (Math.PI / 4) * (piece.outside ** 2 - (piece.bore ?? 0) ** 2) * each;
    return [
      ...row(name, loose ? '' : arbor, measures).slice(0, 14),
      ...(piece.kind === 'rod' ? NOT_MADE : bodyCells(machine, `piece ${index}`, volume, number)),
    ];
  });
}

function plateRows(derived: Derived, madeOf: Made): Table['rows'] {
  const { machine, layout } = derived;
  const { plates } = machine.layout;
  const { back } = layout.stack;
  if (!plates || !back) return [];
  const made = layout.plates.map(p => [
    ...row(`${p.side} plate`, '', { thickness: plates.thickness, number: 1 }).slice(0, 14),
    ...madeOf(`plate ${p.side}`),
  ]);
  const bodies = new Map(extraParts(derived).map(p => [p.id, p] as const));
  const pillars = pillarsOf(machine, layout.stack).map((p, i) => [
    ...row(`pillar ${i + 1}`, '', {
      outside: p.shoulder,
      length: p.whole.to - p.whole.from,
      number: 1,
    }).slice(0, 14),
    ...bodyCells(machine, `pillar ${p.diameter}`, bodies.get(`pillar ${p.diameter}`)?.volume ?? 0, 1),
  ]);
  const base = baseOf(machine, layout.stack);
  const thickness = base ? base.board.to - base.board.from : 0;
  const board = base
    ? [[...row('base', '', { outside: base.across, thickness, number: 1 }).slice(0, 14), ...madeOf('base')]]
    : [];
  return [...made, ...pillars, ...board];
}

interface Measures {
  readonly outside?: number;
  readonly bore?: number;
  readonly thickness?: number;
  readonly length?: number;
  readonly number: number;
}

/** A row of a part without teeth. */
const row = (name: string, arbor: string, m: Measures): Table['rows'][number] => [
  ...[name, arbor, '', '', '', ''],
  ...[m.outside, undefined, m.bore, m.thickness].map(x => (x === undefined ? '' : round(x))),
  ...['', '', m.length === undefined ? '' : round(m.length), m.number, ...NOT_MADE],
];

const round = (x: number): number => Math.round(x * 10000) / 10000;
