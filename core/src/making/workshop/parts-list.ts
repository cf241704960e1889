import { boreReach } from '../../teeth/body/index.ts';
import { piecesNeeded } from './pieces-needed.ts';
import type { Derived } from '../../state/state/index.ts';
import type { Table } from '../../ground/drawing/index.ts';
import {
  INDICATORS,
  byId,
  circleCount,
  type Machine,
  materialOf,
  processOf,
} from '../../document/machine/index.ts';
import { type Piece, pillarsOf, wheelThickness } from '../../place/layout/index.ts';
import { estimateOf } from './estimate.ts';
import { type FlatPart, flatParts } from './flat-parts.ts';

/**
 * All parts of a machine as a table: wheels, then rods, tubes, spacers, washers, plates and pillars, arms, hands
 * and dials. Lengths in mm; process, material and estimates for what is made rather than bought: mass, way of the cut,
 * time and cost of all pieces of a row.
 */
export function partsList(derived: Derived): Table {
  const { machine } = derived;
  const flat = new Map(flatParts(derived).parts.map(p => [p.id, p]));
  const made = (id: string): (string | number)[] => madeCells(machine, flat.get(id));
  const rows = machine.wheels.map(w => {
    const d = derived.wheels[w.id]?.dimensions;
    const hole = w.bore && w.bore.kind !== 'none' ? w.bore : undefined;
    const bore = hole ? round(2 * boreReach(hole)) : 0;
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
      wheelThickness(machine.stack, w),
      w.layer + 1,
      byId(machine.toothings, w.toothing)?.name ?? '',
      '',
      flat.get(w.id)?.number ?? 1,
      ...made(w.id),
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
      ...cutToLength(derived),
      ...plateRows(derived, made),
      ...armRows(flat, made),
      ...leafRows(derived, flat, made),
    ],
  };
}

/** How a part is made and what that takes. */
function madeCells(machine: Machine, part: FlatPart | undefined): (string | number)[] {
  const process = part && processOf(machine, part.id);
  if (!process) return NOT_MADE;
  const material = materialOf(machine, part.id);
  const { mass, cutLength, seconds, cost } = estimateOf(part, process, material);
  const all = (x: number | undefined, decimals: number): string | number =>
    x === undefined ? '' : Number((x * part.number).toFixed(decimals));
  return [
    process.name || process.kind,
    material?.name ?? '',
    all(mass, 1),
    cutLength === 0 ? '' : all(cutLength, 0),
    all(seconds / 60, 1),
    all(cost, 2),
  ];
}

const NOT_MADE = ['', '', '', '', '', ''];

/** The bars of arms. */
const armRows = (flat: ReadonlyMap<string, FlatPart>, made: Made): Table['rows'] =>
  [...flat.values()]
    .filter(p => p.kind === 'arm')
    .map(p => [...row(p.name, '', { thickness: p.thickness, number: p.number }).slice(0, 14), ...made(p.id)]);

/** Hands and dials. */
function leafRows(derived: Derived, flat: ReadonlyMap<string, FlatPart>, made: Made): Table['rows'] {
  return derived.machine.indicators.flatMap(i => {
    const part = flat.get(i.id);
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
function cutToLength(derived: Derived): Table['rows'] {
  const { machine, layout } = derived;
  const counted = new Map<string, { piece: Piece; number: number }>();
  for (const piece of layout.pieces) {
    const loose = piece.kind === 'spacer' || piece.kind === 'washers';
    const size = [piece.length / piece.number, piece.bore ?? 0, piece.outside].map(round).join(' ');
    const key = `${piece.kind} ${loose ? '' : piece.arbor} ${size}`;
    const number = piece.number * piecesNeeded(derived, piece.arbor);
    counted.set(key, { piece, number: (counted.get(key)?.number ?? 0) + number });
  }
  return [...counted.values()].map(({ piece, number }) => {
    const arbor = byId(machine.members, piece.arbor)?.name ?? '';
    const loose = piece.kind === 'spacer' || piece.kind === 'washers';
    const name = piece.kind === 'washers' ? 'washer' : loose ? 'spacer' : `${piece.kind}, ${arbor}`;
    const each = piece.kind === 'washers' ? piece.length / piece.number : piece.length;
    return row(name, loose ? '' : arbor, {
      outside: piece.outside,
      bore: piece.bore ?? 0,
      length: each,
      number,
    });
  });
}

function plateRows({ machine, layout }: Derived, madeOf: Made): Table['rows'] {
  const { plates } = machine.layout;
  const { back, front } = layout.stack;
  if (!plates || !back || !front) return [];
  const made = layout.plates.map(p => [
    ...row(`${p.side} plate`, '', { thickness: plates.thickness, number: 1 }).slice(0, 14),
    ...madeOf(`plate ${p.side}`),
  ]);
  const pillars = pillarsOf(machine, layout.stack).map((p, i) =>
    row(`pillar ${i + 1}`, '', { outside: p.shoulder, length: p.whole.to - p.whole.from, number: 1 }),
  );
  return [...made, ...pillars];
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
