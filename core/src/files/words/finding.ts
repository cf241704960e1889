import type { Machine } from '../../document/machine/index.ts';
import type { Finding } from '../../ground/result/index.ts';
import type { FindingWords, Speaker, Wordings } from './finding-words.ts';
import { INDICATOR_WORDS } from './indicator-words.ts';
import { FRAME_WORDS } from './frame-words.ts';
import { HUB_WORDS } from './hub-words.ts';
import { LAYOUT_WORDS } from './layout-words.ts';
import { MAKE_WORDS } from './make-words.ts';
import { nameOf } from './names.ts';
import { TEETH_WORDS } from './teeth-words.ts';
import { TRAIN_WORDS } from './train-words.ts';

const WORDS: Wordings = {
  ...TRAIN_WORDS,
  ...TEETH_WORDS,
  ...LAYOUT_WORDS,
  ...HUB_WORDS,
  ...FRAME_WORDS,
  ...MAKE_WORDS,
  ...INDICATOR_WORDS,
};

/** A finding as the maker reads it. */
export function sayFinding(finding: Finding, machine: Machine): FindingWords {
  const words = WORDS[finding.code] as (s: Speaker<Finding['code']>) => FindingWords;
  const name = (n = 0): string => nameOf(machine, finding.subjects[n] ?? '');
  return words({ name, data: finding.data });
}
