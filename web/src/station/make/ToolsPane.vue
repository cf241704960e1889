<script setup lang="ts">
import { byId, type Process } from '@tesseron/core/machine';
import { addProcess, changeProcess, removeProcess, setProcess } from '@tesseron/core/change';
import { cautionsFor, cautionsOf } from '@tesseron/core/process';
import { CAUTIONS } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import CheckedField from '../../parts/CheckedField.vue';
import MaterialFields from './MaterialFields.vue';
import ProcessFields from './ProcessFields.vue';
import { anyText } from './any-text';
import DrawnLater from '../../parts/DrawnLater.vue';

/** The maker's tools: how each works, what it takes, and what to mind. */
const { machine, change } = useOpen();
const KINDS: readonly { value: Process['kind']; title: string }[] = [
  { value: 'laser', title: 'laser' },
  { value: 'printer', title: 'printer' },
  { value: 'router', title: 'router' },
  { value: 'saw', title: 'saw and drill' },
];
const titleOf = (kind: Process['kind']): string => KINDS.find(k => k.value === kind)?.title ?? kind;
const chosen = ref(machine.value.process);
watch(
  () => machine.value.processes,
  list => (chosen.value = byId(list, chosen.value)?.id ?? machine.value.process),
);
const process = computed(() => byId(machine.value.processes, chosen.value));
const usual = computed({
  get: () => machine.value.process,
  set: id => id !== undefined && change('Choose how parts are made', setProcess(id)),
});
const cautions = computed(() =>
  [...cautionsFor(process.value?.kind ?? 'saw'), ...cautionsOf(machine.value)].map(c => ({
    code: c,
    text: CAUTIONS[c],
  })),
);

function add(kind: Process['kind']): void {
  const before = new Set(machine.value.processes.map(p => p.id));
  change(
    'Add a tool',
    addProcess(
      titleOf(kind).replace(/^./, c => c.toUpperCase()),
      kind,
    ),
  );
  chosen.value = machine.value.processes.find(p => !before.has(p.id))?.id;
}
</script>

<template>
  <table class="ruled">
    <thead>
      <tr>
        <th scope="col">tool</th>
        <th scope="col">kind</th>
        <th scope="col">makes the rest</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="p in machine.processes" :key="p.id" :class="{ chosen: p.id === chosen }">
        <td>
          <PlainButton data-test="tool" @click="chosen = p.id">
            {{ p.name || titleOf(p.kind) }}
          </PlainButton>
        </td>
        <td>{{ titleOf(p.kind) }}</td>
        <td>
          <v-radio
            name="usual"
            :value="p.id"
            :model-value="usual"
            :aria-label="`${p.name} makes the rest`"
            data-test="usual-tool"
            @update:model-value="usual = p.id"
          />
        </td>
      </tr>
    </tbody>
  </table>
  <p class="add">
    <span class="quiet">Add</span>
    <BoxedButton v-for="k in KINDS" :key="k.value" :data-test="`add-${k.value}`" @click="add(k.value)">
      {{ k.title }}
    </BoxedButton>
  </p>
  <template v-if="process">
    <CheckedField
      :model-value="process.name"
      label="Name of the tool"
      :read="anyText"
      data-test="tool-name"
      @update:model-value="change('Name a tool', changeProcess(process.id, { name: $event }))"
    />
    <DrawnLater><ProcessFields :process="process" /></DrawnLater>
    <p v-if="machine.processes.length > 1">
      <BoxedButton data-test="remove-tool" @click="change('Remove a tool', removeProcess(process.id))">
        Remove this tool
      </BoxedButton>
    </p>
    <DrawnLater><MaterialFields :process="process" /></DrawnLater>
    <div class="cautions" role="note" aria-label="Cautions" data-test="cautions">
      <h3>Cautions, {{ titleOf(process.kind) }}</h3>
      <ul>
        <li v-for="c in cautions" :key="c.code">{{ c.text }}</li>
      </ul>
      <p class="small">Local codes and the makers of your tools go first.</p>
    </div>
  </template>
</template>

<style scoped>
.add {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  margin: 8px 0 12px;
}

.cautions {
  border-left: 4px solid var(--warn);
  padding-left: 12px;
  margin: 16px 0 12px;
  font-size: 14px;
}

.cautions h3 {
  color: var(--warn);
  margin-top: 0;
}

.cautions ul {
  padding-left: 16px;
  margin: 0;
}

.small {
  font-size: 13px;
  margin: 6px 0 0;
}
</style>
