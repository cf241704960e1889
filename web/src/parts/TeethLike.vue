<script setup lang="ts">
import { ownToothing } from '@tesseron/core/change';
import { takeToothing } from '@tesseron/core/edit';
import { byId, inMeshWith } from '@tesseron/core/machine';
import { fixed } from '@tesseron/core/units';
import { computed, ref } from 'vue';
import { useOpen } from '../machine/use-open';
import { sameItems } from './same-items';

/** Which teeth a mesh or a wheel has, with all that meshes with it: those of others in the machine, or its own. */
const props = defineProps<{ of: string }>();
const { machine, derived, change, attempt } = useOpen();
const OWN = ' own';
const refused = ref('');
const group = computed(() => inMeshWith(machine.value, props.of));
const now = computed(() => machine.value.wheels.find(w => group.value.has(w.id))?.toothing ?? '');
const shared = computed(() =>
  machine.value.wheels.some(w => w.toothing === now.value && !group.value.has(w.id)),
);
const items = sameItems(() => [
  ...machine.value.toothings.map(t => {
    const module = derived.value.modules[t.id];
    return {
      title:
        module === undefined || /module/i.test(t.name) ? t.name : `${t.name}, module ${fixed(module, 3)}`,
      value: t.id,
    };
  }),
  ...(shared.value ? [{ title: 'teeth of its own', value: OWN }] : []),
]);

function take(chosen: string): void {
  refused.value = '';
  if (chosen === OWN) change('Teeth of its own', ownToothing(props.of));
  else if (chosen !== now.value)
    refused.value = attempt(
      `Teeth like ${byId(machine.value.toothings, chosen)?.name ?? ''}`,
      takeToothing([props.of], chosen),
    );
}
</script>

<template>
  <v-select
    :model-value="now"
    :items="items"
    label="Teeth like"
    data-test="teeth-like"
    @update:model-value="take"
  />
  <p v-if="refused" class="error-text" role="alert">{{ refused }}</p>
</template>
