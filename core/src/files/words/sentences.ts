import type { ProblemCode, Problems } from '../../ground/result/index.ts';

/** A sentence for every problem, made from what that problem carries. */
export type Sentences = { readonly [C in ProblemCode]: (d: Readonly<Problems[C]>) => string };

/** What was typed, in quotation marks. */
export const reading = (d: { text: string }): string => (d.text === '' ? 'That' : `“${d.text.slice(0, 60)}”`);

/** The stage whose limits are meant, where they are one stage’s. */
export const inStage = (d: { stage?: number }): string => (d.stage === undefined ? '' : `Stage ${d.stage}: `);

/** The limits that together leave no count. */
export const limitsNamed = (d: Problems['no-count-left']): string =>
  [
    `from ${d.least} to ${d.most} teeth`,
    d.stock ? 'in stock' : '',
    d.forbidden ? 'not forbidden' : '',
    d.noPrimes ? 'no primes' : '',
    d.outside ? `at most ${d.outside} mm outside` : '',
  ]
    .filter(Boolean)
    .join(', ');
