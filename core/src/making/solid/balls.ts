import type { Derived } from '../../state/state/index.ts';
import { ballPin, ballVolume, bodyArmOf, type BodyIndicator } from '../../place/indicator/index.ts';
import { BALL_FLAT, LEAF } from '../../place/layout/index.ts';
import { type Indicator, processOf } from '../../document/machine/index.ts';
import { fitAllowance } from '../../teeth/body/index.ts';
import { ok } from '../../ground/result/index.ts';
import { type ExtraPart, rodVolume } from './extra-part.ts';
import { rod } from './turned.ts';

/** Steps round a ball. */
const STEPS = 96;

/** The balls of bodies and globes, flat where they sit and bored to their middles, and the pins of the former. */
export function balls(derived: Derived): ExtraPart[] {
  const { machine, layout } = derived;
  return machine.indicators.flatMap((i): ExtraPart[] => {
    if (i.kind !== 'body' && i.kind !== 'globe') return [];
    const fits = processOf(machine, `ball ${i.id}`)?.fits;
    const on = i.kind === 'body' ? ballPin(i.radius) : (layout.sizes.get(i.member)?.diameter ?? 0);
    const bore = on > 0 && on < 1.6 * i.radius ? on + fitAllowance('press', fits) : 0;
    const ball = ballPart(i, bore);
    if (i.kind === 'globe') return [ball];
    const length = LEAF + (bends(derived, i) ? 0 : (i.lift ?? 0)) + (1 - BALL_FLAT) * i.radius;
    return [
      ball,
      ...weights(derived, i, on),
      {
        ...{ id: `pin ball ${i.id}`, kind: 'pin', name: `pin, ${i.name}`, number: 1 },
        ...{ outside: on, height: length, volume: rodVolume(on, length) },
        make: (kit, growth) => ok(rod(kit, on + 2 * growth.outline, 0, length)),
      },
    ];
  });
}

/** Whether the arm of a body is bent up to it. */
const bends = ({ machine, layout }: Derived, i: BodyIndicator): boolean =>
  bodyArmOf({ machine, sizes: layout.sizes }, i).bend !== undefined;

/** How deep a pin goes into a counterweight, as a part of its height (common practice, no source). */
const INTO_WEIGHT = 0.6;

/** The counterweight of a body, with a blind hole from below for its pin, and that pin. */
function weights({ machine }: Derived, { id, name, weight }: BodyIndicator, on: number): ExtraPart[] {
  if (!weight) return [];
  const { diameter, height } = weight;
  const bore = on + fitAllowance('press', processOf(machine, `weight ${id}`)?.fits);
  const deep = INTO_WEIGHT * height;
  return [
    {
      ...{ id: `weight ${id}`, kind: 'weight', name: `counterweight, ${name}`, number: 1 },
      ...{ outside: diameter, height, volume: rodVolume(diameter, height) - rodVolume(bore, deep) },
      make: (kit, growth) =>
        ok(
          rod(kit, diameter + 2 * growth.outline, 0, height).subtract(
            rod(kit, bore - 2 * growth.hole, -1, deep),
          ),
        ),
    },
    {
      ...{ id: `pin weight ${id}`, kind: 'pin', name: `pin of the counterweight, ${name}`, number: 1 },
      ...{ outside: on, height: LEAF + deep, volume: rodVolume(on, LEAF + deep) },
      make: (kit, growth) => ok(rod(kit, on + 2 * growth.outline, 0, LEAF + deep)),
    },
  ];
}

/** A ball that stands on its flat, with a blind hole from there to its middle. */
function ballPart({ id, name, radius: r, kind }: Indicator, bore: number): ExtraPart {
  const flat = BALL_FLAT * r;
  const middle = r - flat;
  const volume = ballVolume(r, bore);
  return {
    ...{ id: `ball ${id}`, kind: 'ball', name: `${kind === 'globe' ? 'globe' : 'ball'}, ${name}`, number: 1 },
    ...{ outside: 2 * r, height: 2 * r - flat, volume },
    make: (kit, growth) => {
      const ball = kit.Manifold.sphere(r + growth.outline, STEPS)
        .translate([0, 0, middle])
        .trimByPlane([0, 0, 1], 0);
      return ok(bore > 0 ? ball.subtract(rod(kit, bore - 2 * growth.hole, -1, middle)) : ball);
    },
  };
}
