import { type Finding, type Findings, finding, type Severity } from '../../ground/result/index.ts';
import type { RollResult } from './roll-check.ts';

/** A jump of the driven's speed that can be heard and felt, as a part of it (common practice, no source). */
const ROUGH = 0.1;

/**
 * Uneven motion of so many chord errors comes from the form, not from the chords (conventions 12 allows one and a
 * half).
 */
const UNEVEN = 4;

type RollCode = 'outlines-overlap' | 'contact-broken' | 'rolls-unevenly' | 'shock';

/** What the rolled outlines of a mesh say. Lengths in mm. */
export function rollFindings(meshId: string, roll: RollResult | undefined, chordError: number): Finding[] {
  if (!roll) return [finding('rolls-without-meeting', 'stop', 'teeth', [meshId])];
  const say = <C extends RollCode>(code: C, severity: Severity, data: Findings[C]): number =>
    found.push(finding<RollCode>(code, severity, 'teeth', [meshId], data));
  const found: Finding[] = [];
  if (roll.leastPlay < -2 * chordError || roll.deepestOverlap > 1.5 * chordError)
    say('outlines-overlap', 'stop', { overlap: roll.deepestOverlap, play: roll.leastPlay });
  if (roll.contactRatio < 1 - 1e-9) say('contact-broken', 'warn', { is: roll.contactRatio });
  if (roll.transmissionError > UNEVEN * chordError)
    say('rolls-unevenly', 'note', { error: roll.transmissionError, chord: chordError });
  if (roll.shock > ROUGH) say('shock', 'warn', { jump: roll.shock });
  return found;
}
