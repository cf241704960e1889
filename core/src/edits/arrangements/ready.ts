import type { Machine } from '../../document/machine/index.ts';
import type { Result } from '../../ground/result/index.ts';

/** What a ready arrangement asks: pairs of counts such as `20:60, 15:45`, one count, or one of some choices. */
export interface ReadyField {
  readonly key: string;
  readonly label: string;
  readonly kind: 'pairs' | 'count' | 'choice';
  /** The value that is offered. */
  readonly offered: string;
  readonly choices?: readonly { readonly value: string; readonly title: string }[];
}

/** An arrangement that is inserted as ordinary arbors and wheels, which can be changed afterwards. */
export interface ReadyArrangement {
  readonly id: string;
  readonly title: string;
  /** What it does, in a sentence. */
  readonly does: string;
  readonly fields: readonly ReadyField[];
  /**
   * The machine with the arrangement hung on an arbor, or on its drive where none is named; a problem names what
   * cannot be.
   */
  readonly build: (
    machine: Machine,
    values: Readonly<Record<string, string>>,
    on?: string,
  ) => Result<Machine>;
  /** Which of the fields are asked on that arbor; all where this is left out. */
  readonly asked?: (machine: Machine, on?: string) => readonly string[];
}
