import type { FindingCode, Findings } from '../../ground/result/index.ts';

/** A finding in words: what it is, why, and what would mend it when no single change does. */
export interface FindingWords {
  readonly title: string;
  readonly why: string;
  readonly advice?: string;
}

/** What a finding tells of itself. */
export interface Speaker<C extends FindingCode> {
  /** The name of the n-th subject. */
  readonly name: (n?: number) => string;
  readonly data: Readonly<Findings[C]>;
}

/** How every finding is said, from what it carries. */
export type Wordings = { readonly [C in FindingCode]: (s: Speaker<C>) => FindingWords };
