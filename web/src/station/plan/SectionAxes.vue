<script setup lang="ts">
import { nameOf } from '@tesseron/core/words';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import SmallChoice from '../../parts/SmallChoice.vue';

/** The axes through which the section runs, in order. */
const axes = defineModel<readonly string[]>({ required: true });
const { machine } = useOpen();
const left = computed(() => machine.value.axes.filter(a => !axes.value.includes(a.id)));
function add(id: string | undefined): void {
  if (id !== undefined) axes.value = [...axes.value, id];
}
</script>

<template>
  <p class="through" data-test="section-axes">
    <span class="quiet">Section through</span>
    <BoxedButton
      v-for="a in axes"
      :key="a"
      :aria-label="`Leave ${nameOf(machine, a)} out of the section`"
      @click="axes = axes.filter(x => x !== a)"
    >
      {{ nameOf(machine, a).split(',')[0] }} ×
    </BoxedButton>
    <SmallChoice
      v-if="left.length > 0"
      :model-value="undefined"
      :items="left.map(a => ({ value: a.id, title: nameOf(machine, a.id) }))"
      label="on to"
      aria-label="Run the section on to"
      @update:model-value="add"
    />
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
</style>
