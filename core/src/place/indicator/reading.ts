import type { Indicator, Reads } from '../../document/machine/index.ts';
import type { DriveTurns } from '../motion/index.ts';
import { parseDecimal, toNumber } from '../../ground/rational/index.ts';
import { parseWanted } from '../../ground/units/index.ts';
import { type IndicatorFacts, pointingOf } from './pointing.ts';

/** What is read from an indicator, as figures; `words` says it. */
export type IndicatorReading =
  | { readonly kind: 'clock'; readonly seconds: number; readonly full: number }
  | { readonly kind: 'days' | 'age'; readonly days: number; readonly full: number }
  | { readonly kind: 'scale'; readonly value: number; readonly full: number; readonly unit: string }
  | { readonly kind: 'names'; readonly name: string }
  | { readonly kind: 'turns'; readonly turns: number }
  | { readonly kind: 'degrees'; readonly degrees: number };

/** Seconds of a full turn of what is read as a time. */
export function fullSeconds(reads: Reads | undefined): number | undefined {
  if (reads?.kind !== 'clock' && reads?.kind !== 'days' && reads?.kind !== 'age') return undefined;
  const span = parseWanted(reads.full);
  return span.ok && span.value.kind === 'period' ? toNumber(span.value.seconds) : undefined;
}

/** Below this a part of a turn is what doubles make of nought, or of a whole step. */
const HAIR = 1e-9;

/** A place without the last digits of doubles: what stands a hair before a step has made it. */
function settled<T extends { readonly whole: bigint; readonly part: number }>(at: T): T {
  const part = Math.round(at.part / HAIR) * HAIR;
  return part >= 1 - HAIR / 2 ? { ...at, whole: at.whole + 1n, part: 0 } : { ...at, part };
}

/**
 * What an indicator reads after some turns of the drive; in degrees where nothing else is said. Undefined where a
 * rate is not known.
 */
export function readIndicator(
  facts: IndicatorFacts,
  indicator: Indicator,
  turns: DriveTurns,
): IndicatorReading | undefined {
  const exact = pointingOf(facts, indicator, turns);
  if (!exact) return undefined;
  const at = settled(exact);
  const { reads } = indicator;
  const full = fullSeconds(reads) ?? 0;
  switch (reads?.kind) {
    case 'clock':
      return { kind: 'clock', seconds: at.part * full, full };
    case 'days':
    case 'age':
      return { kind: reads.kind, days: (at.part * full) / 86400, full: full / 86400 };
    case 'scale': {
      const parsed = parseDecimal(reads.full);
      const most = parsed.ok ? toNumber(parsed.value) : 1;
      return { kind: 'scale', value: at.part * most, full: most, unit: reads.unit };
    }
    case 'names': {
      const name =
        reads.names[
          Math.min(
            reads.names.length - 1,
            Math.floor(at.part * reads.names.length + HAIR * reads.names.length),
          )
        ];
      return { kind: 'names', name: name ?? '' };
    }
    case 'turns':
      return { kind: 'turns', turns: Number(at.whole) + at.part };
    case 'degrees':
    case undefined:
      return { kind: 'degrees', degrees: at.part * 360 };
  }
}
