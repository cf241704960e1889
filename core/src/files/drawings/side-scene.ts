import { type Derived, rackOf } from '../../state/state/index.ts';
import { bounds, flatten, type Point } from '../../ground/geometry/index.ts';
import {
  armLayers,
  armWidth,
  carriedAxes,
  fittingsOf,
  holePath,
  LEAF,
  outputPlates,
  pinPlates,
  proudHub,
  pillarsOf,
  wallLayer,
  wheelThickness,
} from '../../place/layout/index.ts';
import { arbors, byId, circleCount, GROUND, SCREW_BOSS } from '../../document/machine/index.ts';
import { copyPlace } from '../../place/motion/index.ts';
import { indicatorAxis } from './indicator-drawing.ts';

/** A thing seen from the side: round about a line, between two heights; mm. */
export interface SideRound {
  readonly kind:
    | 'wheel'
    | 'ring'
    | 'rod'
    | 'tube'
    | 'spacer'
    | 'washers'
    | 'dial'
    | 'globe'
    | 'pillar'
    | 'foot'
    | 'bearing'
    | 'column'
    | 'base';
  readonly id: string;
  readonly member: string | undefined;
  /** Where it stands: a key of the stances, or of the axes for what stands. */
  readonly place: string;
  /** Where a thing stands that is on no axis. */
  readonly at?: { readonly x: number; readonly y: number };
  readonly radius: number;
  /** Radius of its hole, nought for none. */
  readonly inner: number;
  readonly low: number;
  readonly high: number;
  /** Teeth whose edges are seen, and where the first stands on its member, radians. */
  readonly teeth: number;
  readonly phase: number;
}

/**
 * A bar from one place to another, or from a place outwards at an angle of it: an arm, a hand, a rod that bears a
 * body.
 */
export interface SideBar {
  readonly kind: 'arm' | 'hand' | 'body' | 'rack';
  readonly id: string;
  readonly member: string;
  readonly from: string;
  /** The place it reaches to; or else the way from its own place, radians on its member, and how far. */
  readonly to: string | undefined;
  readonly angle: number;
  readonly length: number;
  readonly width: number;
  readonly low: number;
  readonly high: number;
  /** A ball at the end, and the height of its middle where that is not the bar's. */
  readonly ball: number;
  readonly ballAt?: number | undefined;
}

/** A plate: its border and its holes from above, between two heights. */
export interface SidePlate {
  readonly id: string;
  readonly border: readonly Point[];
  readonly holes: readonly (readonly Point[])[];
  readonly low: number;
  readonly high: number;
}

/** All that a machine shows from the side, before it turns. */
export interface SideScene {
  readonly rounds: readonly SideRound[];
  readonly bars: readonly SideBar[];
  readonly plates: readonly SidePlate[];
  readonly low: number;
  readonly high: number;
  /** Half the width that anything can reach from the middle of the machine, and that middle. */
  readonly reach: number;
  readonly middle: { readonly x: number; readonly y: number };
}

/**
 * What is seen of a machine from the side: wheels, arbors, plates, arms from the layout; hands, dials, globes and
 * bodies above it.
 */
export function sideScene(derived: Derived): SideScene {
  const { layout } = derived;
  const rounds = [
    ...wheelRounds(derived),
    ...outputRounds(derived),
    ...pinRounds(derived),
    ...pieceRounds(derived),
    ...pillarRounds(derived),
    ...fittingRounds(derived),
  ];
  const bars = [...armBars(derived), ...rackBars(derived)];
  const plates = layout.plates.map(p => ({
    id: p.side,
    border: flatten(p.outline, 0.5),
    holes: p.holes.map(h => flatten(holePath(h), 0.05)),
    low: p.band.from,
    high: p.band.to,
  }));
  const top = Math.max(layout.stack.height, ...rounds.map(r => r.high));
  const shown = indicatorsAbove(derived);
  const all = [...rounds, ...shown.rounds];
  const allBars = [...bars, ...shown.bars];
  const at = Object.values(derived.positions.at);
  const box = bounds(at.length > 0 ? at : [{ x: 0, y: 0 }]);
  const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const size = Math.hypot(box.maxX - box.minX, box.maxY - box.minY) / 2;
  const far = Math.max(5, ...all.map(r => r.radius), ...allBars.map(b => b.length + b.ball));
  const edge = plates.flatMap(p => p.border.map(q => Math.hypot(q.x - middle.x, q.y - middle.y)));
  return {
    ...{ rounds: all, bars: allBars, plates, middle },
    low: Math.min(0, ...all.map(r => r.low), ...plates.map(p => p.low)),
    high: Math.max(top, ...all.map(r => r.high), ...allBars.map(b => (b.ballAt ?? b.high) + b.ball)),
    reach: Math.max(size + far, ...edge),
  };
}

/** A member's own place and those of its copies, with how far each copy is turned against the first. */
const placesOf = ({ moving }: Derived, member: string): { place: string; spin: number }[] => [
  { place: member, spin: 0 },
  ...moving.copies.flatMap((c, i) =>
    c.member === member ? [{ place: copyPlace(member, i), spin: c.spin }] : [],
  ),
];

function wheelRounds(derived: Derived): SideRound[] {
  const { machine, layout, extents, phases } = derived;
  return machine.wheels.flatMap((w): SideRound[] => {
    const [band, extent] = [layout.stack.layers.get(w.layer), extents[w.id]];
    if (!band || !extent) return [];
    const ring = extent.inner !== undefined;
    const wall = layout.stack.layers.get(wallLayer(w) ?? NaN);
    const rod = (layout.sizes.get(w.member)?.diameter ?? 0) / 2;
    return placesOf(derived, w.member).flatMap(({ place, spin }): SideRound[] => {
      const common = { id: w.id, member: w.member, place, radius: extent.outer };
      const own: SideRound = {
        ...{ ...common, kind: ring ? 'ring' : 'wheel', inner: ring ? (extent.inner ?? 0) : rod },
        ...{ low: band.from, high: band.from + (w.thickness ?? machine.stack.thickness) },
        ...{ teeth: ring ? 0 : (circleCount(w) ?? 0), phase: (phases.at[w.id] ?? 0) + spin },
      };
      const hub = proudHub(machine, layout.stack.layers, w);
      const out: SideRound[] = hub
        ? [
            {
              ...common,
              kind: 'wheel',
              radius: hub.radius,
              inner: rod,
              low: hub.band.from,
              high: hub.band.to,
              teeth: 0,
              phase: 0,
            },
          ]
        : [];
      return wall
        ? [own, { ...common, kind: 'wheel', inner: rod, low: wall.from, high: wall.to, teeth: 0, phase: 0 }]
        : [own, ...out];
    });
  });
}

/** Output plates of reducers. */
const outputRounds = (derived: Derived): SideRound[] =>
  outputPlates(derived.machine).flatMap(({ joint, member, layer, outer }): SideRound[] => {
    const band = derived.layout.stack.layers.get(layer);
    const inner = (derived.layout.sizes.get(member)?.diameter ?? 0) / 2;
    if (!band) return [];
    return placesOf(derived, member).map(({ place }) => ({
      ...{ kind: 'wheel', id: joint.id, member, place, radius: outer, inner, teeth: 0, phase: 0 },
      ...{ low: band.from, high: band.to },
    }));
  });

/** Pins of reducers' rings, in the layers of the discs that roll on them. */
const pinRounds = (derived: Derived): SideRound[] =>
  pinPlates(derived.machine).flatMap(({ wheel, rolling }) =>
    rolling.flatMap(({ mesh, disc }): SideRound[] => {
      const band = derived.layout.stack.layers.get(disc.layer);
      const pins = derived.extents[wheel.id]?.pins;
      if (!band || !pins || disc.layer === wheel.layer) return [];
      return placesOf(derived, wheel.member).map(({ place }) => ({
        ...{ kind: 'ring', id: mesh, member: wheel.member, place, radius: pins.outer, inner: pins.inner },
        ...{ teeth: 0, phase: 0, low: band.from, high: band.to },
      }));
    }),
  );

function pieceRounds(derived: Derived): SideRound[] {
  return derived.layout.pieces.flatMap(p =>
    placesOf(derived, p.arbor).map(({ place }) => ({
      ...{ kind: p.kind, id: p.arbor, member: p.arbor, place, radius: p.outside / 2 },
      ...{ inner: (p.bore ?? 0) / 2, low: p.band.from, high: p.band.to, teeth: 0, phase: 0 },
    })),
  );
}

/** Pillars: their ends in the plates, and thicker between. */
const pillarRounds = ({ machine, layout }: Derived): SideRound[] =>
  [...pillarsOf(machine, layout.stack), ...layout.lugRods].flatMap(p => {
    const common = { kind: 'pillar' as const, id: p.id, member: undefined, place: '', at: p.at };
    const part = (diameter: number, low: number, high: number): SideRound => ({
      ...{ ...common, radius: diameter / 2, inner: 0, low, high, teeth: 0, phase: 0 },
    });
    return [
      part(p.diameter, p.whole.from, p.between.from),
      part(p.shoulder, p.between.from, p.between.to),
      part(p.diameter, p.between.to, p.whole.to),
    ];
  });

/** Ball bearings and feet. */
const fittingRounds = ({ machine, layout }: Derived): SideRound[] =>
  fittingsOf(machine, layout.stack, layout.plates).map(f => ({
    ...{
      kind: f.kind,
      id: f.id,
      member: undefined,
      place: '',
      at: f.at,
      radius: f.outer / 2,
      teeth: 0,
      phase: 0,
    },
    ...{ inner: f.kind === 'bearing' ? f.inner / 2 : 0, low: f.band.from, high: f.band.to },
  }));

function armBars(derived: Derived): SideBar[] {
  const { machine, layout } = derived;
  return [...armLayers(machine)].flatMap(([arm, layer]): SideBar[] => {
    const band = layout.stack.layers.get(layer);
    if (!band) return [];
    const width = armWidth(machine, layout.sizes, arm);
    const axes = new Set(carriedAxes(machine, arm).map(a => a.id));
    return arbors(machine)
      .filter(m => axes.has(m.axis))
      .flatMap(m => placesOf(derived, m.id))
      .map(({ place }) => ({
        ...{ kind: 'arm', id: arm, member: arm, from: arm, to: place, angle: 0, length: 0, width, ball: 0 },
        ...{ low: band.from, high: band.to },
      }));
  });
}

/** Racks along their pitch lines, from the middle of the first tooth to that of the last. */
const rackBars = ({ machine, layout, racks, wheels }: Derived): SideBar[] =>
  racks.flatMap(({ slide, wheel }): SideBar[] => {
    const [rack, state] = [byId(machine.wheels, wheel), wheels[wheel]];
    const [of, band] = [state && rackOf(state), rack && layout.stack.layers.get(rack.layer)];
    if (!rack || !of || !band) return [];
    const high = band.from + wheelThickness(machine.stack, rack);
    const length = (of.count - 1) * of.pitch;
    return [
      {
        ...{ kind: 'rack', id: wheel, member: slide, from: slide, to: undefined, angle: Math.PI / 2, length },
        ...{ width: of.pitch, low: band.from, high, ball: 0 },
      },
    ];
  });

/** Hands, dials, globes and bodies where they sit on their arbors. */
function indicatorsAbove(derived: Derived): { rounds: SideRound[]; bars: SideBar[] } {
  const rounds: SideRound[] = [];
  const bars: SideBar[] = [];
  for (const i of derived.machine.indicators) {
    const seat = derived.layout.spans.seats.get(i.id);
    if (!seat) continue;
    const { low, high } = seat;
    const angle = (i.settingDeg * Math.PI) / 180;
    if (seat.top > high) {
      const radius = (derived.layout.sizes.get(i.member)?.diameter ?? 0) / 2 + SCREW_BOSS.wall;
      const round = {
        id: `hub ${i.id}`,
        kind: 'wheel' as const,
        low: high,
        high: seat.top,
        teeth: 0,
        inner: 0,
      };
      rounds.push({ ...round, radius, phase: angle, member: i.member, place: i.member });
    }
    if (i.kind === 'dial' || i.kind === 'globe') {
      const stands = i.kind === 'dial' && i.member === GROUND;
      rounds.push({
        ...{ id: i.id, kind: i.kind, low, high, teeth: 0, inner: 0, radius: i.radius, phase: angle },
        member: stands ? undefined : i.member,
        place: stands ? (indicatorAxis(derived, i) ?? '') : i.member,
      });
    } else {
      const [length, ball] = i.kind === 'hand' ? [i.radius, 0] : [i.distance, i.radius];
      bars.push({
        ...{ kind: i.kind, id: i.id, member: i.member, from: i.member, to: undefined },
        ...{ angle, length, width: LEAF, low, high, ball, ballAt: seat.ball },
      });
    }
  }
  return { rounds, bars };
}
