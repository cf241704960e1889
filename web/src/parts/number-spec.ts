import type { Limit } from '@tesseron/core/machine';

/** A number to be typed, as data: what it is, its limits, and what to do with it. */
export interface NumberSpec {
  readonly label: string;
  readonly value: number | undefined;
  readonly limits: Limit;
  readonly set: (value: number) => void;
  /** Lets it be empty, and does that. */
  readonly clear?: () => void;
  readonly unit?: string;
  readonly whole?: boolean;
  readonly hint?: string;
  /** Its name in the tests. */
  readonly test?: string;
}

type More = Pick<NumberSpec, 'clear' | 'unit' | 'whole' | 'hint' | 'test'>;

/** A number field in few words. */
export const number = (
  label: string,
  value: number | undefined,
  limits: Limit,
  set: (value: number) => void,
  more: More = {},
): NumberSpec => ({ label, value, limits, set, ...more });

/** A length in millimetres. */
export const length = (
  label: string,
  value: number | undefined,
  limits: Limit,
  set: (value: number) => void,
  more: More = {},
): NumberSpec => number(label, value, limits, set, { unit: 'mm', ...more });
