import type { Derived } from '../../state/state/index.ts';
import { processOf } from '../../document/machine/index.ts';
import { problem } from '../../ground/result/index.ts';
import { linkPlates } from '../../place/layout/index.ts';
import { extraParts } from '../solid/index.ts';
import { flatParts, type LeftPart } from '../workshop/index.ts';

/** Parts that are bought where no printer makes them: they stand in the hardware list. */
export const IN_HARDWARE: ReadonlySet<string> = new Set(['clip', 'pillar', 'pin', 'key', 'ball', 'bearing']);
/** Another way to make a wheel that has a file of its own. */
export const INSTEAD: ReadonlySet<string> = new Set(['pinion', 'peg wheel', 'pin plate']);

/**
 * Everything of a machine that no file makes with the tools that are set, and why: teeth and joints that are not worked
 * out, bodies that only a printer makes where another tool is set, rods and slides, balls.
 */
export const notMade = (derived: Derived): LeftPart[] => [
  ...flatParts(derived).left,
  ...bodiesLeft(derived),
  ...membersLeft(derived),
  ...ballsLeft(derived),
];

/** Bevels, cranks, knobs, caps, eccentrics and output plates are bodies: a sheet holds none of them. */
function bodiesLeft(derived: Derived): LeftPart[] {
  const { machine, wheels } = derived;
  const printed = (part: string): boolean => processOf(machine, part)?.kind === 'printer';
  const bevels = machine.wheels.flatMap((w): LeftPart[] =>
    wheels[w.id]?.teeth.family === 'bevel' && !printed(w.id)
      ? [{ name: w.name, problem: problem('bevel-needs-printer') }]
      : [],
  );
  const bodies = extraParts(derived).flatMap((p): LeftPart[] =>
    IN_HARDWARE.has(p.kind) || INSTEAD.has(p.kind) || printed(p.id)
      ? []
      : [{ name: p.name, problem: problem('body-needs-printer') }],
  );
  return [...bevels, ...bodies];
}

/** Rods and slides that no joint moves, and so have no figure; slides that racks move are those. */
function membersLeft({ machine }: Derived): LeftPart[] {
  const made = new Set(linkPlates(machine).flatMap(p => (p.kind === 'roller' ? [] : [p.member])));
  return machine.members.flatMap((m): LeftPart[] => {
    const racked = machine.wheels.some(w => w.member === m.id && w.role === 'rack');
    if (m.kind === 'arbor' || made.has(m.id) || (m.kind === 'slide' && racked)) return [];
    const kind = m.kind === 'link' ? 'rod' : 'slide';
    return [{ name: `${kind}, ${m.name}`, problem: problem('bodies-not-yet', { kind }) }];
  });
}

/** Globes and the balls of bodies, where no printer makes them. */
const ballsLeft = ({ machine }: Derived): LeftPart[] =>
  machine.indicators.flatMap((i): LeftPart[] =>
    (i.kind === 'globe' || i.kind === 'body') && processOf(machine, `ball ${i.id}`)?.kind !== 'printer'
      ? [{ name: i.name || i.kind, problem: problem('ball-no-file', { diameter: 2 * i.radius }) }]
      : [],
  );
