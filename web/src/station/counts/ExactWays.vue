<script setup lang="ts">
import { type Candidate, type CountQuery, waysToCut } from '@tesseron/core/search';
import { computed, ref } from 'vue';
import type { Row } from './use-count-search';

/** All trains within the limits that have the ratio of the one looked at exactly, once they are asked for. */
const props = defineProps<{
  query: CountQuery | undefined;
  candidate: Candidate;
  weigh: (candidate: Candidate) => Row | undefined;
  chosen: string | undefined;
  choosable: boolean;
}>();
const emit = defineEmits<{ choose: [row: Row] }>();
const open = ref(false);
const opened = (event: Event): void => void (open.value = (event.target as HTMLDetailsElement).open);
const ways = computed(() => {
  const { query, candidate, weigh } = props;
  if (!open.value || !query) return { rows: [], all: true };
  const found = [...query.stages].sort((a, b) => a - b).map(n => waysToCut(query, candidate.ratio, n));
  return {
    rows: found.flatMap(f => f.ways.flatMap(c => weigh(c) ?? [])),
    all: found.every(f => f.all),
  };
});
</script>

<template>
  <details :open="open" data-test="ways" @toggle="opened">
    <summary>All ways to cut it exactly</summary>
    <template v-if="open">
      <p v-if="!ways.all" class="quiet">The first of each number of stages; there are more.</p>
      <ul>
        <li v-for="w in ways.rows" :key="w.key">
          <span class="figure">{{ w.key }}</span>
          <span class="quiet figure">{{ w.candidate.total }} teeth</span>
          <BoxedButton v-if="choosable" :aria-label="`Choose ${w.key}`" @click="emit('choose', w)">
            {{ w.key === chosen ? 'Chosen' : 'Choose' }}
          </BoxedButton>
        </li>
      </ul>
    </template>
  </details>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 6px 0;
  font-size: 13px;
}

li {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 14px;
  align-items: center;
  padding: 2px 0;
}
</style>
