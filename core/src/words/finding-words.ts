import type { Finding } from '../result/index.ts';

/** A finding in words: what it is, why, and what would mend it when no single change does. */
export interface FindingWords {
  readonly title: string;
  readonly why: string;
  readonly advice?: string;
}

/** What a finding tells of itself. */
interface Speaker {
  /** The name of the n-th subject. */
  readonly name: (n?: number) => string;
  readonly num: (key: string) => number;
  readonly text: (key: string) => string;
  readonly data: Finding['data'];
}

/** How a finding is said. */
export type Words = (s: Speaker) => FindingWords;
