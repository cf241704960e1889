import type { Derived } from '../../state/state/index.ts';
import { type Clip, clipsNeeded, piecesNeeded } from '../workshop/index.ts';
import { splitPeg } from '../../teeth/body/index.ts';
import { wheelPiece } from '../../state/derive/index.ts';
import {
  dialGap,
  dialScrews,
  fittingsOf,
  fusedParts,
  hubAcross,
  onePieces,
  pillarsOf,
  pinPlates,
  pinReach,
  screwLength,
  wheelThickness,
} from '../../place/layout/index.ts';
import {
  dowelFor,
  eClipFor,
  grubScrewFor,
  magnetHeight,
  type MagnetSize,
} from '../../document/bought/index.ts';
import type { Table } from '../../ground/drawing/index.ts';
import { byId, processOf, SCREW_BOSS, screwedOn } from '../../document/machine/index.ts';
import { extraParts } from '../solid/index.ts';

interface Item {
  readonly item: string;
  readonly size: string;
  readonly length: number | undefined;
  readonly number: number;
  readonly use: string;
}

/**
 * What is bought rather than made, from what the machine uses: rods and tubes to be cut to length, spacers,
 * washers, pins and pegs, magnets, grub screws, cross pins and keys for wheels that are held so, and a clip for
 * every rod that stands in one plate only. Equal things in one row; lengths in mm.
 */
export function hardwareList(derived: Derived): Table {
  const rows = new Map<string, Item>();
  for (const item of [
    ...lengths(derived),
    ...pillars(derived),
    ...inTeeth(derived),
    ...ballItems(derived),
    ...bearingItems(derived),
    ...splitPegs(derived),
    ...dialItems(derived),
    ...boltItems(derived),
    ...holding(derived),
    ...cords(derived),
  ]) {
    const key = [item.item, item.size, item.length?.toFixed(2) ?? ''].join('|');
    const known = rows.get(key);
    const uses = known?.use.split('; ') ?? [];
    const use = [...uses, ...(uses.includes(item.use) ? [] : [item.use])].join('; ');
    rows.set(key, known ? { ...known, number: known.number + item.number, use: clipped(use) } : item);
  }
  return {
    columns: ['item', 'size mm', 'length mm', 'number', 'total length mm', 'for'],
    rows: [...rows.values()].map(r => [
      r.item,
      r.size,
      r.length === undefined ? '' : round(r.length),
      r.number,
      r.length === undefined ? '' : round(r.length * r.number),
      r.use,
    ]),
  };
}

/** Cords between their pin and their slide; what is wound on a drum is as long as the maker lets it run. */
const cords = ({ machine }: Derived): Item[] =>
  machine.joints.flatMap((j): Item[] =>
    j.kind === 'cord' || j.kind === 'drum'
      ? [
          {
            ...{ item: 'cord', size: '', number: 1, use: byId(machine.members, j.slide)?.name ?? '' },
            length: j.kind === 'cord' ? j.length : undefined,
          },
        ]
      : [],
  );

const clipped = (text: string): string => (text.length > 160 ? `${text.slice(0, 157)}…` : text);

function lengths(derived: Derived): Item[] {
  const { machine, layout } = derived;
  const fused = fusedParts(onePieces(machine, layout.pieces));
  return layout.pieces.flatMap((p, i): Item[] => {
    if (fused.has(`piece ${i}`)) return [];
    const use = byId(machine.members, p.arbor)?.name ?? '';
    const each = p.kind === 'washers' ? p.length / p.number : p.length;
    const size = p.bore ? `${round(p.outside)} outside, ${round(p.bore)} bore` : `${round(p.outside)}`;
    const number = p.number * piecesNeeded(derived, p.arbor);
    return [{ item: p.kind === 'washers' ? 'washer' : p.kind, size, length: each, number, use }];
  });
}

const pillars = ({ machine, layout }: Derived): Item[] => [
  ...pillarsOf(machine, layout.stack).map(p => ({
    ...{ item: 'pillar', number: 1, use: 'plates' },
    size: `${round(p.shoulder)}, ends ${round(p.diameter)}`,
    length: p.whole.to - p.whole.from,
  })),
  ...layout.lugRods.map(p => ({
    ...{ item: 'rod', number: 1, use: 'lugs of rings', size: `${round(p.diameter)}` },
    length: p.whole.to - p.whole.from,
  })),
];

/** Balls that no printer makes, and the pins of those that go round. */
const ballItems = (derived: Derived): Item[] =>
  extraParts(derived).flatMap((p): Item[] => {
    const printed = processOf(derived.machine, p.id)?.kind === 'printer';
    if (p.kind === 'ball' && !printed)
      return [
        {
          item: 'ball',
          size: `${round(p.outside)}, bored`,
          length: undefined,
          number: p.number,
          use: p.name,
        },
      ];
    if (!p.id.startsWith('pin ball ') && !p.id.startsWith('pin weight ')) return [];
    return [{ item: 'pin', ...pinSize(p.outside, p.height), number: p.number, use: p.name }];
  });

/** Screws that hold dials on the front plate, and the spacers under those that do not lie on it. */
function dialItems({ machine, layout, positions }: Derived): Item[] {
  const { front } = layout.stack;
  if (!front) return [];
  return dialScrews(machine, positions.at).flatMap(({ dial, screw }): Item[] => {
    const gap = dialGap(layout, dial);
    const each = { number: 1, use: byId(machine.indicators, dial)?.name ?? '' };
    const length = screwLength(screw, gap, front.to - front.from);
    const spacer = { item: 'spacer', size: `${round(screw.clearance)} bore`, length: gap, ...each };
    return [
      { item: 'countersunk screw', size: `${screw.name}, ISO 7046`, length, ...each },
      ...(gap > 1e-6 ? [spacer] : []),
    ];
  });
}

/** Screws of bolt circles; how long they are depends on what is bolted on. */
const boltItems = (derived: Derived): Item[] =>
  derived.machine.wheels.flatMap((w): Item[] => {
    const { bolts } = w.body ?? {};
    if (!bolts) return [];
    const number = bolts.number * piecesNeeded(derived, w.member);
    return [{ item: 'screw with nut', size: bolts.screw, length: undefined, number, use: w.name }];
  });

/** Pegs across the splits of wheels that are made in pieces. */
const splitPegs = (derived: Derived): Item[] =>
  derived.machine.wheels.flatMap((w): Item[] => {
    const piece = w.divided?.by === 'pegs' ? wheelPiece(derived, w) : undefined;
    if (!piece?.ok || !w.divided || piece.value.joints.length === 0) return [];
    const { diameter, length } = splitPeg(wheelThickness(derived.machine.stack, w));
    const number = w.divided.pieces * piece.value.joints.length * piecesNeeded(derived, w.member);
    return [{ item: 'peg', ...pinSize(diameter, length), number, use: `splits of ${w.name}` }];
  });

/** Ball bearings in the plates, by their published sizes. */
const bearingItems = ({ machine, layout }: Derived): Item[] =>
  fittingsOf(machine, layout.stack, layout.plates).flatMap(({ bearing, id }): Item[] =>
    bearing
      ? [
          {
            item: 'ball bearing',
            size: `${bearing.name}: ${bearing.bore} by ${bearing.outside} by ${bearing.width}, ISO 15`,
            ...{ length: undefined, number: 1, use: byId(machine.members, id)?.name ?? '' },
          },
        ]
      : [],
  );

/** How far the pins of a reducer's ring stand out of their plate, mm. */
function reachOfPins({ machine, layout }: Derived, wheel: string): number {
  const plate = pinPlates(machine).find(p => p.wheel.id === wheel);
  return plate ? pinReach(machine, layout.stack, plate) : 0;
}

/** A magnet as it is bought: round ones as high as a wheel so thick takes, where they are sold. */
function magnetSize(magnet: MagnetSize | undefined, thick: number): Pick<Item, 'size' | 'length'> {
  if (!magnet) return { size: '', length: undefined };
  return magnet.shape === 'round'
    ? { size: `${round(magnet.diameter)} across`, length: magnetHeight(magnet.diameter, thick) }
    : { size: `${round(magnet.width)} by ${round(magnet.depth)}`, length: undefined };
}

/** Pins, pegs and magnets of wheels that carry them. */
function inTeeth(derived: Derived): Item[] {
  const { machine, wheels } = derived;
  return machine.wheels.flatMap((w): Item[] => {
    const teeth = wheels[w.id]?.teeth;
    const form = byId(machine.toothings, w.toothing)?.form;
    const times = piecesNeeded(derived, w.member);
    const thick = w.thickness ?? machine.stack.thickness;
    const count = (n: number): number => n * times;
    switch (teeth?.family) {
      case 'pegs':
        return form?.kind === 'pegs'
          ? [
              {
                item: 'peg',
                size: `${round(teeth.spec.pinDiameter)}`,
                length: form.pegLength + thick,
                number: count(teeth.spec.count),
                use: w.name,
              },
            ]
          : [];
      case 'pins':
        return [
          {
            item: 'pin',
            ...pinSize(teeth.spec.pinDiameter, 3 * thick),
            number: count(teeth.spec.count),
            use: w.name,
          },
        ];
      case 'reducer pins':
        return [
          {
            item: 'pin',
            ...pinSize(teeth.spec.pinDiameter, thick + reachOfPins(derived, w.id)),
            number: count(teeth.spec.pins),
            use: w.name,
          },
        ];
      case 'magnets': {
        const magnet = form?.kind === 'magnetic' ? form.magnet : undefined;
        return [
          {
            item: 'magnet, poles in turn',
            ...magnetSize(magnet, thick),
            number: count(2 * teeth.spec.pairs),
            use: w.name,
          },
        ];
      }
      case 'involute':
      case 'involute ring':
      case 'involute rack':
      case 'bevel':
      case 'cycloidal':
      case 'lantern wheel':
      case 'reducer disc':
      case 'reducer lobes':
      case undefined:
        return [];
    }
  });
}

/** What holds wheels on their arbors, and rods that stand in one plate. */
function holding(derived: Derived): Item[] {
  const { machine, layout } = derived;
  const held = machine.wheels.flatMap((w): Item[] => {
    const size = layout.sizes.get(w.member)?.diameter;
    const number = piecesNeeded(derived, w.member);
    const across = size === undefined ? '' : `for an arbor of ${round(size)}`;
    if (w.hold === 'grub screw') {
      const screw = grubScrewFor(size ?? 0, hubAcross(w) ?? 2 * (size ?? 0));
      return [
        { item: 'grub screw', size: screw?.thread.name ?? 'M3', length: screw?.length, number, use: w.name },
      ];
    }
    if (w.hold === 'cross pin')
      return [{ item: 'cross pin', size: across, length: undefined, number, use: w.name }];
    const bore = w.bore;
    return bore?.kind === 'keyed'
      ? [
          {
            item: 'key',
            size: `${round(bore.width)} by ${round(2 * bore.depth)}`,
            length: w.thickness ?? machine.stack.thickness,
            number,
            use: w.name,
          },
        ]
      : [];
  });
  const bosses = machine.indicators.filter(screwedOn).flatMap((i): Item[] => {
    const across = layout.sizes.get(i.member)?.diameter ?? 0;
    const screw = grubScrewFor(across, across + 2 * SCREW_BOSS.wall);
    return screw
      ? [{ item: 'grub screw', size: screw.thread.name, length: screw.length, number: 1, use: i.name }]
      : [];
  });
  const clips = clipsNeeded(derived).map((c): Item => ({
    ...{
      item: 'clip or collar',
      size: clipSize(c),
      length: undefined,
      number: c.number,
    },
    use: c.arbor === undefined ? 'front plate' : (byId(machine.members, c.arbor)?.name ?? ''),
  }));
  return [...held, ...bosses, ...clips];
}

/** What a clip goes on; for a rod the E clip that is bought, and its groove: a tube takes a collar. */
function clipSize({ diameter, tube }: Clip): string {
  const bought = tube ? undefined : eClipFor(diameter);
  const rod = `for a ${tube ? 'tube' : 'rod'} of ${round(diameter)}`;
  return bought
    ? `${rod}: DIN 6799, ${bought.groove}, in a groove ${bought.width} wide, ${bought.land} or more from the end`
    : rod;
}

/** A pin of a size: as a parallel pin, where one is bought so. */
function pinSize(diameter: number, length: number): Pick<Item, 'size' | 'length'> {
  const bought = dowelFor(diameter, length);
  return bought
    ? { size: `${round(diameter)}, ISO 2338`, length: bought.length }
    : { size: `${round(diameter)}`, length };
}

const round = (x: number): number => Math.round(x * 100) / 100;
