import { FIT_ALLOWANCE } from '../../teeth/body/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { circle, polar } from '../../ground/geometry/index.ts';
import { byId, type Machine } from '../../document/machine/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { acrossOf, type ExtraPart, flat, flatVolume, rodVolume } from './extra-part.ts';
import { rod } from './turned.ts';

const ORIGIN = { x: 0, y: 0 };

/** The eccentric that swings a reducer's disc, and the plate whose pins its output holes turn. */
export function reducers(derived: Derived): ExtraPart[] {
  const { machine, layout, chordError } = derived;
  return machine.joints.flatMap((j): ExtraPart[] => {
    if (j.kind === 'mesh' && j.type === 'reducer') return eccentric(derived, j.a, j.b);
    if (j.kind !== 'pins in holes') return [];
    const disc = byId(machine.wheels, j.disc);
    const thick = disc?.thickness ?? machine.stack.thickness;
    const arbor = layout.sizes.get(j.carrier)?.diameter;
    const bore = arbor === undefined ? [] : [circle(ORIGIN, (arbor + FIT_ALLOWANCE.press) / 2, false)];
    const round = circle(ORIGIN, j.circle / 2 + j.pinDiameter);
    return [
      {
        ...{ id: `output ${j.id}`, kind: 'output', name: `output plate, ${disc?.name ?? ''}`, number: 1 },
        ...{ outside: acrossOf(round), height: 2 * thick + 0.4 },
        volume: flatVolume(round, bore, thick) + j.pins * rodVolume(j.pinDiameter, thick + 0.4),
        make: (kit, growth) => {
          const plate = flat(kit, round, bore, thick, growth, chordError);
          if (!plate.ok) return plate;
          const pins = Array.from({ length: j.pins }, (_, i) => {
            const p = polar(ORIGIN, j.circle / 2, ((2 * i + 1) * Math.PI) / j.pins);
            return rod(kit, j.pinDiameter + 2 * growth.outline, thick / 2, 2 * thick + 0.4).translate([
              p.x,
              p.y,
              0,
            ]);
          });
          return ok(kit.Manifold.union([plate.value, ...pins]));
        },
      },
    ];
  });
}

function eccentric({ machine, layout, chordError }: Derived, a: string, b: string): ExtraPart[] {
  const disc = [a, b].map(id => byId(machine.wheels, id)).find(w => w?.role === 'disc');
  const form = byId(machine.toothings, disc?.toothing)?.form;
  if (!disc || form?.kind !== 'reducer' || disc.bore?.kind !== 'round') return [];
  const axis = byId(machine.axes, memberAxis(machine, disc.member));
  const shaft = axis && axis.frame !== 'ground' ? layout.sizes.get(axis.frame)?.diameter : undefined;
  const bore = shaft ?? layout.sizes.get(machine.drive?.member ?? '')?.diameter ?? 3;
  const outside = disc.bore.diameter - FIT_ALLOWANCE.free;
  const thick = (disc.thickness ?? machine.stack.thickness) + 0.4;
  const round = circle({ x: form.eccentricity, y: 0 }, outside / 2);
  const hole = [circle(ORIGIN, (bore + FIT_ALLOWANCE.press) / 2, false)];
  return [
    {
      ...{ id: `eccentric ${disc.id}`, kind: 'eccentric', name: `eccentric, ${disc.name}`, number: 1 },
      ...{ outside, height: thick, volume: flatVolume(round, hole, thick) },
      make: (kit, growth) =>
        outside / 2 - form.eccentricity - bore / 2 < 0.6
          ? fail('eccentric-too-thin', { disc: disc.name, outside, bore, eccentricity: form.eccentricity })
          : flat(kit, round, hole, thick, growth, chordError),
    },
  ];
}

const memberAxis = (machine: Machine, member: string): string | undefined => {
  const m = byId(machine.members, member);
  return m?.kind === 'arbor' ? m.axis : undefined;
};
