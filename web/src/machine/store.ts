import { askedInTurn, type Derived } from '@tesseron/core/state';
import { derive } from '@tesseron/core/derive';
import { type Machine, machineFrom, soundAfter } from '@tesseron/core/machine';
import type { Attempt, Edit } from '@tesseron/core/change';
import type { Finding } from '@tesseron/core/result';
import { followSets } from '@tesseron/core/sets';
import { sayProblem } from '@tesseron/core/words';
import { liveQuery, type Subscription } from 'dexie';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { database } from '../keep/database';
import type { KeptMachine } from '../keep/db';
import { keepReadable, loadMachine, writeMachineIf } from '../keep/machines';
import { addMachine } from '../keep/shelf';
import { whenIdle } from '../keep/when-idle';
import { inSlices } from '../parts/in-slices';
import { goTo, type History, present, record, redo, startHistory, type Step, undo } from './history';

/** How keeping stands: all kept, writing, overtaken by another tab, or refused by the browser. */
export type KeepState = 'kept' | 'writing' | 'overtaken' | 'failed';

/** Judging that fits before the next frame, ms: a small machine is judged before it is drawn. */
const AT_ONCE = 8;

/** Work whose steps are timed: ms spent on it so far. */
function* timed<T>(work: Iterator<unknown, T>, sum: { spent: number }): Generator<unknown, T> {
  for (;;) {
    const start = performance.now();
    const step = work.next();
    sum.spent += performance.now() - start;
    if (step.done) return step.value;
    yield;
  }
}

/** Findings, and the machine of which they are true. */
interface Judged {
  readonly machine: Machine;
  readonly findings: readonly Finding[];
}

/**
 * The open machine: the document, what follows from it, its history, and its keeping. Replaced whole, never
 * changed.
 */
export const useMachine = defineStore('machine', () => {
  const id = ref('');
  const history = shallowRef<History>();
  const derived = shallowRef<Derived>();
  /** What is judged, and of which state of the machine; while `judging`, of the one before the last change. */
  const judged = shallowRef<Judged>();
  const judging = ref(false);
  let stopJudging: (() => void) | undefined;
  /** Whether the last change was judged quickly enough to be so before it is drawn. */
  let quick = true;
  const keepState = ref<KeepState>('kept');
  const notice = ref('');
  /** Why the last change was not made. */
  const refused = ref('');
  let revision = 0;
  let wanted: Machine | undefined;
  let writing: Promise<void> | undefined;
  let watching: Subscription | undefined;

  function show(next: History): void {
    history.value = next;
    const made = derive(present(next).machine, derived.value);
    derived.value = made;
    judging.value = true;
    stopJudging?.();
    // A machine that takes longer is drawn first: what is begun at once would only hold up its frame.
    const work = { spent: 0 };
    stopJudging = inSlices(
      timed(askedInTurn(made.stages), work),
      () => {
        quick = work.spent <= AT_ONCE;
        said(made);
      },
      quick ? AT_ONCE : 0,
    );
  }
  function said({ machine, findings }: Derived): void {
    judged.value = { machine, findings };
    judging.value = false;
  }

  async function open(machineId: string): Promise<string | undefined> {
    if (id.value === machineId && derived.value) return undefined;
    await close();
    const found = await loadMachine(database, machineId);
    if (!found) return 'This machine is not on the shelf of this browser.';
    if (!found.machine.ok) return `The kept machine cannot be opened. ${sayProblem(found.machine.problem)}`;
    id.value = machineId;
    revision = found.kept.revision;
    await keepReadable(database, found.kept);
    derived.value = undefined;
    judged.value = undefined;
    quick = true;
    keepState.value = 'kept';
    notice.value = '';
    show(startHistory(found.machine.value));
    watch();
    return undefined;
  }

  async function close(): Promise<void> {
    watching?.unsubscribe();
    watching = undefined;
    await settled();
    id.value = '';
    history.value = undefined;
    derived.value = undefined;
    stopJudging?.();
    judged.value = undefined;
    judging.value = false;
  }

  /** Makes a change, names it in the history and keeps it at once. */
  function change(label: string, edit: Edit, gesture?: string): void {
    if (!history.value) return;
    const before = present(history.value).machine;
    const changed = edit(before);
    if (changed === before) return;
    // Planetary sets stay sets, whatever of them is changed and wherever.
    const followed = followSets(before, changed);
    const machine = followed.ok ? followed.value : changed;
    const wrong = followed.ok ? soundAfter(before, machine) : followed.problem;
    if (wrong) {
      refused.value = `${label}: this cannot be done. ${sayProblem(wrong)}`;
      return;
    }
    refused.value = '';
    show(record(history.value, { label, machine, gesture }));
    keep(machine);
  }

  /** Makes a change that may be refused: the sentence why, or nothing where it was made. */
  function attempt(label: string, made: Attempt): string {
    if (!history.value) return '';
    const done = made(present(history.value).machine);
    if (!done.ok) return sayProblem(done.problem);
    change(label, () => done.value);
    return '';
  }

  function step(move: (h: History) => History): void {
    if (!history.value) return;
    const next = move(history.value);
    if (next === history.value) return;
    show(next);
    keep(present(next).machine);
  }

  function keep(machine: Machine): void {
    wanted = machine;
    if (keepState.value === 'overtaken') return;
    keepState.value = 'writing';
    writing ??= whenIdle()
      .then(writeAll)
      .finally(() => (writing = undefined));
  }

  async function writeAll(): Promise<void> {
    while (wanted && keepState.value === 'writing') {
      const machine = wanted;
      wanted = undefined;
      try {
        const written = await writeMachineIf(database, id.value, machine, revision, Date.now());
        if (written.kind === 'written') revision = written.revision;
        else keepState.value = written.kind === 'overtaken' ? 'overtaken' : 'failed';
      } catch {
        keepState.value = 'failed';
      }
    }
    if (keepState.value === 'writing') keepState.value = 'kept';
  }

  const settled = async (): Promise<void> => {
    await writing;
  };

  /** Follows what other tabs write, as long as nothing of ours waits to be written. */
  function watch(): void {
    const machineId = id.value;
    watching = liveQuery(() => database.machines.get(machineId)).subscribe(kept => {
      const ours = writing || keepState.value === 'overtaken';
      if (kept && kept.revision > revision && !ours && id.value === machineId) follow(kept);
    });
  }

  function follow(kept: KeptMachine): void {
    const machine = machineFrom(kept.document);
    if (!machine.ok || !history.value) return;
    revision = kept.revision;
    keepState.value = 'kept';
    wanted = undefined;
    show(
      record(history.value, { label: 'Changed in another tab', machine: machine.value, gesture: undefined }),
    );
    notice.value =
      'This machine was changed in another tab; what you see is the newest. Undo brings yours back.';
  }

  /** After two tabs changed the machine at once: take theirs, or keep ours as a machine of its own. */
  async function takeTheirs(): Promise<void> {
    const found = await loadMachine(database, id.value);
    if (found) follow(found.kept);
  }

  async function keepOurs(newId: string): Promise<void> {
    if (!history.value) return;
    const machine = present(history.value).machine;
    await addMachine(
      database,
      newId,
      { ...machine, name: `${machine.name} (copy)`.slice(0, 120) },
      Date.now(),
    );
  }

  return {
    id,
    derived,
    judged,
    judging,
    keepState,
    notice,
    machine: computed(() => derived.value?.machine),
    /** All steps of this sitting, done and undone, and which of them is the present. */
    steps: computed<readonly Step[]>(() => [
      ...(history.value?.past ?? []),
      ...(history.value?.future ?? []),
    ]),
    at: computed(() => (history.value?.past.length ?? 0) - 1),
    undoLabel: computed(() => {
      const past = history.value?.past ?? [];
      return past.length > 1 ? past[past.length - 1]?.label : undefined;
    }),
    redoLabel: computed(() => history.value?.future[0]?.label),
    open,
    close,
    change,
    attempt,
    undo: () => step(undo),
    redo: () => step(redo),
    goTo: (index: number) => step(h => goTo(h, index)),
    settled,
    takeTheirs,
    keepOurs,
    dismissNotice: () => (notice.value = ''),
    refused,
    dismissRefused: () => (refused.value = ''),
  };
});
