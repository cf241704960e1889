import type { Drawing } from '../../ground/drawing/index.ts';
import type { Cutter, CutRun, PrintedBody, Printer } from '../../making/dry-run/index.ts';
import type { Paper } from '../format/index.ts';
import type { TriMesh } from '../../ground/geometry/index.ts';
import type { Machine, Process } from '../../document/machine/index.ts';
import type { Problem, Result } from '../../ground/result/index.ts';
import type { SpaceScene } from '../../making/solid/index.ts';
import type { LaidBatch } from '../../making/workshop/index.ts';

/** A part that could not be made, and why. */
export interface NotMade {
  readonly name: string;
  readonly problem: Problem;
}

/** Bytes of a file under a name. */
export interface Named {
  readonly name: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

/** Long work of making, as it is asked of a worker. */
export type MakeRequest =
  | { readonly task: 'sheets'; readonly machine: Machine; readonly sets: number }
  | { readonly task: 'solid'; readonly machine: Machine; readonly part: string }
  | { readonly task: 'plates'; readonly machine: Machine; readonly process: string }
  | { readonly task: 'in place'; readonly machine: Machine; readonly set: string }
  | { readonly task: 'coupon'; readonly drawing: Drawing; readonly process: Process; readonly raw: boolean }
  | { readonly task: 'space'; readonly machine: Machine }
  | { readonly task: 'archive'; readonly machine: Machine; readonly paper: Paper; readonly sets: number }
  | {
      readonly task: 'cut';
      readonly file: { readonly name: string; readonly text: string };
      readonly cutter: Cutter;
    }
  | {
      readonly task: 'print';
      readonly file: { readonly name: string; readonly bytes: Uint8Array };
      readonly printer: Printer;
    };

export type MakeTask = MakeRequest['task'];

/** What is answered, by task. */
export interface MakeAnswers {
  readonly sheets: { readonly laid: readonly LaidBatch[]; readonly left: readonly NotMade[] };
  readonly solid: { readonly file?: Uint8Array<ArrayBuffer>; readonly left: readonly NotMade[] };
  readonly plates: { readonly files: readonly Named[]; readonly left: readonly NotMade[] };
  readonly 'in place': { readonly file?: Uint8Array<ArrayBuffer>; readonly left: readonly NotMade[] };
  readonly coupon: { readonly file: Uint8Array<ArrayBuffer> };
  readonly space: { readonly scene: SpaceScene; readonly bodies: ReadonlyMap<string, TriMesh> };
  readonly archive: {
    readonly file: Uint8Array<ArrayBuffer>;
    readonly files: number;
    readonly left: readonly NotMade[];
  };
  readonly cut: Result<CutRun>;
  readonly print: Result<readonly PrintedBody[]>;
}

/** How far long work is, and with what. */
export interface MakeNews {
  readonly done: number;
  readonly doing: string;
}
