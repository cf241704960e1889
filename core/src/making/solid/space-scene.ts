import type { Derived } from '../../state/state/index.ts';
import {
  armLayers,
  baseOf,
  bracketPart,
  fittingsOf,
  footReach,
  fusedParts,
  type OnePiece,
  onePieces,
  outputPlates,
  pillarsOf,
  type SpaceFrame,
  spaceFrames,
  standsFree,
  wallLayer,
  wheelThickness,
} from '../../place/layout/index.ts';
import { arbors, axisOfWheel, byId, GROUND, ownParts, type Wheel } from '../../document/machine/index.ts';
import { bodyArmOf } from '../../place/indicator/index.ts';
import { indicatorAxis, sideScene } from '../../files/drawings/index.ts';
import { fittingName, fittingPart } from './fittings.ts';
import { eccentrics } from './reducer-parts.ts';
import { wheelPiece } from '../../state/derive/index.ts';
import { onePieceBand } from './one-piece-body.ts';
import { hubItems } from './space-hubs.ts';
import { linkItems } from './space-links.ts';
import { placesOf, type SpaceItem, standing } from './space-item.ts';
import { hubAtBack } from './wheel-solid.ts';
import { radians } from '../../ground/units/index.ts';

/** All bodies of a machine in space. */
export interface SpaceScene {
  readonly items: readonly SpaceItem[];
  readonly frames: ReadonlyMap<string, SpaceFrame>;
  readonly low: number;
  readonly high: number;
  readonly reach: number;
  readonly middle: { readonly x: number; readonly y: number };
}

/**
 * Every part where it stands: heights from the layout, wheels in mesh, hands and dials above; wheels on crossing
 * axes lie along their own axes.
 */
export function spaceScene(derived: Derived): SpaceScene {
  const side = sideScene(derived);
  const frames = spaceFrames(derived, (side.low + side.high) / 2);
  const ones = onePieces(derived.machine, derived.layout.pieces);
  const fused = fusedParts(ones);
  const items = [
    ...ones.flatMap(one => onePieceItems(derived, one)),
    ...[
      ...ownParts(derived.machine).flatMap(w => wheelItems(derived, w)),
      ...derived.machine.wheels.flatMap(w => wallItems(derived, w)),
      ...reducerItems(derived),
      ...hubItems(derived, false),
      ...pieceItems(derived),
      ...plateItems(derived),
      ...bracketItems(derived, frames),
      ...armItems(derived),
      ...linkItems(derived),
      ...indicatorItems(derived, side),
    ].filter(i => !fused.has(i.body)),
  ];
  /** What is turned over hangs from its bed face, which is then its upper one. */
  const turnedOver = (i: SpaceItem): SpaceItem => {
    const wheel = byId(derived.machine.wheels, i.body.replace(/^standing /, ''));
    const flipped = wheel !== undefined && frames.get(i.axis)?.upsideDown.has(wheel.id) === true;
    if (!wheel || flipped === hubAtBack(derived.machine, wheel)) return i;
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

function wheelItems(derived: Derived, wheel: Wheel): SpaceItem[] {
  const { machine, layout, phases, wheels } = derived;
  const [state, band] = [wheels[wheel.id], layout.stack.layers.get(wheel.layer)];
  if (!state?.figure.ok || !band) return [];
  const pegs = ['pegs', 'pins', 'reducer pins'].includes(state.teeth.family);
  const body = pegs ? `standing ${wheel.id}` : wheel.id;
  const axis = axisOfWheel(machine, wheel) ?? derived.racks.find(r => r.wheel === wheel.id)?.axis ?? '';
  const phase = phases.at[wheel.id] ?? 0;
  const piece = wheelPiece(derived, wheel);
  const turns = piece?.ok
    ? Array.from(
        { length: wheel.divided?.pieces ?? 1 },
        (_, i, n = wheel.divided?.pieces ?? 1) => piece.value.middle + (2 * Math.PI * i) / n,
      )
    : [0];
  return placesOf(derived, wheel.member)
    .flatMap(({ place, spin: own }) => turns.map(turn => ({ place, spin: own + turn })))
    .map(({ place, spin }) => ({
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

/** What is made as one with an arbor, which turns with it. */
const onePieceItems = (derived: Derived, one: OnePiece): SpaceItem[] =>
  placesOf(derived, one.arbor).map(({ place, spin }) => ({
    ...{
      ...standing,
      body: one.id,
      name: `${one.name}, one piece`,
      group: 'wheels' as const,
      member: one.arbor,
    },
    ...{ place, spin, axis: byId(arbors(derived.machine), one.arbor)?.axis ?? '' },
    layer: byId(derived.machine.wheels, one.id)?.layer,
    at: { x: 0, y: 0, z: onePieceBand(derived, one).from },
  }));

/** Output plates of reducers, their pins down in the holes of the discs, and the eccentrics that swing these. */
function reducerItems(derived: Derived): SpaceItem[] {
  const { machine, layout, phases } = derived;
  const axisOf = (id: string): string => byId(arbors(machine), id)?.axis ?? '';
  const plates = outputPlates(machine).flatMap(({ joint, discs, member, layer }): SpaceItem[] => {
    const band = layout.stack.layers.get(layer);
    if (!band) return [];
    const of = {
      ...standing,
      body: `output ${joint.id}`,
      name: 'output plate',
      group: 'wheels' as const,
      member,
      layer,
    };
    const at = { x: 0, y: 0, z: band.to };
    return [
      { ...of, place: member, axis: axisOf(member), spin: phases.at[discs[0].id] ?? 0, over: true, at },
    ];
  });
  const swinging = eccentrics(derived).map(({ arbor, discs, at: spin, from }): SpaceItem => ({
    ...{
      ...standing,
      body: `eccentric ${discs[0].id}`,
      name: `eccentric, ${discs[0].name}`,
      group: 'wheels',
    },
    ...{ member: arbor, place: arbor, axis: axisOf(arbor), spin, layer: discs[0].layer },
    at: { x: 0, y: 0, z: from },
  }));
  return [...plates, ...swinging];
}

/** The wall of a ring, which turns with it. */
function wallItems(derived: Derived, wheel: Wheel): SpaceItem[] {
  const band = derived.layout.stack.layers.get(wallLayer(wheel) ?? NaN);
  if (!band) return [];
  const axis = axisOfWheel(derived.machine, wheel) ?? '';
  const of = { ...standing, name: `${wheel.name}, wall`, group: 'wheels' as const, member: wheel.member };
  return placesOf(derived, wheel.member).map(({ place, spin }) => ({
    ...{ ...of, body: `wall ${wheel.id}`, layer: wallLayer(wheel), place, axis, spin },
    at: { x: 0, y: 0, z: band.from },
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
  const feet = machine.layout.plates?.feet;
  const pillars = pillarsOf(machine, layout.stack).flatMap((p): SpaceItem[] =>
    back
      ? [
          {
            ...standing,
            body: `pillar ${p.diameter}`,
            name: 'pillar',
            group: 'front plate',
            at: { x: p.at.x, y: p.at.y, z: back.from - (feet ? footReach(feet.height) : 0) },
          },
        ]
      : [],
  );
  const rods = layout.lugRods.map((p): SpaceItem => ({
    ...{ ...standing, body: `lug rod ${p.diameter}`, name: 'rod of lugs', group: 'front plate' },
    at: { x: p.at.x, y: p.at.y, z: p.whole.from },
  }));
  const board = baseOf(machine, layout.stack)?.board;
  const fitted = fittingsOf(machine, layout.stack, layout.plates).map((f): SpaceItem => ({
    ...{ ...standing, body: fittingPart(f), name: fittingName(f) },
    group:
      f.kind === 'bearing' && f.band.from >= (layout.stack.front?.from ?? Infinity)
        ? 'front plate'
        : 'back plate',
    // A column stands in the board.
    at: { x: f.at.x, y: f.at.y, z: f.kind === 'column' ? (board?.from ?? f.band.from) : f.band.from },
  }));
  return [...plates, ...pillars, ...rods, ...fitted];
}

/** Brackets upright on the back plate, across their arbors. */
function bracketItems({ layout, positions }: Derived, frames: SpaceScene['frames']): SpaceItem[] {
  return layout.brackets.filter(standsFree).flatMap((b): SpaceItem[] => {
    const [frame, at] = [frames.get(b.axis), positions.at[b.axis]];
    if (!frame || !at) return [];
    // Its own y points up in space.
    const spin = Math.atan2(frame.y.z, frame.x.z) - Math.PI / 2;
    const of = { ...standing, body: bracketPart(b.arbor), name: 'bracket', group: 'back plate' as const };
    return [{ ...of, axis: b.axis, spin, at: { x: at.x, y: at.y, z: b.band.from } }];
  });
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
        return [{ ...common, body: `ball ${i.id}`, at }];
      case 'body': {
        const out = { ...common, out: i.distance };
        const bent =
          bodyArmOf({ machine: derived.machine, sizes: derived.layout.sizes }, i).bend !== undefined;
        const over = { ...common, out: -(i.weight?.distance ?? 0) };
        const weighed: SpaceItem[] = i.weight
          ? [
              { ...over, body: `weight ${i.id}`, at: { ...at, z: seen.high } },
              { ...over, body: `pin weight ${i.id}`, at },
            ]
          : [];
        const arm = i.distance > 0 ? [{ ...common, body: i.id, at }] : [];
        return [
          ...arm,
          { ...out, body: `ball ${i.id}`, at: { ...at, z: seen.high + (i.lift ?? 0) } },
          { ...out, body: `pin ball ${i.id}`, at: { ...at, z: bent ? at.z + (i.lift ?? 0) : at.z } },
          ...weighed,
        ];
      }
    }
  });
}
