import type { Machine } from '@tesseron/core/machine';

/** A state of the document and what led to it. */
export interface Step {
  readonly label: string;
  readonly machine: Machine;
  /** Changes of one gesture (a drag, a spinning number) that share this are one step. */
  readonly gesture: string | undefined;
}

/** Undo and redo as lists of values: the last of `past` is the present. */
export interface History {
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

const MOST_STEPS = 500;

export const startHistory = (machine: Machine): History => ({
  past: [{ label: 'Opened', machine, gesture: undefined }],
  future: [],
});

export function present(history: History): Step {
  const step = history.past[history.past.length - 1];
  if (!step) throw new Error('history: no present');
  return step;
}

/** The history after a change. A change of the same gesture as the last one takes its place. */
export function record(history: History, step: Step): History {
  const last = present(history);
  const merges = step.gesture !== undefined && step.gesture === last.gesture && history.past.length > 1;
  const past = merges ? history.past.slice(0, -1) : history.past;
  return { past: [...past, step].slice(-MOST_STEPS), future: [] };
}

export function undo(history: History): History {
  if (history.past.length < 2) return history;
  return { past: history.past.slice(0, -1), future: [present(history), ...history.future] };
}

/** The history with the n-th of all its steps as the present: past and future are one row. */
export function goTo(history: History, index: number): History {
  const row = [...history.past, ...history.future];
  const at = Math.min(row.length - 1, Math.max(0, index));
  return at === history.past.length - 1 ? history : { past: row.slice(0, at + 1), future: row.slice(at + 1) };
}

export function redo(history: History): History {
  const [next, ...future] = history.future;
  return next ? { past: [...history.past, next], future } : history;
}
