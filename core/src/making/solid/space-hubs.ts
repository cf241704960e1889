import { arbors, axisOfWheel, byId, processOf, screwedOn } from '../../document/machine/index.ts';
import { proudHubs } from '../../place/layout/index.ts';
import { radians } from '../../ground/units/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { hasPrintedHub } from './hub-solid.ts';
import { placesOf, type SpaceItem, standing } from './space-item.ts';

/** Hubs of wheels, hands and arms: those printed with them, or those that are parts of their own. */
export const hubItems = (derived: Derived, printed: boolean): SpaceItem[] => [
  ...wheelHubs(derived, printed),
  ...bosses(derived, printed),
];

/** Bosses of hands and arms that are held by grub screws. */
const bosses = ({ machine, layout }: Derived, printed: boolean): SpaceItem[] =>
  machine.indicators
    .filter(i => screwedOn(i) && (processOf(machine, i.id)?.kind === 'printer') === printed)
    .map(i => ({
      ...{ ...standing, body: `hub ${i.id}`, name: `boss, ${i.name}`, group: 'dials and hands' as const },
      ...{ member: i.member, place: i.member, axis: byId(arbors(machine), i.member)?.axis ?? '' },
      ...{ spin: radians(i.settingDeg), at: { x: 0, y: 0, z: layout.spans.seats.get(i.id)?.high ?? 0 } },
    }));

const wheelHubs = (derived: Derived, printed: boolean): SpaceItem[] =>
  proudHubs(derived.machine, derived.layout.stack)
    .filter(h => hasPrintedHub(derived.machine, h.wheel) === printed)
    .flatMap(({ wheel, band }) =>
      placesOf(derived, wheel.member).map(({ place, spin }) => ({
        ...{ ...standing, body: `hub ${wheel.id}`, name: `hub, ${wheel.name}`, group: 'wheels' as const },
        ...{
          member: wheel.member,
          layer: wheel.layer,
          place,
          axis: axisOfWheel(derived.machine, wheel) ?? '',
        },
        ...{ spin: spin + (derived.phases.at[wheel.id] ?? 0), at: { x: 0, y: 0, z: band.from } },
      })),
    );
