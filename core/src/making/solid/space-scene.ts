import type { Derived } from '../../state/state/index.ts';
import { armLayers, type SpaceFrame, spaceFrames, wheelThickness } from '../../place/layout/index.ts';
import { arbors, axisOfWheel, byId, GROUND, type Wheel } from '../../document/machine/index.ts';
import { copyPlace } from '../../place/motion/index.ts';
import { indicatorAxis, sideScene } from '../../files/drawings/index.ts';
import { radians } from '../../ground/units/index.ts';

/** What kinds of things can be taken away to see the inside. */
export type SpaceGroup = 'wheels' | 'arbors' | 'arms' | 'back plate' | 'front plate' | 'dials and hands';

/**
 * One body where it stands in the frame of its axis: turned about its own upright by `spin` and as its arbor turns,
 * and moved.
 */
export interface SpaceItem {
  /** The part whose body it is; `ball r` for a ball of radius r, `stick l` for the rod of length l that bears one. */
  readonly body: string;
  readonly name: string;
  readonly group: SpaceGroup;
  /** The arbor that it turns with; nothing for what stands. */
  readonly member: string | undefined;
  /** Where it is as the machine turns: a key of the stances; or else where it stands. */
  readonly place: string | undefined;
  readonly at: { readonly x: number; readonly y: number; readonly z: number };
  readonly spin: number;
  /** How far out from its upright the body lies, along its own x. */
  readonly out: number;
  /** Turned over: its own upright points against its frame's. */
  readonly over: boolean;
  /** The axis whose frame it lies in. */
  readonly axis: string;
  /** The layer of a wheel. */
  readonly layer: number | undefined;
}

/** All bodies of a machine in space. */
export interface SpaceScene {
  readonly items: readonly SpaceItem[];
  readonly frames: ReadonlyMap<string, SpaceFrame>;
  readonly low: number;
  readonly high: number;
  readonly reach: number;
  readonly middle: { readonly x: number; readonly y: number };
}

const standing = {
  member: undefined,
  place: undefined,
  spin: 0,
  out: 0,
  over: false,
  axis: '',
  layer: undefined,
};

/**
 * Every part where it stands: heights from the layout, wheels in mesh, hands and dials above; wheels on crossing
 * axes lie along their own axes.
 */
export function spaceScene(derived: Derived): SpaceScene {
  const side = sideScene(derived);
  const items = [
    ...derived.machine.wheels.flatMap(w => wheelItems(derived, w)),
    ...pieceItems(derived),
    ...plateItems(derived),
    ...armItems(derived),
    ...indicatorItems(derived, side),
  ];
  const frames = spaceFrames(derived, (side.low + side.high) / 2);
  /** What is turned over hangs from its bed face, which is then its upper one. */
  const turnedOver = (i: SpaceItem): SpaceItem => {
    const wheel = byId(derived.machine.wheels, i.body.replace(/^standing /, ''));
    if (!wheel || !frames.get(i.axis)?.upsideDown.has(wheel.id)) return i;
    const thick = wheelThickness(derived.machine.stack, wheel);
    return { ...i, over: true, at: { ...i.at, z: i.at.z + thick } };
  };
  return {
    items: items.map(turnedOver),
    frames,
    low: side.low,
    high: side.high,
    reach: side.reach,
    middle: side.middle,
  };
}

/** A member's own place and those of its copies, with how far each is turned against the first. */
const placesOf = ({ moving }: Derived, member: string): { place: string; spin: number }[] => [
  { place: member, spin: 0 },
  ...moving.copies.flatMap((c, i) =>
    c.member === member ? [{ place: copyPlace(member, i), spin: c.spin }] : [],
  ),
];

function wheelItems(derived: Derived, wheel: Wheel): SpaceItem[] {
  const { machine, layout, phases, wheels } = derived;
  const [state, band] = [wheels[wheel.id], layout.stack.layers.get(wheel.layer)];
  if (!state?.figure.ok || !band) return [];
  const pegs = state.teeth.family === 'pegs' || state.teeth.family === 'pins';
  const body = pegs ? `standing ${wheel.id}` : wheel.id;
  const axis = axisOfWheel(machine, wheel) ?? derived.racks.find(r => r.wheel === wheel.id)?.axis ?? '';
  const phase = phases.at[wheel.id] ?? 0;
  return placesOf(derived, wheel.member).map(({ place, spin }) => ({
    ...{
      ...standing,
      body,
      name: wheel.name,
      group: 'wheels' as const,
      member: wheel.member,
      layer: wheel.layer,
    },
    ...{ place, axis, spin: phase + spin, at: { x: 0, y: 0, z: band.from } },
  }));
}

function pieceItems(derived: Derived): SpaceItem[] {
  const { machine, layout } = derived;
  return layout.pieces.flatMap((p, i): SpaceItem[] => {
    const arbor = byId(arbors(machine), p.arbor);
    const name = `${p.kind}, ${arbor?.name ?? ''}`;
    return Array.from({ length: p.number }, (_, k) => k).flatMap(k =>
      placesOf(derived, p.arbor).map(({ place }) => ({
        ...{
          ...standing,
          body: `piece ${i}`,
          name,
          group: 'arbors' as const,
          member: p.arbor,
          place,
          axis: arbor?.axis ?? '',
        },
        at: { x: 0, y: 0, z: p.band.from + (k * p.length) / p.number },
      })),
    );
  });
}

function plateItems({ layout, machine }: Derived): SpaceItem[] {
  const plates = layout.plates.map((p): SpaceItem => ({
    ...standing,
    body: `plate ${p.side}`,
    name: `${p.side} plate`,
    group: `${p.side} plate`,
    at: { x: 0, y: 0, z: p.band.from },
  }));
  const back = layout.stack.back;
  const pillars = (machine.layout.plates?.pillars ?? []).flatMap((p): SpaceItem[] =>
    back
      ? [
          {
            ...standing,
            body: `pillar ${p.diameter}`,
            name: 'pillar',
            group: 'front plate',
            at: { x: p.x, y: p.y, z: back.from },
          },
        ]
      : [],
  );
  return [...plates, ...pillars];
}

function armItems(derived: Derived): SpaceItem[] {
  const { machine, layout } = derived;
  return [...armLayers(machine)].flatMap(([arm, layer]): SpaceItem[] => {
    const band = layout.stack.layers.get(layer);
    if (!band) return [];
    const name = byId(machine.members, arm)?.name ?? '';
    return [
      {
        ...standing,
        body: `arm ${arm}`,
        name,
        group: 'arms',
        member: arm,
        place: arm,
        axis: byId(arbors(machine), arm)?.axis ?? '',
        at: { x: 0, y: 0, z: band.from },
      },
    ];
  });
}

function indicatorItems(derived: Derived, side: ReturnType<typeof sideScene>): SpaceItem[] {
  return derived.machine.indicators.flatMap((i): SpaceItem[] => {
    const seen = side.rounds.find(r => r.id === i.id) ?? side.bars.find(b => b.id === i.id);
    if (!seen) return [];
    const spin = radians(i.settingDeg);
    const group = 'dials and hands' as const;
    const stands = i.kind === 'dial' && i.member === GROUND;
    const centre = derived.positions.at[indicatorAxis(derived, i) ?? ''] ?? { x: 0, y: 0 };
    const common = {
      ...standing,
      name: i.name,
      group,
      spin,
      axis: indicatorAxis(derived, i) ?? '',
      member: stands ? undefined : i.member,
      place: stands ? undefined : i.member,
    };
    const at = { ...(stands ? centre : { x: 0, y: 0 }), z: seen.low };
    switch (i.kind) {
      case 'hand':
      case 'dial':
        return [{ ...common, body: i.id, at }];
      case 'globe':
        return [{ ...common, body: `ball ${i.radius}`, out: 0, at: { ...at, z: seen.low + i.radius } }];
      case 'body':
        return [
          { ...common, body: `ball ${i.radius}`, out: i.distance, at },
          { ...common, body: `stick ${i.distance}`, at },
        ];
    }
  });
}
