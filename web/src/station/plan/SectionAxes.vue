<script setup lang="ts">
import { nameOf } from '@tesseron/core/words';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';

/** The axes through which the section runs, in order. */
const axes = defineModel<readonly string[]>({ required: true });
const { machine } = useOpen();
const left = computed(() => machine.value.axes.filter(a => !axes.value.includes(a.id)));
function add(event: Event): void {
  const select = event.target as HTMLSelectElement;
  if (select.value !== '') axes.value = [...axes.value, select.value];
  select.value = '';
}
</script>

<template>
  <p class="through" data-test="section-axes">
    <span class="quiet">Section through</span>
    <button
      v-for="a in axes"
      :key="a"
      type="button"
      class="boxed"
      :aria-label="`Leave ${nameOf(machine, a)} out of the section`"
      @click="axes = axes.filter(x => x !== a)"
    >
      {{ nameOf(machine, a).split(',')[0] }} ×
    </button>
    <select v-if="left.length > 0" aria-label="Run the section on to" @change="add">
      <option value="">on to…</option>
      <option v-for="a in left" :key="a.id" :value="a.id">{{ nameOf(machine, a.id) }}</option>
    </select>
  </p>
</template>

<style scoped>
.through {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  margin: 0;
  padding: 6px 12px;
  border-bottom: var(--line);
  font-size: 14px;
}

.boxed {
  padding: 1px 8px;
  font-size: 13px;
}

select {
  font: inherit;
  color: inherit;
  background: var(--panel);
  border: var(--line);
}
</style>
