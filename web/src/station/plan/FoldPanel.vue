<script setup lang="ts">
import { LIMITS } from '@tesseron/core/machine';
import { foldQuery } from '@tesseron/core/derive';
import type { Folded } from '@tesseron/core/layout';
import { nameOf, sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import WorkBar from '../../parts/WorkBar.vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import { useSearch } from '../../worker/use-search';
import TickBox from '../../parts/TickBox.vue';

/** Folds the train into its room; what is found is drawn on the table. */
const emit = defineEmits<{ found: [folds: readonly Folded[]] }>();
const { machine, derived } = useOpen();
const search = useSearch<'fold'>();
const wanted = ref(6);
const EFFORT = [
  { value: 60, title: 'quickly' },
  { value: 200, title: 'well' },
  { value: 1000, title: 'thoroughly' },
];
const starts = ref(200);
const pillarsStay = ref(false);
let seed = 1;

function start(): void {
  emit('found', []);
  search.start({
    kind: 'fold',
    query: foldQuery(derived.value, {
      starts: starts.value,
      wanted: wanted.value,
      seed,
      pillarsStay: pillarsStay.value,
    }),
  });
  seed += 1;
}
const answer = computed(() => search.answer.value);
watch([answer, search.news], () => {
  const found = answer.value?.ok ? answer.value.value : search.news.value?.folded;
  if (found) emit('found', found);
});
watch(machine, () => {
  search.clear();
  emit('found', []);
});
const locked = computed(() => machine.value.axes.filter(a => a.locked).map(a => nameOf(machine.value, a.id)));
</script>

<template>
  <p class="quiet small">
    Swings the axes about each other so that nothing strikes, in few layers and little room
    {{ machine.layout.envelope ? 'within the envelope' : '(give an envelope under Room to fold into it)' }}.
    Nothing moves until you take one.
  </p>
  <p v-if="locked.length > 0" class="small" data-test="locked">Locked, and stays: {{ locked.join('; ') }}.</p>
  <p v-else class="quiet small">No axis is locked: the whole may move to the middle of its envelope.</p>
  <div class="two">
    <v-select v-model="starts" :items="EFFORT" label="Look" data-test="fold-effort" />
    <NumberField
      v-model="wanted"
      label="different ones"
      :limits="LIMITS.foldsWanted"
      whole
      data-test="fold-wanted"
    />
  </div>
  <TickBox
    v-if="(machine.layout.plates?.pillars.length ?? 0) > 0"
    v-model="pillarsStay"
    label="pillars stay where they are"
    data-test="pillars-stay"
  />
  <div class="acts">
    <v-btn variant="flat" :disabled="search.searching.value" data-test="fold" @click="start">Fold</v-btn>
    <WorkBar :work="search" label="Folding" cancel-test="fold-stop" />
  </div>
  <p v-if="answer && !answer.ok" class="error-text" role="alert" data-test="fold-problem">
    {{ sayProblem(answer.problem) }}
  </p>
  <p v-if="answer?.ok" role="status" data-test="fold-said">
    {{ answer.value.length }}
    {{ answer.value.length === 1 ? 'arrangement' : 'arrangements that differ in which side each axis lies' }},
    the most compact first, those whose hands would strike something last. They are the best of those tried;
    none is proven best.
  </p>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
}

.acts {
  display: flex;
  gap: 10px;
  align-items: center;
}

.small {
  font-size: 13px;
}
</style>
