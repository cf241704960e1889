import type { Finding } from '@tesseron/core/result';
import type { Derived } from '@tesseron/core/state';
import { AS_MADE, rollFindings, type RollResult, type WhatIf } from '@tesseron/core/mesh';
import { refDebounced } from '@vueuse/core';
import { computed, type ComputedRef, type Ref, toRaw, watch } from 'vue';
import { useRolling } from '../../worker/use-rolling';
import type { Work } from '../../worker/use-worker';

/** The chosen mesh, rolled in a worker whenever it or what is tried on it changes; and all meshes when asked. */
export function useRoll(
  derived: Ref<Derived>,
  mesh: Ref<string | undefined>,
  tried: Ref<WhatIf>,
): {
  result: ComputedRef<RollResult | undefined>;
  rolling: Readonly<Ref<boolean>>;
  /** Of the chosen mesh. */
  work: Work;
  milliseconds: Readonly<Ref<number>>;
  all: {
    start: () => void;
    work: Work;
    findings: ComputedRef<readonly Finding[] | undefined>;
    number: ComputedRef<number>;
  };
} {
  const one = useRolling();
  const every = useRolling();
  const calm = refDebounced(tried, 120);
  const engagement = computed(() => (mesh.value ? derived.value.meshes[mesh.value]?.engagement : undefined));
  watch(
    [engagement, calm, () => derived.value.chordError],
    ([found]) => {
      one.clear();
      if (found && mesh.value)
        void one.ask({
          meshes: [{ mesh: mesh.value, engagement: found, whatIf: toRaw(calm.value) }],
          chordError: derived.value.chordError,
        });
    },
    { immediate: true },
  );
  watch(derived, () => every.clear());
  return {
    result: computed(() => one.answer.value?.[0]?.result),
    rolling: one.working,
    work: one,
    milliseconds: one.milliseconds,
    all: {
      start: () => {
        const { meshes, chordError } = derived.value;
        const asked = Object.entries(meshes).flatMap(([id, m]) =>
          m.engagement ? [{ mesh: id, engagement: m.engagement, whatIf: AS_MADE }] : [],
        );
        void every.ask({ meshes: asked, chordError });
      },
      work: every,
      findings: computed(() =>
        every.answer.value?.flatMap(r => rollFindings(r.mesh, r.result, derived.value.chordError)),
      ),
      number: computed(() => every.answer.value?.length ?? 0),
    },
  };
}
