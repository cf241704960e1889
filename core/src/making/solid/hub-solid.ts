import type { Manifold } from 'manifold-3d';
import { grubScrewFor } from '../../document/bought/index.ts';
import { type Machine, processOf, type Wheel } from '../../document/machine/index.ts';
import { circle } from '../../ground/geometry/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { borePath } from '../../teeth/body/index.ts';
import { proudHub, standsOut, wheelThickness } from '../../place/layout/index.ts';
import type { Growth } from '../process/index.ts';
import { flat } from './extra-part.ts';
import type { SolidKit } from './kit.ts';
import type { SolidFacts } from './solid-facts.ts';

/** How deep a hub reaches into its wheel, so that both are one body, mm. */
const INTO = 0.1;

/** Whether a wheel is printed with a hub that stands out of it; where none is printed, the hub is a part of its own. */
export const hasPrintedHub = (machine: Machine, wheel: Wheel): boolean =>
  standsOut(wheel) && processOf(machine, wheel.id)?.kind === 'printer';

/**
 * A wheel with the hub that stands out of it, bored like the wheel; across it, towards x, the hole that is tapped for
 * its grub screw where it is held by one. The wheel stands on z = 0; a hub at its back reaches below.
 */
export function withHub(
  kit: SolidKit,
  { machine, layout, chordError }: SolidFacts,
  wheel: Wheel,
  body: Manifold,
  growth: Growth,
): Result<Manifold> {
  const hub = proudHub(machine, layout.stack.layers, wheel);
  if (!hub || !wheel.bore || wheel.bore.kind === 'none' || !hasPrintedHub(machine, wheel)) return ok(body);
  const { side, height, radius } = hub;
  const bore = borePath(wheel.bore, processOf(machine, wheel.id)?.fits);
  const round = circle({ x: 0, y: 0 }, radius);
  const made = flat(kit, round, [bore], height + INTO, growth, chordError);
  if (!made.ok) return made;
  const thick = wheelThickness(machine.stack, wheel);
  const whole = body.add(made.value.translate([0, 0, side === 'front' ? thick - INTO : -height]));
  const arbor = layout.sizes.get(wheel.member)?.diameter;
  const screw =
    wheel.hold === 'grub screw' && arbor !== undefined ? grubScrewFor(arbor, 2 * radius) : undefined;
  if (!screw) return ok(whole);
  const across = screw.thread.drill - 2 * growth.hole;
  const hole = kit.Manifold.cylinder(radius + 1, across / 2, across / 2, 32)
    .rotate([0, 90, 0])
    .translate([0, 0, side === 'front' ? thick + height / 2 : -height / 2]);
  return ok(whole.subtract(hole));
}
