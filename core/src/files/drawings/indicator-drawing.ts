import type { Derived } from '../../state/state/index.ts';
import type { Drawing, Group } from '../../ground/drawing/index.ts';
import { distance } from '../../ground/geometry/index.ts';
import { indicatorFigure } from '../../place/indicator/index.ts';
import { fitAllowance } from '../../teeth/body/index.ts';
import { bearingAllowance } from '../../place/layout/index.ts';
import {
  arbors,
  byId,
  GROUND,
  type Indicator,
  INDICATORS,
  processOf,
  screwedOn,
} from '../../document/machine/index.ts';
import type { Stance } from '../../place/motion/index.ts';
import { radians } from '../../ground/units/index.ts';

/** The axis on which an indicator is centred. */
export function indicatorAxis(
  { machine }: Pick<Derived, 'machine'>,
  indicator: Indicator,
): string | undefined {
  return indicator.kind === 'dial' && indicator.member === GROUND
    ? indicator.axis
    : byId(arbors(machine), indicator.member)?.axis;
}

/**
 * Diameter of the hole in a hand or dial, mm: that of its arbor, on which one with a grub screw slides; in a dial that
 * stands, the front plate's hole there, where all that comes out goes through it, or else room to turn for the widest
 * arbor on its axis. Undefined for globes and bodies, and where nothing passes.
 */
export function eyeOf(
  derived: Pick<Derived, 'machine' | 'layout' | 'positions'>,
  indicator: Indicator,
): number | undefined {
  const { machine, layout, positions } = derived;
  if (!INDICATORS[indicator.kind].flat) return undefined;
  if (indicator.member !== GROUND) {
    const across = layout.sizes.get(indicator.member)?.diameter;
    const slides = screwedOn(indicator) ? fitAllowance('sliding', processOf(machine, indicator.id)?.fits) : 0;
    return across === undefined ? undefined : across + slides;
  }
  const axis = indicatorAxis(derived, indicator);
  const at = axis === undefined ? undefined : positions.at[axis];
  const front = layout.plates.find(p => p.side === 'front');
  const hole = at && front?.holes.find(h => distance(h.at, at) < 1e-6);
  const through = arbors(machine).filter(
    m => m.axis === axis && (!hole || (layout.spans.of.get(m.id)?.whole.to ?? 0) > layout.stack.height),
  );
  const widest = Math.max(0, ...through.map(m => layout.sizes.get(m.id)?.diameter ?? 0));
  const free = widest > 0 ? widest + bearingAllowance('free', widest) : undefined;
  return hole && (free === undefined || hole.diameter >= widest) ? hole.diameter : free;
}

/** A hand, dial, globe or body by itself, at true size, as it stands when the machine has not turned. */
export function indicatorDrawing(derived: Derived, indicator: Indicator): Drawing {
  const figure = indicatorFigure(indicator, eyeOf(derived, indicator));
  const angle = indicator.kind === 'hand' ? 0 : radians(indicator.settingDeg);
  return {
    title: `${derived.machine.name}: ${indicator.name}`,
    notes: ['Millimetres, true size, not compensated for any cutter.'],
    groups: [{ name: indicator.name, x: 0, y: 0, angle, shapes: figure.shapes, labels: figure.labels }],
  };
}

/** Where an indicator stands and how it is turned, given where arbors do; undefined where its axis has no place. */
export function indicatorStance(
  derived: Pick<Derived, 'machine' | 'positions'>,
  places: ReadonlyMap<string, Stance>,
  indicator: Indicator,
): Stance | undefined {
  const setting = radians(indicator.settingDeg);
  if (indicator.member !== GROUND) {
    const place = places.get(indicator.member);
    return place && { centre: place.centre, angle: place.angle + setting };
  }
  const axis = indicatorAxis(derived, indicator);
  const centre = axis === undefined ? undefined : derived.positions.at[axis];
  return centre && { centre, angle: setting };
}

/** All indicators where they stand, dials first. */
export function indicatorGroups(derived: Derived, places: ReadonlyMap<string, Stance>): Group[] {
  return dialsFirst(derived.machine.indicators).flatMap(i => {
    const stance = indicatorStance(derived, places, i);
    if (!stance) return [];
    const { shapes, labels } = indicatorFigure(i, eyeOf(derived, i));
    return [{ name: i.name, ...stance.centre, angle: stance.angle, shapes, labels }];
  });
}

/** In the order in which they lie upon each other: dials that turn, dials that stand, bodies and globes, hands. */
export const dialsFirst = (indicators: readonly Indicator[]): Indicator[] => {
  const height = (i: Indicator): number =>
    INDICATORS[i.kind].mayStand && i.member !== GROUND ? 0 : INDICATORS[i.kind].above;
  return [...indicators].sort((a, b) => height(a) - height(b));
};
