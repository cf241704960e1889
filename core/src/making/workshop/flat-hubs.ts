import { grubScrewFor } from '../../document/bought/index.ts';
import {
  type Indicator,
  type Machine,
  processOf,
  SCREW_BOSS,
  screwedOn,
  type Wheel,
} from '../../document/machine/index.ts';
import { circle, flatten, inside } from '../../ground/geometry/index.ts';
import { proudHub } from '../../place/layout/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { wheelPiece } from '../../state/derive/index.ts';
import { borePath } from '../../teeth/body/index.ts';
import { drillable, type FlatPart, type HubFigure, numberOf } from './flat-part.ts';
import { piecesNeeded } from './pieces-needed.ts';

const ORIGIN = { x: 0, y: 0 };

/** A wheel with its hub printed on it, or cut out by itself, to be glued or pinned on, where no printer makes it. */
export function hubbedPart(derived: Derived, wheel: Wheel, part: FlatPart): FlatPart[] {
  const { machine, layout } = derived;
  const hub = proudHub(machine, layout.stack.layers, wheel);
  if (!hub || !wheel.bore || wheel.bore.kind === 'none') return [part];
  const holes = [borePath(wheel.bore, processOf(machine, wheel.id)?.fits)];
  const arbor = layout.sizes.get(wheel.member)?.diameter;
  const screw =
    wheel.hold === 'grub screw' && arbor !== undefined ? grubScrewFor(arbor, 2 * hub.radius) : undefined;
  const figure = {
    outline: circle(ORIGIN, hub.radius),
    holes,
    height: hub.height,
    drill: screw?.thread.drill,
    pieces: wheelPiece(derived, wheel) ? (wheel.divided?.pieces ?? 1) : 1,
  };
  const named = { id: `hub ${wheel.id}`, name: `hub, ${wheel.name}` };
  return joined(machine, part, figure, named, piecesNeeded(derived, wheel.member));
}

/**
 * A hand or an arm with the boss through which its grub screw goes: printed on it, or cut out by itself, to be glued
 * on, where no printer makes it.
 */
export function bossedPart({ machine, layout }: Derived, i: Indicator, part: FlatPart): FlatPart[] {
  const across = layout.sizes.get(i.member)?.diameter;
  if (!screwedOn(i) || across === undefined) return [part];
  const bore = part.holes.find(h => inside(flatten(h, 0.01), ORIGIN));
  const radius = across / 2 + SCREW_BOSS.wall;
  const drill = grubScrewFor(across, 2 * radius)?.thread.drill;
  const holes = bore ? [bore] : [];
  const figure = { outline: circle(ORIGIN, radius), holes, height: SCREW_BOSS.height, pieces: 1, drill };
  return joined(machine, part, figure, { id: `hub ${i.id}`, name: `boss, ${part.name}` }, part.number);
}

/** A part with its hub on it, where a printer makes it; the part and its hub, to be put together, where none does. */
function joined(
  machine: Machine,
  part: FlatPart,
  hub: HubFigure,
  named: Pick<FlatPart, 'id' | 'name'>,
  needed: number,
): FlatPart[] {
  if (processOf(machine, part.id)?.kind === 'printer') return [{ ...part, hub }];
  const { outline, holes, height } = hub;
  const of = {
    ...named,
    kind: 'hub' as const,
    number: numberOf(machine, named.id, needed),
    thickness: height,
  };
  return [part, { ...of, outline, holes, drilled: drillable(holes), engraved: [], labels: [] }];
}
