import type { Problem } from '../../ground/result/index.ts';
import { ARRANGING_SENTENCES } from './arranging-problem.ts';
import { ASKED_SENTENCES } from './asked-problem.ts';
import { DOCUMENT_SENTENCES } from './document-problem.ts';
import { MAKING_SENTENCES } from './making-problem.ts';
import type { Sentences } from './sentences.ts';
import { TOOTH_SENTENCES } from './tooth-problem.ts';

/** What is wrong, and what would work: one or two sentences for every problem there is. */
const SENTENCES: Sentences = {
  ...ASKED_SENTENCES,
  ...DOCUMENT_SENTENCES,
  ...ARRANGING_SENTENCES,
  ...MAKING_SENTENCES,
  ...TOOTH_SENTENCES,
};

/** A problem as a sentence for the maker. */
export function sayProblem<C extends Problem['code']>(problem: Problem<C>): string {
  return (SENTENCES[problem.code] as (d: Problem['data']) => string)(problem.data);
}
