import { arbors, type Machine } from '../../document/machine/index.ts';
import { type Rational, toNumber } from '../../ground/rational/index.ts';
import { groundRate } from '../../trains/train/index.ts';

/** How fast an arbor turns against the ground, and how fast its quickest teeth go past. */
export interface MemberSpeed {
  readonly member: string;
  /** Turns a minute, signed. */
  readonly rpm: number;
  /** Metres a second at the pitch circle of its largest wheel; undefined without wheels. */
  readonly toothSpeed: number | undefined;
}

/**
 * Speeds of all arbors with the drive at so many turns a minute, fastest first: n = rate · drive, v = π d n. A
 * wheel of 100 mm at 60 turns a minute: 0.314 m/s. `pitchRadii` in mm by wheel.
 */
export function memberSpeeds(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels'>,
  rates: Readonly<Record<string, Rational>>,
  driveRpm: number,
  pitchRadii: Readonly<Record<string, number>>,
): MemberSpeed[] {
  return arbors(machine)
    .flatMap(m => {
      const rate = groundRate(machine, rates, m.id);
      if (!rate) return [];
      const rpm = toNumber(rate) * driveRpm;
      const radii = machine.wheels.flatMap(w => (w.member === m.id ? (pitchRadii[w.id] ?? []) : []));
      const largest = Math.max(0, ...radii);
      const toothSpeed = largest > 0 ? (2 * Math.PI * largest * Math.abs(rpm)) / 60_000 : undefined;
      return [{ member: m.id, rpm, toothSpeed }];
    })
    .sort((a, b) => Math.abs(b.rpm) - Math.abs(a.rpm));
}
