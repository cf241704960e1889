<script setup lang="ts">
import { deletionOf } from '@tesseron/core/edit';
import { byId } from '@tesseron/core/machine';
import { nameOf } from '@tesseron/core/words';
import { computed } from 'vue';
import type { Hand } from './use-hand';

/** Says what goes before it goes. */
const props = defineProps<{ hand: Hand; id: string }>();
const emit = defineEmits<{ done: [] }>();
const { machine } = props.hand;
const deletion = computed(() => deletionOf(machine.value, props.id));
const groups = computed(() =>
  [
    ['Arbors', deletion.value.arbors],
    ['Wheels', deletion.value.wheels],
    ['Joints', deletion.value.joints],
    ['Outputs left without an arbor', deletion.value.aims],
  ].flatMap(([title, ids]) =>
    (ids as string[]).length > 0
      ? [{ title: title as string, names: (ids as string[]).map(id => nameOf(machine.value, id)) }]
      : [],
  ),
);
function go(): void {
  const name = nameOf(machine.value, props.id);
  const joint = byId(machine.value.joints, props.id);
  props.hand.act(joint ? `Take ${name} apart` : `Delete ${name}`, () => ({
    ok: true,
    value: deletion.value.machine,
  }));
  props.hand.choose(undefined);
  emit('done');
}
</script>

<template>
  <section class="panel" role="alertdialog" aria-labelledby="delete-title" data-test="deletion">
    <h3 id="delete-title">Delete {{ nameOf(machine, id) }}?</h3>
    <p v-for="g in groups" :key="g.title">
      <strong>{{ g.title }}:</strong> {{ g.names.join('; ') }}
    </p>
    <p class="acts">
      <v-btn variant="flat" data-test="delete-go" @click="go">Delete</v-btn>
      <v-btn autofocus data-test="delete-keep" @click="emit('done')">Keep</v-btn>
    </p>
  </section>
</template>

<style scoped>
.panel {
  border: 1px solid var(--stop);
  padding: 8px 12px 12px;
  margin: 10px 0;
}

.acts {
  display: flex;
  gap: 10px;
}
</style>
