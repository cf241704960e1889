import { arbors, byId, type Machine, type SetStage } from '../../document/machine/index.ts';
import { stageParts, type StageParts } from './stage-parts.ts';

/** The three members about the middle of a stage: what is held, what turns it, what it turns. */
export interface Ways {
  readonly held: 'sun' | 'ring' | 'arm';
  readonly driver: 'sun' | 'ring' | 'arm';
  readonly input: string;
  readonly output: string;
}

/** What of a stage is held and what drives it; undefined where nothing is held, or two are. */
export function waysOf(machine: Machine, set: readonly SetStage[], at: number): Ways | undefined {
  const parts = partsAt(machine, set, at);
  if (!parts) return undefined;
  const members = { sun: parts.sun.member, ring: parts.ring.member, arm: parts.arm.id };
  const centrals = ['sun', 'ring', 'arm'] as const;
  const held = centrals.filter(c => byId(arbors(machine), members[c])?.held !== undefined);
  const free = centrals.filter(c => !held.includes(c));
  const before = at > 0 ? partsAt(machine, set, at - 1) : undefined;
  const sources = before ? [before.sun.member, before.ring.member, before.arm.id] : [machine.drive?.member];
  const driver = free.find(c => sources.includes(members[c]));
  const driven = free.find(c => c !== driver);
  const [still] = held;
  if (held.length !== 1 || !still || !driver || !driven || parts.second) return undefined;
  return { held: still, driver, input: members[driver], output: members[driven] };
}

export const partsAt = (machine: Machine, set: readonly SetStage[], at: number): StageParts | undefined => {
  const stage = set[at];
  return stage && stageParts(machine, stage);
};
