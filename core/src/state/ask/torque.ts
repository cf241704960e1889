import { absolute, isZero, toNumber } from '../../ground/rational/index.ts';
import { groundRate, inMode, playShares, wayTo } from '../../trains/train/index.ts';
import type { Derived } from '../state/index.ts';

/**
 * What a mesh of plain wheels passes on, as a part of what it gets: a guess, between oiled brass (0.95) and dry
 * wood (0.7).
 */
export const GUESSED_EFFICIENCY = 0.85;

/** What is left of a torque at an arbor, and through how many meshes it came. */
export interface TorqueLeft {
  readonly member: string;
  /** As many times the drive's torque. */
  readonly times: number;
  readonly meshes: number;
}

/**
 * Torque through the train, a rough model: T = T_drive · η^n / |rate|, n the meshes on the way, η the same for
 * each. Slow arbors get more, each mesh takes its part. Weakest first: what is hung there stalls the drive last,
 * but is stalled itself first.
 * An arm comes through all meshes of its planets. Arbors that the drive does not reach are left out.
 */
export function torquesLeft(
  { machine, train, flow }: Pick<Derived, 'machine' | 'train' | 'flow'>,
  efficiency: number,
): TorqueLeft[] {
  const drive = machine.drive?.member;
  if (drive === undefined) return [];
  const shares = playShares(inMode(machine));
  return machine.members
    .flatMap(m => {
      const rate = m.kind === 'arbor' && m.id !== drive ? groundRate(machine, train.rates, m.id) : undefined;
      if (!rate || isZero(rate)) return [];
      const many = wayTo(flow, m.id, drive)?.length ?? shares[m.id]?.length ?? 0;
      if (many === 0) return [];
      return [{ member: m.id, times: efficiency ** many / toNumber(absolute(rate)), meshes: many }];
    })
    .sort((a, b) => a.times - b.times);
}
