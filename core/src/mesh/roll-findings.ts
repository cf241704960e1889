import { type Finding, finding } from '../result/index.ts';
import type { RollResult } from './roll-check.ts';

/** A jump of the driven's speed that can be heard and felt, as a part of it (common practice, no source). */
const ROUGH = 0.1;

/** Uneven motion of so many chord errors comes from the form, not from the chords (conventions 12 allows one and a half). */
const UNEVEN = 4;

/** What the rolled outlines of a mesh say. Lengths in mm. */
export function rollFindings(meshId: string, roll: RollResult | undefined, chordError: number): Finding[] {
  const say = (code: string, severity: Finding['severity'], data: Finding['data']): Finding =>
    finding(code, severity, 'teeth', [meshId], data);
  if (!roll) return [say('rolls-without-meeting', 'stop', {})];
  const found: Finding[] = [];
  if (roll.leastPlay < -2 * chordError || roll.deepestOverlap > 1.5 * chordError)
    found.push(say('outlines-overlap', 'stop', { overlap: roll.deepestOverlap, play: roll.leastPlay }));
  if (roll.contactRatio < 1 - 1e-9) found.push(say('contact-broken', 'warn', { is: roll.contactRatio }));
  if (roll.transmissionError > UNEVEN * chordError)
    found.push(say('rolls-unevenly', 'note', { error: roll.transmissionError, chord: chordError }));
  if (roll.shock > ROUGH) found.push(say('shock', 'warn', { jump: roll.shock }));
  return found;
}
