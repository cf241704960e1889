import { type Machine, newMachine } from '../src/document/machine/index.ts';
import { toFraction } from '../src/ground/rational/index.ts';
import { trainRates } from '../src/trains/train/index.ts';

/** A train of external meshes: arbors by index, wheels as [arbor, count], meshes as pairs of wheels. Arbor 0 drives. */
export function plainTrain(
  arbors: number,
  wheels: readonly (readonly [number, number])[],
  meshes: readonly (readonly [number, number])[],
): Machine {
  const base = newMachine('train');
  return {
    ...base,
    drive: { member: 'a0', speed: { kind: 'free' } },
    axes: Array.from({ length: arbors }, (_, i) => ({
      id: `x${i}`,
      frame: 'ground',
      place: { kind: 'given' as const, x: 100 * i, y: 0 },
    })),
    members: Array.from({ length: arbors }, (_, i) => ({
      kind: 'arbor' as const,
      id: `a${i}`,
      name: `a${i}`,
      axis: `x${i}`,
    })),
    wheels: wheels.map(([a, count], i) => ({
      id: `w${i}`,
      name: `w${i}`,
      member: `a${a}`,
      toothing: 'toothing1',
      role: 'wheel' as const,
      teeth: { kind: 'count' as const, count },
      layer: 0,
    })),
    joints: meshes.map(([a, b], i) => ({
      kind: 'mesh' as const,
      id: `m${i}`,
      type: 'external' as const,
      a: `w${a}`,
      b: `w${b}`,
    })),
  };
}

/** The rate of an arbor as a fraction, or that it is free. */
export const rateText = (m: Machine, id: string): string => {
  const r = trainRates(m).rates[id];
  return r ? toFraction(r) : 'free';
};

/** What is found of a train, by code. */
export const trainCodes = (m: Machine): string[] => trainRates(m).findings.map(f => f.code);
