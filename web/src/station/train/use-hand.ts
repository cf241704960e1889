import type { Derived } from '@tesseron/core/state';
import type { Machine } from '@tesseron/core/machine';
import type { Attempt } from '@tesseron/core/change';
import { sayProblem } from '@tesseron/core/words';
import { type ComputedRef, ref, type Ref } from 'vue';
import { useOpen } from '../../machine/use-open';

/** What is chosen on the drawing. */
interface Chosen {
  readonly kind: 'wheel' | 'member' | 'joint';
  readonly id: string;
}

/** An act that waits for its second subject to be chosen on the drawing. */
interface Pick {
  readonly kind: 'wheel' | 'member';
  /** What to choose, in words. */
  readonly asks: string;
  readonly take: (id: string) => void;
}

/** Changes of the train by hand: what is chosen, what waits for a choice, and why the last change was refused. */
export interface Hand {
  readonly machine: ComputedRef<Machine>;
  readonly derived: ComputedRef<Derived>;
  readonly chosen: Ref<Chosen | undefined>;
  readonly pick: Ref<Pick | undefined>;
  readonly refusal: Ref<string>;
  readonly choose: (next: Chosen | undefined) => void;
  /** Makes a change and gives it a name in the history; a refusal is said and nothing changed. */
  readonly act: (label: string, change: Attempt) => boolean;
  /** As act, for a change that makes something: it is chosen afterwards. */
  readonly make: (
    label: string,
    kind: Chosen['kind'],
    change: Attempt<{ machine: Machine; made: string }>,
  ) => boolean;
  readonly ask: (pick: Pick) => void;
}

export function useHand(): Hand {
  const { machine, derived, change } = useOpen();
  const chosen = ref<Chosen>();
  const pick = ref<Pick>();
  const refusal = ref('');

  function choose(next: Chosen | undefined): void {
    if (pick.value && next) {
      const wanted = pick.value;
      const member =
        next.kind === 'wheel' ? machine.value.wheels.find(w => w.id === next.id)?.member : next.id;
      if (wanted.kind !== next.kind && !(wanted.kind === 'member' && next.kind === 'wheel')) return;
      pick.value = undefined;
      wanted.take(wanted.kind === 'member' ? (member ?? next.id) : next.id);
      return;
    }
    if (chosen.value?.id === next?.id && chosen.value?.kind === next?.kind) return;
    refusal.value = '';
    chosen.value = next;
  }

  function make(
    label: string,
    kind: Chosen['kind'] | undefined,
    made: Attempt<{ machine: Machine; made: string }>,
  ): boolean {
    const done = made(machine.value);
    refusal.value = done.ok ? '' : sayProblem(done.problem);
    if (!done.ok) return false;
    change(label, () => done.value.machine);
    if (kind) chosen.value = { kind, id: done.value.made };
    return true;
  }

  return {
    ...{ machine, derived, chosen, pick, refusal, choose, make },
    act: (label, edit) =>
      make(label, undefined, m => {
        const done = edit(m);
        return done.ok ? { ok: true, value: { machine: done.value, made: '' } } : done;
      }),
    ask: next => {
      refusal.value = '';
      pick.value = next;
    },
  };
}
