import { byId } from '../../document/machine/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { baseOf, parseCount, parsePairs } from './pairs.ts';
import type { ReadyArrangement } from './ready.ts';

/**
 * The drive carries an arm round over fixed central wheels. A globe on the arm is driven from a fixed wheel of its
 * own count through an idler, so that it turns −1 for each turn of the arm as seen from it and points one way for
 * ever. A moon's arm about the globe is driven from a second fixed wheel by two pairs and an idler: F/p · q/r turns
 * a turn as seen from the arm, which are the months from full to full, and one more against the ground: 235/19 and
 * 254/19 a year in the cycle of Meton. The fixed wheels stand on a rod of the ground, round which the arm is a tube.
 */
export const orreryArm: ReadyArrangement = {
  id: 'orrery-arm',
  title: 'Orrery arm',
  does: 'An arm carried by the drive over fixed wheels: a globe that points one way, and a moon’s arm about it.',
  fields: [
    { key: 'globe', label: 'Fixed wheel, and wheel of the globe', kind: 'count', offered: '60' },
    { key: 'idler', label: 'Idler between them', kind: 'count', offered: '60' },
    { key: 'moon', label: 'Fixed wheel to pinion, wheel to moon', kind: 'pairs', offered: '94:19, 50:20' },
  ],
  build: (machine, values, on) => {
    const [globe, idler, moon, base] = [
      parseCount(values['globe'] ?? ''),
      parseCount(values['idler'] ?? ''),
      parsePairs(values['moon'] ?? ''),
      baseOf(machine, on),
    ];
    if (!globe.ok) return globe;
    if (!idler.ok) return idler;
    if (!moon.ok) return moon;
    const [first, second] = moon.value;
    if (!first || !second || moon.value.length !== 2) return fail('pairs-two', { count: moon.value.length });
    if (!base.ok) return base;
    const { b, on: drive, axis, frame, toothing } = base.value;
    const fixed = b.arbor({ name: 'Fixed wheels', axis, held: frame });
    const between = b.mesh({
      from: fixed,
      to: { name: 'Globe idler', frame: drive },
      counts: [globe.value, idler.value],
      toothing,
    });
    const onArm = { toothing, wheel: between.wheels[1] };
    const bearer = b.mesh({
      ...onArm,
      from: between.arbor,
      to: { name: 'Globe', frame: drive },
      counts: [idler.value, globe.value],
    });
    const globeArbor = byId(b.machine().members, bearer.arbor);
    const pinion = b.mesh({
      from: fixed,
      to: { name: 'Moon pinion', frame: drive },
      counts: first,
      toothing,
      angleDeg: 60,
    });
    const tube = b.arbor({ name: 'Moon arm', axis: globeArbor?.kind === 'arbor' ? globeArbor.axis : axis });
    // The idler reaches from the pinion's arbor to the moon's tube, both of which stand.
    const [toIdler, toMoon] = [b.id('mesh'), b.id('mesh')];
    const across = b.arbor({
      name: 'Moon idler',
      frame: drive,
      place: { kind: 'between', joints: [toIdler, toMoon], side: 'left' },
    });
    const layer = b.layer();
    const count = idlerToReach(globe.value, idler.value, first, second);
    const wheel = (member: string, name: string, teeth: number): string =>
      b.wheel({ name, member, teeth, toothing, layer });
    const [u, v, w] = [
      wheel(pinion.arbor, 'Moon wheel', second[0]),
      wheel(across, 'Moon idler wheel', count),
      wheel(tube, 'Moon arm wheel', second[1]),
    ];
    b.joint({ kind: 'mesh', id: toIdler, type: 'external', a: u, b: v });
    b.joint({ kind: 'mesh', id: toMoon, type: 'external', a: v, b: w });
    return ok(b.machine());
  },
};

/** Teeth of an idler that reaches over the way from the moon's pinion to the globe, at 60° to each other. */
function idlerToReach(
  globe: number,
  idler: number,
  first: readonly [number, number],
  second: readonly [number, number],
): number {
  const [far, near] = [globe + idler, (first[0] + first[1]) / 2];
  const apart = Math.sqrt(far * far + near * near - far * near);
  return Math.max(20, Math.ceil(apart - (second[0] + second[1]) / 2) + 4);
}
