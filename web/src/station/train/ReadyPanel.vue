<script setup lang="ts">
import { READY } from '@tesseron/core/arrangements';
import { groundRate, trainRates } from '@tesseron/core/train';
import { arbors, byId, driveWay } from '@tesseron/core/machine';
import { sayProblem, sayRate } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import { kept } from '../../parts/kept-items';
import OneOf from '../../parts/OneOf.vue';
import DialogBox from '../../parts/DialogBox.vue';

/** Ready arrangements: chosen, given their counts, seen what they turn, and inserted as ordinary arbors and wheels. */
const open = defineModel<boolean>({ required: true });
/** The arbor that is chosen on the drawing: what is added hangs on it. */
const props = defineProps<{ chosen: string | undefined }>();
const { machine, change } = useOpen();
const hung = ref<string>();
const on = computed(
  () =>
    [hung.value, props.chosen, machine.value.drive?.member].find(id => byId(arbors(machine.value), id)) ?? '',
);
const places = computed(() => arbors(machine.value).map(a => ({ title: a.name, value: a.id })));
watch(open, () => (hung.value = undefined));
const id = ref(READY[0]?.id ?? '');
const typed = ref<Record<string, string>>({});
const ready = computed(() => READY.find(r => r.id === id.value));
const values = computed(() =>
  Object.fromEntries(
    (ready.value?.fields ?? []).map(f => [f.key, typed.value[`${id.value} ${f.key}`] ?? f.offered]),
  ),
);
const built = computed(() => ready.value?.build(machine.value, values.value, on.value));
const fields = computed(() => {
  const asked = ready.value?.asked?.(machine.value, on.value);
  return (ready.value?.fields ?? []).filter(f => !asked || asked.includes(f.key));
});
/** The arbors that it adds, with their rates in the first of its modes. */
const made = computed(() => {
  if (!built.value?.ok) return [];
  const next = built.value.value;
  const { rates } = trainRates(next);
  const before = new Set(machine.value.members.map(m => m.id));
  return next.members
    .filter(m => !before.has(m.id))
    .map(m => ({
      name: m.name,
      rate: sayRate(groundRate(next, rates, m.id) ?? rates[m.id], 24, driveWay(next)),
    }));
});
function add(): void {
  const next = built.value;
  if (!next?.ok) return;
  change(`Add ${ready.value?.title.toLowerCase() ?? 'an arrangement'}`, () => next.value);
  open.value = false;
}
</script>

<template>
  <DialogBox v-model="open" title="Ready arrangements" :width="860" test="ready">
    <div class="two">
      <OneOf
        v-model="id"
        label="Arrangement"
        :choices="READY.map(r => ({ value: r.id, title: r.title }))"
        test="ready"
      />
      <div v-if="ready">
        <p>{{ ready.does }}</p>
        <v-select
          :model-value="on"
          :items="places"
          label="Hangs on"
          data-test="ready-on"
          @update:model-value="hung = $event"
        />
        <template v-for="f in fields" :key="id + f.key">
          <v-select
            v-if="f.choices"
            :model-value="values[f.key]"
            :items="kept(f.choices)"
            :label="f.label"
            :data-test="`ready-field-${f.key}`"
            @update:model-value="typed[`${id} ${f.key}`] = $event"
          />
          <v-text-field
            v-else
            :model-value="values[f.key]"
            :label="f.kind === 'pairs' ? `${f.label} (driving:driven)` : f.label"
            autocomplete="off"
            :data-test="`ready-field-${f.key}`"
            @update:model-value="typed[`${id} ${f.key}`] = $event"
          />
        </template>
        <p v-if="built && !built.ok" class="error-text" role="alert" data-test="ready-problem">
          {{ sayProblem(built.problem) }}
        </p>
        <table v-else class="ruled" data-test="ready-rates">
          <thead>
            <tr>
              <th scope="col">adds</th>
              <th scope="col" class="figure">turns for one of the drive</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="m in made" :key="m.name">
              <td>{{ m.name }}</td>
              <td class="figure">{{ m.rate }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
    <p class="acts">
      <v-btn variant="flat" :disabled="!built?.ok" data-test="ready-add" @click="add">Add</v-btn>
      <v-btn @click="open = false">Close</v-btn>
    </p>
  </DialogBox>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 210px 1fr;
  gap: 24px;
  margin: 10px 0;
}

.acts {
  display: flex;
  gap: 12px;
}

@media (max-width: 600px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
