import { byId, type Machine } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { type Clearance, USUAL_CLEARANCE } from './clearances.ts';
import type { Stack } from './stack.ts';

/** Rounding of a gap that is meant to be nought, mm. */
const TOUCHES = -1e-6;

/** Things that strike, things that come nearer than the maker wants, and a pile that is too high. */
export function clearanceFindings(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'layout'>,
  clearances: readonly Clearance[],
  stack: Stack,
): Finding[] {
  const least = machine.layout.clearance ?? USUAL_CLEARANCE;
  const found = clearances.flatMap(c => {
    if (c.gap < TOUCHES) return strikes(machine, c);
    const data = { gap: c.gap, least };
    return c.gap < least - 1e-9 ? [finding('runs-close', 'note', 'plan', [c.a, c.b], data)] : [];
  });
  found.push(...tooSmall(machine, clearances));
  const height = machine.layout.envelope?.height;
  if (height !== undefined && stack.height > height + 1e-9)
    found.push(finding('too-high', 'stop', 'plan', [], { is: stack.height, most: height }));
  return found;
}

/** An envelope into which its largest wheel would not go wherever it stood, with the size that would do. */
function tooSmall(
  { layout, wheels }: Pick<Machine, 'wheels' | 'layout'>,
  clearances: readonly Clearance[],
): Finding[] {
  const region = layout.envelope?.region;
  if (region?.kind !== 'circle') return [];
  const room = region.diameter / 2;
  const largest = clearances
    .filter(c => c.kind === 'envelope' && c.outer !== undefined && byId(wheels, c.a))
    .sort((a, b) => (b.outer ?? 0) - (a.outer ?? 0))[0];
  if (!largest || (largest.outer ?? 0) <= room) return [];
  const needs = Math.ceil(2 * ((largest.outer ?? 0) + (layout.clearance ?? USUAL_CLEARANCE)));
  const mend = fix('grow-envelope', 'envelope', needs);
  return [
    finding('envelope-too-small', 'stop', 'plan', [largest.a], { needs, room: region.diameter }, [mend]),
  ];
}

/** Strikes that other layers may mend. */
const LAYERED: ReadonlySet<Clearance['kind']> = new Set(['one place', 'wheels', 'wheel and arbor', 'arm']);
const FIND = fix('find-layers', 'layers');

type StrikeCode =
  | 'wheels-strike'
  | 'wheels-in-one-place'
  | 'wheel-strikes-arbor'
  | 'arbors-strike'
  | 'arm-strikes'
  | 'pillar-strikes'
  | 'shown-strikes'
  | 'outside-envelope'
  | 'in-keep-out';

function strikes(machine: Pick<Machine, 'axes' | 'members' | 'wheels'>, c: Clearance): Finding[] {
  const data = { overlap: -c.gap, moving: c.swept };
  const say = (code: StrikeCode): Finding[] => [
    finding(code, 'stop', 'plan', [c.a, c.b], data, LAYERED.has(c.kind) ? [FIND] : []),
  ];
  switch (c.kind) {
    case 'wheels':
      return say('wheels-strike');
    case 'one place':
      return say('wheels-in-one-place');
    case 'neighbours':
      return [
        finding('planets-touch', 'stop', 'plan', [c.a], { overlap: -c.gap, planets: placesOf(machine, c.a) }),
      ];
    case 'wheel and arbor':
      return say('wheel-strikes-arbor');
    case 'arbors':
      return say('arbors-strike');
    case 'shown':
      return say('shown-strikes');
    case 'arm':
      return say('arm-strikes');
    case 'pillar':
      return say('pillar-strikes');
    case 'linkage':
      return [finding('linkage-strikes', 'stop', 'plan', [c.a, c.b], { overlap: -c.gap, at: c.at ?? 0 })];
    case 'envelope':
      return say('outside-envelope');
    case 'keep-out':
      return say('in-keep-out');
  }
}

function placesOf(machine: Pick<Machine, 'axes' | 'members' | 'wheels'>, wheel: string): number {
  const member = byId(machine.members, byId(machine.wheels, wheel)?.member);
  const axis = member?.kind === 'arbor' ? byId(machine.axes, member.axis) : undefined;
  return axis?.copies?.count ?? 1;
}
