import { arbors, byId } from '../../document/machine/index.ts';
import { linkPlates } from '../../place/layout/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { flatParts } from '../workshop/index.ts';
import { type SpaceItem, standing } from './space-item.ts';

/** Cams, cranks, rods, slides and rollers, each with its member, in its layer. */
export function linkItems(derived: Derived): SpaceItem[] {
  const { machine, layout } = derived;
  const plates = linkPlates(machine);
  if (plates.length === 0) return [];
  const parts = new Map(flatParts(derived).parts.map(p => [p.id, p] as const));
  return plates.flatMap((plate): SpaceItem[] => {
    const [part, band] = [parts.get(plate.id), layout.stack.layers.get(plate.layer)];
    if (!part || !band) return [];
    const axis = byId(arbors(machine), plate.member)?.axis ?? '';
    const common = {
      ...standing,
      body: plate.id,
      name: part.name,
      member: plate.member,
      place: plate.member,
    };
    const at = { x: 0, y: 0, z: band.from };
    if (plate.kind !== 'roller') return [{ ...common, group: 'arms', axis, layer: plate.layer, at }];
    // A roller rides out on its arm, or stands where its slide does.
    const joint = byId(machine.joints, plate.joint);
    const arm = joint?.kind === 'cam' ? joint.arm : undefined;
    const out = arm && axis !== '' ? arm.length : 0;
    const spin = arm ? (arm.angleDeg * Math.PI) / 180 : 0;
    return [{ ...common, group: 'arms', axis, layer: plate.layer, at, out, spin }];
  });
}
