<script setup lang="ts">
import { ownToothing, setToothing } from '@tesseron/core/change';
import { groupsOf, type Toothing } from '@tesseron/core/machine';
import { nameOf } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import TeethLike from '../../parts/TeethLike.vue';
import TickBox from '../../parts/TickBox.vue';

/** Who has these teeth, which of them shall have their own, and what the teeth are called. */
const props = defineProps<{ mesh: string; toothing: Toothing }>();
const { machine, change } = useOpen();
const ticked = ref<ReadonlySet<string>>(new Set());
/** Boxes are made when they are asked for: there may be many. */
const open = ref(false);
const groups = computed(() =>
  groupsOf(machine.value, props.toothing.id).map(group => ({
    id: group[0] ?? '',
    names: group.map(w => nameOf(machine.value, w)).join(', '),
  })),
);
const chosen = computed(() => groups.value.filter(g => ticked.value.has(g.id)).map(g => g.id));
watch(
  () => props.toothing.id,
  () => (ticked.value = new Set()),
);

function tick(id: string, on: boolean): void {
  const next = new Set(ticked.value);
  if (on) next.add(id);
  else next.delete(id);
  ticked.value = next;
}

function own(): void {
  change('Teeth of their own', ownToothing(...chosen.value));
  ticked.value = new Set();
}

function rename(event: Event): void {
  const name = (event.target as HTMLInputElement).value.trim();
  if (name) change('Name the teeth', setToothing(props.toothing.id, { name }));
}
</script>

<template>
  <div>
    <TeethLike :of="mesh" />
    <v-text-field
      :model-value="toothing.name"
      label="These are called"
      maxlength="120"
      data-test="toothing-name"
      @change="rename"
    />
  </div>
  <details
    v-if="groups.length > 1"
    data-test="shared-teeth"
    @toggle="open = ($event.target as HTMLDetailsElement).open"
  >
    <summary>{{ groups.length }} sets of wheels have these teeth</summary>
    <template v-if="open">
      <TickBox
        v-for="g in groups"
        :key="g.id"
        :model-value="ticked.has(g.id)"
        :label="g.names"
        @update:model-value="tick(g.id, $event)"
      />
      <BoxedButton
        :disabled="chosen.length === 0 || chosen.length === groups.length"
        data-test="own-teeth"
        @click="own"
      >
        Teeth of their own for these
      </BoxedButton>
    </template>
  </details>
</template>

<style scoped>
summary {
  font-size: 13px;
  margin: 4px 0;
}
</style>
