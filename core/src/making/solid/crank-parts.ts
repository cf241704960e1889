import { FIT_ALLOWANCE } from '../../teeth/body/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { circle, type Path, polar, polygon } from '../../ground/geometry/index.ts';
import { BEYOND } from '../../place/layout/index.ts';
import { byId, processOf } from '../../document/machine/index.ts';
import { ok } from '../../ground/result/index.ts';
import { acrossOf, type ExtraPart, flat, flatVolume, rodVolume, turnedVolume } from './extra-part.ts';
import { rod, turned } from './turned.ts';

const ORIGIN = { x: 0, y: 0 };
/** Common practice, no source: mm. */
const CRANK = { reach: 45, thick: 5, wide: 12 };
const KNOB = { diameter: 14, height: 22, pin: 5 };
const DRILL = { across: 6.35, length: 25 };

/** Crank, knob and an end for a drill, where a hand turns the drive. */
export function byHand({ machine, layout, chordError }: Derived): ExtraPart[] {
  const { drive } = machine;
  const size = layout.sizes.get(drive?.member ?? '')?.diameter;
  if (drive?.by !== 'hand' || size === undefined) return [];
  const fits = processOf(machine, drive.member)?.fits;
  const bore = size + (fits?.press ?? FIT_ALLOWANCE.press);
  const pin = KNOB.pin + (fits?.press ?? FIT_ALLOWANCE.press);
  const turning = KNOB.pin + (fits?.free ?? FIT_ALLOWANCE.free);
  const wide = Math.max(CRANK.wide, size + 6);
  const name = byId(machine.members, drive.member)?.name ?? '';
  const hole = (x: number, diameter: number): Path => circle({ x, y: 0 }, diameter / 2, false);
  const [arm, holes] = [bar(CRANK.reach, wide), [hole(0, bore), hole(CRANK.reach, pin)]];
  const pinLength = CRANK.thick + KNOB.height + 1;
  const hex = polygon(
    Array.from({ length: 6 }, (_, i) => polar(ORIGIN, DRILL.across / Math.sqrt(3), (i * Math.PI) / 3)),
  );
  return [
    {
      ...{ id: 'crank', kind: 'knob', name: `crank, ${name}`, number: 1, height: CRANK.thick },
      ...{ volume: flatVolume(arm, holes, CRANK.thick), outside: acrossOf(arm) },
      make: (kit, growth) => flat(kit, arm, holes, CRANK.thick, growth, chordError),
    },
    {
      ...{ id: 'crank pin', kind: 'knob', name: 'crank pin', number: 1, height: pinLength },
      ...{
        outside: KNOB.pin + 4,
        volume: rodVolume(KNOB.pin, pinLength - 1.5) + rodVolume(KNOB.pin + 4, 1.5),
      },
      make: (kit, growth) =>
        ok(
          kit.Manifold.union([
            rod(kit, KNOB.pin + 2 * growth.outline, 0, pinLength),
            rod(kit, KNOB.pin + 4 + 2 * growth.outline, 0, 1.5),
          ]),
        ),
    },
    {
      ...{ id: 'knob', kind: 'knob', name: 'knob', number: 1, height: KNOB.height, outside: KNOB.diameter },
      volume: turnedVolume(knobHalf(KNOB.diameter / 2)) - rodVolume(turning, KNOB.height),
      make: (kit, growth) => {
        const knob = turned(kit, knobHalf(KNOB.diameter / 2 + growth.outline));
        return ok(knob.subtract(rod(kit, turning - 2 * growth.hole, -1, KNOB.height + 1)));
      },
    },
    {
      ...{ id: 'drill end', kind: 'knob', name: `end for a drill, ${name}`, number: 1 },
      ...{ outside: size + 6, height: BEYOND + 4 + DRILL.length },
      volume:
        flatVolume(hex, [], DRILL.length) + rodVolume(size + 6, BEYOND + 4) - rodVolume(bore, BEYOND + 1),
      make: (kit, growth) => {
        const shank = flat(kit, hex, [], DRILL.length, growth, chordError);
        if (!shank.ok) return shank;
        const socket = rod(kit, size + 6 + 2 * growth.outline, 0, BEYOND + 4);
        const made = kit.Manifold.union([socket, shank.value.translate([0, 0, BEYOND + 4])]);
        return ok(made.subtract(rod(kit, bore - 2 * growth.hole, -1, BEYOND + 1)));
      },
    },
  ];
}

/** Half of a knob's section, so thick. */
const knobHalf = (r: number): [radius: number, height: number][] => [
  [0, 0],
  [r - 2, 0],
  [r, 2],
  [r * 0.86, KNOB.height / 2],
  [r, KNOB.height - 3],
  [r - 3, KNOB.height],
  [0, KNOB.height],
];

/** A bar with round ends from the origin along x. */
function bar(reach: number, wide: number): Path {
  const r = wide / 2;
  const far = { x: reach, y: 0 };
  return {
    start: { x: 0, y: -r },
    segments: [
      { kind: 'line', to: { x: reach, y: -r } },
      { kind: 'arc', to: { x: reach, y: r }, centre: far, ccw: true },
      { kind: 'line', to: { x: 0, y: r } },
      { kind: 'arc', to: { x: 0, y: -r }, centre: ORIGIN, ccw: true },
    ],
    closed: true,
  };
}
