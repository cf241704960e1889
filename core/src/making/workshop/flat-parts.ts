import type { Derived } from '../../state/state/index.ts';
import { piecesNeeded } from './pieces-needed.ts';
import { untoldOf } from '../../state/judge/index.ts';
import { wheelPiece, wheelPlane } from '../../state/derive/index.ts';
import type { Label, Shape } from '../../ground/drawing/index.ts';
import { fitAllowance, pegMarks, splitPeg } from '../../teeth/body/index.ts';
import { circle, flatten, type Path, signedArea } from '../../ground/geometry/index.ts';
import { bendLines, bodyArmOf, type BodyIndicator, indicatorFigure } from '../../place/indicator/index.ts';
import {
  armLayers,
  armWidth,
  baseOf,
  bracketOutline,
  bracketPart,
  carriedAxes,
  holeAcross,
  LEAF,
  standsFree,
  USUAL_TUBES,
  wallLayer,
  wheelThickness,
} from '../../place/layout/index.ts';
import { AT_REST, copyPlace, stancesAt } from '../../place/motion/index.ts';
import {
  ownParts,
  arbors,
  byId,
  jointEnds,
  type Machine,
  processOf,
  type Wheel,
} from '../../document/machine/index.ts';
import { drillable, type FlatPart, type LeftPart, numberOf } from './flat-part.ts';
import { bossedPart, hubbedPart } from './flat-hubs.ts';
import { linkParts } from './link-parts.ts';
import { strip } from './strip.ts';
import { engravedText, eyeOf, plateDrawing } from '../../files/drawings/index.ts';
import { problem } from '../../ground/result/index.ts';

/** All flat parts of a machine, wheels first, and those that have no figure. Bevels are not flat. */
export function flatParts(derived: Derived): { readonly parts: FlatPart[]; readonly left: LeftPart[] } {
  const parts: FlatPart[] = [];
  const left: LeftPart[] = [];
  for (const wheel of ownParts(derived.machine)) {
    if (derived.wheels[wheel.id]?.teeth.family === 'bevel') continue;
    const made = wheelPart(derived, wheel);
    if ('problem' in made) left.push(made);
    else parts.push(...hubbedPart(derived, wheel, made));
  }
  parts.push(...wallParts(derived));
  for (const plate of derived.layout.plates) {
    const drawing = plateDrawing(derived, plate.side);
    if (!drawing.ok) continue;
    const id = `plate ${plate.side}`;
    const shapes = drawing.value.groups.flatMap(g => g.shapes);
    const of = {
      id,
      kind: 'plate' as const,
      name: `${plate.side} plate`,
      thickness: plate.band.to - plate.band.from,
    };
    parts.push(partOf(derived.machine, { ...of, needed: 1 }, shapes, []));
  }
  parts.push(...baseParts(derived), ...bracketParts(derived), ...armParts(derived));
  const linked = linkParts(derived);
  parts.push(...linked.parts);
  for (const i of derived.machine.indicators) {
    const { kind } = i;
    if (kind === 'body')
      parts.push(...bodyArmParts(derived, i).flatMap(part => bossedPart(derived, i, part)));
    if (kind !== 'hand' && kind !== 'dial') continue;
    const { shapes, labels } = indicatorFigure(i, eyeOf(derived, i));
    const of = { id: i.id, kind, name: i.name, thickness: LEAF, needed: 1 };
    parts.push(...bossedPart(derived, i, partOf(derived.machine, of, shapes, labels)));
  }
  return { parts, left: [...left, ...linked.left, ...bodiless(derived)] };
}

/** Joints whose own parts are not worked out yet, by what they tie. */
function bodiless({ machine }: Derived): LeftPart[] {
  const nameOf = (id: string): string =>
    byId(machine.wheels, id)?.name ?? byId(machine.members, id)?.name ?? id;
  return machine.joints.flatMap(j => {
    const { called, lacks } = untoldOf(j);
    if (!lacks.includes('bodies')) return [];
    const tied = jointEnds(j).map(([, id]) => nameOf(id));
    return [
      { name: `${called}, ${tied.join(' and ')}`, problem: problem('bodies-not-yet', { kind: called }) },
    ];
  });
}

function wheelPart(derived: Derived, wheel: Wheel): FlatPart | LeftPart {
  const plane = wheelPlane(derived, wheel);
  if (!plane.ok) return { name: wheel.name, problem: plane.problem };
  const { outline, holes, engraved } = plane.value;
  const { machine } = derived;
  const needed = piecesNeeded(derived, wheel.member);
  const piece = wheelPiece(derived, wheel);
  if (piece && wheel.divided) {
    if (!piece.ok) return { name: wheel.name, problem: piece.problem };
    const { pieces, by } = wheel.divided;
    const thickness = wheelThickness(machine.stack, wheel);
    return {
      ...{ id: wheel.id, kind: 'wheel', name: `${wheel.name}, one of ${pieces} pieces`, thickness },
      number: numberOf(machine, wheel.id, pieces * needed),
      ...{ outline: piece.value.outline, holes: piece.value.holes, drilled: drillable(piece.value.holes) },
      engraved: by === 'pegs' ? pegMarks(piece.value, splitPeg(thickness)) : [],
      labels: [],
    };
  }
  return {
    ...{ id: wheel.id, kind: 'wheel', name: wheel.name, number: numberOf(machine, wheel.id, needed) },
    thickness: wheelThickness(machine.stack, wheel),
    ...{ outline, holes, engraved, drilled: drillable(holes) },
    labels: wheel.body?.engraved ? [engravedText(derived, wheel)] : [],
  };
}

/** The arm that carries a body: pressed on its tube, with an eye for the pin of its ball. */
function bodyArmParts(derived: Derived, i: BodyIndicator): FlatPart[] {
  const { machine } = derived;
  const { id } = i;
  if (i.distance === 0) return [];
  const arm = bodyArmOf({ machine, sizes: derived.layout.sizes }, i);
  const number = numberOf(machine, id, 1);
  const of = { id, kind: 'body arm' as const, name: `arm, ${i.name}`, number, thickness: LEAF };
  const { outline, holes, seen, bend } = arm;
  const raised = bend && { ...seen, from: bend.first, by: i.lift ?? 0 };
  return [
    {
      ...of,
      outline,
      holes,
      drilled: drillable(holes),
      engraved: bendLines(arm),
      labels: [],
      ...(raised && { raised }),
    },
  ];
}

/** The walls of rings: discs as wide as their rims, on their arbors. */
function wallParts(derived: Derived): FlatPart[] {
  const { machine, layout, extents } = derived;
  return machine.wheels.flatMap((wheel): FlatPart[] => {
    const band = layout.stack.layers.get(wallLayer(wheel) ?? NaN);
    const extent = extents[wheel.id];
    if (!band || !extent) return [];
    const id = `wall ${wheel.id}`;
    const own = layout.sizes.get(wheel.member)?.diameter ?? 0;
    const bore =
      own > 0
        ? [circle({ x: 0, y: 0 }, (own + fitAllowance('press', processOf(machine, id)?.fits)) / 2, false)]
        : [];
    return [
      {
        ...{ id, kind: 'wall', name: `${wheel.name}, wall`, thickness: machine.stack.thickness },
        number: numberOf(machine, id, piecesNeeded(derived, wheel.member)),
        ...{ outline: circle({ x: 0, y: 0 }, extent.outer), holes: bore, drilled: drillable(bore) },
        ...{ engraved: [], labels: [] },
      },
    ];
  });
}

/** The board on which the machine stands, with the hole for its column. */
function baseParts({ machine, layout }: Derived): FlatPart[] {
  const base = baseOf(machine, layout.stack);
  if (!base) return [];
  const press = fitAllowance('press', processOf(machine, 'base')?.fits);
  const holes = [circle({ x: 0, y: 0 }, holeAcross(base.spigot, press) / 2, false)];
  return [
    {
      ...{ id: 'base', kind: 'base', name: 'base', number: numberOf(machine, 'base', 1) },
      ...{ thickness: base.board.to - base.board.from, outline: circle({ x: 0, y: 0 }, base.across / 2) },
      ...{ holes, drilled: drillable(holes), engraved: [], labels: [] },
    },
  ];
}

/** The brackets of arbors that lie across the plates; all of one arbor are alike. */
function bracketParts({ machine, layout }: Derived): FlatPart[] {
  const back = layout.stack.back;
  const depth = back ? back.to - back.from : 0;
  const free = layout.brackets.filter(standsFree);
  return free.flatMap((b, i): FlatPart[] => {
    if (free.findIndex(o => o.arbor === b.arbor) !== i) return [];
    const id = bracketPart(b.arbor);
    const holes = [circle({ x: 0, y: 0 }, b.hole / 2, false)];
    const number = numberOf(machine, id, free.filter(o => o.arbor === b.arbor).length);
    return [
      {
        ...{ id, kind: 'bracket', name: `bracket, ${byId(machine.members, b.arbor)?.name ?? ''}`, number },
        ...{ thickness: b.thickness, outline: bracketOutline(b, depth), holes, drilled: drillable(holes) },
        ...{ engraved: [], labels: [] },
      },
    ];
  });
}

/** The bars of arms: round ends about every axis that they carry, in one piece. */
function armParts(derived: Derived): FlatPart[] {
  const { machine, layout } = derived;
  const places = stancesAt(derived.moving, AT_REST);
  return [...armLayers(machine)].flatMap(([arm, layer]): FlatPart[] => {
    const [band, at] = [layout.stack.layers.get(layer), places.get(arm)];
    if (!band || !at) return [];
    const axes = new Set(carriedAxes(machine, arm).map(a => a.id));
    const carried = arbors(machine).filter(m => axes.has(m.axis));
    const ends = carried.flatMap(m => {
      const copies = derived.moving.copies.flatMap((c, i) => (c.member === m.id ? [copyPlace(m.id, i)] : []));
      return [m.id, ...copies].flatMap(key => {
        const place = places.get(key);
        return place
          ? [{ member: m.id, x: place.centre.x - at.centre.x, y: place.centre.y - at.centre.y }]
          : [];
      });
    });
    const id = `arm ${arm}`;
    const fits = processOf(machine, id)?.fits;
    const own = layout.sizes.get(arm)?.diameter ?? 0;
    const holes: { x: number; y: number; d: number }[] = [
      { x: 0, y: 0, d: own + fitAllowance('press', fits) },
    ];
    for (const e of ends) {
      const onRod = layout.spans.of.get(e.member)?.stands === 'on a standing rod';
      const d = onRod
        ? (machine.layout.tubes ?? USUAL_TUBES).rod + fitAllowance('press', fits)
        : (layout.sizes.get(e.member)?.diameter ?? 0) + fitAllowance('free', fits);
      const known = holes.find(h => Math.hypot(h.x - e.x, h.y - e.y) < 1e-6);
      if (known) known.d = Math.max(known.d, d);
      else holes.push({ x: e.x, y: e.y, d });
    }
    const made = holes.filter(h => h.d > 0.1).map(h => circle(h, h.d / 2, false));
    const name = `arm, ${byId(machine.members, arm)?.name ?? ''}`;
    const outline = strip(
      ends.map(e => [
        { x: 0, y: 0 },
        { x: e.x, y: e.y },
      ]),
      armWidth(machine, layout.sizes, arm),
    );
    const thickness = band.to - band.from;
    return [
      {
        id,
        kind: 'arm',
        name,
        number: numberOf(machine, id, 1),
        thickness,
        outline,
        holes: made,
        drilled: drillable(made),
        engraved: [],
        labels: [],
      },
    ];
  });
}

interface Of {
  readonly id: string;
  readonly kind: FlatPart['kind'];
  readonly name: string;
  readonly thickness: number;
  readonly needed: number;
}

/** The part that shapes draw: the largest closed line that is cut is its outline. */
function partOf(machine: Machine, of: Of, shapes: readonly Shape[], labels: readonly Label[]): FlatPart {
  const through = shapes.filter(s => s.role === 'cut' || s.role === 'drill');
  const paths = through.flatMap(s => s.paths).filter(p => p.closed);
  const area = (p: Path): number => Math.abs(signedArea(flatten(p, 0.05)));
  const outline = paths.reduce((a, b) => (area(b) > area(a) ? b : a));
  const holes = paths.filter(p => p !== outline);
  const { id, kind, name, thickness } = of;
  const engraved = shapes.filter(s => s.role === 'engrave').flatMap(s => s.paths);
  return {
    id,
    kind,
    name,
    thickness,
    number: numberOf(machine, id, of.needed),
    outline,
    holes,
    drilled: drillable(holes),
    engraved,
    labels,
  };
}
