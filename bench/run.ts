import { deriveWhole } from './whole.ts';
import { driftCourse, skyAspects } from '../core/src/state/ask/index.ts';
import { newAim } from '../core/src/document/machine/index.ts';
import {
  type DriveTurns,
  memberAngle,
  type Stance,
  stancesAt,
  turnsAfter,
} from '../core/src/place/motion/index.ts';
import { mul, rational, sub, toNumber } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { sideFrame, sideScene } from '../core/src/files/drawings/index.ts';
import { parseDate, secondsSince2000 } from '../core/src/ground/units/index.ts';
import { clock, report } from './clock.ts';
import { ninetyWheels } from './ninety-wheels.ts';

const FRAMES = 600;
const YEARS = 200;

/** Running: positions in plan and from the side, setting to a date, drift over two hundred years, the sky. */
export function runBench(): void {
  const machine = ninetyWheels();
  const d = deriveWhole(machine);
  const at = (i: number): DriveTurns => ({ whole: BigInt(i), part: (i * 0.618) % 1 });
  const into = new Map<string, Stance>();
  const kept = clock(() => {
    for (let i = 0; i < FRAMES; i++) stancesAt(d.moving, at(i), into);
  });
  const anew = clock(() => {
    for (let i = 0; i < FRAMES; i++) stancesAt(d.moving, at(i));
  });
  report(`90 wheels, ${FRAMES} frames’ positions in the same places`, kept, 'in new ones every frame', anew);
  const scene = sideScene(d);
  const side = clock(() => {
    for (let i = 0; i < FRAMES; i++)
      sideFrame(scene, { angle: 0.3, cut: 0 }, stancesAt(d.moving, at(i), into), d.positions.at);
  });
  report(`90 wheels, ${FRAMES} frames cut open`, side, 'their positions alone', kept);

  // A thousand million turns on: the angle against the same worked wholly in fractions.
  let worst = 0;
  for (const rate of Object.values(d.train.rates)) {
    const turns = { whole: 10n ** 9n + 7n, part: 0.25 };
    const exact = mul(rate, rational(4n * turns.whole + 1n, 4n));
    const rest = toNumber(
      sub(
        exact,
        rational(exact.num >= 0n ? exact.num / exact.den : (exact.num - exact.den + 1n) / exact.den),
      ),
    );
    const off = memberAngle(rate, turns) / (2 * Math.PI) - rest;
    worst = Math.max(worst, Math.abs(off - Math.round(off)));
  }
  console.log(
    `90 wheels after 10⁹ turns: at most ${worst.toExponential(1)} turns from the angle worked in fractions`,
  );

  const date = must(parseDate('2126-03-01 06:30'));
  const seconds = secondsSince2000(date);
  const set = clock(() => {
    const turns = turnsAfter(seconds, rational(43200n));
    stancesAt(d.moving, turns, into);
  });
  report('90 wheels set to a date', set, 'the most that is wanted', 50);

  const member = machine.members.at(-1)?.id ?? '';
  const aims = Array.from({ length: 30 }, (_, i) => ({
    ...newAim(machine, `a${i}`, `${i + 2}.12345 h`),
    id: `aim${i}`,
    member,
  }));
  const charted = deriveWhole({
    ...machine,
    drive: { member: machine.drive?.member ?? '', speed: { kind: 'period', text: '1 h' } },
    aims,
  });
  const drift = clock(() => {
    for (const a of charted.machine.aims) {
      const state = charted.aims[a.id];
      const course = state && driftCourse(state, charted.driveSeconds);
      for (let y = 0; course && y <= YEARS; y++)
        toNumber(mul(course.perDay, rational(BigInt(y * 36525), 100n)));
    }
  });
  report(`drift of 30 outputs over ${YEARS} years`, drift, 'the most that is wanted', 200);
  const moon = deriveWhole({
    ...machine,
    drive: { member: machine.drive?.member ?? '', speed: { kind: 'period', text: '365.25636 d' } },
    aims: [
      { ...newAim(machine, 'Mars', '686.98 d'), member },
      { ...newAim(machine, 'Moon', '29.530588 d'), id: 'aim9', member },
    ],
  });
  const sky = clock(() =>
    skyAspects(moon, toNumber(seconds) / 86400, 365.25636 * 86400, { whole: 3n, part: 0.1 }),
  );
  report('phases, an elongation and what comes next', sky, 'the most between two frames', 1000 / 60);
}
